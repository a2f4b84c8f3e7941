import { type ReactNode, useEffect, useState } from 'react';
import { createPortal } from 'react-dom';

/** Puts a view's own actions at the right of the second band. */
export function Actions({ children }: { children: ReactNode }) {
  const [place, setPlace] = useState<HTMLElement | null>(null);
  useEffect(() => setPlace(document.getElementById('view-actions')), []);
  return place ? createPortal(children, place) : null;
}
