import { useTranslations } from 'use-intl';

/** Says several names in a line, the first few one by one: "Juno, Kofi and 12 more". */
export function useNames() {
  const t = useTranslations();
  return (names: string[], most: number) => {
    const first = names.slice(0, most).join(', ');
    const rest = names.length - most;
    return rest > 0 ? t('common.namesAndMore', { names: first, count: rest }) : first;
  };
}
