import { useRef } from 'react';

/** What goes along with an act that must be done once. */
export type ActHeaders = Record<string, string>;

/**
 * A key for an act that must be done once: it goes along with every try of sending the same, so that
 * a double click or a repetition after a lost answer gives the first result. Something else is
 * another act. What is refused gives the key back, so it stays the same until the act is done;
 * {@link renew} it then.
 */
export function useActKey() {
  const act = useRef({ of: '', key: '' });
  return {
    headers: (what: unknown): ActHeaders => {
      const of = JSON.stringify(what);
      if (act.current.of !== of) act.current = { of, key: crypto.randomUUID() };
      return { 'Act-Key': act.current.key };
    },
    renew: () => {
      act.current = { of: '', key: '' };
    },
  };
}
