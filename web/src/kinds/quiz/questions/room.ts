import type { ComponentType } from 'react';
import type { AskedPart, GivenAnswer, ReviewedPart, WrittenPart } from '../../../api/client';

type Is = WrittenPart['is'];
type One<T extends { is: string }, I extends Is> = Extract<T, { is: I }>;

/** A question as its author writes it. */
export interface WriteProps<I extends Is = Is> {
  part: One<WrittenPart, I>;
  /** Kept when the editor is left. */
  edit: (part: One<WrittenPart, I>) => void;
}

/** A question as a learner answers it. */
export interface AskProps<I extends Is = Is> {
  part: One<AskedPart, I>;
  /** The id of what names the question. */
  labelledBy: string;
  given?: One<GivenAnswer, I>;
  /** Nothing takes the answer back. */
  answer: (given: One<GivenAnswer, I> | undefined) => void;
}

/** An answer as it is looked at again. */
export interface ReviewProps<I extends Is = Is> {
  part: One<ReviewedPart, I>;
}

/** A kind of question in the client; rooms do not know each other. */
export interface QuestionRoom<I extends Is> {
  /** A new question of the kind. */
  fresh: () => One<WrittenPart, I>;
  Write: ComponentType<WriteProps<I>>;
  Ask: ComponentType<AskProps<I>>;
  Review: ComponentType<ReviewProps<I>>;
}

/** A room as those see it who do not know its kind. */
export interface AnyQuestionRoom {
  fresh: () => WrittenPart;
  Write: ComponentType<WriteProps>;
  Ask: ComponentType<AskProps>;
  Review: ComponentType<ReviewProps>;
}
