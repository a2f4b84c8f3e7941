const LIST = /mso-list:\s*l\d+ level(\d+)/;
const NUMBERED = /^\s*(?:\d+|[a-z]|[ivx]+)[.)]/i;

/** Whether a paragraph is an item of a list, as word processors write it, and how deep it stands. */
function level(p: Element): number {
  const deep = LIST.exec(p.getAttribute('style') ?? '')?.[1];
  return deep ? Number(deep) : 0;
}

/** The marker of such an item, which stands in its text. */
function takeMarker(p: Element): string {
  const marker = [...p.querySelectorAll('span')].find((s) =>
    /mso-list:\s*ignore/i.test(s.getAttribute('style') ?? ''),
  );
  const text = marker?.textContent ?? '';
  marker?.remove();
  return text;
}

/** Makes lists of paragraphs that only look like items. */
function lists(body: HTMLElement) {
  let open: { list: Element; level: number }[] = [];
  for (const p of [...body.querySelectorAll('p')]) {
    const deep = level(p);
    const goesOn = open.length > 0 && p.previousElementSibling === open[0]?.list;
    if (!deep) continue;
    if (!goesOn) open = [];
    const tag = NUMBERED.test(takeMarker(p)) ? 'ol' : 'ul';
    while (open.length > deep) open.pop();
    while (open.length < deep) {
      const list = document.createElement(tag);
      const above = open.at(-1)?.list;
      if (above) (above.lastElementChild ?? above).append(list);
      else p.before(list);
      open.push({ list, level: open.length + 1 });
    }
    const item = document.createElement('li');
    item.append(...p.childNodes);
    open.at(-1)?.list.append(item);
    p.remove();
  }
}

/** What was bold or italic by its style only, as elements. */
function marks(body: HTMLElement) {
  for (const span of [...body.querySelectorAll<HTMLElement>('span')]) {
    const { fontWeight, fontStyle, textDecoration, verticalAlign } = span.style;
    const tags = [
      (fontWeight === 'bold' || Number(fontWeight) >= 600) && 'strong',
      fontStyle === 'italic' && 'em',
      textDecoration.includes('underline') && 'u',
      verticalAlign === 'sub' && 'sub',
      verticalAlign === 'super' && 'sup',
    ].filter((tag) => tag !== false);
    let inner: ParentNode & Node = document.createDocumentFragment();
    const outer = inner;
    for (const tag of tags) {
      const mark = document.createElement(tag);
      inner.append(mark);
      inner = mark;
    }
    inner.append(...span.childNodes);
    span.replaceWith(outer);
  }
}

/**
 * What was pasted, without what only its word processor understands: its lists become lists, its
 * styles and remarks go, its words and their meaning stay.
 */
export function cleaned(html: string): string {
  const page = new DOMParser().parseFromString(html.replace(/<!--[\s\S]*?-->/g, ''), 'text/html');
  const { body } = page;
  for (const gone of body.querySelectorAll('style, script, meta, link, title, xml, o\\:p'))
    gone.remove();
  // Some put all of it into one bold element of no weight.
  for (const b of body.querySelectorAll<HTMLElement>('b'))
    if (b.style.fontWeight === 'normal') b.replaceWith(...b.childNodes);
  lists(body);
  marks(body);
  for (const any of body.querySelectorAll('*'))
    for (const { name } of [...any.attributes])
      if (name === 'style' || name === 'class' || name === 'id' || name === 'lang')
        any.removeAttribute(name);
  for (const p of body.querySelectorAll('p'))
    if (p.textContent?.replace(/\u00a0/g, ' ').trim() === '' && !p.querySelector('img')) p.remove();
  return body.innerHTML;
}
