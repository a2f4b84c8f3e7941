import { useEffect, useRef, useState } from 'react';

interface Kept {
  /** What was there when it was written. */
  base: string;
  text: string;
}

function read(key: string | undefined): Kept | null {
  try {
    const text = key && localStorage.getItem(key);
    const kept = text ? (JSON.parse(text) as Partial<Kept>) : null;
    return kept && typeof kept.text === 'string' && typeof kept.base === 'string'
      ? (kept as Kept)
      : null;
  } catch {
    return null;
  }
}

/**
 * Keeps a text in this browser from the first key until it is saved, so that nothing is lost when
 * the page, the browser or the connection goes.
 *
 * @param key where; nothing where it need not be kept
 */
export function useKeptText(key: string | undefined, html: string) {
  const [kept, setKept] = useState(() => read(key));
  const saving = useRef(false);
  // Another text has come from the server: what was sent has arrived.
  // biome-ignore lint/correctness/useExhaustiveDependencies: only when the text becomes another one
  useEffect(() => {
    if (!saving.current) return;
    saving.current = false;
    if (key) localStorage.removeItem(key);
  }, [html]);
  return {
    /** What was written and never saved, if there is something else. */
    kept: kept && kept.text !== html ? kept : null,
    keep: (text: string) => {
      if (key) localStorage.setItem(key, JSON.stringify({ base: html, text } satisfies Kept));
    },
    /** It is gone on with, and stays kept until it is saved. */
    taken: () => setKept(null),
    sent: () => {
      saving.current = true;
      setKept(null);
    },
    drop: () => {
      if (key) localStorage.removeItem(key);
      setKept(null);
    },
  };
}
