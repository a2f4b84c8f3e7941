import { useEffect, useRef } from 'react';
import { useLocation, useNavigate } from 'react-router';

/** The state of an address that asks its view to do something once it is there. */
export const asking = (act: string) => ({ asked: act });

/**
 * Does what whoever came here asked for, once, as soon as it can be done; going back or reloading
 * does not do it again.
 */
export function useAsked(acts: Record<string, () => void>) {
  const { state, pathname, search, key } = useLocation();
  const navigate = useNavigate();
  const now = useRef(acts);
  now.current = acts;
  const done = useRef('');
  const asked = (state as { asked?: string } | null)?.asked;
  const can = asked !== undefined && acts[asked] !== undefined;
  useEffect(() => {
    if (!asked || !can || done.current === key) return;
    done.current = key;
    void navigate(pathname + search, { replace: true, state: null });
    now.current[asked]?.();
  }, [asked, can, key, pathname, search, navigate]);
}
