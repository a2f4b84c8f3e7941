import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { useOneKey } from './oneKey';
import { keysHere, keysInField, upAndDown, useKeys } from './useKeys';

describe('keys of a part', () => {
  const go = vi.fn();
  const choose = vi.fn();
  beforeEach(() => {
    vi.clearAllMocks();
    const keys = keysHere({ ...upAndDown(go), Space: choose, 'Alt+j': () => choose('alt') });
    render(
      <div role="listbox" tabIndex={0} onKeyDown={keys}>
        <input type="checkbox" aria-label="Tick" />
        <input type="text" aria-label="Find" />
      </div>,
    );
    screen.getByRole('listbox').focus();
  });

  it('are one act under several names', async () => {
    await userEvent.keyboard('j{ArrowDown}k{ArrowUp}');
    expect(go.mock.calls).toEqual([[1], [1], [-1], [-1]]);
  });

  it('are others with Alt, and none with Control', async () => {
    await userEvent.keyboard('{Alt>}j{/Alt}{Control>}j{/Control}');
    expect(choose).toHaveBeenCalledWith('alt');
    expect(go).not.toHaveBeenCalled();
  });

  it('do nothing while somebody types', async () => {
    await userEvent.type(screen.getByLabelText('Find'), 'jack and k');
    expect(go).not.toHaveBeenCalled();
    expect(screen.getByLabelText('Find')).toHaveValue('jack and k');
  });

  it('leave Space to a box that is ticked, and go on from it', async () => {
    screen.getByLabelText('Tick').focus();
    await userEvent.keyboard('[Space]');
    expect(screen.getByLabelText('Tick')).toBeChecked();
    expect(choose).not.toHaveBeenCalled();
    await userEvent.keyboard('j');
    expect(go).toHaveBeenCalledWith(1);
  });
});

describe('keys that hold everywhere', () => {
  it('of one letter can be switched off, others hold on', async () => {
    const help = vi.fn();
    const undo = vi.fn();
    function Both() {
      const [on, set] = useOneKey();
      useKeys({ g: help, 'Control+z': undo });
      return (
        <button type="button" onClick={() => set(!on)}>
          Letters
        </button>
      );
    }
    render(<Both />);
    await userEvent.keyboard('g');
    await userEvent.click(screen.getByRole('button'));
    await userEvent.keyboard('g{Control>}z{/Control}');
    expect(help).toHaveBeenCalledOnce();
    expect(undo).toHaveBeenCalledOnce();
    await userEvent.click(screen.getByRole('button'));
    await userEvent.keyboard('g');
    expect(help).toHaveBeenCalledTimes(2);
  });
});

describe('keys of a field', () => {
  it('hold while somebody types, and keep the key from doing anything else', async () => {
    const send = vi.fn();
    render(<input aria-label="Name" onKeyDown={keysInField({ Enter: send })} />);
    await userEvent.type(screen.getByLabelText('Name'), 'Tubes{Enter}');
    expect(send).toHaveBeenCalledTimes(1);
    expect(screen.getByLabelText('Name')).toHaveValue('Tubes');
  });
});
