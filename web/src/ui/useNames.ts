import { useCallback } from 'react';
import { useFormatter, useTranslations } from 'use-intl';

/** Says parts that are there in a line, one beside the other. */
export function useLine() {
  const { list } = useFormatter();
  return useCallback(
    (...parts: (string | false | undefined)[]) =>
      list(
        parts.filter((part): part is string => Boolean(part)),
        { type: 'unit', style: 'short' },
      ),
    [list],
  );
}

/** Says several names in a line, the first few one by one: "Juno, Kofi and 12 more". */
export function useNames() {
  const t = useTranslations();
  const line = useLine();
  return (names: string[], most = names.length) => {
    const rest = names.length - most;
    const first = line(...names.slice(0, most));
    return rest > 0 ? t('common.namesAndMore', { names: first, count: rest }) : first;
  };
}
