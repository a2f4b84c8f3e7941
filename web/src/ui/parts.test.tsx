import { useQuery } from '@tanstack/react-query';
import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import { ApiError } from '../api/client';
import { show } from '../test/stage';
import { useNotice } from './Notice';
import { Loaded, WithInspector } from './Panel';
import { SavedField } from './SavedField';
import { useSelection } from './useSelection';

describe('what is loaded', () => {
  function Asked({ ask }: { ask: () => Promise<string> }) {
    const query = useQuery({ queryKey: ['thing'], queryFn: ask });
    return <Loaded query={query}>{(text) => <p>{text}</p>}</Loaded>;
  }

  it('says that it is on its way, then shows itself', async () => {
    show(<Asked ask={async () => 'thirty-six learners'} />);
    expect(screen.getByRole('status')).toBeInTheDocument();
    expect(await screen.findByText('thirty-six learners')).toBeInTheDocument();
  });

  it('says why it did not come and tries again when asked', async () => {
    let tries = 0;
    const ask = async () => {
      tries++;
      if (tries === 1) throw new ApiError({ detail: 'Nothing is published yet.', status: 409 });
      return 'there now';
    };
    show(<Asked ask={ask} />);
    expect(await screen.findByText('Nothing is published yet.')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Try again' }));
    expect(await screen.findByText('there now')).toBeInTheDocument();
  });
});

describe('a field that saves itself', () => {
  it('saves once on leaving, and not when nothing changed', async () => {
    const save = vi.fn();
    show(<SavedField label="Name" value="Brakes" onSave={save} />);
    const field = screen.getByLabelText('Name');
    await userEvent.click(field);
    await userEvent.tab();
    expect(save).not.toHaveBeenCalled();
    await userEvent.type(field, ' and pads');
    await userEvent.tab();
    expect(save).toHaveBeenCalledExactlyOnceWith('Brakes and pads');
  });

  it('goes back to what is saved on Escape', async () => {
    const save = vi.fn();
    show(<SavedField label="Name" value="Brakes" onSave={save} />);
    await userEvent.type(screen.getByLabelText('Name'), '!{Escape}');
    expect(screen.getByLabelText('Name')).toHaveValue('Brakes');
    await userEvent.tab();
    expect(save).not.toHaveBeenCalled();
  });
});

describe('a notice', () => {
  it('carries its own way back', async () => {
    const undo = vi.fn();
    function Remover() {
      const notice = useNotice();
      return (
        <button type="button" onClick={() => notice({ tone: 'success', text: 'Gone.', undo })}>
          remove
        </button>
      );
    }
    show(<Remover />);
    await userEvent.click(screen.getByText('remove'));
    expect(await screen.findByText('Gone.')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Undo' }));
    expect(undo).toHaveBeenCalledOnce();
  });
});

describe('a selection', () => {
  function Chooser() {
    const [sel, select] = useSelection();
    return (
      <WithInspector inspector={sel && <h1>{sel}</h1>} onClose={() => select(null)}>
        <button type="button" onClick={() => select('7-12')}>
          choose
        </button>
      </WithInspector>
    );
  }

  it('stands in the address, so that a link opens it, and closes again', async () => {
    show(<Chooser />, '/c/2/watch?sort=name');
    await userEvent.click(screen.getByText('choose'));
    expect(screen.getByTestId('address')).toHaveTextContent('/c/2/watch?sort=name&sel=7-12');
    expect(screen.getByRole('complementary')).toHaveTextContent('7-12');
    await userEvent.click(screen.getByRole('button', { name: /Close/ }));
    expect(screen.getByTestId('address')).toHaveTextContent('/c/2/watch?sort=name');
    expect(screen.queryByRole('complementary')).not.toBeInTheDocument();
  });

  it('is there when the address brings it', () => {
    show(<Chooser />, '/c/2/watch?sel=3-4');
    expect(screen.getByRole('complementary')).toHaveTextContent('3-4');
  });
});
