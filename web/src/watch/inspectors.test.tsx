import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { BeadInfo, Learner, Part } from '../api/client';
import { type Call, serve, show } from '../test/stage';
import { BeadInspector } from './BeadInspector';
import { LearnerInspector } from './LearnerInspector';

const part = (says: string, verdict: Part['verdict'], ground = ''): Part => ({
  id: says,
  is: 'ask',
  n: 0,
  subject: '',
  says,
  verdict,
  turn: 'LEARNER',
  fraction: 0,
  parts: [],
  ground,
});
const bead = (more: Partial<BeadInfo> = {}): BeadInfo => ({
  person: 5,
  enrolment: 5,
  learner: 'Juno Abara',
  step: 12,
  name: 'Pads, cables, levers',
  kind: 'QUIZ',
  state: 'AGAIN',
  overdue: true,
  outOfReach: true,
  turn: 'Staff must act: it is out of reach otherwise',
  due: '2026-11-16T22:00:00Z',
  attemptsLeft: 0,
  opens: [part('Rim brake anatomy is done', 'MET', 'done, Sat 7 Nov')],
  done: part('scored 60 % or more', 'OUT_OF_REACH', 'best 53 % in 3 of 3 attempts'),
  left: [
    { turn: 'STAFF', lost: true, says: 'scored 60 % or more' },
    { turn: 'CLOCK', lost: false, says: 'from 3 Dec', next: '2026-12-03T08:00:00Z' },
  ],
  happened: [{ at: '2026-11-15T17:00:00Z', what: 'Attempt 3: 53 %', by: '' }],
  ...more,
});
const at = '/api/courses/2/learners/5';
const posted = (calls: Call[]) => calls.find((c) => c.method === 'POST');

function inspect(more: object = {}, answers: object = {}) {
  const calls = serve({
    [`GET ${at}/steps/12`]: bead(more),
    'POST /api/courses/2/exceptions': { given: [{ enrolment: 5, fact: 1 }], left: [] },
    ...answers,
  });
  const onLearner = vi.fn();
  show(<BeadInspector enrolment={5} step={12} onLearner={onLearner} />);
  return { calls, onLearner };
}

