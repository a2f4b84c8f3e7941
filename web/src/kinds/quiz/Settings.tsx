import { useTranslations } from 'use-intl';
import { least, percent } from '../../ui/format';
import { SavedField } from '../../ui/SavedField';
import type { AuthorProps } from '../room';
import { CutFields } from './CutFields';
import { KeptSettings } from './KeptSettings';
import { TakingFields } from './TakingFields';

export default function Settings(props: AuthorProps<'quiz'>) {
  const { step, part, design, change } = props;
  const t = useTranslations();
  return (
    <>
      <KeptSettings {...props} />
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
      {!part.taking.selfCheck && (
        <SavedField
          label={t('plan.passMark')}
          type="number"
          value={`${percent(step.passMark)}`}
          onSave={(v) => change({ passMark: Math.min(100, least(v, 0)) / 100 })}
        />
      )}
      <TakingFields {...props} />
    </>
  );
}
