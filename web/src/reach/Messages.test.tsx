import { fireEvent, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import { failure, serve, show } from '../test/stage';
import Messages from './Messages';

const line = (person: number, name: string, more = {}) => ({
  person,
  name,
  subject: 'We miss you at the bench',
  begins: 'Hello, you have not been here for a while.',
  at: '2026-11-21T18:00:00Z',
  mine: true,
  unread: 0,
  ...more,
});
const inbox = {
  unread: 1,
  conversations: [line(13, 'Wren Castellane', { mine: false, unread: 1 }), line(12, 'Bashir Colm')],
};
const letter = (id: number, more = {}) => ({
  id,
  mine: true,
  subject: 'We miss you at the bench',
  body: 'Hello,\n\ncome on Saturday.',
  at: '2026-11-20T18:00:00Z',
  sent: true,
  read: true,
  ...more,
});
const talk = {
  person: 13,
  name: 'Wren Castellane',
  mayWrite: true,
  letters: [
    letter(1),
    letter(2, {
      mine: false,
      body: 'I had to move house.',
      read: false,
      at: '2026-11-21T18:00:00Z',
    }),
  ],
};
const at = '/api/courses/2/messages';
const answers = {
  [`GET ${at}`]: inbox,
  [`GET ${at}/13`]: talk,
  [`GET ${at}/12`]: { ...talk, person: 12, name: 'Bashir Colm', letters: [letter(3)] },
  [`POST ${at}/13/reading`]: undefined,
};

describe('messages', () => {
  it('say to staff and to learners where they come from when there are none', async () => {
    serve({ [`GET ${at}`]: { unread: 0, conversations: [] } });
    const staff = show(<Messages />);
    expect(await screen.findByText(/Tick learners in Progress/)).toBeInTheDocument();
    staff.unmount();
    show(<Messages />, '/c/2/my/messages', { role: undefined, learner: true });
    expect(await screen.findByText(/you can answer/)).toBeInTheDocument();
  });

  it('open at the newest conversation and count it as read', async () => {
    const calls = serve(answers);
    show(<Messages />);
    expect(await screen.findByText('I had to move house.')).toBeInTheDocument();
    expect(screen.getByText('1 new letter')).toBeInTheDocument();
    await vi.waitFor(() =>
      expect(calls.filter((c) => c.path === `${at}/13/reading`)).toHaveLength(1),
    );
  });

  it('stay with whom one writes to when another letter comes in', async () => {
    let list: object = inbox;
    serve({
      ...answers,
      [`GET ${at}`]: () => list,
      [`POST ${at}/13/reading`]: () => {
        list = {
          unread: 2,
          conversations: [line(12, 'Bashir Colm', { unread: 2 }), line(13, 'Wren Castellane')],
        };
      },
    });
    show(<Messages />);
    expect(await screen.findByText('2 new letters')).toBeInTheDocument();
    expect(screen.getByLabelText('Write to Wren Castellane')).toBeInTheDocument();
  });

  it('go by keys from one person to the next and stay in the address', async () => {
    serve(answers);
    show(<Messages />);
    const list = await screen.findByRole('navigation', { name: 'Messages' });
    fireEvent.keyDown(list, { key: 'j' });
    expect(screen.getByTestId('address')).toHaveTextContent('sel=12');
    expect(await screen.findByRole('heading', { name: 'Bashir Colm' })).toBeInTheDocument();
  });

  it('are answered with a button or Ctrl Enter, and the room is empty afterwards', async () => {
    const calls = serve({
      ...answers,
      [`POST ${at}/13`]: { ...talk, letters: [...talk.letters, letter(4, { body: 'Good.' })] },
    });
    show(<Messages />);
    const room = await screen.findByLabelText('Write to Wren Castellane');
    expect(screen.getByRole('button', { name: 'Send to Wren' })).toBeDisabled();
    await userEvent.type(room, 'Good.');
    fireEvent.keyDown(room, { key: 'Enter', ctrlKey: true });
    await vi.waitFor(() =>
      expect(calls.find((c) => c.method === 'POST' && c.path === `${at}/13`)?.body).toEqual({
        body: 'Good.',
      }),
    );
    await vi.waitFor(() => expect(room).toHaveValue(''));
    expect(screen.getByText('Good.')).toBeInTheDocument();
  });

  it('keep what was written when it could not be sent', async () => {
    serve({ ...answers, [`POST ${at}/13`]: failure(503, { detail: 'Try again in a moment.' }) });
    show(<Messages />);
    await userEvent.type(await screen.findByLabelText('Write to Wren Castellane'), 'Good.');
    await userEvent.click(screen.getByRole('button', { name: 'Send to Wren' }));
    expect(await screen.findByText('Try again in a moment.')).toBeInTheDocument();
    expect(screen.getByLabelText('Write to Wren Castellane')).toHaveValue('Good.');
  });

  it('offer no room where nobody may write', async () => {
    serve({ ...answers, [`GET ${at}/13`]: { ...talk, mayWrite: false } });
    show(<Messages />);
    expect(await screen.findByText(/once they have written to you/)).toBeInTheDocument();
    expect(screen.queryByRole('textbox')).not.toBeInTheDocument();
  });
});
