import { useTranslations } from 'use-intl';
import { least, percent } from '../../ui/format';
import { SavedField } from '../../ui/SavedField';
import type { AuthorProps } from '../room';
import { CutFields } from './CutFields';

export default function Settings({ step, design, change }: AuthorProps<'quiz'>) {
  const t = useTranslations();
  return (
    <>
      {step.evidenceFor.map((tie) => (
        <CutFields
          key={tie.outcome}
          tie={tie}
          design={design}
          onChange={(cuts) =>
            change({
              evidenceFor: step.evidenceFor.map((other) =>
                other.outcome === tie.outcome
                  ? { outcome: tie.outcome, weight: tie.weight, ...(cuts && { cuts }) }
                  : other,
              ),
            })
          }
        />
      ))}
      <SavedField
        label={t('plan.passMark')}
        type="number"
        value={`${percent(step.passMark)}`}
        onSave={(v) => change({ passMark: Math.min(100, least(v, 0)) / 100 })}
      />
      <SavedField
        label={t('plan.attempts')}
        type="number"
        value={`${step.attempts}`}
        onSave={(v) => change({ attempts: Math.round(least(v, 0)) })}
      />
    </>
  );
}
