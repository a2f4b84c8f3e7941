import { onlineManager, useMutation } from '@tanstack/react-query';
import { act, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { memo } from 'react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { api } from '../api/client';
import { failure, serve, show } from '../test/stage';
import { NotSaved, SavingState } from './SavingState';

function Acting({ silent = false, again = true }: { silent?: boolean; again?: boolean }) {
  const change = useMutation({
    meta: { silent, ...(again && { about: (name: string) => name }) },
    mutationFn: (name: string) => api.POST('/api/frameworks', { body: { name } }),
  });
  return (
    <>
      <SavingState />
      <NotSaved />
      <button type="button" onClick={() => change.mutate('Hollow Lane')}>
        act
      </button>
    </>
  );
}

describe('the state of saving', () => {
  afterEach(() => onlineManager.setOnline(true));
  const state = () => screen.getByRole('status');
  const at = 'POST /api/frameworks';

  it('says nothing before anything was done, then that it is kept', async () => {
    serve({ [at]: { id: 1 } });
    show(<Acting />);
    expect(state()).toHaveTextContent(/^$/);
    await userEvent.click(screen.getByText('act'));
    expect(await screen.findByText('Saved')).toBeInTheDocument();
  });

  it('says why something was refused, and nothing of trying again', async () => {
    serve({ [at]: failure(422, { detail: 'Give it a name.' }) });
    show(<Acting />);
    await userEvent.click(screen.getByText('act'));
    expect(await screen.findByText('Not saved: Give it a name.')).toBeInTheDocument();
    expect(screen.queryByRole('button', { name: 'Try again' })).not.toBeInTheDocument();
  });

  it('asks again for what no server heard, as often as it takes', async () => {
    let down = true;
    const calls = serve({
      [at]: () => (down ? failure(503, { detail: 'Not now.' }) : { id: 1 }),
    });
    show(<Acting />);
    await userEvent.click(screen.getByText('act'));
    await screen.findByText('Not saved: Not now.');
    await userEvent.click(screen.getByRole('button', { name: 'Try again' }));
    await screen.findByText('Not saved: Not now.');
    down = false;
    await userEvent.click(screen.getByRole('button', { name: 'Try again' }));
    expect(await screen.findByText('Saved')).toBeInTheDocument();
    expect(calls.map((c) => c.body)).toEqual(Array(3).fill({ name: 'Hollow Lane' }));
  });

  it('asks nothing again in whose place a later act has come', async () => {
    let down = true;
    const calls = serve({
      [at]: () => (down ? failure(503, { detail: 'Not now.' }) : { id: 1 }),
    });
    show(<Acting />);
    await userEvent.click(screen.getByText('act'));
    await screen.findByText('Not saved: Not now.');
    down = false;
    await userEvent.click(screen.getByText('act'));
    expect(await screen.findByText('Saved')).toBeInTheDocument();
    expect(screen.queryByText(/Not saved/)).not.toBeInTheDocument();
    expect(calls).toHaveLength(2);
  });

  it('leaves to a form what is sent once more from there', async () => {
    serve({ [at]: failure(503, { detail: 'Not now.' }) });
    show(<Acting again={false} />);
    await userEvent.click(screen.getByText('act'));
    expect(await screen.findByText('Not saved: Not now.')).toBeInTheDocument();
    expect(screen.queryByRole('button', { name: 'Try again' })).not.toBeInTheDocument();
  });

  it('can leave what failed', async () => {
    serve({ [at]: failure(503, { detail: 'Not now.' }) });
    show(<Acting />);
    await userEvent.click(screen.getByText('act'));
    await userEvent.click(await screen.findByRole('button', { name: 'Leave it' }));
    await vi.waitFor(() => expect(screen.queryByText(/Not saved/)).not.toBeInTheDocument());
  });

  it('says how much waits without a connection, and sends it when that is back', async () => {
    const calls = serve({ [at]: { id: 1 } });
    show(<Acting />);
    act(() => onlineManager.setOnline(false));
    expect(screen.getByText('No connection')).toBeInTheDocument();
    await userEvent.click(screen.getByText('act'));
    expect(await screen.findByText(/1 change waits/)).toBeInTheDocument();
    expect(calls).toHaveLength(0);
    act(() => onlineManager.setOnline(true));
    expect(await screen.findByText('Saved')).toBeInTheDocument();
    expect(calls).toHaveLength(1);
  });

  it('says so without anything else being drawn anew', async () => {
    let answer = (_: unknown) => {};
    const waiting = new Promise((go) => {
      answer = go;
    });
    function Apart() {
      const change = useMutation({ mutationFn: () => waiting });
      return (
        <button type="button" onClick={() => change.mutate()}>
          act
        </button>
      );
    }
    const Still = memo(SavingState);
    show(
      <>
        <Still />
        <Apart />
      </>,
    );
    await userEvent.click(screen.getByText('act'));
    expect(await screen.findByText('Saving …')).toBeInTheDocument();
    answer({});
    expect(await screen.findByText('Saved')).toBeInTheDocument();
  });

  it('warns before a page is left with something that is not saved', async () => {
    serve({ [at]: failure(503, { detail: 'Not now.' }) });
    show(<Acting />);
    const leave = () => {
      const event = new Event('beforeunload', { cancelable: true });
      window.dispatchEvent(event);
      return event.defaultPrevented;
    };
    expect(leave()).toBe(false);
    await userEvent.click(screen.getByText('act'));
    await screen.findByText(/Not saved/);
    expect(leave()).toBe(true);
  });

  it('does not speak of what keeps nothing', async () => {
    serve({ [at]: { id: 1 } });
    show(<Acting silent />);
    await userEvent.click(screen.getByText('act'));
    await new Promise((go) => setTimeout(go, 50));
    expect(screen.queryByText('Saved')).not.toBeInTheDocument();
  });
});
