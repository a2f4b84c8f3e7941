const parsed = (html: string) => new DOMParser().parseFromString(html, 'text/html').body;

/** Whether a formatted text says and shows nothing. */
export const saysNothing = (html: string) =>
  !html.includes('data-formula') &&
  !html.includes('data-file') &&
  (parsed(html).textContent ?? '').trim() === '';

const BREAKS = 'p, li, h2, h3, h4, tr, pre, blockquote, br';

/** The words of a formatted text, line by line, without how they look. */
export function plainText(html: string): string {
  const body = parsed(html);
  for (const end of body.querySelectorAll(BREAKS)) end.append('\n');
  for (const br of body.querySelectorAll('br')) br.replaceWith('\n');
  for (const picture of body.querySelectorAll('img')) picture.replaceWith(`[${picture.alt}]`);
  for (const formula of body.querySelectorAll<HTMLElement>('[data-formula]'))
    formula.replaceWith(formula.dataset.formula ?? '');
  return (body.textContent ?? '').replace(/\n{2,}/g, '\n').trim();
}

/** A formatted text whose files are found where this says. */
export function withFiles(html: string, at: (file: number) => string): string {
  if (!html.includes('data-file')) return html;
  const body = parsed(html);
  for (const shown of body.querySelectorAll<HTMLElement>('[data-file]')) {
    const address = at(Number(shown.dataset.file));
    if (shown.tagName === 'A') shown.setAttribute('href', address);
    else shown.setAttribute('src', address);
    if (shown.tagName === 'VIDEO' || shown.tagName === 'AUDIO') {
      shown.setAttribute('controls', '');
      shown.setAttribute('preload', 'metadata');
    }
  }
  return body.innerHTML;
}
