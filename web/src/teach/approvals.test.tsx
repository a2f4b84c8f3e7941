import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import { type Call, serve, show } from '../test/stage';
import Approvals from './Approvals';
import '../i18n/staff';

const waiting = (enrolment: number, name: string, more = {}) => ({
  enrolment,
  name,
  groups: [],
  share: 1,
  others: [],
  ...more,
});
const queue = (more = {}) => ({
  as: 'FACILITATOR',
  asked: true,
  rule: 'approved by a facilitator',
  waiting: [
    waiting(1, 'Edda Marsh', { ownWord: '2026-11-05T10:00:00Z' }),
    waiting(2, 'Juno Abara', { others: ['DESIGNER'] }),
  ],
  given: [{ enrolment: 3, name: 'Ruben Sato', at: '2026-11-04T10:00:00Z' }],
  ...more,
});
const at = 'GET /api/courses/2/approvals';
const posts = (calls: Call[]) => calls.filter((c) => c.method === 'POST');

describe('approvals', () => {
  it('are given to several at once with a note, and nobody is chosen beforehand', async () => {
    const calls = serve({ [at]: queue(), 'POST /api/courses/2/approvals': undefined });
    show(<Approvals />);
    expect(await screen.findByText(/Said to be complete/)).toBeInTheDocument();
    expect(screen.getByText('Also asked: a designer')).toBeInTheDocument();
    expect(screen.getByRole('button', { name: 'Choose learners to approve' })).toBeDisabled();
    await userEvent.click(screen.getByRole('checkbox', { name: 'Approve Edda Marsh' }));
    await userEvent.type(screen.getByLabelText('What you say about it'), 'Clean work');
    await userEvent.click(screen.getByRole('button', { name: 'Approve 1 learner' }));
    await waitFor(() => expect(posts(calls)).toHaveLength(1));
    expect(posts(calls)[0]?.body).toEqual({ learners: [1], note: 'Clean work' });
    expect(await screen.findByText('1 learner is approved.')).toBeInTheDocument();
  });

  it('are taken back with a reason', async () => {
    const back = 'POST /api/courses/2/approvals/3/taking-back';
    const calls = serve({ [at]: queue({ waiting: [] }), [back]: undefined });
    show(<Approvals />);
    expect(await screen.findByText('Nobody waits for you')).toBeInTheDocument();
    await userEvent.click(
      screen.getByRole('button', { name: 'Take back the approval of Ruben Sato' }),
    );
    const dialog = await screen.findByRole('dialog');
    await userEvent.type(within(dialog).getByLabelText(/Why/), 'Not seen after all');
    await userEvent.click(within(dialog).getByRole('button', { name: 'Take back' }));
    await waitFor(() => expect(posts(calls)).toHaveLength(1));
    expect(posts(calls)[0]?.body).toEqual({ reason: 'Not seen after all' });
  });

  it('say where a course asks for them while it does not', async () => {
    serve({ [at]: queue({ asked: false, rule: '', waiting: [], given: [] }) });
    show(<Approvals />);
    expect(await screen.findByText('No approval is asked for')).toBeInTheDocument();
    expect(screen.getByText(/“approved by a facilitator”/)).toBeInTheDocument();
  });
});
