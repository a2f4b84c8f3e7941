import { useMutation, useQueryClient } from '@tanstack/react-query';
import equal from 'fast-deep-equal';
import { useCallback, useEffect } from 'react';
import { useTranslations } from 'use-intl';
import {
  ApiError,
  api,
  type BadgeEdit,
  body,
  type Design,
  type DesignBadge,
  type DesignModule,
  type DesignOutcome,
  type DesignRubric,
  type DesignStep,
  type ModuleEdit,
  type OutcomeEdit,
  type RubricEdit,
  type StepEdit,
} from '../api/client';
import { queries } from '../api/queries';
import { useNotice } from '../ui/Notice';
import { whenSessionEnds } from '../ui/session';
import { badgeEdit, moduleEdit, outcomeEdit, stepEdit } from './edits';
import { type Order, ordered } from './order';
import { rubricEdit } from './rubric';

export type Part = 'outcomes' | 'modules' | 'steps' | 'badges' | 'rubrics';
type Undo = () => Promise<unknown>;

const undoable = new Map<number, Undo[]>();
interface Versioned {
  id: number;
  version: number;
}

interface Change {
  act: () => Promise<unknown>;
  back?: Undo;
  /** The fields of a thing that it changes; nothing where it must not be asked again by itself. */
  about?: string;
}

/** What a colleague has changed since is not taken back. */
class NotUndone extends Error {}

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

/**
 * An edit that puts back what another one changed and leaves the rest as it stands.
 *
 * @throws when one of the same fields has been changed since, so that nobody's work is lost
 */
