import { QueryClient } from '@tanstack/react-query';
import { describe, expect, it, vi } from 'vitest';
import { merged, type Rows, refresh } from './rows';

interface View extends Rows {
  learners: { person: number; share: number }[];
}

const view = (version: number, ...shares: [person: number, share: number][]): View => ({
  version,
  learners: shares.map(([person, share]) => ({ person, share })),
});

describe('fresh rows', () => {
  it('take the place of the old ones and leave the others and their order alone', () => {
    const now = merged(view(3, [1, 0.1], [2, 0.2], [3, 0.3]), view(3, [2, 0.9]), new Set([2]));
    expect(now).toEqual(view(3, [1, 0.1], [2, 0.9], [3, 0.3]));
  });

  it('that do not come any more are taken out', () => {
    const now = merged(view(3, [1, 0.1], [2, 0.2]), view(3), new Set([2]));
    expect(now).toEqual(view(3, [1, 0.1]));
  });

  it('of somebody new, or under another design, are not enough', () => {
    expect(merged(view(3, [1, 0.1]), view(3, [2, 0]), new Set([2]))).toBeUndefined();
    expect(merged(view(3, [1, 0.1]), view(4, [1, 0.1]), new Set([1]))).toBeUndefined();
  });
});

describe('what changed about a few learners', () => {
  const held = (data?: View) => {
    const queries = new QueryClient();
    if (data) queries.setQueryData(['progress', 2], data);
    const whole = vi.spyOn(queries, 'invalidateQueries');
    return { queries, whole };
  };
  const rows = (...parts: View[]) => ({
    kind: 'progress',
    ofOne: ['learner'],
    fetch: vi.fn(() => Promise.resolve(parts.shift() ?? view(0))),
  });

  it('is fetched by their rows alone', async () => {
    const { queries, whole } = held(view(3, [1, 0.1], [2, 0.2]));
    const live = rows(view(3, [2, 0.5]));
    await refresh(queries, 2, live, new Set([2]));
    expect(live.fetch).toHaveBeenCalledExactlyOnceWith(2, [2]);
    expect(queries.getQueryData(['progress', 2])).toEqual(view(3, [1, 0.1], [2, 0.5]));
    expect(whole).not.toHaveBeenCalled();
  });

  it('is fetched as a whole for everybody, for very many, and after a failure', async () => {
    const { queries, whole } = held(view(3, [1, 0.1]));
    const live = rows();
    await refresh(queries, 2, live, 'everybody');
    await refresh(queries, 2, live, new Set(Array.from({ length: 101 }, (_, n) => n)));
    expect(live.fetch).not.toHaveBeenCalled();
    live.fetch.mockRejectedValueOnce(new Error('no connection'));
    await refresh(queries, 2, live, new Set([1]));
    expect(whole).toHaveBeenCalledTimes(3);
  });

  it('is fetched as a whole when the design became another one', async () => {
    const { queries, whole } = held(view(3, [1, 0.1]));
    await refresh(queries, 2, rows(view(4, [1, 0.1])), new Set([1]));
    expect(whole).toHaveBeenCalledTimes(1);
    expect(queries.getQueryData(['progress', 2])).toEqual(view(3, [1, 0.1]));
  });
});