describe('a bead', () => {
  it('explains its state, whose turn it is, and what each rule rests on', async () => {
    const { onLearner } = inspect();
    expect(await screen.findByText('Pads, cables, levers')).toBeInTheDocument();
    expect(screen.getAllByText(/needs another go, overdue, out of reach/)[0]).toBeInTheDocument();
    expect(screen.getByText(/Staff must act/)).toHaveTextContent('0 attempts left');
    expect(screen.getByText('best 53 % in 3 of 3 attempts')).toBeInTheDocument();
    expect(screen.getByText('done, Sat 7 Nov')).toBeInTheDocument();
    expect(screen.getByText(/Attempt 3: 53 %/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Juno Abara' }));
    expect(onLearner).toHaveBeenCalled();
  });

  it('offers another attempt only when none is left', async () => {
    const { calls } = inspect();
    await userEvent.click(await screen.findByRole('button', { name: 'Give an attempt' }));
    await vi.waitFor(() =>
      expect(posted(calls)?.body).toEqual({
        learners: [5],
        exception: { kind: 'ADD_ATTEMPTS', step: 12, reason: '' },
      }),
    );
  });

  it('that is closed can be opened, and has no attempt to give', async () => {
    const { calls } = inspect({ state: 'CLOSED', outOfReach: false, attemptsLeft: 3 });
    await userEvent.click(await screen.findByRole('button', { name: 'Open now' }));
    await vi.waitFor(() =>
      expect(posted(calls)?.body).toMatchObject({ exception: { kind: 'OPEN' } }),
    );
    expect(screen.queryByRole('button', { name: 'Give an attempt' })).not.toBeInTheDocument();
  });

  const given = (calls: Call[]) => calls.find((c) => c.path === '/api/courses/2/exceptions')?.body;

  it('is excused with a reason, and nothing happens on cancelling', async () => {
    const { calls } = inspect(
      {},
      { 'POST /api/courses/2/exceptions': { given: [{ enrolment: 5, fact: 1 }], left: [] } },
    );
    await userEvent.click(await screen.findByRole('button', { name: 'Excuse …' }));
    const dialog = await screen.findByRole('dialog');
    await userEvent.click(within(dialog).getByRole('button', { name: 'Cancel' }));
    expect(given(calls)).toBeUndefined();
    await vi.waitFor(() => expect(screen.queryByRole('dialog')).not.toBeInTheDocument());
    await userEvent.click(screen.getByRole('button', { name: 'Excuse …' }));
    const again = await screen.findByRole('dialog');
    await userEvent.type(within(again).getByLabelText('Reason'), 'Injured wrist');
    await userEvent.click(within(again).getByRole('button', { name: 'Allow it' }));
    await vi.waitFor(() =>
      expect(given(calls)).toMatchObject({
        exception: { kind: 'EXCUSE', step: 12, reason: 'Injured wrist' },
      }),
    );
  });

  it('is opened until a moment', async () => {
    const { calls } = inspect(
      {},
      { 'POST /api/courses/2/exceptions': { given: [{ enrolment: 5, fact: 1 }], left: [] } },
    );
    await userEvent.click(await screen.findByRole('button', { name: 'More …' }));
    const dialog = within(await screen.findByRole('dialog'));
    await userEvent.click(dialog.getByRole('combobox', { name: 'What is allowed' }));
    await userEvent.click(screen.getByRole('option', { name: 'open it now' }));
    await userEvent.type(dialog.getByLabelText(/^Until/), '2026-12-24T08:00');
    await userEvent.click(dialog.getByRole('button', { name: 'Allow it' }));
    await vi.waitFor(() => expect(given(calls)).toBeDefined());
    expect(given(calls)).toMatchObject({
      exception: { kind: 'OPEN', until: new Date('2026-12-24T08:00').toISOString() },
    });
  });

  it('can get more time, or a later date, at its step', async () => {
    const { calls } = inspect(
      {},
      { 'POST /api/courses/2/exceptions': { given: [{ enrolment: 5, fact: 1 }], left: [] } },
    );
    await userEvent.click(await screen.findByRole('button', { name: 'More …' }));
    const dialog = within(await screen.findByRole('dialog'));
    expect(dialog.getByLabelText('New date')).toBeInTheDocument();
    await userEvent.click(dialog.getByRole('combobox', { name: 'What is allowed' }));
    await userEvent.click(screen.getByRole('option', { name: 'more time for each attempt' }));
    await userEvent.clear(dialog.getByLabelText('Minutes more'));
    await userEvent.type(dialog.getByLabelText('Minutes more'), '0');
    await userEvent.click(dialog.getByRole('button', { name: 'Allow it' }));
    expect(dialog.getByLabelText('Minutes more')).toBeInvalid();
    await userEvent.clear(dialog.getByLabelText('Minutes more'));
    await userEvent.type(dialog.getByLabelText('Minutes more'), '15');
    await userEvent.click(dialog.getByRole('button', { name: 'Allow it' }));
    await vi.waitFor(() =>
      expect(given(calls)).toMatchObject({
        exception: { kind: 'ADD_TIME', step: 12, minutes: 15, reason: '' },
      }),
    );
  });

  it('says what would change it, and whose turn that is', async () => {
    inspect();
    const title = await screen.findByRole('heading', { name: 'What would change it' });
    const items = within(title.closest('section') ?? title.parentElement ?? title).getAllByRole(
      'listitem',
    );
    expect(items[0]).toHaveTextContent('Out of reach, unless staff allow it: scored 60 % or more');
    expect(items[1]).toHaveTextContent(/^Time: from 3 Dec \(.*3 Dec/);
  });

  it('that is done offers nothing', async () => {
    inspect({
      state: 'DONE',
      overdue: false,
      outOfReach: false,
      done: undefined,
      left: [],
      happened: [],
    });
    expect(await screen.findByText('Pads, cables, levers')).toBeInTheDocument();
    expect(screen.queryByRole('button', { name: 'Excuse …' })).not.toBeInTheDocument();
  });

  it('says what went wrong when an exception is refused', async () => {
    inspect(
      {},
      {
        'POST /api/courses/2/exceptions': {
          given: [],
          left: [{ enrolment: 5, why: 'It is done already.' }],
        },
      },
    );
    await userEvent.click(await screen.findByRole('button', { name: 'Give an attempt' }));
    expect(await screen.findByText('It is done already.')).toBeInTheDocument();
  });
});

describe('a learner who has an earlier publication', () => {
  it('is said to have it', async () => {
    serve({ 'GET /api/courses/2/learners/5': learner({ earlier: 3 }) });
    show(<LearnerInspector enrolment={5} onWrite={() => {}} />);
    expect(await screen.findByText(/^Has publication 3;/)).toBeInTheDocument();
  });
});

const learner = (more: Partial<Learner> = {}): Learner => ({
  person: 5,
  enrolment: 5,
  name: 'Wren Castellane',
  groups: ['Saturday'],
  enrolledAt: '2026-10-16T08:00:00Z',
  share: 0.3,
  done: 7,
  steps: 25,
  flags: [
    {
      name: 'Quiet',
      since: '2026-11-21T18:00:00Z',
      reasons: [{ says: 'Not in the course for 9 days.' }],
    },
  ],
  levels: [
    {
      outcome: 3,
      code: 'BRAKE',
      name: 'Set up rim and disc brakes',
      level: 1,
      levelName: 'With help',
      levels: 4,
      mastery: 2,
    },
  ],
  badges: [{ badge: 1, name: 'Steady Bench', at: '2026-10-30T18:00:00Z' }],
  days: Array.from({ length: 42 }, (_, n) => (n === 3 ? 25 : 0)),
  attendance: { attended: 3, counted: 5 },
  happened: [{ at: '2026-11-12T18:00:00Z', what: 'Opened “Fault report for a rider”', by: '' }],
  letters: [
    {
      at: '2026-11-21T18:00:00Z',
      subject: 'Re: We miss you',
      from: 'Wren Castellane',
      sent: true,
      answer: true,
    },
    {
      at: '2026-11-20T18:00:00Z',
      subject: 'We miss you',
      from: 'Tomas Weir',
      sent: false,
      answer: false,
    },
  ],
  ...more,
});

describe('a learner', () => {
  const open = (more: object = {}) => {
    serve({ [`GET ${at}`]: learner(more) });
    const onWrite = vi.fn();
    show(<LearnerInspector enrolment={5} onWrite={onWrite} />);
    return onWrite;
  };

  it('stands with flags and their reasons, levels, badges, sessions and time', async () => {
    open();
    expect(await screen.findByText('Wren Castellane')).toBeInTheDocument();
    expect(screen.getByText(/Not in the course for 9 days/)).toHaveTextContent(
      'Quiet since Sat 21 Nov.',
    );
    expect(screen.getByText('At 3 of 5 sessions')).toBeInTheDocument();
    expect(screen.getByText('Steady Bench (Fri 30 Oct)')).toBeInTheDocument();
    expect(screen.getAllByText('With help')[0]).toBeInTheDocument();
    expect(screen.getByText(/7 of 25/)).toBeInTheDocument();
  });

  it('keeps what was written and what came back', async () => {
    open();
    expect(await screen.findByText(/Re: We miss you/)).toHaveTextContent('Wren Castellane, answer');
    expect(screen.getByText(/20 Nov: We miss you/)).toHaveTextContent('Tomas Weir');
  });

  it('can be written to from here', async () => {
    const onWrite = open();
    await userEvent.click(await screen.findByRole('button', { name: /Write/ }));
    expect(onWrite).toHaveBeenCalled();
  });

  it('without flags, badges, letters or sessions says nothing of them', async () => {
    open({ flags: [], badges: [], letters: [], attendance: undefined });
    await screen.findByText('Wren Castellane');
    for (const heading of ['Letters', 'Sessions', 'Badges'])
      expect(screen.queryByRole('heading', { name: heading })).not.toBeInTheDocument();
  });
});
