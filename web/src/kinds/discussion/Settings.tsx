import { FormControlLabel, FormHelperText, Switch } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { AuthorProps } from '../room';
import { MinutesField } from '../shared/MinutesField';
import { PointsField } from '../shared/PointsField';
import { RubricField } from '../shared/RubricField';
import { useOwn } from '../shared/useOwn';

/** Who discusses with whom, who reads first, and with what it is assessed. */
export default function Settings({ step, part: saved, change }: AuthorProps<'discussion'>) {
  const t = useTranslations();
  const [part, setOwn] = useOwn(saved);
  const set = (more: Partial<typeof part>) => {
    const next = { ...part, ...more };
    setOwn(next);
    change({ part: next });
  };
  return (
    <>
      <div>
        <FormControlLabel
          control={<Switch checked={part.byGroup} onChange={(_, byGroup) => set({ byGroup })} />}
          label={t('plan.byGroup')}
        />
        <FormHelperText sx={{ mt: 0 }}>{t('plan.byGroupHint')}</FormHelperText>
      </div>
      <FormControlLabel
        control={
          <Switch checked={part.postFirst} onChange={(_, postFirst) => set({ postFirst })} />
        }
        label={t('plan.postFirst')}
      />
      <MinutesField minutes={part.minutes} onSave={(minutes) => set({ minutes })} />
      <RubricField
        step={step}
        rubric={part.rubric}
        onChoose={(rubric, evidenceFor) => {
          const { rubric: _, ...rest } = part;
          const next = rubric === undefined ? rest : { ...rest, rubric };
          setOwn(next);
          change({ part: next, evidenceFor });
        }}
      />
      <PointsField step={step} change={change} />
    </>
  );
}
