import { Box, Button } from '@mui/material';
import { useMutation } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import { api, body } from '../../api/client';
import { useCourse } from '../../frame/course';
import type { StepProps } from '../room';

/** Staff's word on a made-up learner's work, given by whoever walks as one. */
export function PracticeMarks({
  page,
  walk,
  show,
  label,
  again,
}: StepProps & { label: string; again?: boolean }) {
  const t = useTranslations();
  const course = useCourse();
  const mark = useMutation({
    mutationFn: (judgement: 'PASSED' | 'AGAIN') =>
      body(
        api.POST('/api/courses/{course}/walks/{walk}/steps/{step}/practice-marks', {
          params: { path: { course: course.id, walk, step: page.id } },
          body: { judgement },
        }),
      ),
    onSuccess: show,
  });
  return (
    <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
      <Button variant="outlined" onClick={() => mark.mutate('PASSED')}>
        {label}
      </Button>
      {again && (
        <Button variant="outlined" onClick={() => mark.mutate('AGAIN')}>
          {t('learn.practiceAgain')}
        </Button>
      )}
    </Box>
  );
}
