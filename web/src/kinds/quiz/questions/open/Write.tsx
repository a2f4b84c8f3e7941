import { TextField } from '@mui/material';
import { useTranslations } from 'use-intl';
import { RubricSelect } from '../../../shared/RubricSelect';
import type { WriteProps } from '../room';

/** What those who mark it look for. */
export function Write({ part, edit }: WriteProps<'open'>) {
  const t = useTranslations();
  return (
    <>
      <TextField
        label={t('plan.expected')}
        multiline
        minRows={2}
        value={part.expected}
        onChange={(e) => edit({ ...part, expected: e.target.value })}
        helperText={t('plan.openHint')}
        slotProps={{ htmlInput: { maxLength: 10_000 } }}
      />
      <RubricSelect
        label={t('plan.openRubric')}
        hint={part.rubric === undefined ? undefined : t('plan.openRubricHint')}
        rubric={part.rubric}
        onChoose={(chosen) => {
          const { rubric: _, ...rest } = part;
          edit(chosen ? { ...rest, rubric: chosen.id } : rest);
        }}
      />
    </>
  );
}
