import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useCallback, useMemo } from 'react';
import { useTranslations } from 'use-intl';
import { ApiError, type Me } from '../../api/client';
import { queries } from '../../api/queries';
import { useNotice } from '../../ui/Notice';
import { asLeft, drop, editOf, leftAs, type Whose } from './lastEdits';
import { useSaysEdit } from './useSaysEdit';
import { go } from './way';

/** One after the other, so that each builds on what the one before has saved. */
export const scopeOf = (course: number) => ({ id: `draft-${course}` });

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
  const { mutateAsync } = useMutation({
    scope: scopeOf(course),
    // What is undone is found out when its turn comes, after all that is on its way: pressed twice,
    // an edit is undone once, and the last one is the one that was being saved.
    mutationFn: async (key: string | undefined) => {
      const edit = editOf(whose, key);
      if (!edit) return undefined;
      try {
        for (const thing of await go(course, asLeft(whose, edit.way))) leftAs(whose, thing);
      } catch (error) {
        // What no server heard can be asked again.
        if (error instanceof ApiError && error.problem.status < 500) drop(whose, edit.key);
        throw error;
      }
      drop(whose, edit.key);
      return edit;
    },
    onSuccess: (edit) =>
      edit && notice({ tone: 'success', text: t('undo.done', { what: says(edit) }) }),
    onError: (error) =>
      notice({
        tone: 'error',
        text:
          error instanceof ApiError && error.problem.current ? t('plan.notUndone') : error.message,
      }),
    onSettled: fresh,
  });
  const undo = useCallback(
    (key?: string) =>
      mutateAsync(key).then(
        () => {},
        () => {},
      ), // said where all acts are said
    [mutateAsync],
  );
  return { whose, fresh, undo };
}
