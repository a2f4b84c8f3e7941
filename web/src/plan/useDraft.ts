import { useMutation, useQueryClient } from '@tanstack/react-query';
import equal from 'fast-deep-equal';
import { useTranslations } from 'use-intl';
import {
  ApiError,
  api,
  type BadgeEdit,
  type BankEdit,
  type BankQuestion,
  body,
  type CourseRules,
  type CourseRulesEdit,
  type Design,
  type DesignBadge,
  type DesignFlag,
  type DesignModule,
  type DesignOutcome,
  type DesignRubric,
  type DesignStep,
  type FlagEdit,
  type ModuleEdit,
  type OutcomeEdit,
  type Rehearsal,
  type RehearsalEdit,
  type RubricEdit,
  type SameAgain,
  type StepEdit,
  type UsualEdit,
  type UsualRules,
} from '../api/client';
import { queries } from '../api/queries';
import { useNotice } from '../ui/Notice';
import { whenSessionEnds } from '../ui/session';
import { toBeNamed } from '../ui/toBeNamed';
import type { ActHeaders } from '../ui/useActKey';
import type { Reply } from '../ui/useSaved';
import {
  badgeEdit,
  courseRulesEdit,
  flagEdit,
  moduleEdit,
  outcomeEdit,
  rehearsalEdit,
  stepEdit,
  usualEdit,
} from './edits';
import { type Order, ordered, orderOf } from './order';
import { bankEdit } from './questions/bankEdit';
import { rubricEdit } from './rubric';
import { type Did, leftAs, note } from './undo/lastEdits';
import { scopeOf, useUndo } from './undo/useUndo';
import {
  type Part,
  sendFields,
  sendOrder,
  sendOutcomes,
  type Versioned,
  type Way,
} from './undo/way';

export type { Part } from './undo/way';

interface Done<T> {
  made: T;
  did: Did;
  back: Way;
}

interface Change<T = unknown> {
  /** Gives nothing where there was nothing to change, so that there is nothing to undo. */
  act: () => Promise<Done<T> | undefined>;
  /** The fields of a thing that it changes; nothing where it must not be asked again by itself. */
  about?: string;
}

/** What this browser's own last save brought, which may be newer than what a view still shows. */
const saved = new Map<string, Versioned>();

whenSessionEnds(() => saved.clear());

function newest<T extends Versioned>(part: Part, shown: T): T {
  const own = saved.get(`${part}-${shown.id}`) as T | undefined;
  return own && own.version > shown.version ? own : shown;
}

/** Some fields of a thing, those that are there. */
const only = <E extends object>(edit: E, fields: (keyof E)[]) =>
  Object.fromEntries(
    fields.filter((f) => edit[f] !== undefined).map((f) => [f, edit[f]]),
  ) as Partial<E>;

/** Some fields of a thing as they are sent: what is nothing is left out. */
export const fieldsOf = <E extends object>(edit: E, fields: (keyof E)[]) =>
  only(edit, fields) as Record<string, unknown>;

/** What came of a change: the key of the edit, or why it was refused; neither where it changed nothing. */
export interface Edited extends Reply {
  key?: string;
}

/** Why something was not kept, if that is what it says and not how things stand. */
function refusal(error: unknown): Reply {
  if (!(error instanceof ApiError) || ![400, 422].includes(error.problem.status)) return {};
  const faults = Object.values(error.problem.fields ?? {});
  return { refused: { why: faults.length > 0 ? faults.join(' ') : error.message, error } };
}

const nameOf = (thing: object) => ('name' in thing ? `${thing.name}` : '');

/**
 * Changes to the draft: saved at once, each with its way back on the list of the last edits.
 * When somebody else was faster, their version is shown and nothing is lost of it.
 */
