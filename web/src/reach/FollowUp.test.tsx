import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import { serve, show } from '../test/stage';
import FollowUp from './FollowUp';

const flagged = (enrolment: number, name: string, letters: object[] = []) => ({
  enrolment,
  name,
  share: 0.25,
  flags: [
    { name: 'Quiet', since: '2026-11-16T08:00:00Z', reasons: [{ says: 'Last here 12 days ago.' }] },
  ],
  letters,
});
const at = '/api/courses/2/follow-up';
const decided = { 'GET /api/courses/2/decisions': [] };

describe('follow-up', () => {
  it('says when nobody is flagged', async () => {
    serve({ ...decided, [`GET ${at}`]: [] });
    show(<FollowUp />);
    expect(await screen.findByText('Nobody is flagged.')).toBeInTheDocument();
  });

  it('gives each learner the reason and the last letter', async () => {
    const letter = {
      at: '2026-11-20T08:00:00Z',
      subject: 'We miss you',
      from: 'Tomas Weir',
      sent: true,
    };
    serve({
      ...decided,
      [`GET ${at}`]: [flagged(1, 'Bashir Colm', [letter]), flagged(2, 'Wren Castellane')],
    });
    show(<FollowUp />);
    const [first, second] = await screen.findAllByRole('listitem');
    expect(first).toHaveTextContent('Last here 12 days ago.');
    expect(first).toHaveTextContent('Tomas Weir');
    expect(second).toHaveTextContent('none yet');
  });

  it('writes to those who are ticked and unticks them when the letters are on their way', async () => {
    const calls = serve({
      ...decided,
      [`GET ${at}`]: [flagged(1, 'Bashir Colm'), flagged(2, 'Wren Castellane')],
      'POST /api/courses/2/letters': { letters: 2 },
    });
    show(<FollowUp />);
    await userEvent.click(await screen.findByLabelText('Tick all shown'));
    await userEvent.click(screen.getByRole('button', { name: 'Write to 2 learners' }));
    await userEvent.click(await screen.findByRole('button', { name: 'Send 2 letters' }));
    expect(await screen.findByText('2 letters on their way.')).toBeInTheDocument();
    expect(calls.find((c) => c.path.endsWith('/letters'))?.body).toMatchObject({
      learners: [1, 2],
    });
    expect(screen.getByLabelText('Tick Bashir Colm')).not.toBeChecked();
  });

  it('gives what would help from the sentence about it, and takes it back from the notice', async () => {
    const helped = {
      ...flagged(1, 'Bashir Colm'),
      flags: [
        {
          name: 'Stuck',
          since: '2026-11-16T08:00:00Z',
          reasons: [
            {
              says: 'All 3 attempts used.',
              remedy: { way: 'ADD_ATTEMPTS', step: 12, name: 'Pads' },
            },
          ],
        },
      ],
    };
    const calls = serve({
      ...decided,
      [`GET ${at}`]: [helped],
      'POST /api/courses/2/exceptions': { given: [{ enrolment: 1, fact: 70 }], left: [] },
      'DELETE /api/courses/2/learners/1/exceptions/70': undefined,
    });
    show(<FollowUp />);
    await userEvent.click(await screen.findByRole('button', { name: 'Give an attempt' }));
    await userEvent.click(await screen.findByRole('button', { name: 'Undo' }));
    await vi.waitFor(() => expect(calls.some((c) => c.method === 'DELETE')).toBe(true));
    expect(calls.find((c) => c.method === 'POST')?.body).toEqual({
      learners: [1],
      exception: { kind: 'ADD_ATTEMPTS', step: 12, reason: '' },
    });
  });

  it('lists badges in doubt with the reason, and keeps one with a word to the learner', async () => {
    const doubt = {
      enrolment: 7,
      learner: 'Dov Halloran',
      badge: 3,
      name: 'Brake Hand',
      issued: '2026-11-20T08:00:00Z',
      why: 'Passed “Brake job card”, taken back by Tomas Weir on Mon 23 Nov.',
    };
    const calls = serve({
      [`GET ${at}`]: [],
      'GET /api/courses/2/decisions': [doubt],
      'POST /api/courses/2/decisions/7/badges/3': {},
    });
    show(<FollowUp />);
    expect(await screen.findByText('1 badge to decide about')).toBeInTheDocument();
    expect(screen.getByText(/taken back by Tomas Weir/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Decide' }));
    await userEvent.click(screen.getByRole('button', { name: 'Revoke' }));
    expect(await screen.findByText('Please fill this in.')).toBeInTheDocument();
    expect(calls.some((c) => c.method === 'POST')).toBe(false);
    await userEvent.type(screen.getByLabelText(/Why/), 'Seen at the bench');
    await userEvent.type(screen.getByLabelText(/A word to Dov/), 'It stays yours.');
    await userEvent.click(screen.getByRole('button', { name: 'Keep' }));
    expect(await screen.findByText('Dov Halloran keeps “Brake Hand”.')).toBeInTheDocument();
    expect(calls.find((c) => c.method === 'POST')?.body).toEqual({
      keep: true,
      reason: 'Seen at the bench',
      word: 'It stays yours.',
    });
  });
});
