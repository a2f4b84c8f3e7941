import { useEffect } from 'react';

/** What a title says, the nearest last here and first in the title. */
const DEPTHS = ['institution', 'course', 'view', 'thing'] as const;

type Depth = (typeof DEPTHS)[number];

const said = new Map<symbol, { depth: Depth; text: string }>();

function write() {
  document.title = [...said.values()]
    .sort((a, b) => DEPTHS.indexOf(b.depth) - DEPTHS.indexOf(a.depth))
    .map((part) => part.text)
    .join(' · ');
}

/** Names the page, as tabs, histories and screen readers tell it, as long as this part is shown. */
export function usePageTitle(depth: Depth, text: string | undefined) {
  useEffect(() => {
    if (!text) return;
    const key = Symbol(text);
    said.set(key, { depth, text });
    write();
    return () => {
      said.delete(key);
      write();
    };
  }, [depth, text]);
}