export function useDraft(course: number) {
  const t = useTranslations();
  const client = useQueryClient();
  const notice = useNotice();
  const { whose, fresh, undo } = useUndo(course);

  const run = useMutation({
    // One after the other, so that each builds on what the one before has saved.
    scope: scopeOf(course),
    meta: { about: ({ about }: Change) => about },
    mutationFn: async ({ act }: Change) => {
      const done = await act();
      return done && { made: done.made, key: note(whose, done.did, done.back) };
    },
    onError: (error) => {
      const meanwhile =
        error instanceof ApiError &&
        error.problem.status === 409 &&
        error.problem.current !== undefined;
      notice({
        tone: 'error',
        text: meanwhile
          ? t('common.changedMeanwhile')
          : t('common.failed', { detail: error.message }),
      });
    },
    onSettled: fresh,
  });

  /** Keeps what a save has brought. */
  const keep = <T extends Versioned>(part: Part, made: T): T => {
    saved.set(`${part}-${made.id}`, made);
    leftAs(whose, { part, id: made.id, version: made.version });
    return made;
  };

  /**
   * Changes some fields of a thing; undoing is the same turned around.
   */
  function changing<T extends Versioned, E extends object>(how: {
    part: Part;
    shown: T;
    change: Partial<E>;
    edit: (thing: T) => E;
  }): Promise<Edited> {
    const fields = (Object.keys(how.change) as (keyof E)[]).sort();
    const { part, shown, edit } = how;
    const change: Change = {
      about: `${part}-${shown.id}-${fields.join()}`,
      act: async () => {
        const base = newest(part, shown);
        const before = edit(base);
        const changed = fields.filter((f) => !equal(before[f], how.change[f]));
        if (changed.length === 0) return undefined;
        const was = only(before, changed);
        const to = only(how.change as E, changed);
        const made = keep(part, await sendFields<T>(course, part, base.id, { from: was, to }));
        const is = only(edit(made), changed);
        return {
          made,
          did: { did: 'changed', part, name: nameOf(base), fields: changed as string[] },
          back: { goes: 'fields', part, id: base.id, fields: { from: is, to: was } },
        };
      },
    };
    return run.mutateAsync(change).then(
      (done): Edited => (done ? { key: done.key } : {}),
      // said where all acts are said, and at the field if it is one
      (error): Edited => refusal(error),
    );
  }

  /** Does something that has a way back, after what was done before; says how to undo it. */
  const doing = async <T>(act: Change<T>['act'], says?: (made: T) => string) => {
    const done = await run.mutateAsync({ act });
    if (done && says)
      notice({
        tone: 'success',
        text: says(done.made as T),
        undo: () => void undo(done.key),
      });
    return done?.made as T | undefined;
  };

  const added = (part: Part, made: Versioned[], name: string): Omit<Done<unknown>, 'made'> => ({
    did: { did: 'added', part, name, ...(made.length > 1 && { count: made.length }) },
    back: { goes: 'away', things: made.map(({ id, version }) => ({ part, id, version })) },
  });

  return {
    undo,
    newest,
    doing,
    /** Keeps what several steps have become in one act. */
    keepSteps: (steps: DesignStep[]) => {
      for (const step of steps) keep('steps', step);
    },
    step: (s: DesignStep, change: Partial<StepEdit>) =>
      changing({ part: 'steps', shown: s, change, edit: stepEdit }),
    module: (m: DesignModule, change: Partial<ModuleEdit>) =>
      changing({ part: 'modules', shown: m, change, edit: moduleEdit }),
    badge: (b: DesignBadge, change: Partial<BadgeEdit>) =>
      changing({ part: 'badges', shown: b, change, edit: badgeEdit }),
    rules: (r: CourseRules, change: Partial<CourseRulesEdit>) =>
      changing({ part: 'course', shown: r, change, edit: courseRulesEdit }),
    usual: (u: UsualRules, change: Partial<UsualEdit>) =>
      changing({ part: 'usual', shown: u, change, edit: usualEdit }),
    flag: (f: DesignFlag, change: Partial<FlagEdit>) =>
      changing({ part: 'flags', shown: f, change, edit: flagEdit }),
    outcome: (o: DesignOutcome, change: Partial<OutcomeEdit>) =>
      changing({ part: 'outcomes', shown: o, change, edit: outcomeEdit }),
    rubric: (r: DesignRubric, change: Partial<RubricEdit>) =>
      changing({ part: 'rubrics', shown: r, change, edit: rubricEdit }),
    rehearsal: (r: Rehearsal, change: Partial<RehearsalEdit>) =>
      changing({ part: 'rehearsals', shown: r, change, edit: rehearsalEdit }),
    question: (q: BankQuestion, change: Partial<BankEdit>) =>
      changing({ part: 'questions', shown: q, change, edit: bankEdit }),
    add: <T extends Versioned>(
      part: Part,
      act: () => Promise<T>,
      then: (made: T) => void,
      failed: () => void = () => {},
    ) =>
      run
        .mutateAsync({
          act: async () => {
            const made = await act();
            await fresh();
            toBeNamed(`${part}-${made.id}`);
            then(made);
            return { made, ...added(part, [made], nameOf(made)) };
          },
        })
        .catch(failed),
    /** Adds many questions; taking it back takes all of them away. */
    addQuestions: async (act: () => Promise<BankQuestion[]>) => {
      await doing(
        async () => {
          const made = await act();
          return { made, ...added('questions', made, '') };
        },
        (made) => t('bank.added', { count: made.length }),
      );
    },
    /** Makes the same step again; taking it back takes all of them away. */
    again: (step: DesignStep, again: SameAgain, headers: ActHeaders) =>
      doing(
        async () => {
          const made = await body(
            api.POST('/api/courses/{course}/design/steps/{id}/copies', {
              params: { path: { course, id: step.id } },
              headers,
              body: again,
            }),
          );
          return { made, ...added('steps', made, step.name) };
        },
        (made) => t('plan.againMade', { count: made.length }),
      ),
    remove: (part: Part, id: number, name: string) =>
      doing(
        async () => {
          await api.DELETE('/api/courses/{course}/design/{part}/{id}', {
            params: { path: { course, part, id } },
          });
          return {
            made: name,
            did: { did: 'removed', part, name },
            back: { goes: 'back', part, ids: [id] },
          };
        },
        () => t('common.gone', { name }),
        // what became of it was said where all acts are said
      ).catch(() => {}),
    orderOutcomes: (before: Design, outcomes: number[]) => {
      const was = before.outcomes.map((o) => o.id);
      run.mutate({
        act: async () => ({
          made: await sendOutcomes(course, outcomes, was),
          did: { did: 'moved', part: 'outcomes', name: '' },
          back: { goes: 'outcomes', outcomes: was, was: outcomes },
        }),
      });
    },
    order: (before: Design, modules: Order) => {
      const was = orderOf(before.modules);
      // Shown at once, so that the next one is dragged in what this one has left.
      client.setQueryData(queries.design(course).queryKey, ordered(before, modules));
      run.mutate({
        act: async () => ({
          made: await sendOrder(course, modules, was),
          did: { did: 'moved', part: 'steps', name: '' },
          back: { goes: 'order', modules: was, was: modules },
        }),
      });
    },
  };
}

export type Draft = ReturnType<typeof useDraft>;
