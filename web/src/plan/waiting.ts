import type { Design, Progress } from '../api/client';
import { readBead } from '../ui/beads';

/** How many learners stand before a step or module that a rule keeps closed for them, by its key. */
export function waiting(design: Design, progress: Progress | undefined): Map<string, number> {
  const all = new Map<string, number>();
  if (!progress) return all;
  const place = new Map(progress.steps.map((s, n) => [s.id, n] as const));
  const beads = (thread: string, steps: { id: number }[]) =>
    steps
      .flatMap((s) => {
        const at = place.get(s.id);
        return at === undefined ? [] : [readBead(thread.charAt(at))];
      })
      .filter((b) => b.state !== 'NOT_FOR_THEM' && b.state !== 'UNPUBLISHED');
  const closed = (steps: { id: number }[]) =>
    progress.learners.filter(({ thread }) => {
      const theirs = beads(thread, steps);
      return theirs.length > 0 && theirs.every((b) => b.state === 'CLOSED' && !b.outOfReach);
    }).length;
  for (const module of design.modules) {
    if (module.opensWhen) all.set(`module-${module.id}`, closed(module.steps));
    // help that opens only for some is not waited for by the others
    for (const step of module.steps)
      if (step.opensWhen && step.required) all.set(`step-${step.id}`, closed([step]));
  }
  return all;
}
