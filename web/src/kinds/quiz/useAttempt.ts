import { useMutation } from '@tanstack/react-query';
import equal from 'fast-deep-equal';
import { useCallback, useEffect, useRef, useState } from 'react';
import {
  type Answer,
  type Attempt,
  type AttemptClock,
  api,
  body,
  type GivenAnswer,
  type Result,
} from '../../api/client';

/** How much later than here it may be at the server, in milliseconds. */
const LAG = 1000;

type Answers = Record<string, GivenAnswer>;

export interface AttemptPath {
  course: number;
  walk: string;
  step: number;
}

/** What has become of the answers: the server has them, is getting them, or has not got them. */
export type Kept = 'kept' | 'keeping' | 'waiting' | 'failed';

/** What is told of answers: only what has changed, so that another device's answers stay. */
export function changes(arrived: Answers, now: Answers) {
  const answers = Object.fromEntries(
    Object.entries(now).filter(([question, given]) => !equal(given, arrived[question])),
  );
  const back = Object.keys(arrived).filter((question) => !(question in now));
  return { answers, ...(back.length > 0 && { back }) };
}

/** An attempt that goes on: answers as they are given, and whether the server has them. */
export function useAttempt(
  begun: Attempt,
  path: AttemptPath,
  onFinished: (result: Result) => void,
) {
  const [attempt, setAttempt] = useState(begun);
  const [answers, setAnswers] = useState<Answers>(begun.answers);
  const [settled, setSettled] = useState<Answer[]>(begun.settled ?? []);
  const [clock, setClock] = useState<AttemptClock | undefined>(begun.clock);
  const params = { path: { ...path, number: begun.number } };
  const latest = useRef(answers);
  const arrived = useRef(answers);
  // Answers that waited for a connection come before they are handed in.
  const scope = { id: `attempt-${path.step}-${begun.number}` };
  const at = '/api/courses/{course}/walks/{walk}/steps/{step}/attempts/{number}' as const;
  const keep = useMutation({
    scope,
    meta: { about: () => scope.id },
    mutationFn: (all: Answers) =>
      body(api.PUT(at, { params, body: changes(arrived.current, all) })),
    onSuccess: (now, all) => {
      arrived.current = all;
      if (now) setClock(now);
    },
  });
  const finish = useMutation({
    scope,
    mutationFn: () =>
      body(api.POST(`${at}/result`, { params, body: changes(arrived.current, latest.current) })),
    onSuccess: onFinished,
  });
  const settle = useMutation({
    scope,
    meta: { silent: true },
    mutationFn: (question: string) =>
      body(
        api.POST(`${at}/settled/{question}`, {
          params: { path: { ...params.path, question } },
          body: changes(arrived.current, latest.current),
        }),
      ),
    onSuccess: (answer) =>
      setSettled((all) => [...all.filter((a) => a.question !== answer.question), answer]),
  });
  const hint = useMutation({
    scope,
    meta: { silent: true },
    mutationFn: ({ question, had }: { question: string; had: number }) =>
      body(
        api.POST(`${at}/hints/{question}/{had}`, {
          params: { path: { ...params.path, question, had } },
        }),
      ),
    onSuccess: (asked) =>
      setAttempt((all) => ({
        ...all,
        questions: all.questions.map((q) => (q.id === asked.id ? asked : q)),
      })),
  });
  const turn = useMutation({
    scope,
    meta: { silent: true },
    mutationFn: (page: number) =>
      body(
        api.POST(`${at}/pages/{page}`, {
          params: { path: { ...params.path, page } },
          body: changes(arrived.current, latest.current),
        }),
      ),
    onSuccess: (next) => {
      latest.current = next.answers;
      arrived.current = next.answers;
      setAnswers(next.answers);
      setSettled(next.settled ?? []);
      setAttempt(next);
    },
  });
  const give = (question: string, given: GivenAnswer | undefined) => {
    const { [question]: _, ...rest } = latest.current;
    const all = given ? { ...rest, [question]: given } : rest;
    latest.current = all;
    setAnswers(all);
    keep.mutate(all);
  };
  const kept: Kept = keep.isPaused
    ? 'waiting'
    : keep.isPending
      ? 'keeping'
      : keep.isError && latest.current !== arrived.current
        ? 'failed'
        : 'kept';
  return {
    attempt,
    answers,
    settled,
    clock,
    kept,
    give,
    again: () => keep.mutate(latest.current),
    finish,
    settle,
    hint,
    turn,
    error: finish.error ?? settle.error ?? hint.error ?? turn.error ?? keep.error,
  };
}

/**
 * How many seconds are left on the server's clock, from one second to the next.
 *
 * @param onEnd is told once nothing may be changed any more
 */
export function useTimeLeft(clock: AttemptClock | undefined, onEnd: () => void) {
  const ahead = useRef(0);
  const [now, setNow] = useState(() => Date.now());
  const end = useRef(onEnd);
  end.current = onEnd;
  useEffect(() => {
    if (!clock) return;
    ahead.current = Date.parse(clock.now) - Date.now();
    setNow(Date.now() + ahead.current);
  }, [clock]);
  const endsAt = clock?.endsAt;
  const tick = useCallback(() => setNow(Date.now() + ahead.current), []);
  useEffect(() => {
    if (!endsAt) return undefined;
    const timer = setInterval(tick, 1000);
    return () => clearInterval(timer);
  }, [endsAt, tick]);
  const seconds = (until: string | undefined) =>
    until ? Math.max(0, Math.ceil((Date.parse(until) - now) / 1000)) : undefined;
  const left = seconds(endsAt);
  const isOver = left === 0;
  useEffect(() => {
    if (!isOver) return undefined;
    // A little later, so that it is over at the server too.
    const later = setTimeout(() => end.current(), LAG);
    return () => clearTimeout(later);
  }, [isOver]);
  return { left, questions: seconds(clock?.questionsUntil) };
}
