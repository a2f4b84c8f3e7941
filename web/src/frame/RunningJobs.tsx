import { Box, Button, LinearProgress, Paper, Typography } from '@mui/material';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { useTranslations } from 'use-intl';
import { api, body, type Job, type MyCourse } from '../api/client';
import { queries } from '../api/queries';
import { isUnderWay, useJobs } from '../ui/jobs';
import { useNotice } from '../ui/Notice';

/** Long work that one has begun here: how far it is, its end said once, and a way to stop it. */
export default function RunningJobs({ course }: { course: MyCourse }) {
  const jobs = useJobs(course.id);
  useEnds(jobs);
  const first = jobs.findLast(isUnderWay);
  return first ? <Running key={first.id} course={course} job={first} /> : null;
}

/** Says what has become of each that was seen under way, and fetches anew what it changed. */
function useEnds(jobs: Job[]) {
  const t = useTranslations();
  const client = useQueryClient();
  const notice = useNotice();
  const followed = useRef(new Set<number>());
  useEffect(() => {
    for (const job of jobs) {
      if (isUnderWay(job)) followed.current.add(job.id);
      else if (followed.current.delete(job.id)) {
        void client.invalidateQueries();
        notice({
          tone: job.state === 'DONE' || job.state === 'STOPPED' ? 'success' : 'error',
          text: t(`jobs.${job.what}.${job.state}`, {
            ...job.result,
            count: job.of,
            detail: job.problem?.detail ?? '',
          }),
          details: job.problem?.findings,
        });
      }
    }
  }, [jobs, client, notice, t]);
}

function Running({ course, job }: { course: MyCourse; job: Job }) {
  const t = useTranslations();
  const client = useQueryClient();
  const stop = useMutation({
    mutationFn: () =>
      body(
        api.DELETE('/api/courses/{course}/jobs/{job}', {
          params: { path: { course: course.id, job: job.id } },
        }),
      ),
    onSuccess: () => client.invalidateQueries({ queryKey: queries.jobs(course.id).queryKey }),
  });
  const words = t(`jobs.${job.what}.${job.of > 0 ? 'RUNNING' : 'WAITING'}`, {
    done: job.done,
    count: job.of,
  });
  return (
    <Paper
      role="status"
      elevation={4}
      sx={{
        position: 'fixed',
        right: 16,
        bottom: 16,
        width: 300,
        maxWidth: 'calc(100vw - 32px)',
        zIndex: 'snackbar',
        px: 2,
        py: 1.25,
        '@media print': { display: 'none' },
      }}
    >
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, minHeight: 32 }}>
        <Typography variant="body2" sx={{ flex: 1 }}>
          {words}
        </Typography>
        {job.stoppable && (
          <Button
            size="small"
            disabled={stop.isPending || stop.isSuccess}
            onClick={() => stop.mutate()}
          >
            {t('jobs.stop')}
          </Button>
        )}
      </Box>
      <LinearProgress
        aria-label={words}
        sx={{ mt: 0.75 }}
        {...(job.of > 0 && { variant: 'determinate', value: (100 * job.done) / job.of })}
      />
    </Paper>
  );
}
