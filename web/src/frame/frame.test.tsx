import { fireEvent, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { Me, MyCourse } from '../api/client';
import { institution, course as sample, serve, show } from '../test/stage';
import Frame from './Frame';

const me: Me = {
  institution,
  person: {
    id: 1,
    name: 'Odalys Brandt',
    email: 'odalys@hollowlane.example',
    administrator: true,
    makesCourses: true,
  },
  courses: [
    sample,
    { ...sample, id: 3, name: 'Wheelbuilding', cohort: '', role: undefined, learner: true },
  ],
};
const messages = { 'GET /api/courses/2/messages': { unread: 0, conversations: [] } };

function frame(at: string, seat: Partial<MyCourse> = {}, answers: object = messages) {
  const calls = serve(answers as Record<string, unknown>);
  show(
    <Frame me={me} course={{ ...sample, ...seat }}>
      <p>the view</p>
    </Frame>,
    at,
    seat,
  );
  return calls;
}
const names = (nav: string) =>
  within(screen.getByRole('navigation', { name: nav }))
    .getAllByRole('link')
    .map((l) => l.textContent);

describe('the frame', () => {
  it('gives designers four workspaces and other staff three', () => {
    frame('/c/2/watch/progress');
    expect(names('Workspaces')).toEqual(['Plan', 'Teach', 'Watch', 'Reach']);
    expect(names('Views')).toEqual([
      'Progress',
      'Completion',
      'Mastery',
      'Grades',
      'Badges',
      'Quizzes',
    ]);
    expect(screen.getByRole('link', { name: 'Progress' })).toHaveAttribute('aria-current', 'page');
  });

  it('of a framework has outcomes and rubrics only', () => {
    frame('/c/2/plan/outcomes', { framework: true });
    expect(screen.queryByRole('navigation', { name: 'Workspaces' })?.textContent).toBe('');
    expect(names('Views')).toEqual(['Outcomes', 'Rubrics']);
    expect(screen.queryByText('See as learner')).not.toBeInTheDocument();
    expect(screen.queryByText('Messages')).not.toBeInTheDocument();
  });

  it('gives facilitators no Plan', () => {
    frame('/c/2/teach/register', { role: 'FACILITATOR' });
    expect(names('Workspaces')).toEqual(['Teach', 'Watch', 'Reach']);
    expect(names('Views')).toEqual([
      'Marking',
      'Practicals',
      'Discussions',
      'Approvals',
      'Exceptions',
      'Register',
    ]);
  });

  it('gives learners their route, outcomes, badges and dates in the same place', () => {
    frame('/c/2/my/route', { role: undefined, learner: true });
    expect(names('Workspaces')).toEqual(['My route', 'My outcomes', 'My badges', 'Calendar']);
    expect(screen.queryByText('See as learner')).not.toBeInTheDocument();
  });

  it('counts letters that were not read, and leads to them', async () => {
    frame(
      '/c/2/my/route',
      { role: undefined, learner: true },
      {
        'GET /api/courses/2/messages': { unread: 2, conversations: [] },
      },
    );
    expect(await screen.findByText('Messages (2)')).toHaveAttribute('href', '/c/2/my/messages');
  });

  it('sends what was signed off in another course than the one that is looked at', async () => {
    const signOff = { key: 'k1', enrolment: 1, learner: 'Edda Marsh', step: 18, name: 'True it' };
    localStorage.setItem(
      'yendrik-work-0-2-sign-offs',
      JSON.stringify([{ ...signOff, comment: '', levels: {}, seen: '2026-11-27T10:00:00Z' }]),
    );
    const calls = frame(
      '/c/3/my/route',
      { id: 3, role: undefined, learner: true },
      {
        'GET /api/courses/3/messages': { unread: 0, conversations: [] },
        'POST /api/courses/2/marking/1/18/sign-offs': undefined,
      },
    );
    await vi.waitFor(() => expect(calls.some((c) => c.method === 'POST')).toBe(true));
    await vi.waitFor(() => expect(localStorage).toHaveLength(0));
  });

  it('says in the practice band that nothing is real, and starts over', async () => {
    const calls = frame(
      '/c/2/practice/route',
      {},
      {
        ...messages,
        'GET /api/courses/2/walks/practice/eyes': { groups: [], at: '', zone: 'UTC', ahead: 0 },
        'GET /api/courses/2/groups': [],
        'POST /api/courses/2/walks/practice/fresh-start': {},
      },
    );
    expect(await screen.findByText(/Nothing here reaches the real records/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Start over' }));
    await vi.waitFor(() => expect(calls.some((c) => c.path.endsWith('fresh-start'))).toBe(true));
    expect(screen.getByRole('link', { name: 'Back to Plan' })).toHaveAttribute(
      'href',
      '/c/2/plan/route',
    );
  });

  it('changes the course and offers administrators a new one', async () => {
    frame('/c/2/watch/progress');
    await userEvent.click(screen.getByTitle('Change course'));
    const menu = await screen.findByRole('menu');
    expect(within(menu).getByText('New course …')).toBeInTheDocument();
    await userEvent.click(within(menu).getByText('Wheelbuilding'));
    expect(screen.getByTestId('address')).toHaveTextContent('/c/3');
  });

  it('lets administrators make a framework and goes to its outcomes', async () => {
    const calls = frame(
      '/c/2/watch/progress',
      {},
      { ...messages, 'POST /api/frameworks': { id: 8 }, 'GET /api/session': me },
    );
    await userEvent.click(screen.getByTitle('Change course'));
    await userEvent.click(await screen.findByText('New framework …'));
    const dialog = await screen.findByRole('dialog');
    const make = within(dialog).getByRole('button', { name: 'Make framework' });
    await userEvent.click(make);
    expect(await within(dialog).findByText('Please fill this in.')).toBeInTheDocument();
    expect(calls.some((c) => c.method === 'POST')).toBe(false);
    await userEvent.type(within(dialog).getByLabelText('Name'), 'Hollow Lane core');
    await userEvent.click(make);
    await vi.waitFor(() =>
      expect(screen.getByTestId('address')).toHaveTextContent('/c/8/plan/outcomes'),
    );
    expect(calls.find((c) => c.method === 'POST')?.body).toEqual({ name: 'Hollow Lane core' });
  });

  it('shows the list of keys on a question mark, but not while somebody types', async () => {
    frame('/c/2/watch/progress');
    const input = document.createElement('input');
    document.body.append(input);
    fireEvent.keyDown(input, { key: '?' });
    expect(screen.queryByRole('dialog')).not.toBeInTheDocument();
    input.remove();
    fireEvent.keyDown(document.body, { key: '?' });
    expect(await screen.findByRole('dialog')).toHaveTextContent('Take the last change back');
  });

  it('asks before signing out deletes what was not handed in, and deletes only one’s own', async () => {
    localStorage.setItem('yendrik-work-1-2-mine-14', 'Half a card');
    localStorage.setItem('yendrik-work-7-2-mine-14', 'Of somebody else');
    const calls = frame(
      '/c/2/watch/progress',
      {},
      { ...messages, 'DELETE /api/session': undefined },
    );
    const deleted = () => calls.filter((c) => c.method === 'DELETE');
    await userEvent.click(screen.getByRole('button', { name: /account of Odalys Brandt/ }));
    await userEvent.click(await screen.findByText('Sign out'));
    expect(await screen.findByText(/kept in this browser only/)).toBeInTheDocument();
    expect(deleted()).toHaveLength(0);
    await userEvent.click(screen.getByRole('button', { name: 'Delete it and sign out' }));
    await vi.waitFor(() => expect(deleted()).toHaveLength(1));
    expect(localStorage.getItem('yendrik-work-1-2-mine-14')).toBeNull();
    expect(localStorage.getItem('yendrik-work-7-2-mine-14')).toBe('Of somebody else');
    localStorage.clear();
  });

  it('signs out and forgets what it knew', async () => {
    const calls = frame(
      '/c/2/watch/progress',
      {},
      { ...messages, 'DELETE /api/session': undefined },
    );
    await userEvent.click(screen.getByRole('button', { name: /account of Odalys Brandt/ }));
    await userEvent.click(await screen.findByText('Sign out'));
    await vi.waitFor(() => expect(calls.some((c) => c.method === 'DELETE')).toBe(true));
    await vi.waitFor(() => expect(screen.getByTestId('address')).toHaveTextContent('/'));
  });
});
