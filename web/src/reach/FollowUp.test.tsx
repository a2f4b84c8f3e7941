import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import { serve, show } from '../test/stage';
import FollowUp from './FollowUp';

const flagged = (enrolment: number, name: string, letters: object[] = []) => ({
  enrolment,
  name,
  share: 0.25,
  flags: [{ name: 'Quiet', since: '2026-11-16T08:00:00Z', reasons: ['Last here 12 days ago.'] }],
  letters,
});
const at = '/api/courses/2/follow-up';

describe('follow-up', () => {
  it('says when nobody is flagged', async () => {
    serve({ [`GET ${at}`]: [] });
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
    serve({ [`GET ${at}`]: [flagged(1, 'Bashir Colm', [letter]), flagged(2, 'Wren Castellane')] });
    show(<FollowUp />);
    const [first, second] = await screen.findAllByRole('listitem');
    expect(first).toHaveTextContent('Last here 12 days ago.');
    expect(first).toHaveTextContent('Tomas Weir');
    expect(second).toHaveTextContent('none yet');
  });

  it('writes to those who are ticked and unticks them when the letters are on their way', async () => {
    const calls = serve({
      [`GET ${at}`]: [flagged(1, 'Bashir Colm'), flagged(2, 'Wren Castellane')],
      'POST /api/courses/2/letters': { letters: 2 },
    });
    show(<FollowUp />);
    await userEvent.click(await screen.findByLabelText('Tick all shown'));
    await userEvent.click(screen.getByRole('button', { name: 'Write to 2 learners' }));
    await userEvent.click(await screen.findByRole('button', { name: 'Send 2 letters' }));
    expect(await screen.findByText('2 letters on their way.')).toBeInTheDocument();
    expect(calls.find((c) => c.method === 'POST')?.body).toMatchObject({ learners: [1, 2] });
    expect(screen.getByLabelText('Tick Bashir Colm')).not.toBeChecked();
  });
});
