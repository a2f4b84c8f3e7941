import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { renderHook } from '@testing-library/react';
import type { ReactNode } from 'react';
import { describe, expect, it, vi } from 'vitest';
import type { Hears } from './live';
import type { LiveRows } from './rows';
import { useLive } from './useLive';

const heard: Hears[] = [];
vi.mock('./live', () => ({
  listen: (_: number, hears: Hears) => {
    heard.push(hears);
    return () => {};
  },
}));

function live(kinds: string[], data: Record<string, object>, rows?: LiveRows) {
  const queries = new QueryClient();
  for (const [kind, of] of Object.entries(data)) queries.setQueryData([kind, 2, 7], of);
  renderHook(() => useLive(2, kinds, rows), {
    wrapper: ({ children }: { children: ReactNode }) => (
      <QueryClientProvider client={queries}>{children}</QueryClientProvider>
    ),
  });
  return {
    hears: heard.at(-1) as Hears,
    stale: (kind: string) => queries.getQueryState([kind, 2, 7])?.isInvalidated,
  };
}

describe('what changed about somebody', () => {
  it('is fetched again in a conversation, though its other person is not who changed', () => {
    const { hears, stale } = live(['conversation'], { conversation: { person: 31 } });
    hears(new Set([11]));
    expect(stale('conversation')).toBe(true);
  });

  it('is fetched again beside a list of learners only where it is theirs', () => {
    const rows: LiveRows = { kind: 'progress', ofOne: ['learner', 'bead'], fetch: vi.fn() };
    const { hears, stale } = live([], { learner: { person: 31 }, bead: { person: 11 } }, rows);
    hears(new Set([11]));
    expect(stale('bead')).toBe(true);
    expect(stale('learner')).toBe(false);
    hears('everybody');
    expect(stale('learner')).toBe(true);
  });
});