function putBack<E extends object>(
  present: E,
  made: E,
  was: E,
  fields: (keyof E)[],
  refusal: string,
): E {
  const back = { ...present };
  for (const field of fields) {
    if (!equal(present[field], made[field])) throw new NotUndone(refusal);
    back[field] = was[field];
  }
  return back;
}

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
        client.invalidateQueries({ queryKey: queries.rubrics(course).queryKey }),
      ]),
    [client, course],
  );

  const run = useMutation({
    // One after the other, so that each builds on what the one before has saved.
    scope: { id: `draft-${course}` },
    meta: { about: ({ about }: Change) => about },
    mutationFn: async ({ act, back }: Change) => {
      const made = await act();
      if (back) undoable.set(course, [...(undoable.get(course) ?? []), back]);
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

  /** The newest state of a thing, since undoing must name the version that stands then. */
  const now = useCallback(async (): Promise<Design> => {
    await fresh();
    return client.fetchQuery(queries.design(course));
  }, [fresh, client, course]);

  const putStep = (s: DesignStep, edit: StepEdit) =>
    keep(
      'steps',
      body(
        api.PUT('/api/courses/{course}/design/steps/{id}', {
          params: { path: { course, id: s.id }, header: match(s.version) },
          body: edit,
        }),
      ),
    );
  const putModule = (m: DesignModule, edit: ModuleEdit) =>
    keep(
      'modules',
      body(
        api.PUT('/api/courses/{course}/design/modules/{id}', {
          params: { path: { course, id: m.id }, header: match(m.version) },
          body: edit,
        }),
      ),
    );
  const putBadge = (b: DesignBadge, edit: BadgeEdit) =>
    keep(
      'badges',
      body(
        api.PUT('/api/courses/{course}/design/badges/{id}', {
          params: { path: { course, id: b.id }, header: match(b.version) },
          body: edit,
        }),
      ),
    );
  const putOutcome = (o: DesignOutcome, edit: OutcomeEdit) =>
    keep(
      'outcomes',
      body(
        api.PUT('/api/courses/{course}/design/outcomes/{id}', {
          params: { path: { course, id: o.id }, header: match(o.version) },
          body: edit,
        }),
      ),
    );

  const putRubric = (r: DesignRubric, edit: RubricEdit) =>
    keep(
      'rubrics',
      body(
        api.PUT('/api/courses/{course}/design/rubrics/{id}', {
          params: { path: { course, id: r.id }, header: match(r.version) },
          body: edit,
        }),
      ),
    );

  /** Changes some fields of a thing; undoing puts back those, over whatever else has changed. */
  function changing<T extends Versioned, E extends object>(how: {
    part: Part;
    shown: T;
    change: Partial<E>;
    edit: (thing: T) => E;
    put: (thing: T, edit: E) => Promise<T>;
    find: (design: Design) => T[];
  }) {
    let base = how.shown;
    let made = how.shown;
    run.mutate({
      about: `${how.part}-${how.shown.id}-${Object.keys(how.change).sort().join()}`,
      act: async () => {
        base = newest(how.part, how.shown);
        made = await how.put(base, { ...how.edit(base), ...how.change });
        return made;
      },
      back: async () => {
        const at = how.find(await now()).find((x) => x.id === how.shown.id);
        if (!at) return;
        const fields = Object.keys(how.change) as (keyof E)[];
        const refusal = t('plan.notUndone');
        await how.put(at, putBack(how.edit(at), how.edit(made), how.edit(base), fields, refusal));
      },
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
      const heard = error instanceof NotUndone || (problem !== undefined && problem.status < 500);
      if (!heard) undoable.get(course)?.push(back);
      notice({
        tone: 'error',
        text: problem?.current ? t('plan.notUndone') : (error as Error).message,
      });
    }
    await fresh();
  }, [course, fresh, notice, t, takeBack]);

  useEffect(() => {
    const keys = (event: KeyboardEvent) => {
      const typing =
        event.target instanceof HTMLElement &&
        (/INPUT|TEXTAREA/.test(event.target.tagName) || event.target.isContentEditable);
      if ((event.ctrlKey || event.metaKey) && event.key === 'z' && !event.shiftKey && !typing) {
        event.preventDefault();
        void undo();
      }
    };
    window.addEventListener('keydown', keys);
    return () => window.removeEventListener('keydown', keys);
  }, [undo]);

  return {
    undo,
    step: (s: DesignStep, change: Partial<StepEdit>) =>
      changing({
        part: 'steps',
        shown: s,
        change,
        edit: stepEdit,
        put: putStep,
        find: (d) => d.modules.flatMap((m) => m.steps),
      }),
    module: (m: DesignModule, change: Partial<ModuleEdit>) =>
      changing({
        part: 'modules',
        shown: m,
        change,
        edit: moduleEdit,
        put: putModule,
        find: (d) => d.modules,
      }),
    badge: (b: DesignBadge, change: Partial<BadgeEdit>) =>
      changing({
        part: 'badges',
        shown: b,
        change,
        edit: badgeEdit,
        put: putBadge,
        find: (d) => d.badges,
      }),
    outcome: (o: DesignOutcome, change: Partial<OutcomeEdit>) =>
      changing({
        part: 'outcomes',
        shown: o,
        change,
        edit: outcomeEdit,
        put: putOutcome,
        find: (d) => d.outcomes,
      }),
    rubric: (r: DesignRubric, edit: RubricEdit) => {
      let made = r;
      run.mutate({
        about: `rubrics-${r.id}`,
        act: async () => {
          made = await putRubric(newest('rubrics', r), edit);
          return made;
        },
        back: async () => {
          const all = await client.fetchQuery({ ...queries.rubrics(course), staleTime: 0 });
          const at = all.find((x) => x.id === r.id);
          if (!at) return;
          const was = rubricEdit(r);
          const fields = Object.keys(was) as (keyof RubricEdit)[];
          const refusal = t('plan.notUndone');
          await putRubric(at, putBack(rubricEdit(at), rubricEdit(made), was, fields, refusal));
        },
      });
    },
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
            undoable.set(course, [
              ...(undoable.get(course) ?? []),
              () =>
                api.DELETE('/api/courses/{course}/design/{part}/{id}', {
                  params: {
                    path: { course, part, id: made.id },
                    // As it was left here: what others have done with it since is not taken away.
                    header: match(newest(part, made).version),
                  },
                }),
            ]);
            await fresh();
            then(made);
          },
        })
        .catch(failed),
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
