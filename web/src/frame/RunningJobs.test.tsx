import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import { course, serve, show } from '../test/stage';
import RunningJobs from './RunningJobs';

const job = (more: object) => ({
  id: 5,
  what: 'taking',
  state: 'RUNNING',
  done: 0,
  of: 0,
  stoppable: true,
  ...more,
});

/** Answers with each of these in turn, and with the last one from then on. */
const inTurn = (...states: object[]) => {
  let n = 0;
  return () => [job(states[Math.min(n++, states.length - 1)] ?? {})];
};

describe('long work', () => {
  it('says how far it is and, once, what has come of it', async () => {
    serve({
      'GET /api/courses/2/jobs': inTurn(
        { done: 500, of: 2000 },
        { state: 'DONE', done: 2000, of: 2000, result: { is: 'taken', fresh: 1990, changed: 10 } },
      ),
    });
    show(<RunningJobs course={course} />);
    expect(await screen.findByText('Taking outcomes: 500 of 2,000')).toBeInTheDocument();
    expect(screen.getByRole('progressbar')).toHaveAttribute('aria-valuenow', '25');
    expect(await screen.findByText('Outcomes taken: 1,990 new, 10 changed.')).toBeInTheDocument();
    expect(screen.queryByRole('progressbar')).not.toBeInTheDocument();
  });

  it('counts no learners where there are none', async () => {
    const published = { what: 'publishing', stoppable: false };
    serve({
      'GET /api/courses/2/jobs': inTurn(published, {
        ...published,
        state: 'DONE',
        result: { is: 'published', number: 1, learners: 0 },
      }),
    });
    show(<RunningJobs course={course} />);
    expect(await screen.findByText('Published.')).toBeInTheDocument();
  });

  it('says of nothing that ended before one came', async () => {
    const calls = serve({ 'GET /api/courses/2/jobs': [job({ state: 'DONE' })] });
    show(<RunningJobs course={course} />);
    await vi.waitFor(() => expect(calls).toHaveLength(1));
    expect(screen.queryByRole('alert')).not.toBeInTheDocument();
  });

  it('lists what a file has wrong when it is refused', async () => {
    serve({
      'GET /api/courses/2/jobs': inTurn(
        {},
        {
          state: 'REFUSED',
          problem: { detail: 'The file cannot be taken as it is.', findings: ['Code A', 'Code B'] },
        },
      ),
    });
    show(<RunningJobs course={course} />);
    expect(await screen.findByText('Code B')).toBeInTheDocument();
    expect(screen.getByText(/cannot be taken as it is/)).toBeInTheDocument();
  });

  it('is stopped when told to, where it can be', async () => {
    const calls = serve({
      'GET /api/courses/2/jobs': inTurn({}, {}, { state: 'STOPPED' }),
      'DELETE /api/courses/2/jobs/5': undefined,
    });
    show(<RunningJobs course={course} />);
    await userEvent.click(await screen.findByRole('button', { name: 'Stop' }));
    expect(await screen.findByText('Stopped. No outcome was taken.')).toBeInTheDocument();
    expect(calls.map((c) => c.method)).toContain('DELETE');
  });

  it('stops another one after the first', async () => {
    let stopped = 0;
    const two = () => [job({ id: 6 }), ...(stopped === 0 ? [job({})] : [])];
    const calls = serve({
      'GET /api/courses/2/jobs': two,
      'DELETE /api/courses/2/jobs/*': () => {
        stopped++;
        return undefined;
      },
    });
    show(<RunningJobs course={course} />);
    await userEvent.click(await screen.findByRole('button', { name: 'Stop' }));
    await vi.waitFor(() => expect(screen.getByRole('button', { name: 'Stop' })).toBeEnabled());
    await userEvent.click(screen.getByRole('button', { name: 'Stop' }));
    await vi.waitFor(() =>
      expect(calls.filter((c) => c.method === 'DELETE').map((c) => c.path)).toEqual([
        '/api/courses/2/jobs/5',
        '/api/courses/2/jobs/6',
      ]),
    );
  });

  it('offers no way to stop what goes on by itself', async () => {
    serve({ 'GET /api/courses/2/jobs': [job({ what: 'publishing', stoppable: false })] });
    show(<RunningJobs course={course} />);
    expect(await screen.findByText('Published, reaching learners')).toBeInTheDocument();
    expect(screen.queryByRole('button')).not.toBeInTheDocument();
  });
});
