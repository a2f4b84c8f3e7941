import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import { api, body, type CopyReport, type ShelfThing } from '../../api/client';
import { useNotice } from '../../ui/Notice';
import { useActKey } from '../../ui/useActKey';
import type { Draft } from '../useDraft';

export type CopyDates = 'WITH_COURSE' | 'AS_THEY_ARE' | 'NONE';

interface Options {
  dates: CopyDates;
  into?: number;
}

type Wanted =
  | ({ thing: number } & Options)
  | ({ from: number; modules: number[]; steps: number[]; badges: number[] } & Options);

/** As it came, before anybody changed it. */
const fresh = (id: number) => ({ id, version: 1 });

/** Copies into a draft; undoing takes away what came. */
export function useCopying(course: number, draft: Draft, then: (report: CopyReport) => void) {
  const t = useTranslations();
  const notice = useNotice();
  const once = useActKey();
  const path = { course };
  const send = (wanted: Wanted) => {
    const headers = once.headers(wanted);
    if (!('thing' in wanted))
      return body(
        api.POST('/api/courses/{course}/design/copies', {
          params: { path },
          headers,
          body: wanted,
        }),
      );
    const { thing, ...options } = wanted;
    return body(
      api.POST('/api/courses/{course}/design/shelf/things/{thing}/copies', {
        params: { path: { ...path, thing } },
        headers,
        body: options,
      }),
    );
  };
  const copy = useMutation({
    meta: { silent: true },
    mutationFn: async (wanted: Wanted) => {
      let report: CopyReport | undefined;
      await draft.doing({
        act: async () => {
          report = await send(wanted);
          return report;
        },
        back: async () => {
          if (!report) return;
          const { steps, modules, badges } = report;
          if (steps.length > 0) await draft.takenAway(steps.map(fresh));
          for (const id of badges) await draft.goneAgain('badges', fresh(id));
          for (const id of modules) await draft.goneAgain('modules', fresh(id));
        },
      });
      return report as CopyReport;
    },
    onSuccess: (report) => {
      notice({
        tone: 'success',
        text: t('copy.done', { steps: report.steps.length, badges: report.badges.length }),
        undo: () => void draft.undo(),
      });
      then(report);
    },
  });
  return {
    isPending: copy.isPending,
    error: copy.error,
    copy: copy.mutate as (wanted: Wanted) => void,
    take: (thing: ShelfThing, options: Options) => copy.mutate({ thing: thing.id, ...options }),
  };
}

/** Takes something from the shelf. */
export function useUnshelving(course: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (thing: number) =>
      api.DELETE('/api/courses/{course}/design/shelf/things/{thing}', {
        params: { path: { course, thing } },
      }),
    onSettled: () => client.invalidateQueries({ queryKey: ['shelf-things'] }),
  });
}
