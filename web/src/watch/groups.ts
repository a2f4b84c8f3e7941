import type { OutcomeHead } from './spread';

/** Columns that stand beside each other under the name of their outermost group. */
export interface Span {
  name: string;
  columns: number;
}

/** Outcomes by their outermost groups, each group at the place of its first, without the folded. */
export function unfolded(outcomes: OutcomeHead[], folded: ReadonlySet<string>): OutcomeHead[] {
  const names = [...new Set(outcomes.map((o) => o.group[0] ?? ''))];
  return names
    .filter((name) => !folded.has(name))
    .flatMap((name) => outcomes.filter((o) => (o.group[0] ?? '') === name));
}

/** The spans over columns as `unfolded` puts them; none where nothing is grouped. */
export function spans(outcomes: OutcomeHead[]): Span[] {
  const all: Span[] = [];
  for (const outcome of outcomes) {
    const name = outcome.group[0] ?? '';
    const last = all.at(-1);
    if (last?.name === name) last.columns += 1;
    else all.push({ name, columns: 1 });
  }
  return all.some((s) => s.name !== '') ? all : [];
}
