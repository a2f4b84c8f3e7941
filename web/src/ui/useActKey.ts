import { useRef } from 'react';

/**
 * A key for an act that must be done once: it goes along with every try, so that a double click or
 * a repetition after a lost answer gives the first result. What is refused gives the key back, so it
 * stays the same until the act is done; {@link renew} it then.
 */
export function useActKey() {
  const key = useRef(crypto.randomUUID());
  return {
    headers: () => ({ 'Act-Key': key.current }),
    renew: () => {
      key.current = crypto.randomUUID();
    },
  };
}
