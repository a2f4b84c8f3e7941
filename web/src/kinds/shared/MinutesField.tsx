import { useTranslations } from 'use-intl';
import { least } from '../../ui/format';
import { SavedField } from '../../ui/SavedField';

const MOST = 10_080;

/** For how long one can change what one wrote. */
export function MinutesField({
  minutes,
  onSave,
}: {
  minutes: number;
  onSave: (minutes: number) => void;
}) {
  const t = useTranslations();
  return (
    <SavedField
      label={t('plan.changeMinutes')}
      type="number"
      value={`${minutes}`}
      onSave={(v) => onSave(Math.min(MOST, least(v, 0)))}
    />
  );
}
