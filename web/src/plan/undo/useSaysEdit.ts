import { useCallback } from 'react';
import { useTranslations } from 'use-intl';
import type { Did } from './lastEdits';

const NAMED = 2;

/** What was done, in few words: "pass mark of Brakes", "3 steps taken away". */
export function useSaysEdit() {
  const t = useTranslations();
  return useCallback(
    ({ did, part, name, count = 1, fields = [] }: Did) => {
      const thing =
        count > 1
          ? t(`undo.many.${part}`, { count })
          : name
            ? t('undo.named', { name })
            : t(`undo.one.${part}`);
      if (did === 'moved') return t(`undo.moved.${part}`);
      if (did !== 'changed') return t(`undo.${did}`, { thing });
      const what =
        fields.length > NAMED
          ? t('undo.settings', { count: fields.length })
          : fields.map((f) => t(`undo.field.${f}`)).join(', ');
      return t('undo.changed', { what, thing });
    },
    [t],
  );
}
