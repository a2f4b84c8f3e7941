import equal from 'fast-deep-equal';
import { useEffect, useState } from 'react';

/** How long what was changed here is shown though nothing has come back of it. */
const PATIENCE = 6000;

/**
 * A value as it was changed here last, until it comes back from the server: so that two changes in
 * quick succession build on each other.
 */
export function useOwn<T>(value: T): [T, (next: T) => void] {
  const [own, setOwn] = useState<{ value: T } | null>(null);
  useEffect(() => {
    if (!own) return undefined;
    if (equal(own.value, value)) {
      setOwn(null);
      return undefined;
    }
    const later = setTimeout(() => setOwn(null), PATIENCE);
    return () => clearTimeout(later);
  }, [own, value]);
  return [own ? own.value : value, (next) => setOwn({ value: next })];
}
