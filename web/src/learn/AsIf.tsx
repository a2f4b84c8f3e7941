import { Button } from '@mui/material';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import { api, body, type StepLine } from '../api/client';
import { useCourse } from '../frame/course';
import { useNotice } from '../ui/Notice';

const NOT_DONE = ['OPEN', 'BEGUN', 'WAITING', 'AGAIN'];

/** Staff walk on as if a step were open, or done: whatever it takes happens to the made-up learner. */
export function AsIf({
  step,
  name = step.name,
  closed,
}: {
  step: StepLine;
  /** What it is said of, where that is the module that begins with the step. */
  name?: string;
  closed: boolean;
}) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const notice = useNotice();
  const come = useMutation({
    meta: { silent: true },
    mutationFn: (so: 'OPEN' | 'DONE') =>
      body(
        api.POST('/api/courses/{course}/walks/{walk}/steps/{step}/as-if', {
          params: { path: { course: course.id, walk: 'practice', step: step.id } },
          body: { so },
        }),
      ),
    onSuccess: () => client.invalidateQueries(),
    onError: (e) => notice({ tone: 'error', text: e.message }),
  });
  if (!closed && !NOT_DONE.includes(step.state)) return null;
  const so = closed ? 'OPEN' : 'DONE';
  return (
    <Button
      size="small"
      disabled={come.isPending}
      onClick={() => come.mutate(so)}
      aria-label={t(`learn.asIfOf.${so}`, { step: name })}
      sx={{ ml: 1, py: 0, color: 'tone.ochreInk', '@media print': { display: 'none' } }}
    >
      {t(`learn.asIf.${so}`)}
    </Button>
  );
}
