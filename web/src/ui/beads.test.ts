import { describe, expect, it } from 'vitest';
import { readBead, readThread } from './beads';

describe('a thread', () => {
  it('reads every letter as state and marks', () => {
    expect(readBead('L')).toEqual({ state: 'DONE', overdue: false, outOfReach: false });
    expect(readBead(';')).toEqual({ state: 'CLOSED', overdue: true, outOfReach: true });
    expect(readThread('<8').map((b) => b.state)).toEqual(['OPEN', 'CLOSED']);
  });

  it('refuses a letter that nothing writes', () => {
    expect(() => readBead('~')).toThrow();
  });
});
