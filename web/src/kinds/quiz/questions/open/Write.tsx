import { MenuItem, TextField, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import { queries } from '../../../../api/queries';
import { useCourse } from '../../../../frame/course';
import type { WriteProps } from '../room';

/** What those who mark it look for. */
export function Write({ part, edit }: WriteProps<'open'>) {
  const t = useTranslations();
  const course = useCourse();
  const rubrics = useQuery(queries.rubrics(course.id)).data ?? [];
  const choose = (id: number) => {
    const { rubric: _, ...rest } = part;
    edit(id === 0 ? rest : { ...rest, rubric: id });
  };
  return (
    <>
      <TextField
        label={t('plan.expected')}
        multiline
        minRows={2}
        value={part.expected}
        onChange={(e) => edit({ ...part, expected: e.target.value })}
        slotProps={{ htmlInput: { maxLength: 10_000 } }}
      />
      <TextField
        select
        label={t('plan.openRubric')}
        value={rubrics.some((r) => r.id === part.rubric) ? part.rubric : 0}
        helperText={part.rubric === undefined ? undefined : t('plan.openRubricHint')}
        onChange={(e) => choose(Number(e.target.value))}
      >
        <MenuItem value={0}>{t('rubric.none')}</MenuItem>
        {rubrics.map((r) => (
          <MenuItem key={r.id} value={r.id}>
            {r.name}
          </MenuItem>
        ))}
      </TextField>
      <Typography variant="caption" color="textSecondary">
        {t('plan.openHint')}
      </Typography>
    </>
  );
}
