import { useEffect, useRef, useState } from 'react';

/** How long after the last key what was typed is kept. */
const PAUSE = 1000;

/** What is typed as an answer: kept after a pause, and when one goes on. */
export function useTyped(given: string, keep: (text: string) => void) {
  const [text, setText] = useState(given);
  const kept = useRef(given);
  const say = useRef(keep);
  say.current = keep;
  const now = () => {
    if (text === kept.current) return;
    kept.current = text;
    say.current(text);
  };
  const latest = useRef(now);
  latest.current = now;
  // biome-ignore lint/correctness/useExhaustiveDependencies: again after every key
  useEffect(() => {
    const later = setTimeout(() => latest.current(), PAUSE);
    return () => clearTimeout(later);
  }, [text]);
  // Who goes somewhere else at once loses nothing.
  useEffect(() => () => latest.current(), []);
  return { text, setText, keepNow: now };
}
