/** Columns that stand beside each other under one name, from the place of the first. */
export interface Span {
  name: string;
  from: number;
  columns: number;
}

/** Columns by their groups, each group at the place of its first, without the folded ones. */
export function unfolded<C extends { group: string }>(
  columns: C[],
  folded: ReadonlySet<string>,
): C[] {
  const names = [...new Set(columns.map((c) => c.group))];
  return names
    .filter((name) => !folded.has(name))
    .flatMap((name) => columns.filter((c) => c.group === name));
}

/** The spans over columns as `unfolded` puts them; none where nothing is grouped. */
export function spans(columns: { group: string }[]): Span[] {
  const all: Span[] = [];
  columns.forEach(({ group }, from) => {
    const last = all.at(-1);
    if (last?.name === group) last.columns += 1;
    else all.push({ name: group, from, columns: 1 });
  });
  return all.some((s) => s.name !== '') ? all : [];
}
