import { MenuItem, TextField } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import type { DesignRubric } from '../../api/client';
import { queries } from '../../api/queries';
import { useCourse } from '../../frame/course';

/** One of the course's rubrics, or none. */
export function RubricSelect({
  label,
  hint,
  rubric,
  onChoose,
}: {
  label: string;
  hint?: string | undefined;
  rubric: number | undefined;
  onChoose: (rubric: DesignRubric | undefined) => void;
}) {
  const t = useTranslations();
  const course = useCourse();
  const rubrics = useQuery(queries.rubrics(course.id)).data ?? [];
  return (
    <TextField
      select
      label={label}
      helperText={hint}
      value={rubrics.some((r) => r.id === rubric) ? rubric : 0}
      onChange={(e) => onChoose(rubrics.find((r) => r.id === Number(e.target.value)))}
    >
      <MenuItem value={0}>{t('rubric.none')}</MenuItem>
      {rubrics.map((r) => (
        <MenuItem key={r.id} value={r.id}>
          {r.name}
        </MenuItem>
      ))}
    </TextField>
  );
}
