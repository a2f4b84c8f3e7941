/** A part of a film that was played without a jump, in seconds. */
export interface Stretch {
  from: number;
  to: number;
}

/** Longer than this between two looks at the film, and something in between was not played. */
const JUMP = 2;

/**
 * Goes on with a stretch as the film moves to `at`.
 *
 * @returns the stretch that goes on, and the one that ended when the film jumped
 */
export function played(
  now: Stretch | null,
  at: number,
  rate = 1,
): { now: Stretch; ended: Stretch | null } {
  if (now && at >= now.to && at - now.to <= JUMP * Math.max(1, rate))
    return { now: { from: now.from, to: at }, ended: null };
  return { now: { from: at, to: at }, ended: now };
}

/** A stretch in whole seconds of a film, null when it holds none. */
export function whole(stretch: Stretch, seconds: number): Stretch | null {
  const from = Math.round(stretch.from);
  const to = Math.min(seconds, Math.round(stretch.to));
  return to > from ? { from, to } : null;
}

/** The first second that was not played; 0 when all were. */
export function firstMissing(parts: number[], seconds: number): number {
  if (parts[0] !== 0) return 0;
  const end = parts[1] ?? 0;
  return end >= seconds ? 0 : end;
}
