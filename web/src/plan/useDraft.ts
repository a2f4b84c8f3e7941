import { useMutation, useQueryClient } from '@tanstack/react-query';
import equal from 'fast-deep-equal';
import { useCallback } from 'react';
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
import type { ActHeaders } from '../ui/useActKey';
import { useKeys } from '../ui/useKeys';
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
import { type Order, ordered } from './order';
import { bankEdit } from './questions/bankEdit';
import { rubricEdit } from './rubric';

export type Part =
  | 'outcomes'
  | 'modules'
  | 'steps'
  | 'badges'
  | 'course'
  | 'usual'
  | 'flags'
  | 'rubrics'
  | 'questions'
  | 'rehearsals';
type Undo = () => Promise<unknown>;

/** Fields as they were seen, and as they are to be. */
interface Fields {
  from: Record<string, unknown>;
  to: Record<string, unknown>;
}

const undoable = new Map<number, Undo[]>();
interface Versioned {
  id: number;
  version: number;
}

interface Change {
  /** Gives nothing where there was nothing to change, so that there is nothing to undo. */
  act: () => Promise<unknown>;
  back?: Undo;
  /** The fields of a thing that it changes; nothing where it must not be asked again by itself. */
  about?: string;
}

/** What this browser's own last save brought, which may be newer than what a view still shows. */
const saved = new Map<string, Versioned>();

whenSessionEnds(() => {
  undoable.clear();
  saved.clear();
});

function newest<T extends Versioned>(part: Part, shown: T): T {
  const own = saved.get(`${part}-${shown.id}`) as T | undefined;
  return own && own.version > shown.version ? own : shown;
}

async function keep<T extends Versioned>(part: Part, save: Promise<T>): Promise<T> {
  const made = await save;
  saved.set(`${part}-${made.id}`, made);
  return made;
}

/** Some fields of a thing, those that are there. */
const only = <E extends object>(edit: E, fields: (keyof E)[]) =>
  Object.fromEntries(
    fields.filter((f) => edit[f] !== undefined).map((f) => [f, edit[f]]),
  ) as Partial<E>;

/** Some fields of a thing as they are sent: what is nothing is left out. */
export const fieldsOf = <E extends object>(edit: E, fields: (keyof E)[]) =>
  only(edit, fields) as Record<string, unknown>;

const match = (version: number) => ({ 'If-Match': `"${version}"` });

/**
 * Changes to the draft: saved at once, each with its way back on a stack that Ctrl Z takes from.
 * When somebody else was faster, their version is shown and nothing is lost of it.
 */
