import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it } from 'vitest';
import { type Call, failure, serve, show } from '../test/stage';
import NotSent from './NotSent';
import Practicals from './Practicals';
import '../i18n/staff';

const learner = (enrolment: number, name: string, state = 'OPEN', groups: number[] = []) => ({
  enrolment,
  name,
  state,
  open: state === 'OPEN',
  groups,
});
const sheet = {
  step: 18,
  name: 'True it',
  module: 'Wheels',
  task: '',
  points: 10,
  outcomes: [
    {
      id: 3,
      code: 'TORQ',
      name: 'Uses torque values',
      levels: [
        { name: 'Not yet', description: '' },
        { name: 'Secure', description: '' },
      ],
    },
  ],
  learners: [
    learner(1, 'Edda Marsh', 'OPEN', [4]),
    learner(2, 'Juno Abara'),
    learner(3, 'Celeste Adeyo', 'DONE'),
    learner(4, 'Ruben Sato', 'CLOSED'),
  ],
};
const answers = {
  'GET /api/courses/2/practicals': [
    { step: 18, name: 'True it', module: 'Wheels', open: 2, done: 1 },
  ],
  'GET /api/courses/2/practicals/18': sheet,
  'GET /api/courses/2/groups': [{ id: 4, name: 'Saturday', learners: [1], usedBy: [] }],
};
const both = (
  <>
    <NotSent course={2} />
    <Practicals />
  </>
);
const signOffs = (calls: Call[]) => calls.filter((c) => c.method === 'POST');
const tick = async (name: string) =>
  userEvent.click(await screen.findByRole('checkbox', { name: new RegExp(name) }));

describe('practicals', () => {
  beforeEach(() => localStorage.clear());

  it('are signed off for several at once, each with the level and the note', async () => {
    const calls = serve({ ...answers, 'POST /api/courses/2/marking/*': undefined });
    show(both);
    await tick('Edda Marsh');
    await tick('Juno Abara');
    await userEvent.click(screen.getByRole('button', { name: 'Secure' }));
    await userEvent.type(screen.getByLabelText('Note'), 'Within half a millimetre');
    await userEvent.click(screen.getByRole('button', { name: 'Sign off 2 learners' }));
    await waitFor(() => expect(signOffs(calls)).toHaveLength(2));
    expect(signOffs(calls).map((c) => c.path)).toEqual([
      '/api/courses/2/marking/1/18/sign-offs',
      '/api/courses/2/marking/2/18/sign-offs',
    ]);
    for (const call of signOffs(calls))
      expect(call.body).toMatchObject({ comment: 'Within half a millimetre', levels: { 3: 1 } });
    await waitFor(() => expect(screen.queryByText('not sent yet')).not.toBeInTheDocument());
    expect(screen.getByLabelText('Note')).toHaveValue('');
  });

  it('cannot be signed off where they are closed or done, and are found by group and name', async () => {
    serve(answers);
    show(both);
    expect(await screen.findByText('Celeste Adeyo')).toBeVisible();
    for (const name of ['Celeste', 'Ruben'])
      expect(screen.queryByRole('checkbox', { name: new RegExp(name) })).not.toBeInTheDocument();
    await userEvent.click(await screen.findByLabelText('Group'));
    await userEvent.click(await screen.findByRole('option', { name: 'Saturday' }));
    expect(screen.queryByText('Juno Abara')).not.toBeInTheDocument();
    await userEvent.type(screen.getByLabelText('Find a learner'), 'jun');
    expect(screen.getByText('Nobody of that name or group')).toBeVisible();
  });

  it('say what is not sent while there is no connection, and go by themselves with the same key', async () => {
    let connected = false;
    const calls = serve({
      ...answers,
      'POST /api/courses/2/marking/*': () => {
        if (!connected) throw new TypeError('no connection');
        return undefined;
      },
    });
    const { unmount } = show(both);
    await tick('Edda Marsh');
    await userEvent.click(screen.getByRole('button', { name: 'Sign off 1 learner' }));
    expect(await screen.findByText('not sent yet')).toBeVisible();
    expect(
      await screen.findByText(/1 sign-off is not sent yet: Edda Marsh/, {}, { timeout: 4000 }),
    ).toBeVisible();
    unmount();
    connected = true;
    show(both);
    await waitFor(() => expect(localStorage).toHaveLength(0));
    const sent = signOffs(calls);
    expect(new Set(sent.map((c) => JSON.stringify(c.body))).size).toBe(1);
    expect(sent.length).toBeGreaterThan(1);
  });

  it('keep one that was refused, with the reason, until somebody leaves it', async () => {
    serve({
      ...answers,
      'POST /api/courses/2/marking/1/18/sign-offs': failure(409, {
        detail: 'It is signed off already.',
      }),
      'POST /api/courses/2/marking/2/18/sign-offs': undefined,
    });
    show(both);
    await tick('Edda Marsh');
    await tick('Juno Abara');
    await userEvent.click(screen.getByRole('button', { name: 'Sign off 2 learners' }));
    const note = await screen.findByText(
      'Not signed off, “True it” for Edda Marsh: It is signed off already.',
      {},
      { timeout: 4000 },
    );
    await userEvent.click(
      within(note.parentElement as HTMLElement).getByRole('button', { name: 'Leave it' }),
    );
    await waitFor(() => expect(localStorage).toHaveLength(0));
  });

  it('are taken back where the wrong one was ticked', async () => {
    const calls = serve({ ...answers, 'DELETE /api/courses/2/marking/3/18/sign-offs': undefined });
    show(both);
    await userEvent.click(
      await screen.findByRole('button', { name: 'Take back the sign-off of Celeste Adeyo' }),
    );
    await waitFor(() => expect(calls.some((c) => c.method === 'DELETE')).toBe(true));
  });
});
