import { useMemo, useRef, useState } from 'react';
import type { Design, DesignStep } from '../../api/client';

export interface Picked {
  steps: DesignStep[];
  has: (step: number) => boolean;
  /** Picks a step, or lets go of it; with the shift key all from the one before. */
  toggle: (step: number, range: boolean) => void;
  /** Picks all of these, or lets go of them where all are picked. */
  toggleAll: (steps: number[]) => void;
  clear: () => void;
}

/** Steps that are picked, to do something to all of them at once; those that have gone are not. */
export function usePicked(design: Design | undefined): Picked {
  const [ids, setIds] = useState<ReadonlySet<number>>(new Set());
  const last = useRef<number | null>(null);
  const all = useMemo(() => design?.modules.flatMap((m) => m.steps) ?? [], [design]);
  const steps = useMemo(() => all.filter((s) => ids.has(s.id)), [all, ids]);
  const set = (of: number[], on: boolean) =>
    setIds((now) => {
      const next = new Set(now);
      for (const id of of) {
        if (on) next.add(id);
        else next.delete(id);
      }
      return next;
    });
  return {
    steps,
    has: (step) => ids.has(step),
    toggle: (step, range) => {
      const order = all.map((s) => s.id);
      const from = range && last.current !== null ? order.indexOf(last.current) : -1;
      const to = order.indexOf(step);
      const between = from < 0 ? [step] : order.slice(Math.min(from, to), Math.max(from, to) + 1);
      set(between, !ids.has(step));
      last.current = step;
    },
    toggleAll: (of) => set(of, !of.every((id) => ids.has(id))),
    clear: () => setIds(new Set()),
  };
}
