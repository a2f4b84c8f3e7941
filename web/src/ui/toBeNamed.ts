import { useEffect, useState } from 'react';

let waiting: string | undefined;

/** What was just added has a name for the time being: its field is gone to, to type the real one. */
export function toBeNamed(key: string) {
  waiting = key;
}

/** Whether something was just added and is to be named here. */
export function useToBeNamed(key: string): boolean {
  const [now] = useState(() => waiting === key);
  useEffect(() => {
    if (waiting === key) waiting = undefined;
  }, [key]);
  return now;
}
