import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef } from 'react';
import { useTranslations } from 'use-intl';
import { ApiError, api, type Met } from '../api/client';
import { queries } from '../api/queries';
import { useNotice } from '../ui/Notice';
import { stored } from '../ui/stored';
import { signOffsKey } from '../ui/unsent';
import { useNames } from '../ui/useNames';

const AGAIN_AFTER = 10_000;

/** A practical signed off for a learner, which no server has heard of yet. */
export interface SignOff {
  key: string;
  enrolment: number;
  learner: string;
  step: number;
  name: string;
  comment: string;
  levels: Record<string, number>;
  rubric?: Met[];
  seen: string;
  /** Why it was refused. */
  refused?: string;
}

const store = stored<SignOff[]>([]);

const load = store.get;

const keep = (at: string, all: SignOff[]) => store.set(at, all.length > 0 ? all : undefined);

/** Sign-offs of this person in a course that were not sent yet, kept on this device. */
export function useSignOffs(course: number) {
  const person = useQueryClient().getQueryData(queries.me().queryKey)?.person?.id ?? 0;
  const at = signOffsKey(person, course);
  const waiting = store.use(at);
  return {
    at,
    waiting,
    add: (more: SignOff[]) => keep(at, [...load(at), ...more]),
    drop: (key: string) =>
      keep(
        at,
        load(at).filter((s) => s.key !== key),
      ),
  };
}

const toServer = ({ comment, levels, rubric, seen }: SignOff) => ({
  comment,
  levels,
  seen,
  ...(rubric && { rubric }),
});

/** Whether a server has heard it and will never take it. */
const forGood = (error: unknown) =>
  error instanceof ApiError &&
  error.problem.status >= 400 &&
  error.problem.status < 500 &&
  ![401, 408, 429].includes(error.problem.status);

/** Sends one after the other what waits, and tries again when there is a connection. */
export function useSending(course: number) {
  const t = useTranslations();
  const names = useNames();
  const notice = useNotice();
  const client = useQueryClient();
  const { at, waiting } = useSignOffs(course);
  const busy = useRef(false);
  const { mutate: takeBack } = useMutation({
    mutationFn: async (of: SignOff[]) => {
      for (const { enrolment, step } of of)
        await api.DELETE('/api/courses/{course}/marking/{enrolment}/{step}/sign-offs', {
          params: { path: { course, enrolment, step } },
        });
    },
    onSuccess: (_, of) =>
      notice({
        tone: 'success',
        text: t('teach.signOffGone', { name: names(of.map((s) => s.learner)) }),
      }),
    onError: (e) => notice({ tone: 'error', text: e.message }),
    onSettled: () => client.invalidateQueries({ queryKey: ['practicals', course] }),
  });
  const told = useRef((_sent: SignOff[]) => {});
  told.current = (sent) =>
    notice({
      tone: 'success',
      text: t('teach.signedOffSome', { names: names(sent.map((s) => s.learner)) }),
      undo: () => takeBack(sent),
    });
  const send = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    const sent: SignOff[] = [];
    try {
      for (;;) {
        const next = load(at).find((s) => !s.refused);
        if (!next) break;
        try {
          await api.POST('/api/courses/{course}/marking/{enrolment}/{step}/sign-offs', {
            params: { path: { course, enrolment: next.enrolment, step: next.step } },
            headers: { 'Act-Key': next.key },
            body: toServer(next),
          });
          sent.push(next);
          keep(
            at,
            load(at).filter((s) => s.key !== next.key),
          );
        } catch (error) {
          if (!forGood(error)) break;
          const refused = (error as Error).message;
          keep(
            at,
            load(at).map((s) => (s.key === next.key ? { ...s, refused } : s)),
          );
        }
      }
    } finally {
      busy.current = false;
      if (sent.length > 0) told.current(sent);
      for (const key of ['practicals', 'marking', 'progress', 'work'])
        void client.invalidateQueries({ queryKey: [key, course] });
    }
  }, [at, client, course]);
  const open = waiting.some((s) => !s.refused);
  useEffect(() => {
    if (!open) return;
    void send();
    const again = () => void send();
    const timer = setInterval(again, AGAIN_AFTER);
    window.addEventListener('online', again);
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', again);
    };
  }, [open, send]);
  return send;
}