export function useDraft(course: number) {
  const t = useTranslations();
  const client = useQueryClient();
  const notice = useNotice();
  const fresh = useCallback(
    () =>
      Promise.all([
        client.invalidateQueries({ queryKey: queries.design(course).queryKey }),
        client.invalidateQueries({ queryKey: queries.check(course).queryKey }),
        client.invalidateQueries({ queryKey: queries.publications(course).queryKey }),
        client.invalidateQueries({ queryKey: queries.rehearsals(course).queryKey }),
        client.invalidateQueries({ queryKey: queries.crowd(course).queryKey }),
        client.invalidateQueries({ queryKey: queries.rubrics(course).queryKey }),
        client.invalidateQueries({ queryKey: queries.questions(course).queryKey }),
      ]),
    [client, course],
  );

  const run = useMutation({
    // One after the other, so that each builds on what the one before has saved.
    scope: { id: `draft-${course}` },
    meta: { about: ({ about }: Change) => about },
    mutationFn: async ({ act, back }: Change) => {
      const made = await act();
      if (back && made !== undefined) undoable.set(course, [...(undoable.get(course) ?? []), back]);
      return made;
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

  /** Sends some fields as they were seen and as they are to be; nothing else is touched. */
  const patch = <T extends Versioned>(part: Part, id: number, fields: Fields): Promise<T> => {
    const init = { params: { path: { course, id } }, body: fields };
    const sent = {
      outcomes: () => api.PATCH('/api/courses/{course}/design/outcomes/{id}', init),
      modules: () => api.PATCH('/api/courses/{course}/design/modules/{id}', init),
      steps: () => api.PATCH('/api/courses/{course}/design/steps/{id}', init),
      badges: () => api.PATCH('/api/courses/{course}/design/badges/{id}', init),
      course: () =>
        api.PATCH('/api/courses/{course}/design/course', {
          params: { path: { course } },
          body: fields,
        }),
      usual: () => api.PATCH('/api/courses/{course}/design/usual/{id}', init),
      flags: () => api.PATCH('/api/courses/{course}/design/flags/{id}', init),
      rubrics: () => api.PATCH('/api/courses/{course}/design/rubrics/{id}', init),
      questions: () => api.PATCH('/api/courses/{course}/design/questions/{id}', init),
      rehearsals: () => api.PATCH('/api/courses/{course}/design/rehearsals/{id}', init),
    }[part]() as Promise<{ data?: unknown }>;
    return keep(part, body(sent) as Promise<T>);
  };

  /** Changes some fields of a thing; undoing is the same turned around. */
  function changing<T extends Versioned, E extends object>(how: {
    part: Part;
    shown: T;
    change: Partial<E>;
    edit: (thing: T) => E;
  }) {
    const fields = Object.keys(how.change) as (keyof E)[];
    let was: Partial<E> = {};
    let is: Partial<E> = {};
    run.mutate({
      about: `${how.part}-${how.shown.id}-${fields.sort().join()}`,
      act: async () => {
        const base = newest(how.part, how.shown);
        const before = how.edit(base);
        const changed = fields.filter((f) => !equal(before[f], how.change[f]));
        if (changed.length === 0) return undefined;
        was = only(before, changed);
        const to = only(how.change as E, changed);
        const made = await patch<T>(how.part, base.id, { from: was, to });
        is = only(how.edit(made), changed);
        return made;
      },
      back: () => patch(how.part, how.shown.id, { from: is, to: was }),
    });
  }

  const { mutateAsync: takeBack } = useMutation({
    scope: { id: `draft-${course}` },
    mutationFn: (back: Undo) => back(),
  });
  const undo = useCallback(async () => {
    const back = undoable.get(course)?.pop();
    if (!back) return;
    try {
      await takeBack(back);
    } catch (error) {
      const problem = error instanceof ApiError ? error.problem : undefined;
      // What no server heard can be asked again.
      const heard = problem !== undefined && problem.status < 500;
      if (!heard) undoable.get(course)?.push(back);
      notice({
        tone: 'error',
        text: problem?.current ? t('plan.notUndone') : (error as Error).message,
      });
    }
    await fresh();
  }, [course, fresh, notice, t, takeBack]);

  const byKey = (event: KeyboardEvent) => {
    event.preventDefault();
    void undo();
  };
  useKeys({ 'Control+z': byKey, 'Meta+z': byKey });

  /** Takes something away as it was left here: what others have done with it since is kept. */
  const goneAgain = (part: Part, made: Versioned) =>
    api.DELETE('/api/courses/{course}/design/{part}/{id}', {
      params: {
        path: { course, part, id: made.id },
        header: match(newest(part, made).version),
      },
    });

  /** Takes steps away as they were left here; what others have done with one since keeps them all. */
  const takenAway = (steps: Versioned[]) =>
    api.POST('/api/courses/{course}/design/steps/removal', {
      params: { path: { course } },
      body: {
        steps: steps.map((s) => ({ id: s.id, version: newest('steps', s).version })),
      },
    });

  return {
    undo,
    newest,
    takenAway,
    goneAgain,
    /** Does something that has a way back, after what was done before. */
    doing: (change: Change) => run.mutateAsync(change),
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
            undoable.set(course, [...(undoable.get(course) ?? []), () => goneAgain(part, made)]);
            await fresh();
            then(made);
          },
        })
        .catch(failed),
    /** Adds many questions; taking it back takes all of them away. */
    addQuestions: async (act: () => Promise<BankQuestion[]>) => {
      let made: BankQuestion[] = [];
      await run.mutateAsync({
        act: async () => {
          made = await act();
          return made;
        },
        back: async () => {
          for (const one of made) await goneAgain('questions', one);
        },
      });
      notice({
        tone: 'success',
        text: t('bank.added', { count: made.length }),
        undo: () => void undo(),
      });
    },
    /** Makes the same step again; taking it back takes all of them away. */
    again: (step: DesignStep, again: SameAgain, headers: ActHeaders) => {
      let made: DesignStep[] = [];
      return run.mutateAsync(
        {
          act: async () => {
            made = await body(
              api.POST('/api/courses/{course}/design/steps/{id}/copies', {
                params: { path: { course, id: step.id } },
                headers,
                body: again,
              }),
            );
            return made;
          },
          back: () => takenAway(made),
        },
        {
          onSuccess: () =>
            notice({
              tone: 'success',
              text: t('plan.againMade', { count: made.length }),
              undo: () => void undo(),
            }),
        },
      );
    },
    remove: (part: Part, id: number, name: string) => {
      const restore = () =>
        api.POST('/api/courses/{course}/design/{part}/{id}/restoration', {
          params: { path: { course, part, id } },
        });
      run.mutate(
        {
          act: () =>
            api.DELETE('/api/courses/{course}/design/{part}/{id}', {
              params: { path: { course, part, id } },
            }),
          back: restore,
        },
        {
          onSuccess: () =>
            notice({ tone: 'success', text: t('common.gone', { name }), undo: () => void undo() }),
        },
      );
    },
    orderOutcomes: (before: Design, outcomes: number[]) => {
      const put = (to: number[], was: number[]) =>
        api.PUT('/api/courses/{course}/design/outcomes/order', {
          params: { path: { course } },
          body: { outcomes: to, was },
        });
      const was = before.outcomes.map((o) => o.id);
      run.mutate({ act: () => put(outcomes, was), back: () => put(was, outcomes) });
    },
    order: (before: Design, modules: Order) => {
      const put = (to: Order, was: Order) =>
        api.PUT('/api/courses/{course}/design/order', {
          params: { path: { course } },
          body: { modules: to, was },
        });
      const was = before.modules.map((m) => ({ id: m.id, steps: m.steps.map((s) => s.id) }));
      // Shown at once, so that the next one is dragged in what this one has left.
      client.setQueryData(queries.design(course).queryKey, ordered(before, modules));
      run.mutate({ act: () => put(modules, was), back: () => put(was, modules) });
    },
  };
}

export type Draft = ReturnType<typeof useDraft>;
