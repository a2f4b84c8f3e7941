import type { Design, Progress } from '../../api/client';
import { type BeadState, readBead } from '../../ui/beads';
import type { NodeKey } from './graph';

/** How learners stand at a step or a module. */
export interface Standing {
  done: number;
  of: number;
  /** The state of most of them, for a step. */
  most?: BeadState;
}

const isDone = (bead: BeadState) => bead.state === 'DONE' || bead.state === 'EXCUSED';
const concerns = (bead: BeadState) => bead.state !== 'NOT_FOR_THEM' && bead.state !== 'UNPUBLISHED';

/** How learners stand at each step, and how many have done all of each module that is for them. */
export function standings(design: Design, progress: Progress | undefined): Map<NodeKey, Standing> {
  const all = new Map<NodeKey, Standing>();
  if (!progress || progress.learners.length === 0) return all;
  const place = new Map(progress.steps.map((s, n) => [s.id, n] as const));
  const beadsAt = (id: number) => {
    const at = place.get(id);
    return at === undefined ? [] : progress.learners.map((l) => readBead(l.thread.charAt(at)));
  };
  for (const module of design.modules) {
    const rows = module.steps.map((s) => ({ step: s, beads: beadsAt(s.id) }));
    for (const { step, beads } of rows) {
      const theirs = beads.filter(concerns);
      if (theirs.length === 0) continue;
      const most = mostOf(theirs);
      const done = theirs.filter(isDone).length;
      all.set(`step-${step.id}`, { done, of: theirs.length, ...(most && { most }) });
    }
    const required = rows.filter((r) => r.step.required && r.beads.length > 0);
    if (required.length === 0) continue;
    const done = progress.learners.filter((_, n) =>
      required.every(({ beads }) => {
        const bead = beads[n];
        return bead !== undefined && (isDone(bead) || !concerns(bead));
      }),
    ).length;
    all.set(`module-${module.id}`, { done, of: progress.learners.length });
  }
  return all;
}

function mostOf(beads: BeadState[]): BeadState | undefined {
  const count = new Map<string, number>();
  for (const b of beads) count.set(b.state, (count.get(b.state) ?? 0) + 1);
  const [state] = [...count].sort((a, b) => b[1] - a[1])[0] ?? [];
  const found = beads.find((b) => b.state === state);
  return found && { ...found, overdue: false, outOfReach: false };
}
