import { type QueryKey, useMutation, useQueryClient } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import { ApiError } from '../api/client';

interface Change {
  from: Record<string, unknown>;
  to: Record<string, unknown>;
}

/** Changes a thing field by field, each as it was seen, and says at a field what is wrong with it. */
export function useFieldChange<T>({
  queryKey,
  send,
  stale = queryKey,
  done,
}: {
  /** Where the thing stands that the server answers with. */
  queryKey: QueryKey;
  send: (change: Change) => Promise<T>;
  /** What else may be other than it was. */
  stale?: QueryKey;
  /** Is told how to take it back. */
  done?: (back: () => void) => void;
}) {
  const t = useTranslations();
  const client = useQueryClient();
  const { mutate, error, isPending } = useMutation({
    meta: { silent: true },
    mutationFn: send,
    onSuccess: (changed, change) => {
      client.setQueryData(queryKey, changed);
      done?.(() => mutate({ from: change.to, to: change.from }));
    },
    onSettled: () => client.invalidateQueries({ queryKey: stale }),
  });
  const wrong = error instanceof ApiError ? (error.problem.fields ?? {}) : {};
  const meanwhile = error instanceof ApiError && error.problem.current !== undefined;
  return {
    isPending,
    set: (field: string, was: unknown, is: unknown) =>
      mutate({ from: { [field]: was }, to: { [field]: is } }),
    /** What is wrong with a field. */
    fault: (field: string) => ({
      error: field in wrong,
      ...(wrong[field] && { helperText: wrong[field] }),
    }),
    /** What went wrong with none of the fields; where somebody else changed the same, that is said. */
    failed:
      error && Object.keys(wrong).length === 0
        ? meanwhile
          ? t('common.changedMeanwhile')
          : error.message
        : undefined,
  };
}
