import type { Design, DesignStep } from '../api/client';
import { room } from '../kinds/rooms';

/** Something that learners would see and that looks as if it was left half way. */
export interface Unfinished {
  name: string;
  /** Where it is finished, from a view of Plan. */
  to: string;
  why: 'new' | 'empty';
}

/** What shows something without a word beside it. */
const SHOWN = /<(img|video|audio|table|hr|math)\b/i;

const blank = (html: string) =>
  !SHOWN.test(html) && html.replace(/<[^>]*>|&nbsp;/g, '').trim() === '';

function empty({ kind, body, part }: DesignStep): boolean {
  const { text, empty: own } = room(kind);
  const wordless = text === undefined || blank(body);
  return own ? own(part as never) && wordless : text !== undefined && wordless;
}

/**
 * What is empty or still has the name it began with, of all that is published.
 *
 * @param fresh the names that things begin with
 */
export function unfinished(design: Design, fresh: string[]): Unfinished[] {
  const found: Unfinished[] = [];
  const look = (name: string, to: string, hollow: boolean) => {
    if (fresh.includes(name)) found.push({ name, to, why: 'new' });
    else if (hollow) found.push({ name, to, why: 'empty' });
  };
  for (const module of design.modules) {
    if (!module.published) continue;
    const steps = module.steps.filter((s) => s.published);
    look(module.name, `../route?sel=module-${module.id}`, steps.length === 0);
    for (const step of steps) look(step.name, `../route?sel=step-${step.id}`, empty(step));
  }
  for (const outcome of design.outcomes) look(outcome.name, `../outcomes?sel=${outcome.id}`, false);
  for (const badge of design.badges) look(badge.name, `../badges?sel=${badge.id}`, false);
  return found;
}
