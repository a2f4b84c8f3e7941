import type { RehearsedLine } from '../../api/client';
import { readThread } from '../../ui/beads';

export type Line = RehearsedLine['line'];

/** A rehearsal, one of its lines, and a step behind that line, as they stand in the address. */
export interface Chosen {
  rehearsal: number;
  line?: number | undefined;
  step?: number | undefined;
}

export function readChosen(sel: string | null): Chosen | undefined {
  const [rehearsal, line, step] = (sel ?? '').split('.').map(Number);
  if (!rehearsal) return undefined;
  return { rehearsal, line, step };
}

export const writeChosen = ({ rehearsal, line, step }: Chosen) =>
  [rehearsal, line, step].filter((n) => n !== undefined).join('.');

export const asIf = (leaf: object): Line => ({ is: 'as-if', leaf });
export const later = (days: number): Line => ({ is: 'later', days });
export const given = (step: number, grant: 'OPENED' | 'EXCUSED' | 'ATTEMPTS' | 'ANEW'): Line => ({
  is: 'given',
  step,
  grant,
});
export const expectStep = (step: number, what: 'step-opens' | 'step-done', so: boolean): Line => ({
  is: 'expect',
  so,
  at: { is: what, step },
});

/** The lines with another one behind one of them, or at the end. */
export const withLine = (lines: Line[], line: Line, after: number | undefined) => {
  const at = after === undefined ? lines.length : after + 1;
  return [...lines.slice(0, at), line, ...lines.slice(at)];
};

/** The lines with one of them a place further up or down. */
export function moved(lines: Line[], at: number, by: 1 | -1): Line[] {
  const to = at + by;
  const line = lines[at];
  if (!line || to < 0 || to >= lines.length) return lines;
  const rest = lines.filter((_, n) => n !== at);
  return [...rest.slice(0, to), line, ...rest.slice(to)];
}

/** Which beads are not as they were before a line. */
export function movedBeads(before: string | undefined, now: string): Set<number> {
  if (before === undefined) return new Set();
  return new Set(
    readThread(now)
      .map((_, n) => n)
      .filter((n) => before.charAt(n) !== now.charAt(n)),
  );
}
