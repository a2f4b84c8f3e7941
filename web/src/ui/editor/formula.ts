/** Writes a formula, given as LaTeX, as MathML into an element; what cannot be read stays as it is. */
export async function writeFormula(into: HTMLElement, source: string, block = false) {
  const { default: temml } = await import('temml');
  try {
    temml.render(source, into, { displayMode: block, throwOnError: true });
    into.removeAttribute('title');
  } catch (fault) {
    into.textContent = source;
    into.title = (fault as Error).message;
  }
}

/** Writes all formulas of a text that is shown. */
export function writeFormulas(within: HTMLElement) {
  for (const place of within.querySelectorAll<HTMLElement>('[data-formula]'))
    void writeFormula(place, place.dataset.formula ?? '', place.tagName === 'DIV');
}
