import { useTranslations } from 'use-intl';
import type { WriteProps } from '../room';
import { Either } from './Either';

/** Whether the statement is true. */
export function Write({ part, edit }: WriteProps<'true-false'>) {
  const t = useTranslations();
  return (
    <Either
      label={t('plan.right')}
      value={part.isTrue}
      onChange={(isTrue) => edit({ ...part, isTrue })}
    />
  );
}
