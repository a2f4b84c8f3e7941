import { describe, expect, it } from 'vitest';
import { firstMissing, played, type Stretch, whole } from './stretches';

/** Plays a film that is looked at in these moments. */
function play(moments: number[], rate = 1): { ended: Stretch[]; now: Stretch | null } {
  const ended: Stretch[] = [];
  let now: Stretch | null = null;
  for (const at of moments) {
    const next = played(now, at, rate);
    if (next.ended) ended.push(next.ended);
    now = next.now;
  }
  return { ended, now };
}

describe('what was played of a film', () => {
  it('grows while the film runs', () => {
    expect(play([0, 0.25, 0.5, 1, 1.5])).toEqual({ ended: [], now: { from: 0, to: 1.5 } });
  });

  it('ends with a jump forward, and what was jumped over is not played', () => {
    expect(play([0, 1, 2, 30, 31])).toEqual({
      ended: [{ from: 0, to: 2 }],
      now: { from: 30, to: 31 },
    });
  });

  it('ends with a jump back', () => {
    expect(play([10, 11, 4, 5])).toEqual({
      ended: [{ from: 10, to: 11 }],
      now: { from: 4, to: 5 },
    });
  });

  it('takes larger strides for a film that runs faster', () => {
    expect(play([0, 3, 6], 2).ended).toEqual([]);
    expect(play([0, 3, 6], 1).ended).toHaveLength(2);
  });

  it('is counted in whole seconds within the film, and not at all below one', () => {
    expect(whole({ from: 0.1, to: 15.2 }, 46)).toEqual({ from: 0, to: 15 });
    expect(whole({ from: 40.2, to: 46.04 }, 46)).toEqual({ from: 40, to: 46 });
    expect(whole({ from: 12.4, to: 12.45 }, 46)).toBeNull();
    expect(whole({ from: 50, to: 51 }, 46)).toBeNull();
  });

  it('leaves no gap between stretches that follow each other', () => {
    const first = whole({ from: 0, to: 10.3 }, 46);
    const second = whole({ from: 10.3, to: 20.6 }, 46);
    expect(first?.to).toBe(second?.from);
  });

  it('says where the first missing second is', () => {
    expect(firstMissing([], 46)).toBe(0);
    expect(firstMissing([0, 19], 46)).toBe(19);
    expect(firstMissing([5, 19], 46)).toBe(0);
    expect(firstMissing([0, 46], 46)).toBe(0);
  });
});
