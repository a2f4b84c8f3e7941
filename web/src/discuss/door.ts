import { useMemo } from 'react';
import {
  api,
  body,
  type Discussion,
  type Kept,
  type NewPost,
  type PostText,
  type PostThread,
  type ReadThread,
  type StepPage,
} from '../api/client';
import type { ActHeaders } from '../ui/useActKey';

/** A group that discusses by itself, or those who are in none. */
export type Group = number | 'none';

/** Where one reads and writes: as a learner on a way, or as staff. */
export interface PostDoor {
  /** Tells it apart from others. */
  key: readonly (string | number)[];
  read: (group: Group | undefined, before?: number) => Promise<Discussion>;
  thread: (post: number) => Promise<PostThread>;
  write: (post: NewPost, headers: ActHeaders) => Promise<unknown>;
  change: (post: number, text: PostText) => Promise<unknown>;
  remove: (post: number) => Promise<unknown>;
  /** Brings a removed one back, where that can be done. */
  restore?: (post: number) => Promise<unknown>;
  reads: (threads: ReadThread[]) => Promise<unknown>;
  /** Where a file of a post is found, or one that is not posted yet. */
  file: (file: number, post?: number) => string;
  keep: (upload: string) => Promise<Kept>;
}

/** Among whom; the first of them where nothing is chosen. */
export const among = (group: Group | undefined) => {
  if (group === undefined) return {};
  return group === 'none' ? { ungrouped: true } : { group };
};

const chosen = (group: Group | undefined, before?: number) => ({
  ...among(group),
  ...(before !== undefined && { before }),
});

const of = (post: number | undefined) => (post === undefined ? '' : `/${post}`);

/** The door of a learner; what opens by writing is shown. */
export function useLearnersDoor(
  course: number,
  walk: string,
  step: number,
  show: (page: StepPage) => void,
  looks = false,
): PostDoor {
  return useMemo(() => {
    const path = { course, walk, step };
    const at = '/api/courses/{course}/walks/{walk}/steps/{step}/posts';
    return {
      key: ['posts', course, walk, step],
      read: (group, before) =>
        body(api.GET(at, { params: { path, query: chosen(group, before) } })),
      thread: (post) => body(api.GET(`${at}/{post}`, { params: { path: { ...path, post } } })),
      write: async (post, headers) =>
        show(await body(api.POST(at, { params: { path }, headers, body: post }))),
      change: (post, text) =>
        api.PUT(`${at}/{post}`, { params: { path: { ...path, post } }, body: text }),
      remove: async (post) =>
        show(await body(api.DELETE(`${at}/{post}`, { params: { path: { ...path, post } } }))),
      reads: (threads) =>
        looks ? Promise.resolve() : api.POST(`${at}/read`, { params: { path }, body: { threads } }),
      file: (file, post) =>
        `/api/courses/${course}/walks/${walk}/steps/${step}/posts${of(post)}/files/${file}`,
      keep: (upload) => body(api.POST(`${at}/files`, { params: { path }, body: { upload } })),
    };
  }, [course, walk, step, show, looks]);
}

/** The door of staff, to a discussion or to somebody's journal. */
export function useStaffsDoor(course: number, step: number, journal?: number): PostDoor {
  return useMemo(() => {
    const path = { course, step };
    const at = '/api/courses/{course}/discussions/{step}';
    const whose = journal === undefined ? {} : { journal };
    return {
      key: ['discussion', course, step, journal ?? 0],
      read: (group, before) =>
        body(
          api.GET(`${at}/posts`, {
            params: { path, query: { ...chosen(group, before), ...whose } },
          }),
        ),
      thread: (post) =>
        body(api.GET(`${at}/posts/{post}`, { params: { path: { ...path, post } } })),
      write: (post, headers) =>
        api.POST(`${at}/posts`, { params: { path }, headers, body: { ...post, ...whose } }),
      change: (post, text) =>
        api.PUT(`${at}/posts/{post}`, { params: { path: { ...path, post } }, body: text }),
      remove: (post) => api.DELETE(`${at}/posts/{post}`, { params: { path: { ...path, post } } }),
      restore: (post) =>
        api.POST(`${at}/posts/{post}/restoration`, { params: { path: { ...path, post } } }),
      reads: (threads) => api.POST(`${at}/read`, { params: { path }, body: { threads } }),
      file: (file, post) =>
        `/api/courses/${course}/discussions/${step}${post === undefined ? '' : `/posts/${post}`}/files/${file}`,
      keep: (upload) => body(api.POST(`${at}/files`, { params: { path }, body: { upload } })),
    };
  }, [course, step, journal]);
}
