import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useCallback, useMemo } from 'react';
import { useTranslations } from 'use-intl';
import { ApiError, type Me } from '../../api/client';
import { queries } from '../../api/queries';
import { useNotice } from '../../ui/Notice';
import { asLeft, drop, type Edit, editOf, leftAs, type Whose } from './lastEdits';
import { useSaysEdit } from './useSaysEdit';
import { go, type Way } from './way';

/** One after the other, so that each builds on what the one before has saved. */
export const scopeOf = (course: number) => ({ id: `draft-${course}` });

/** Those that are on their way back: pressed twice, an edit is undone once. */
const going = new Set<string>();

const OF_DRAFT = [
  queries.design,
  queries.check,
  queries.publications,
  queries.rehearsals,
  queries.crowd,
  queries.rubrics,
  queries.questions,
];

/** Undoes edits of a draft: the last one, or one of the list. */
export function useUndo(course: number) {
  const t = useTranslations();
  const client = useQueryClient();
  const notice = useNotice();
  const says = useSaysEdit();
  const person = client.getQueryData<Me>(queries.me().queryKey)?.person?.id ?? 0;
  const whose: Whose = useMemo(() => ({ person, course }), [person, course]);
  const fresh = useCallback(
    () =>
      Promise.all(
        OF_DRAFT.map((of) => client.invalidateQueries({ queryKey: of(course).queryKey })),
      ),
    [client, course],
  );
  const { mutateAsync: takeBack } = useMutation({
    scope: scopeOf(course),
    mutationFn: async (way: Way) => {
      for (const thing of await go(course, asLeft(whose, way))) leftAs(whose, thing);
    },
  });
  const undone = useCallback(
    async (edit: Edit) => {
      going.add(edit.key);
      try {
        await takeBack(edit.way);
        drop(whose, edit.key);
        notice({ tone: 'success', text: t('undo.done', { what: says(edit) }) });
      } catch (error) {
        const problem = error instanceof ApiError ? error.problem : undefined;
        // What no server heard can be asked again.
        if (problem !== undefined && problem.status < 500) drop(whose, edit.key);
        notice({
          tone: 'error',
          text: problem?.current ? t('plan.notUndone') : (error as Error).message,
        });
      } finally {
        going.delete(edit.key);
      }
      await fresh();
    },
    [whose, fresh, notice, says, t, takeBack],
  );
  const undo = useCallback(
    async (key?: string) => {
      const edit = editOf(whose, going, key);
      if (edit) await undone(edit);
    },
    [whose, undone],
  );
  return { whose, fresh, undo };
}
