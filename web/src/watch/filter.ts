import { useNavigate, useSearchParams } from 'react-router';
import { useKeys } from '../ui/useKeys';

export interface Filter {
  /** Of one group, 0 for all. */
  group: number;
  flagged: boolean;
  find: string;
}

export interface Order {
  /** A column to sort by, 0 for names; weakest first unless strongest. */
  by: number;
  strongest: boolean;
}

/** Which learners are shown stands in the address, so that the views beside show the same. */
export function useFilter(): [Filter, (change: Partial<Filter>) => void] {
  const [params, setParams] = useSearchParams();
  const filter = {
    group: Number(params.get('group') ?? 0),
    flagged: params.has('flagged'),
    find: params.get('find') ?? '',
  };
  const set = (change: Partial<Filter>) =>
    setParams(
      (now) => {
        const next = new URLSearchParams(now);
        const to = { ...filter, ...change };
        const put = (key: string, value: string) =>
          value ? next.set(key, value) : next.delete(key);
        put('group', to.group ? `${to.group}` : '');
        put('flagged', to.flagged ? '1' : '');
        put('find', to.find);
        return next;
      },
      { replace: true },
    );
  return [filter, set];
}

/** The key g goes to the other grid, with the same learners and the same row. */
export function useOtherGrid(path: string) {
  const navigate = useNavigate();
  const [params] = useSearchParams();
  const row = params.get('sel')?.split('-')[0] ?? '';
  const next = new URLSearchParams(params);
  if (Number(row)) next.set('sel', row);
  else next.delete('sel');
  const to = `${path}${next.size > 0 ? `?${next}` : ''}`;
  useKeys({ g: () => void navigate(to) });
  return to;
}

interface Row {
  name: string;
  groups: number[];
  flagged: boolean;
}

/** The learners that fit the filter, in the order asked for; equal ones by name. */
export function arranged<R extends Row>(
  rows: R[],
  filter: Filter,
  order: Order,
  value: (row: R, column: number) => number,
): R[] {
  const words = filter.find.toLowerCase().split(/\s+/).filter(Boolean);
  const way = order.strongest ? -1 : 1;
  return rows
    .filter(
      (r) =>
        (filter.group === 0 || r.groups.includes(filter.group)) &&
        (!filter.flagged || r.flagged) &&
        words.every((w) => r.name.toLowerCase().includes(w)),
    )
    .sort(
      (a, b) =>
        (order.by ? way * (value(a, order.by) - value(b, order.by)) : 0) ||
        a.name.localeCompare(b.name),
    );
}

/** Weakest first, then strongest first, then by name again. */
export function nextOrder(order: Order, column: number): Order {
  if (order.by !== column) return { by: column, strongest: false };
  return order.strongest ? { by: 0, strongest: false } : { by: column, strongest: true };
}
