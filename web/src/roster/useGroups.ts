import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import { api, body, type LearnerGroup } from '../api/client';
import { useCourse } from '../frame/course';
import { useNotice } from '../ui/Notice';
import { useActKey } from '../ui/useActKey';

interface Move {
  group: LearnerGroup;
  in: number[];
  out: number[];
  /** Whether it takes something back, so that nothing is offered to take back. */
  back?: boolean;
}

/** What is done to the groups of a course; each says what it did, and moves can be taken back. */
export function useGroups() {
  const t = useTranslations();
  const { id: course } = useCourse();
  const client = useQueryClient();
  const notice = useNotice();
  const once = useActKey();
  const fresh = () => {
    for (const key of ['groups', 'roster', 'design', 'sessions', 'progress', 'learner'])
      void client.invalidateQueries({ queryKey: [key, course] });
  };
  const failed = (e: Error) => notice({ tone: 'error', text: e.message });
  const move = useMutation({
    mutationFn: ({ group, in: joining, out }: Move) =>
      body(
        api.POST('/api/courses/{course}/groups/{group}/members', {
          params: { path: { course, group: group.id } },
          body: { in: joining, out },
        }),
      ),
    onSuccess: (_, done) => {
      const { group, in: joining, out } = done;
      const text =
        joining.length > 0
          ? t('roster.putIn', { count: joining.length, group: group.name })
          : t('roster.takenOut', { count: out.length, group: group.name });
      const undo = () => move.mutate({ group, in: out, out: joining, back: true });
      notice({ tone: 'success', text, ...(!done.back && { undo }) });
    },
    onError: failed,
    onSettled: fresh,
  });
  const make = useMutation({
    mutationFn: (group: { name: string; learners: number[] }) =>
      body(
        api.POST('/api/courses/{course}/groups', {
          params: { path: { course } },
          headers: once.headers(group),
          body: group,
        }),
      ),
    onSuccess: once.renew,
    onSettled: fresh,
  });
  const rename = useMutation({
    mutationFn: ({ group, name }: { group: number; name: string }) =>
      api.PUT('/api/courses/{course}/groups/{group}/name', {
        params: { path: { course, group } },
        body: { name },
      }),
    onSettled: fresh,
  });
  const end = useMutation({
    mutationFn: (group: LearnerGroup) =>
      api.DELETE('/api/courses/{course}/groups/{group}', {
        params: { path: { course, group: group.id } },
      }),
    onSuccess: (_, group) =>
      notice({ tone: 'success', text: t('roster.ended', { group: group.name }) }),
    onSettled: fresh,
  });
  return { move, make, rename, end };
}
