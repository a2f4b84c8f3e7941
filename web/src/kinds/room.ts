import type { ComponentType, LazyExoticComponent } from 'react';
import type {
  AuthorEdit,
  AuthorPart,
  Design,
  DesignStep,
  LearnerPart,
  StepEdit,
  StepPage,
  Work,
} from '../api/client';

/** When something is said to a learner, by the fields of own words. */
export type Moment = 'handedIn' | 'waiting' | 'passed' | 'again' | 'done' | 'completed';

/** Whose way it is: one's own, a made-up learner's, or a learner's through whose eyes one looks. */
export type WalkName = 'mine' | 'practice' | `as-${string}`;

/** Whether somebody only looks, so that nothing is done. */
export const watching = (walk: WalkName) => walk.startsWith('as-');

/** Where the views of a way stand. */
export const walkBase = (course: number, walk: WalkName) =>
  `/c/${course}/${walk === 'mine' ? 'my' : walk}`;
type Is = AuthorPart['is'];
type One<T extends { is: string }, I extends Is> = Extract<T, { is: I }>;

/** A step as its designer sees it. */
export interface AuthorProps<I extends Is = Is> {
  step: DesignStep;
  part: One<AuthorPart, I>;
  design: Design;
  change: (fields: Partial<StepEdit>) => void;
}

/** A step as its learner sees it. */
export interface StepProps {
  page: StepPage;
  walk: WalkName;
  show: (page: StepPage) => void;
  refresh: () => void;
}
export type LearnerProps<I extends Is = Is> = StepProps & { part: One<LearnerPart, I> };

/** Somebody's work at a step, as it is marked. */
export interface MarkerProps {
  work: Work;
  /** Whether it comes after another one that was marked just now. */
  arrived: boolean;
  onDone: () => void;
}

type Lazy<P> = LazyExoticComponent<ComponentType<P>>;

/**
 * A kind of step in the client. What is shown is loaded when it is needed; rooms do not know each
 * other.
 */
export interface StepRoom<I extends Is> {
  /** What its text is: what is read, or what is asked for; without, it has none. */
  text?: 'body' | 'task';
  /** What a tie to an outcome means there. */
  ties: 'taught' | 'assessed';
  /** What its author writes besides the text; above it or below. */
  Author?: { at: 'above' | 'below'; Part: Lazy<AuthorProps<I>> };
  /** Its own settings. */
  Settings?: Lazy<AuthorProps<I>>;
  /** What its learner does there, above the text and below. */
  Above?: Lazy<LearnerProps<I>>;
  Learner?: Lazy<LearnerProps<I>>;
  /** How its work is marked or signed off; without, there is nothing to mark. */
  Marker?: Lazy<MarkerProps>;
  /** Whether the page says when it is done. */
  saysWhenDone: boolean;
  /** What can be said to its learner besides that it is done. */
  says?: Moment[];
  /** Whether its author put nothing into it besides the text; not there where the text is all. */
  empty?: (part: One<AuthorPart, I>) => boolean;
  /** The part as it is sent. */
  edit: (part: One<AuthorPart, I>) => One<AuthorEdit, I>;
}

/** A room as those see it who do not know its kind. */
export type AnyRoom = StepRoom<never>;
