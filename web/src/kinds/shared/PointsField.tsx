import { useTranslations } from 'use-intl';
import type { DesignStep, StepEdit } from '../../api/client';
import { least } from '../../ui/format';
import { SavedField } from '../../ui/SavedField';

/** The points to be had for a piece of work. */
export function PointsField({
  step,
  change,
}: {
  step: DesignStep;
  change: (fields: Partial<StepEdit>) => void;
}) {
  const t = useTranslations();
  return (
    <SavedField
      label={t('plan.points')}
      type="number"
      value={`${step.points}`}
      onSave={(v) => change({ points: least(v, 0) })}
    />
  );
}
