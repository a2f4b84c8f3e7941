import { type RefObject, useEffect, useRef } from 'react';

/**
 * Tells how long and how large a film or a sound is, once that is known. It may be known before it
 * is shown, and then nobody hears the browser say so.
 */
export function useLength<M extends HTMLMediaElement>(
  media: RefObject<M | null>,
  known: (media: M) => void,
) {
  const tell = useRef(known);
  tell.current = known;
  useEffect(() => {
    const it = media.current;
    if (!it) return undefined;
    const take = () => tell.current(it);
    if (it.readyState >= HTMLMediaElement.HAVE_METADATA) take();
    it.addEventListener('loadedmetadata', take);
    it.addEventListener('durationchange', take);
    return () => {
      it.removeEventListener('loadedmetadata', take);
      it.removeEventListener('durationchange', take);
    };
  }, [media]);
}
