import { useEffect, useRef } from 'react';
import type { Post, PostThread } from '../api/client';
import type { PostDoor } from './door';

/** How long something is shown before it counts as read. */
const PAUSE = 1500;

/**
 * Tells the server what was read, and stays with what was new when one came, so that it is still
 * marked while one reads it.
 */
export function useFresh(threads: PostThread[], door: PostDoor): (post: Post) => boolean {
  const fresh = useRef(new Set<number>());
  for (const thread of threads)
    for (const post of [thread.post, ...thread.last]) if (post.unread) fresh.current.add(post.id);
  const unread = threads.filter((thread) => thread.unread > 0);
  const what = unread.map((thread) => `${thread.post.id}:${thread.last.at(-1)?.id ?? 0}`).join();
  const { reads } = door;
  // biome-ignore lint/correctness/useExhaustiveDependencies: the same threads are read once
  useEffect(() => {
    if (unread.length === 0) return undefined;
    const later = setTimeout(() => {
      if (document.visibilityState !== 'visible') return;
      void reads(
        unread.map((thread) => ({
          thread: thread.post.id,
          upto: thread.last.at(-1)?.id ?? thread.post.id,
        })),
      );
    }, PAUSE);
    return () => clearTimeout(later);
  }, [what, reads]);
  return (post) => fresh.current.has(post.id);
}
