import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { CrowdEdit, CrowdSums, Crowds, Crowd as Walked } from '../../api/client';
import { design } from '../../test/fixtures';
import { serve, show } from '../../test/stage';
import Crowd from './Crowd';
import '../../i18n/staff';

const usual: CrowdEdit = {
  learners: 200,
  weeks: 2,
  seed: 1,
  asBefore: false,
  ability: 0.7,
  spread: 0.15,
  perWeek: 5,
  paceSpread: 1.5,
  stopping: 0.02,
  staffDays: 3,
  attendance: 0.85,
};
const sums = (more: Partial<CrowdSums> = {}): CrowdSums => ({
  learners: 200,
  finished: 150,
  stopped: 20,
  noWayOn: 30,
  underWay: 0,
  allDone: 0,
  finishedByWeek: [40, 150],
  finishing: { half: 9.4, most: 12.7 },
  ...more,
});
const walked = (more: Partial<Walked> = {}): Walked => ({
  at: '2026-10-13T07:00:00Z',
  by: 'Odalys Brandt',
  changedSince: false,
  asked: usual,
  came: {
    draft: sums(),
    modules: [
      {
        id: 1,
        name: 'Brakes',
        draft: { module: 1, begun: 200, done: 150, took: { half: 8, most: 12 } },
        today: { module: 1, begun: 200, done: 160 },
        steps: [
          {
            id: 11,
            name: 'Pads',
            required: true,
            draft: { step: 11, opened: 200, done: 170, stand: 30, noWayOn: 12 },
            today: { step: 11, opened: 200, done: 180, stand: 20, noWayOn: 2 },
          },
          {
            id: 12,
            name: 'Old film',
            required: false,
            today: { step: 12, opened: 9, done: 8, stand: 1, noWayOn: 0 },
          },
        ],
      },
      { id: 2, name: 'Wheels', steps: [] },
    ],
    badges: [{ id: 5, name: 'Brake Hand', draft: { badge: 5, earned: 140 } }],
  },
  ...more,
});
const answers = (crowds: Partial<Crowds> = {}) => ({
  'GET /api/courses/2/design': design() as object,
  'GET /api/courses/2/jobs': [],
  'GET /api/courses/2/design/crowd': { usual, like: 0, ...crowds },
});
const walk = () => screen.findByRole('button', { name: 'Let them walk' });

describe('a crowd', () => {
  it('is asked for in percents, walks as shares, and shows how far it is', async () => {
    const calls = serve({
      ...answers(),
      'POST /api/courses/2/design/crowd': {
        id: 3,
        what: 'crowd',
        state: 'RUNNING',
        done: 0,
        of: 0,
        stoppable: true,
      },
    });
    show(<Crowd actions={null} />);
    expect(await screen.findByText('No crowd has walked here yet')).toBeVisible();
    expect(screen.queryByRole('switch')).not.toBeInTheDocument();
    const scores = screen.getByLabelText('Scores, in %');
    expect(scores).toHaveValue(70);
    await userEvent.clear(scores);
    await userEvent.type(scores, '62.5');
    await userEvent.click(await walk());
    await waitFor(() =>
      expect(calls.find((c) => c.method === 'POST')?.body).toEqual({ ...usual, ability: 0.625 }),
    );
    expect(await screen.findByRole('button', { name: 'They are walking' })).toBeDisabled();
  });

  it('says at each field what cannot be, and does not walk', async () => {
    const calls = serve(answers());
    show(<Crowd actions={null} />);
    await walk();
    const learners = screen.getByLabelText('Learners');
    await userEvent.clear(learners);
    await userEvent.type(learners, '6000');
    await userEvent.click(await walk());
    expect(await screen.findByText('At most 5,000.')).toBeVisible();
    expect(calls.some((c) => c.method === 'POST')).toBe(false);
  });

  it('can be like those who learn here, and then says nothing of its own', async () => {
    serve(answers({ like: 34, usual: { ...usual, asBefore: true } }));
    show(<Crowd actions={null} />);
    const like = await screen.findByRole('switch', { name: /as the 34 learners here/ });
    expect(like).toBeChecked();
    expect(screen.queryByLabelText('Scores, in %')).not.toBeInTheDocument();
    await userEvent.click(like);
    expect(screen.getByLabelText('Scores, in %')).toBeVisible();
  });

  it('tells what became of it, where it piles up first', async () => {
    serve(answers({ last: walked() }));
    show(<Crowd actions={null} />);
    expect(await screen.findByText('150 of 200 finish')).toBeVisible();
    expect(
      screen.getByText(/within 9.4 days of the start, nine of ten within 13 days/),
    ).toBeVisible();
    expect(screen.getByText('30 have no way on. 20 stop.')).toBeVisible();
    const row = (await screen.findByRole('link', { name: 'Pads' })).closest('tr') as HTMLElement;
    expect(row).toHaveTextContent('200170 (today 180)30 (today 20)12 with no way on');
    expect(screen.getByText('Old film, not in the draft')).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: /Brakes/ }));
    expect(screen.queryByRole('link', { name: 'Pads' })).not.toBeInTheDocument();
    expect(screen.getByText('140')).toBeVisible();
  });

  it('is compared with the rules of today', async () => {
    const came = walked().came;
    serve(answers({ last: walked({ came: { ...came, today: sums({ finished: 160 }) } }) }));
    show(<Crowd actions={null} />);
    const outcome = await screen.findByRole('region', { name: 'What became of them' });
    expect(outcome).toHaveTextContent('With the rules of today 160 would: the draft costs 10.');
    expect(within(outcome).getAllByText('with the rules of today')).not.toHaveLength(0);
  });

  it('is said to be of another draft once that has changed', async () => {
    serve(answers({ last: walked({ changedSince: true }) }));
    show(<Crowd actions={null} />);
    expect(await screen.findByText(/draft has changed since/)).toBeVisible();
  });
});
