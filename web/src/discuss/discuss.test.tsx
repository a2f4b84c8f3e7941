import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { Post, Discussion as View } from '../api/client';
import { serve, show } from '../test/stage';
import { Discussion } from './Discussion';
import { useLearnersDoor, useStaffsDoor } from './door';

const post = (id: number, by: string, text: string, more: Partial<Post> = {}): Post => ({
  id,
  gone: false,
  by,
  mine: false,
  staff: false,
  text: `<p>${text}</p>`,
  files: [],
  at: '2026-11-24T10:00:00Z',
  unread: false,
  mayChange: false,
  mayRemove: false,
  ...more,
});
const view = (more: Partial<View> = {}): View => ({
  groups: [],
  mayWrite: true,
  writesFirst: false,
  threads: [
    {
      post: post(5, 'Ilse Tran', 'It squeals.'),
      replies: 4,
      unread: 1,
      last: [post(9, 'Kofi Lindgren', 'The rim?', { unread: true })],
    },
  ],
  ...more,
});
const at = '/api/courses/2/walks/mine/steps/12/posts';

function Mine() {
  return <Discussion door={useLearnersDoor(2, 'mine', 12, vi.fn())} unsent="work-1" />;
}

function Staff() {
  return <Discussion door={useStaffsDoor(2, 12)} unsent="work-2" />;
}

describe('a discussion', () => {
  it('marks what is new, says so once it was shown, and shows earlier replies when asked', async () => {
    const calls = serve({
      [`GET ${at}`]: view(),
      [`POST ${at}/read`]: undefined,
      [`GET ${at}/5`]: {
        ...view().threads[0],
        last: [post(6, 'Edda Marsh', 'The pad.'), post(9, 'Kofi Lindgren', 'The rim?')],
      },
    });
    show(<Mine />);
    const kofi = await screen.findByRole('article', { name: /^Post by Kofi Lindgren/ });
    expect(within(kofi).getByText('new')).toBeVisible();
    await vi.waitFor(
      () =>
        expect(calls.find((c) => c.path.endsWith('/read'))?.body).toEqual({
          threads: [{ thread: 5, upto: 9 }],
        }),
      { timeout: 5000 },
    );
    await userEvent.click(screen.getByRole('button', { name: 'Show 3 earlier replies' }));
    expect(await screen.findByText('The pad.')).toBeVisible();
  });

  it('asks to write first where that is wanted, and says when nothing can be written any more', async () => {
    serve({ [`GET ${at}`]: view({ writesFirst: true, threads: [], mayWrite: false }) });
    show(<Mine />);
    expect(await screen.findByText(/Write a post of your own/)).toBeVisible();
    expect(screen.getByText('Nothing can be written here any more.')).toBeVisible();
  });

  it('lets staff take a post away and bring it back', async () => {
    const staff = '/api/courses/2/discussions/12';
    const calls = serve({
      [`GET ${staff}/posts`]: view({
        threads: [
          {
            post: post(5, 'Ilse Tran', 'Rude.', { mayRemove: true }),
            replies: 0,
            unread: 0,
            last: [],
          },
        ],
      }),
      [`DELETE ${staff}/posts/5`]: undefined,
      [`POST ${staff}/posts/5/restoration`]: undefined,
    });
    show(<Staff />);
    await userEvent.click(
      await screen.findByRole('button', { name: 'Take away the post by Ilse Tran' }),
    );
    await userEvent.click(await screen.findByRole('button', { name: 'Undo' }));
    await vi.waitFor(() =>
      expect(calls.map((c) => `${c.method} ${c.path}`)).toContain(
        `POST ${staff}/posts/5/restoration`,
      ),
    );
  });

  it('lets staff choose a group, and those who are in none', async () => {
    const staff = '/api/courses/2/discussions/12';
    const groups = [
      { group: 7, name: 'Saturday', unread: 2 },
      { name: '', unread: 0 },
    ];
    const calls = serve({ [`GET ${staff}/posts`]: view({ groups, group: 7, threads: [] }) });
    show(<Staff />);
    expect(await screen.findByRole('button', { name: 'Saturday (2 new)' })).toHaveAttribute(
      'aria-pressed',
      'true',
    );
    await userEvent.click(screen.getByRole('button', { name: 'In no group' }));
    await vi.waitFor(() => expect(calls.at(-1)?.path).toBe(`${staff}/posts?ungrouped=true`));
  });
});
