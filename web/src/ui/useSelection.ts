import { useCallback } from 'react';
import { useSearchParams } from 'react-router';

/** What is selected stands in the address, so that a link opens it again. */
export function useSelection(): [string | null, (value: string | null) => void] {
  const [params, setParams] = useSearchParams();
  const select = useCallback(
    (value: string | null) =>
      setParams(
        (now) => {
          const next = new URLSearchParams(now);
          if (value === null) next.delete('sel');
          else next.set('sel', value);
          return next;
        },
        { replace: true },
      ),
    [setParams],
  );
  return [params.get('sel'), select];
}
