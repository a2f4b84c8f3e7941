import { MenuItem, TextField } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import type { DesignStep, StepEdit } from '../../api/client';
import { queries } from '../../api/queries';
import { useCourse } from '../../frame/course';

/** The rubric of a step; its outcomes become outcomes of the step. */
export function RubricField({
  step,
  rubric,
  onChoose,
}: {
  step: DesignStep;
  rubric: number | undefined;
  onChoose: (rubric: number | undefined, evidenceFor: StepEdit['evidenceFor']) => void;
}) {
  const t = useTranslations();
  const course = useCourse();
  const rubrics = useQuery(queries.rubrics(course.id)).data ?? [];
  const choose = (id: number) => {
    const chosen = rubrics.find((r) => r.id === id);
    const outcomes = new Set(chosen?.criteria.flatMap((c) => c.outcome ?? []));
    const tied = step.evidenceFor.map((tie) => tie.outcome);
    onChoose(chosen?.id, [
      ...step.evidenceFor,
      ...[...outcomes]
        .filter((outcome) => !tied.includes(outcome))
        .map((outcome) => ({ outcome, weight: 1 })),
    ]);
  };
  return (
    <TextField
      select
      label={t('rubric.ofStep')}
      value={rubrics.some((r) => r.id === rubric) ? rubric : 0}
      onChange={(e) => choose(Number(e.target.value))}
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
