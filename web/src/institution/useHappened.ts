import { useTranslations } from 'use-intl';
import type { AccountEvent } from '../api/schema';

/** Says what happened to an account, with whatever else there is to know. */
export function useHappened() {
  const t = useTranslations();
  return (e: AccountEvent) => {
    const what = t(`accounts.${e.what}`);
    return e.detail ? t('accounts.detail', { what, detail: e.detail }) : what;
  };
}
