/** Texts that are not handed in yet, kept in this browser for one person each. */
const ALL = 'yendrik-work-';

/** Where a person's text for a step is kept. */
export const unsentKey = (person: number, course: number, walk: string, step: number) =>
  `${ALL}${person}-${course}-${walk}-${step}`;

/** Where staff's words about somebody's work are kept. */
export const unsentMarkKey = (person: number, course: number, enrolment: number, step: number) =>
  `${ALL}${person}-${course}-mark-${enrolment}-${step}`;

/** Where sign-offs are kept that no server has heard of yet. */
export const signOffsKey = (person: number, course: number) =>
  `${ALL}${person}-${course}-sign-offs`;

function keysOf(person: number): string[] {
  return Object.keys(localStorage).filter((key) => key.startsWith(`${ALL}${person}-`));
}

/** Whether a person has begun something here that nobody else has. */
export const hasUnsent = (person: number) =>
  keysOf(person).some((key) => localStorage.getItem(key)?.trim() !== '');

export function forgetUnsent(person: number) {
  for (const key of keysOf(person)) localStorage.removeItem(key);
}
