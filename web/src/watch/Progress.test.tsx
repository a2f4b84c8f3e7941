import { fireEvent, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import { failure, serve, show } from '../test/stage';
import Progress from './Progress';

const learner = (n: number, flags: string[] = []) => ({
  enrolment: n,
  person: n,
  name: `Learner ${n}`,
  lastHere: '2026-11-20T08:00:00Z',
  share: n / 10,
  thread: 'L<8',
  overdue: 0,
  flags: flags.map((name) => ({ flag: 1, name, since: '2026-11-20T08:00:00Z' })),
  groups: n % 2 ? [1] : [2],
});
const progress = (learners: object[]) => ({
  version: 3,
  now: '2026-11-23T08:00:00Z',
  zone: 'Europe/Berlin',
  modules: [{ id: 1, name: 'Brakes' }],
  steps: [1, 2, 3].map((id) => ({
    id,
    module: 1,
    name: `Step ${id}`,
    kind: 'PAGE',
    published: true,
    required: true,
  })),
  groups: [
    { id: 1, name: 'Saturday' },
    { id: 2, name: 'Tuesday' },
  ],
  learners,
});

const somebody = {
  name: 'somebody',
  groups: [],
  enrolledAt: '2026-10-01T08:00:00Z',
  share: 0,
  done: 0,
  steps: 3,
  flags: [],
  levels: [],
  badges: [],
  days: [],
  happened: [],
  letters: [],
};

describe('progress', () => {
  it('of nobody says how learners come here, and lets designers enrol them', async () => {
    serve({ 'GET /api/courses/2/reports/progress': progress([]) });
    show(<Progress />);
    expect(await screen.findByRole('button', { name: /Enrol/ })).toBeInTheDocument();
  });

  it('keeps what came of the first enrolment in sight when the view fills', async () => {
    let learners: object[] = [];
    serve({
      'GET /api/courses/2/reports/progress': () => progress(learners),
      'GET /api/courses/2/roster/candidates': [],
      'POST /api/courses/2/roster': () => {
        learners = [learner(1)];
        return { enrolled: 1, there: [], unknown: [], held: [], refused: [] };
      },
    });
    show(<Progress />);
    await userEvent.click(await screen.findByRole('button', { name: /Enrol/ }));
    await userEvent.type(screen.getByLabelText('E-mail addresses'), 'juno@hollowlane.example');
    await userEvent.click(screen.getByRole('button', { name: 'Enrol 1 learner' }));
    expect(await screen.findByText('1 learner')).toBeInTheDocument();
    expect(within(screen.getByRole('dialog')).getByRole('alert')).toBeVisible();
  });

  it('of a course that is not published leads to publishing it first', async () => {
    serve({ 'GET /api/courses/2/reports/progress': { ...progress([]), version: 0 } });
    show(<Progress />);
    await userEvent.click(await screen.findByRole('link', { name: 'Publish' }));
    expect(screen.getByTestId('address')).toHaveTextContent('/c/2/plan/route');
    expect(screen.queryByRole('button', { name: /Enrol/ })).not.toBeInTheDocument();
  });

  it('lets nobody but designers enrol', async () => {
    serve({ 'GET /api/courses/2/reports/progress': progress([]) });
    show(<Progress />, '/c/2', { role: 'FACILITATOR' });
    await screen.findByText(/Nobody is enrolled/);
    expect(screen.queryByRole('button', { name: /Enrol/ })).not.toBeInTheDocument();
  });

  it('counts who fits and says so when nobody does', async () => {
    serve({ 'GET /api/courses/2/reports/progress': progress([learner(1), learner(2, ['Quiet'])]) });
    show(<Progress />);
    expect(await screen.findByText('2 learners')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: /flagged/i }));
    expect(screen.getByText('1 learner')).toBeInTheDocument();
    await userEvent.type(screen.getByRole('searchbox'), 'zzz');
    await userEvent.click(await screen.findByRole('button', { name: /clear|all/i }));
    expect(screen.getByText('2 learners')).toBeInTheDocument();
  });

  it('allows those who are ticked something at any step, and unticks them', async () => {
    const calls = serve({
      'GET /api/courses/2/reports/progress': progress([learner(1), learner(2)]),
      'POST /api/courses/2/exceptions': {
        given: [
          { enrolment: 1, fact: 8 },
          { enrolment: 2, fact: 9 },
        ],
        left: [],
      },
      'DELETE /api/courses/2/learners/*': undefined,
    });
    show(<Progress />);
    await userEvent.click(await screen.findByRole('checkbox', { name: 'Tick all shown' }));
    await userEvent.click(screen.getByRole('button', { name: 'Exception …' }));
    const dialog = await screen.findByRole('dialog', { name: 'An exception for 2 learners' });
    await userEvent.click(within(dialog).getByRole('button', { name: 'Allow it' }));
    expect(await screen.findByText('Allowed for 2 learners.')).toBeInTheDocument();
    expect(calls.find((c) => c.method === 'POST')?.body).toEqual({
      learners: [1, 2],
      exception: { kind: 'OPEN', step: 1, reason: '' },
    });
    expect(screen.getByRole('checkbox', { name: 'Tick all shown' })).not.toBeChecked();
    await userEvent.click(screen.getByRole('button', { name: 'Undo' }));
    await vi.waitFor(() =>
      expect(calls.filter((c) => c.method === 'DELETE').map((c) => c.path)).toEqual([
        '/api/courses/2/learners/1/exceptions/8',
        '/api/courses/2/learners/2/exceptions/9',
      ]),
    );
  });

  it('goes through learners by keys, one for each press', async () => {
    const learners = [1, 2, 3, 4, 5].map((n) => learner(n));
    serve({
      'GET /api/courses/2/reports/progress': progress(learners),
      'GET /api/courses/2/learners/*': somebody,
    });
    show(<Progress />);
    const grid = await screen.findByRole('grid');
    for (let n = 0; n < 4; n++) fireEvent.keyDown(grid, { key: 'j' });
    expect(screen.getByTestId('address')).toHaveTextContent('sel=4');
    fireEvent.keyDown(grid, { key: 'k' });
    expect(screen.getByTestId('address')).toHaveTextContent('sel=3');
    fireEvent.keyDown(grid, { key: 'Escape' });
    expect(screen.getByTestId('address')).not.toHaveTextContent('sel');
  });

  it('lists the steps of a learner beside the thread, each with its state in words', async () => {
    serve({
      'GET /api/courses/2/reports/progress': progress([learner(1)]),
      'GET /api/courses/2/learners/1/steps/*': failure(404, { detail: 'Not here.' }),
      'GET /api/courses/2/learners/*': somebody,
    });
    show(<Progress />, '/c/2/watch/progress?sel=1');
    await userEvent.click(await screen.findByText('All steps'));
    await userEvent.click(await screen.findByRole('button', { name: /^Step 2/ }));
    expect(screen.getByTestId('address')).toHaveTextContent('sel=1-2');
  });
});
