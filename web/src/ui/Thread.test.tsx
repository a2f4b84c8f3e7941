import { fireEvent, screen } from '@testing-library/react';
import { useState } from 'react';
import { describe, expect, it } from 'vitest';
import { show } from '../test/stage';
import { readThread } from './beads';
import { GAP, layThread, Thread } from './Thread';

const steps = [1, 1, 1, 2, 2].map((module, n) => ({ module, published: n !== 1 }));
const { slots, width } = layThread(steps);

function Chosen() {
  const [at, setAt] = useState<number>();
  return (
    <Thread
      beads={readThread('LLLL<')}
      slots={slots}
      width={width}
      label="Juno Abara"
      names={['one', 'two', 'three', 'four', 'five']}
      selected={at}
      onSelect={setAt}
    />
  );
}

describe('a thread', () => {
  it('leaves out what is not published and a little room between modules', () => {
    expect(slots.map((s) => s.index)).toEqual([0, 2, 3, 4]);
    const gaps = slots.slice(1).map((s, n) => s.x - (slots[n]?.x ?? 0));
    expect(gaps[0]).toBe(GAP);
    expect(gaps[1]).toBeGreaterThan(GAP);
    expect(gaps[2]).toBe(GAP);
  });

  it('moves once for every key, however fast they come', () => {
    show(<Chosen />);
    const thread = screen.getByRole('slider');
    for (let n = 0; n < 3; n++) fireEvent.keyDown(thread, { key: 'ArrowRight' });
    expect(thread).toHaveAccessibleName(/three|four/);
    expect(thread).toHaveAttribute('aria-valuenow', '2');
    fireEvent.keyDown(thread, { key: 'ArrowLeft' });
    expect(thread).toHaveAttribute('aria-valuenow', '1');
  });

  it('stops at both ends', () => {
    show(<Chosen />);
    const thread = screen.getByRole('slider');
    for (let n = 0; n < 9; n++) fireEvent.keyDown(thread, { key: 'ArrowRight' });
    expect(thread).toHaveAccessibleName(/five/);
    for (let n = 0; n < 9; n++) fireEvent.keyDown(thread, { key: 'ArrowLeft' });
    expect(thread).toHaveAccessibleName(/one/);
  });

  it('selects the bead that is clicked', () => {
    show(<Chosen />);
    const thread = screen.getByRole('slider');
    fireEvent.click(thread, { clientX: slots[2]?.x ?? 0 });
    expect(thread).toHaveAccessibleName(/four: done/i);
  });
});
