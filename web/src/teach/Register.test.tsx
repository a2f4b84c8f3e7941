import { fireEvent, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { Session } from '../api/client';
import { type Call, failure, serve, show } from '../test/stage';
import Register, { nearest } from './Register';
import { count } from './SeriesDialog';

const session = (id: number, startsAt: string, more: Partial<Session> = {}): Session => ({
  id,
  version: 1,
  name: 'Saturday bench',
  group: 7,
  startsAt,
  minutes: 180,
  learners: 2,
  marked: 0,
  there: 0,
  counts: {},
  ...more,
});
const past = session(1, '2026-11-14T09:00:00Z', {
  marked: 2,
  there: 1,
  counts: { 1: 1, 5: 1 },
});
const last = session(2, '2026-11-21T09:00:00Z', { marked: 1, there: 1, counts: { 2: 1 } });
const next = session(3, '2026-11-28T09:00:00Z');
const calendar = {
  zone: 'Europe/Berlin',
  now: '2026-11-23T10:00:00Z',
  groups: [{ id: 7, name: 'Saturday' }],
  statuses: [
    { id: 1, name: 'Present', there: true, counts: true },
    { id: 2, name: 'Late', there: true, counts: true },
    { id: 3, name: 'Left early', there: true, counts: true },
    { id: 4, name: 'Absent with notice', there: false, counts: false },
    { id: 5, name: 'Absent', there: false, counts: true },
  ],
  sessions: [past, last, next],
  mayEdit: true,
};
const line = (enrolment: number, name: string, status?: number) => ({
  enrolment,
  name,
  expected: true,
  attended: 3,
  counted: 4,
  ...(status && { status, at: '2026-11-21T12:00:00Z', by: 'Tomas Weir' }),
});
const lines = [line(5, 'Aiko Brenner', 2), line(6, 'Dov Halloran')];
const at = '/api/courses/2/sessions';

/** A register that answers with what it was told. */
function register(call: Call) {
  const marks = (call.body as { marks: { learner: number; status?: number }[] }).marks;
  return {
    session: last,
    lines: lines.map((l) => {
      const mark = marks.find((m) => m.learner === l.enrolment);
      return mark ? line(l.enrolment, l.name, mark.status) : l;
    }),
  };
}
const answers = {
  [`GET ${at}`]: calendar,
  [`GET ${at}/2/register`]: { session: last, lines },
  [`GET ${at}/3/register`]: { session: next, lines: [line(5, 'Aiko Brenner')] },
  [`PUT ${at}/2/register`]: register,
};
const puts = (calls: Call[]) => calls.filter((c) => c.method === 'PUT').map((c) => c.body);

describe('the register', () => {
  it('opens at the session that is over last, in the time of the course', async () => {
    serve(answers);
    show(<Register />);
    expect(await screen.findByText('Sat 21 Nov, 10:00 to 13:00, Saturday')).toBeInTheDocument();
    expect(screen.getByText('So far · 2')).toBeInTheDocument();
    expect(screen.getByText('To come · 1')).toBeInTheDocument();
    expect(screen.getByRole('button', { name: /14 Nov/ })).toHaveTextContent('1 of 2 there');
    expect(screen.getByRole('button', { name: /21 Nov/ })).toHaveTextContent('1 not marked');
  });

  it('marks a learner by a click and says who marked', async () => {
    const calls = serve(answers);
    show(<Register />);
    const dov = await screen.findByRole('group', { name: 'Dov Halloran' });
    await userEvent.click(within(dov).getByRole('button', { name: 'Absent with notice' }));
    await vi.waitFor(() => expect(puts(calls)).toEqual([{ marks: [{ learner: 6, status: 4 }] }]));
    expect(within(dov).getByRole('button', { name: 'Absent with notice' })).toHaveAttribute(
      'aria-pressed',
      'true',
    );
    expect(screen.getAllByText(/marked by Tomas Weir, Sat 21 Nov/)).toHaveLength(2);
  });

  it('takes a mark back that is pressed again', async () => {
    const calls = serve(answers);
    show(<Register />);
    const aiko = await screen.findByRole('group', { name: 'Aiko Brenner' });
    await userEvent.click(within(aiko).getByRole('button', { name: 'Late' }));
    await vi.waitFor(() => expect(puts(calls)).toEqual([{ marks: [{ learner: 5 }] }]));
  });

  it('is taken by keys from one learner to the next', async () => {
    const calls = serve(answers);
    show(<Register />);
    const sheet = await screen.findByRole('grid', { name: 'Register' });
    expect(sheet).toHaveFocus();
    fireEvent.keyDown(sheet, { key: '1' });
    fireEvent.keyDown(sheet, { key: '5' });
    await vi.waitFor(() =>
      expect(puts(calls)).toEqual([
        { marks: [{ learner: 5, status: 1 }] },
        { marks: [{ learner: 6, status: 5 }] },
      ]),
    );
    fireEvent.keyDown(sheet, { key: 'k' });
    fireEvent.keyDown(sheet, { key: 'Backspace' });
    await vi.waitFor(() => expect(puts(calls)).toHaveLength(3));
    expect(puts(calls)[2]).toEqual({ marks: [{ learner: 5 }] });
  });

  it('marks the others present in one go, and takes that back', async () => {
    const calls = serve(answers);
    show(<Register />);
    await userEvent.click(await screen.findByRole('button', { name: 'Mark the other 1 present' }));
    expect(await screen.findByText('1 learner marked present')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Undo' }));
    await vi.waitFor(() =>
      expect(puts(calls)).toEqual([
        { marks: [{ learner: 6, status: 1 }] },
        { marks: [{ learner: 6 }] },
      ]),
    );
  });

  it('does not count whoever was enrolled later among the others, but lets them be marked', async () => {
    const late = { ...line(7, 'Gwen Takeda'), expected: false };
    const calls = serve({
      ...answers,
      [`GET ${at}/2/register`]: { session: last, lines: [...lines, late] },
    });
    show(<Register />);
    expect(await screen.findByText(/Enrolled later\./)).toBeInTheDocument();
    expect(screen.getByRole('button', { name: 'Mark the other 1 present' })).toBeInTheDocument();
    const gwen = screen.getByRole('group', { name: 'Gwen Takeda' });
    await userEvent.click(within(gwen).getByRole('button', { name: 'Present' }));
    await vi.waitFor(() => expect(puts(calls)).toEqual([{ marks: [{ learner: 7, status: 1 }] }]));
  });

  it('takes nothing but notice of absence before a session begins', async () => {
    serve(answers);
    show(<Register />, '/c/2/teach/register?sel=3');
    const aiko = await screen.findByRole('group', { name: 'Aiko Brenner' });
    expect(within(aiko).getByRole('button', { name: 'Present' })).toBeDisabled();
    expect(within(aiko).getByRole('button', { name: 'Absent with notice' })).toBeEnabled();
    expect(screen.getByText(/has not begun/)).toBeInTheDocument();
    expect(screen.queryByRole('button', { name: /^Mark/ })).not.toBeInTheDocument();
  });

  it('shows what could not be saved and keeps what stood', async () => {
    serve({
      ...answers,
      [`PUT ${at}/2/register`]: failure(409, { detail: 'Somebody was faster.' }),
    });
    show(<Register />);
    const dov = await screen.findByRole('group', { name: 'Dov Halloran' });
    await userEvent.click(within(dov).getByRole('button', { name: 'Late' }));
    expect(await screen.findByText('Somebody was faster.')).toBeInTheDocument();
    expect(within(dov).getByRole('button', { name: 'Late' })).toHaveAttribute(
      'aria-pressed',
      'false',
    );
  });

  it('says what to do first when there is no session, and offers support teachers nothing', async () => {
    serve({ [`GET ${at}`]: { ...calendar, sessions: [] } });
    show(<Register />);
    expect(await screen.findByText('No sessions yet.')).toBeInTheDocument();
    expect(screen.getByRole('button', { name: 'Add sessions' })).toBeInTheDocument();
  });

  it('adds a series and opens its first session', async () => {
    const calls = serve({
      ...answers,
      [`POST ${at}`]: [session(9, '2026-12-05T09:00:00Z')],
      [`GET ${at}/9/register`]: { session: next, lines: [] },
    });
    show(<Register />);
    await userEvent.click(await screen.findByRole('button', { name: 'Add sessions' }));
    const dialog = await screen.findByRole('dialog');
    await userEvent.click(within(dialog).getByRole('button', { name: 'Add sessions' }));
    expect(await within(dialog).findByText('Please fill this in.')).toBeInTheDocument();
    expect(within(dialog).getByText('Please choose.')).toBeInTheDocument();
    expect(calls.some((c) => c.method === 'POST')).toBe(false);
    await userEvent.type(within(dialog).getByLabelText('Name'), 'Open bench');
    await userEvent.click(within(dialog).getByRole('button', { name: 'Saturday' }));
    fireEvent.change(within(dialog).getByLabelText('From'), { target: { value: '2026-12-01' } });
    fireEvent.change(within(dialog).getByLabelText('Until'), { target: { value: '2026-12-20' } });
    await userEvent.click(within(dialog).getByRole('button', { name: 'Add 3 sessions' }));
    await vi.waitFor(() =>
      expect(calls.find((c) => c.method === 'POST')?.body).toMatchObject({
        name: 'Open bench',
        days: ['SATURDAY'],
        time: '18:30',
        everyWeeks: 1,
        from: '2026-12-01',
        until: '2026-12-20',
      }),
    );
    await vi.waitFor(() => expect(screen.getByTestId('address')).toHaveTextContent('sel=9'));
  });

  it('puts what the server refuses at the field it is about', async () => {
    serve({
      ...answers,
      [`POST ${at}`]: failure(422, {
        detail: 'That makes more than 200 sessions.',
        fields: { until: 'That makes more than 200 sessions.' },
      }),
    });
    show(<Register />);
    await userEvent.click(await screen.findByRole('button', { name: 'Add sessions' }));
    const dialog = await screen.findByRole('dialog');
    await userEvent.type(within(dialog).getByLabelText('Name'), 'Open bench');
    for (const day of ['Monday', 'Tuesday', 'Wednesday'])
      await userEvent.click(within(dialog).getByRole('button', { name: day }));
    await userEvent.click(within(dialog).getByRole('button', { name: /^Add \d+ sessions$/ }));
    expect(
      await within(dialog).findByText('That makes more than 200 sessions.'),
    ).toBeInTheDocument();
    expect(within(dialog).getByLabelText('Until')).toHaveAttribute('aria-invalid', 'true');
  });

  it('changes a session under the version that was seen', async () => {
    const calls = serve({ ...answers, [`PUT ${at}/2`]: last });
    show(<Register />);
    await userEvent.click(await screen.findByRole('button', { name: 'Change session' }));
    const dialog = await screen.findByRole('dialog');
    const name = within(dialog).getByLabelText('Name');
    await userEvent.clear(name);
    await userEvent.type(name, 'Last bench');
    await userEvent.click(within(dialog).getByRole('button', { name: 'Save' }));
    await vi.waitFor(() =>
      expect(calls.find((c) => c.path === `${at}/2` && c.method === 'PUT')).toMatchObject({
        version: '"1"',
        body: { name: 'Last bench', group: 7, minutes: 180 },
      }),
    );
  });
});

describe('a series', () => {
  const form = {
    days: ['MONDAY' as const],
    from: '2026-01-07',
    until: '2026-02-10',
    everyWeeks: 2,
  };

  it('counts weeks from the Monday of its first day, as the server does', () => {
    expect(count(form)).toBe(2);
    expect(count({ ...form, everyWeeks: 1 })).toBe(5);
  });

  it('counts nothing without days, dates or a way forward', () => {
    expect(count({ ...form, days: [] })).toBe(0);
    expect(count({ ...form, until: '' })).toBe(0);
    expect(count({ ...form, until: '2026-01-01' })).toBe(0);
  });
});

describe('the nearest session', () => {
  it('is the last that has begun, or the first of all', () => {
    expect(nearest([past, last, next], '2026-11-23T10:00:00Z')?.id).toBe(2);
    expect(nearest([past, last, next], '2026-11-28T09:30:00Z')?.id).toBe(3);
    expect(nearest([next], '2026-11-23T10:00:00Z')?.id).toBe(3);
    expect(nearest([], '2026-11-23T10:00:00Z')).toBeUndefined();
  });
});
