import { useTranslations } from 'use-intl';
import { SavedField } from '../../ui/SavedField';
import type { AuthorProps } from '../room';

/** Where the link leads. */
export default function Author({ part, change }: AuthorProps<'link'>) {
  const t = useTranslations();
  return (
    <SavedField
      label={t('plan.linkAddress')}
      value={part.address}
      placeholder="https://"
      type="url"
      onSave={(address) => change({ part: { is: 'link', address } })}
    />
  );
}
