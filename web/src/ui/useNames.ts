import { useFormatter, useTranslations } from 'use-intl';

/** Says several names in a line, the first few one by one: "Juno, Kofi and 12 more". */
export function useNames() {
  const t = useTranslations();
  const format = useFormatter();
  const list = (names: string[]) => format.list(names, { type: 'unit', style: 'short' });
  return (names: string[], most = names.length) => {
    const rest = names.length - most;
    const first = list(names.slice(0, most));
    return rest > 0 ? t('common.namesAndMore', { names: first, count: rest }) : first;
  };
}
