import type { Design } from '../../api/client';

const INSIDE =
  /\b(?:(?:this|the) (?:course|module|unit|quiz|assignment|practical|discussion|week|group|cohort)|(?:module|unit|week|lesson|chapter|step|part|quiz|task) \d+)\b/gi;

/**
 * What of a text says nothing to somebody who does not know the course: "module 3", "the quiz",
 * names of its modules and steps.
 */
export function knownOnlyHere(text: string, design: Design): string[] {
  const names = design.modules
    .flatMap((m) => [m.name, ...m.steps.map((s) => s.name)])
    .filter((name) => name.includes(' ') && text.toLowerCase().includes(name.toLowerCase()));
  return [...new Set([...(text.match(INSIDE) ?? []), ...names])];
}
