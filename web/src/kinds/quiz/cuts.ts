/** Cut points to begin with: equal shares up to mastery, none for the levels beyond. */
export const usualCuts = (mastery: number): number[] =>
  Array.from({ length: Math.max(1, mastery) }, (_, n) =>
    Math.min(1, Math.round(((n + 1) / (Math.max(1, mastery) + 1)) * 100) / 100),
  );

/**
 * Cut points as they are typed, in percent: they end at the first empty one, and none is below the
 * one before or above the whole.
 */
export function readCuts(texts: string[]): number[] {
  const cuts: number[] = [];
  for (const text of texts) {
    if (text.trim() === '') break;
    const cut = Math.min(100, Math.max(0, Number(text) || 0)) / 100;
    cuts.push(Math.max(cuts.at(-1) ?? 0, cut));
  }
  return cuts.length > 0 ? cuts : [0];
}
