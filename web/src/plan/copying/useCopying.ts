import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import { api, body, type CopyReport, type ShelfThing } from '../../api/client';
import { useActKey } from '../../ui/useActKey';
import type { Draft, Part } from '../useDraft';

export type CopyDates = 'WITH_COURSE' | 'AS_THEY_ARE' | 'NONE';

interface Options {
  dates: CopyDates;
  into?: number;
}

type Wanted =
  | ({ thing: number } & Options)
  | ({ from: number; modules: number[]; steps: number[]; badges: number[] } & Options);

/** As it came, before anybody changed it. */
const fresh = (part: Part) => (id: number) => ({ part, id, version: 1 });

/** Copies into a draft; undoing takes away what came. */
export function useCopying(course: number, draft: Draft, then: (report: CopyReport) => void) {
  const t = useTranslations();
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
      const report = await draft.doing(
        async () => {
          const made = await send(wanted);
          const { steps, modules, badges } = made;
          return {
            made,
            did: {
              did: 'added',
              part: 'things',
              name: '',
              count: steps.length + modules.length + badges.length,
            },
            back: {
              goes: 'away',
              things: [
                ...steps.map(fresh('steps')),
                ...badges.map(fresh('badges')),
                ...modules.map(fresh('modules')),
              ],
            },
          };
        },
        (made) => t('copy.done', { steps: made.steps.length, badges: made.badges.length }),
      );
      return report as CopyReport;
    },
    onSuccess: then,
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
