import { useRef } from 'react';

/**
 * A key for an act that must be done once: it goes along with every try, so that a double click or
 * a repetition after a lost answer gives the first result. {@link renew} it once the act is done.
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
