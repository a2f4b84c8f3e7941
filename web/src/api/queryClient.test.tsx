import { QueryObserver } from '@tanstack/react-query';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { ApiError } from './client';
import { newQueryClient } from './queryClient';

afterEach(() => vi.useRealTimers());

async function asked(failure: Error, seconds: number) {
  vi.useFakeTimers();
  const ask = vi.fn().mockRejectedValueOnce(failure).mockResolvedValue('here');
  const client = newQueryClient();
  const stop = new QueryObserver(client, { queryKey: ['it'], queryFn: ask }).subscribe(() => {});
  await vi.advanceTimersByTimeAsync(seconds * 1000);
  stop();
  client.clear();
  return ask.mock.calls.length;
}

const refusal = (status: number) => new ApiError({ detail: 'no', status });

describe('what could not be had', () => {
  it('is asked for again by itself while the data cannot be reached, until it comes', async () => {
    expect(await asked(refusal(503), 30)).toBe(2);
  });

  it('is not asked for again where it was refused', async () => {
    expect(await asked(refusal(403), 30)).toBe(1);
  });
});
