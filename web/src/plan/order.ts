import type { Design } from '../api/client';

interface ModuleLike {
  id: number;
  steps: { id: number }[];
}

export type Order = { id: number; steps: number[] }[];

/** The order in which they stand. */
export const orderOf = (modules: ModuleLike[]): Order =>
  modules.map((m) => ({ id: m.id, steps: m.steps.map((s) => s.id) }));

/**
 * The order after a row was dropped on another. A step dropped on a module goes to its head; a
 * module dropped anywhere in another takes that one's place.
 */
export function orderAfterDrag(modules: ModuleLike[], active: string, over: string): Order {
  const order = orderOf(modules);
  const [kind, idText] = active.split('-');
  const [overKind, overText] = over.split('-');
  const id = Number(idText);
  const overId = Number(overText);
  const target = order.findIndex((m) =>
    overKind === 'module' ? m.id === overId : m.steps.includes(overId),
  );
  if (target < 0) return order;
  if (kind === 'module') {
    const from = order.findIndex((m) => m.id === id);
    const [moved] = order.splice(from, 1);
    if (moved) order.splice(target, 0, moved);
    return order;
  }
  const source = order.findIndex((m) => m.steps.includes(id));
  const to = order[target];
  const from = order[source];
  if (!to || !from) return order;
  const fromAt = from.steps.indexOf(id);
  const overAt = overKind === 'module' ? 0 : to.steps.indexOf(overId);
  from.steps.splice(fromAt, 1);
  to.steps.splice(overAt, 0, id);
  return order;
}

/** The same where other steps go with the one that is dragged, in the order in which they stood. */
export function orderAfterDragOf(
  modules: ModuleLike[],
  active: string,
  over: string,
  picked: ReadonlySet<number>,
): Order {
  const dragged = Number(active.split('-')[1]);
  const order = orderAfterDrag(modules, active, over);
  if (!active.startsWith('step-') || !picked.has(dragged)) return order;
  const stood = modules.flatMap((m) => m.steps.map((s) => s.id)).filter((s) => picked.has(s));
  return order.map((m) => ({
    id: m.id,
    steps: m.steps.flatMap((s) => (s === dragged ? stood : picked.has(s) ? [] : [s])),
  }));
}

/** The order after steps were put at the end of a module, in the order in which they stood. */
export function toModule(modules: ModuleLike[], steps: number[], to: number): Order {
  const moved = modules.flatMap((m) => m.steps.map((s) => s.id)).filter((s) => steps.includes(s));
  return modules.map((m) => {
    const stay = m.steps.map((s) => s.id).filter((s) => !steps.includes(s));
    return { id: m.id, steps: m.id === to ? [...stay, ...moved] : stay };
  });
}

/** A design in another order. */
export function ordered(design: Design, order: Order): Design {
  const modules = new Map(design.modules.map((m) => [m.id, m]));
  const steps = new Map(design.modules.flatMap((m) => m.steps).map((s) => [s.id, s]));
  const known = <T>(thing: T | undefined) => (thing === undefined ? [] : [thing]);
  return {
    ...design,
    modules: order.flatMap((to) =>
      known(modules.get(to.id)).map((m) => ({
        ...m,
        steps: to.steps.flatMap((s) => known(steps.get(s)).map((x) => ({ ...x, module: m.id }))),
      })),
    ),
  };
}

/**
 * The order with a step or a module one place further up or down. A step at the edge of its module
 * goes to the end of the one before, or to the head of the next.
 */
export function stepped(modules: ModuleLike[], key: string, by: 1 | -1): Order {
  const [kind, idText] = key.split('-');
  const id = Number(idText);
  const order = orderOf(modules);
  const inside = (at: number, length: number) => at >= 0 && at < length;
  if (kind === 'module') {
    const at = order.findIndex((m) => m.id === id);
    if (!inside(at, order.length) || !inside(at + by, order.length)) return order;
    order.splice(at + by, 0, ...order.splice(at, 1));
    return order;
  }
  const at = order.findIndex((m) => m.steps.includes(id));
  const own = order[at]?.steps;
  if (!own) return order;
  const place = own.indexOf(id);
  const beside = order[at + by]?.steps;
  if (inside(place + by, own.length)) own.splice(place + by, 0, ...own.splice(place, 1));
  else if (beside) beside.splice(by > 0 ? 0 : beside.length, 0, ...own.splice(place, 1));
  return order;
}
