const PARTS = 'header, header ~ nav, #main, aside';

/** Puts the focus on the next part of the frame, or the one before; a dialog keeps it. */
export function nextPart(by: 1 | -1) {
  const parts = [...document.querySelectorAll<HTMLElement>(PARTS)].filter(
    (part) => !part.closest('[aria-hidden="true"]'),
  );
  if (parts.length === 0) return;
  const here = parts.findLastIndex((part) => part.contains(document.activeElement));
  const from = here < 0 && by < 0 ? 0 : here;
  const next = parts[(from + by + parts.length) % parts.length];
  if (!next) return;
  if (!next.hasAttribute('tabindex')) next.tabIndex = -1;
  next.focus();
}
