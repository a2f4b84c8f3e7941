import { useVirtualizer } from '@tanstack/react-virtual';
import { type CSSProperties, useLayoutEffect, useRef, useState } from 'react';

/** Up to so many rows stand in the flow of the page, all of them. */
const FEW = 150;
const FLOATING: CSSProperties = { position: 'absolute', top: 0, left: 0, right: 0 };

/** The rows of a list in the main area: of a long one those in sight, of a short one all. */
export function useRows<E extends HTMLElement = HTMLUListElement>(count: number, estimate: number) {
  const list = useRef<E>(null);
  const [above, setAbove] = useState(0);
  const main = () => list.current?.closest<HTMLElement>('#main') ?? null;
  const few = count <= FEW;
  useLayoutEffect(() => {
    const area = main();
    if (few || !area || !list.current) return;
    const top = list.current.getBoundingClientRect().top - area.getBoundingClientRect().top;
    setAbove(Math.round(top + area.scrollTop));
  });
  const virtual = useVirtualizer({
    enabled: !few,
    count,
    getScrollElement: main,
    estimateSize: () => estimate,
    // Before it is laid out, a row measures nothing.
    measureElement: (row: HTMLElement) => row.offsetHeight || estimate,
    scrollMargin: above,
    overscan: 10,
  });
  const rows = few
    ? Array.from({ length: count }, (_, index) => ({ index, style: undefined }))
    : virtual.getVirtualItems().map(({ index, start }) => ({
        index,
        style: { ...FLOATING, transform: `translateY(${start - above}px)` },
      }));
  return {
    list,
    rows,
    measure: few ? undefined : virtual.measureElement,
    style: few ? undefined : { position: 'relative' as const, height: virtual.getTotalSize() },
    show: (index: number) => {
      if (few) list.current?.children[index]?.scrollIntoView?.({ block: 'nearest' });
      else virtual.scrollToIndex(index);
    },
  };
}
