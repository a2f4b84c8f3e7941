import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { MyCourse } from '../api/client';
import { failure, serve, show } from '../test/stage';
import Roster from './Roster';
import '../i18n/staff';

const line = (enrolment: number, name: string, groups: number[]) => ({
  enrolment,
  person: enrolment,
  name,
  email: `${name.split(' ')[0]?.toLowerCase()}@hollowlane.example`,
  enrolledAt: '2026-10-05T08:00:00Z',
  groups,
});
const roster = [
  line(1, 'Edda Marsh', [7]),
  line(2, 'Juno Abara', [7, 8]),
  line(3, 'Ilse Tran', []),
];
const saturday = { id: 7, name: 'Saturday', members: 2, uses: [] };
const bench = { id: 8, name: 'Bench', members: 1, uses: ['“Brakes” is given to it'] };
const answers = {
  'GET /api/courses/2/roster/held': [],
  'GET /api/courses/2/roster': roster,
  'GET /api/courses/2/groups': [bench, saturday],
};
const posted = (calls: ReturnType<typeof serve>) => calls.filter((c) => c.method === 'POST');

function open(more: object = {}, at = '/c/2/course/roster', seat: Partial<MyCourse> = {}) {
  const calls = serve({ ...answers, ...more });
  show(<Roster />, at, seat);
  return calls;
}
const rows = () => screen.getAllByRole('row').slice(1);

describe('the roster', () => {
  it('shows everybody with their groups, and finds by any part of a name or address', async () => {
    open();
    expect(await screen.findByText('3 learners')).toBeVisible();
    expect(
      within(screen.getByRole('row', { name: /Juno/ })).getByText('Bench, Saturday'),
    ).toBeVisible();
    await userEvent.type(screen.getByLabelText('Find a learner'), 'tran ilse');
    expect(rows().map((r) => r.textContent)).toEqual([expect.stringContaining('Ilse Tran')]);
  });

  it('lists who waits for what must be complete before, who is let in or dropped', async () => {
    const calls = open({
      'GET /api/courses/2/roster/held': [
        {
          person: 9,
          name: 'Sol Ferrant',
          since: '2026-11-20T08:00:00Z',
          missing: ['Workshop Safety Induction'],
        },
      ],
      'POST /api/courses/2/roster/held/9/admission': undefined,
      'DELETE /api/courses/2/roster/held/9': undefined,
    });
    const held = await screen.findByRole('region', { name: 'Waiting to be enrolled' });
    expect(held).toHaveTextContent('without Workshop Safety Induction');
    await userEvent.click(screen.getByRole('button', { name: 'Enrol Sol Ferrant now' }));
    expect(await screen.findByText('Sol Ferrant is enrolled.')).toBeVisible();
    await userEvent.click(
      screen.getByRole('button', { name: 'Sol Ferrant does not wait any more' }),
    );
    await waitFor(() => expect(calls.map((c) => c.method)).toContain('DELETE'));
  });

  it('puts those who are ticked into a group and takes it back', async () => {
    const calls = open({ 'POST /api/courses/2/groups/7/members': saturday });
    await userEvent.click(await screen.findByRole('checkbox', { name: /Ilse Tran/ }));
    await userEvent.click(screen.getByRole('button', { name: /1 ticked/ }));
    await userEvent.click(screen.getByRole('menuitem', { name: 'Put into Saturday' }));
    await userEvent.click(await screen.findByRole('button', { name: 'Undo' }));
    await waitFor(() =>
      expect(posted(calls).map((c) => c.body)).toEqual([
        { in: [3], out: [] },
        { in: [], out: [3] },
      ]),
    );
  });

  it('makes a group of those who are ticked, and keeps a name that is refused', async () => {
    const why = 'There is a group “Saturday” already.';
    const calls = open({
      'POST /api/courses/2/groups': failure(422, { detail: why, fields: { name: why } }),
    });
    await userEvent.click(await screen.findByRole('checkbox', { name: /Ilse Tran/ }));
    const name = screen.getByLabelText('New group');
    await userEvent.type(name, 'Saturday{Enter}');
    expect(await screen.findByText(why)).toBeVisible();
    expect(name).toHaveValue('Saturday');
    expect(posted(calls)[0]?.body).toEqual({ name: 'Saturday', learners: [3] });
  });

  it('adds a learner to the open group by typing', async () => {
    const calls = open(
      { 'POST /api/courses/2/groups/7/members': saturday },
      '/c/2/course/roster?sel=7',
    );
    expect(await screen.findByText('2 learners')).toBeVisible();
    await userEvent.type(screen.getByLabelText('Add a learner'), 'ils{ArrowDown}{Enter}');
    expect(posted(calls)[0]?.body).toEqual({ in: [3], out: [] });
  });

  it('says what speaks of a group before it can end', async () => {
    open({}, '/c/2/course/roster?sel=8');
    await userEvent.click(await screen.findByRole('button', { name: /End group/ }));
    const dialog = screen.getByRole('dialog');
    expect(within(dialog).getByText('“Brakes” is given to it')).toBeVisible();
    expect(within(dialog).queryByRole('button', { name: 'End group' })).toBeNull();
  });

  it('ends one that nothing speaks of', async () => {
    const calls = open({ 'DELETE /api/courses/2/groups/7': undefined }, '/c/2/course/roster?sel=7');
    await userEvent.click(await screen.findByRole('button', { name: /End group/ }));
    await userEvent.click(
      within(screen.getByRole('dialog')).getByRole('button', { name: 'End group' }),
    );
    expect(await screen.findByText('Saturday is ended.')).toBeVisible();
    expect(calls.some((c) => c.method === 'DELETE')).toBe(true);
    expect(screen.getByTestId('address')).not.toHaveTextContent('sel=');
  });

  it('lets a support teacher look and change nothing', async () => {
    open({}, '/c/2/course/roster?sel=7', { role: 'SUPPORT' });
    expect(await screen.findByText('2 learners')).toBeVisible();
    expect(screen.queryByLabelText('New group')).toBeNull();
    expect(screen.queryByRole('checkbox')).toBeNull();
    expect(screen.queryByRole('button', { name: /End group/ })).toBeNull();
  });
});
