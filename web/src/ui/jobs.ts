import { type QueryClient, useQuery } from '@tanstack/react-query';
import type { Job } from '../api/client';
import { queries } from '../api/queries';

const POLL_MILLIS = 400;

export const isUnderWay = (job: Job) => job.state === 'WAITING' || job.state === 'RUNNING';

/** Lets whoever shows what is under way know of what was just begun. */
export function begun(client: QueryClient, course: number, job: Job) {
  client.setQueryData(queries.jobs(course).queryKey, (all: Job[] | undefined) => [
    job,
    ...(all ?? []).filter((j) => j.id !== job.id),
  ]);
}

/** What one has begun in a course, asked for again as long as some of it is under way. */
export function useJobs(course: number): Job[] {
  const jobs = useQuery({
    ...queries.jobs(course),
    refetchInterval: (query) => (query.state.data?.some(isUnderWay) ? POLL_MILLIS : false),
  });
  return jobs.data ?? [];
}
