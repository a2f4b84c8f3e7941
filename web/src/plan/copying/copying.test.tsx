import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import { courseRules } from '../../test/fixtures';
import { type Call, course, serve, show } from '../../test/stage';
import { FIRST } from '../badges/art';
import RouteOutline from '../RouteOutline';

const design = (id: number, modules: object[]) => ({
  course: id,
  name: 'Cycle Mechanic Foundations',
  publishedVersion: 3,
  changed: false,
  learners: 36,
  scales: [],
  outcomes: [],
  badges: [],
  rules: courseRules(),
  otherCourses: [],
  usual: [],
  flags: [],
  groups: [],
  faults: [],
  modules,
});
const module = (id: number, name: string, steps: object[]) => ({
  id,
  version: 1,
  name,
  published: true,
  strictOrder: false,
  listed: true,
  tells: true,
  staysOpen: true,
  steps,
});
const step = (id: number, name: string) => ({ id, kind: 'PAGE', name });
const report = (more = {}) => ({
  modules: [],
  steps: [21],
  badges: [],
  rules: courseRules(),
  otherCourses: [],
  usual: [],
  flags: [],
  outcomes: 0,
  rubrics: 0,
  files: 0,
  left: [],
  ...more,
});

const answers = {
  'GET /api/session': {
    courses: [course, { ...course, id: 3, name: 'Winter repairs', cohort: '' }],
  },
  'GET /api/courses/2/design': design(2, [module(1, 'Brakes', [])]),
  'GET /api/courses/3/design': design(3, [
    module(7, 'Tubes', [step(71, 'How a patch holds'), step(72, 'Name that patch')]),
  ]),
  'GET /api/courses/2/design/shelf/things': [
    {
      id: 40,
      name: 'Tubes, ready',
      summary: 'For a first week',
      count: 2,
      steps: ['How a patch holds', 'Name that patch'],
      by: 'Sefa Dunmore',
      at: '2026-11-20T10:00:00Z',
      mayRemove: false,
    },
  ],
};
const sent = (calls: Call[], end: string) => calls.filter((c) => c.path.endsWith(end));

async function open() {
  show(<RouteOutline />);
  await screen.findByRole('list', { name: 'Route, modules and steps' });
  await userEvent.click(screen.getByRole('button', { name: 'Copy in …' }));
  return screen.findByRole('dialog');
}

describe('copying into a course', () => {
  it('takes from the shelf what one finds there, and undoing takes away what came', async () => {
    const calls = serve({
      ...answers,
      'POST /api/courses/2/design/shelf/things/40/copies': report({ modules: [9], badges: [5] }),
      'POST /api/courses/2/design/steps/removal': undefined,
      'DELETE /api/courses/2/design/*': undefined,
    });
    const dialog = await open();
    await userEvent.click(await within(dialog).findByRole('button', { name: 'Copy Tubes, ready' }));
    expect(await screen.findByText('1 step copied.')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Undo' }));
    await vi.waitFor(() =>
      expect(calls.filter((c) => c.method === 'DELETE').map((c) => c.path)).toEqual([
        '/api/courses/2/design/badges/5',
        '/api/courses/2/design/modules/9',
      ]),
    );
    expect(sent(calls, '/removal')[0]?.body).toEqual({
      steps: [{ id: 21, version: 1 }],
    });
  });

  it('takes chosen steps of another course and says what could not follow', async () => {
    const calls = serve({
      ...answers,
      'POST /api/courses/2/design/copies': report({ left: ['“Name that patch” asks less.'] }),
    });
    const dialog = await open();
    await userEvent.click(within(dialog).getByRole('combobox', { name: 'From' }));
    await userEvent.click(await screen.findByRole('option', { name: /Winter repairs/ }));
    await userEvent.type(within(dialog).getByRole('searchbox', { name: 'Find' }), 'name that');
    await userEvent.click(await within(dialog).findByRole('checkbox', { name: /Name that patch/ }));
    expect(within(dialog).queryByText('How a patch holds')).not.toBeInTheDocument();
    await userEvent.click(within(dialog).getByRole('button', { name: 'Copy 1' }));
    expect(await screen.findByText('“Name that patch” asks less.')).toBeInTheDocument();
    expect(sent(calls, '/design/copies')[0]?.body).toEqual({
      from: 3,
      modules: [],
      steps: [72],
      badges: [],
      dates: 'WITH_COURSE',
    });
  });

  it('takes a badge alone, from the shelf and from another course', async () => {
    const picture = { art: FIRST, alt: 'A patch' };
    const badge = { id: 31, version: 1, name: 'Tube mender', picture, surprise: false };
    const calls = serve({
      ...answers,
      'GET /api/courses/2/design/shelf/things': [
        { id: 41, what: 'BADGE', name: 'Wheel truer', summary: '', picture, count: 0, steps: [] },
      ],
      'GET /api/courses/3/design': { ...design(3, []), badges: [badge] },
      'POST /api/courses/2/design/shelf/things/41/copies': report({ steps: [], badges: [5] }),
      'POST /api/courses/2/design/copies': report({ steps: [], badges: [6] }),
    });
    const dialog = await open();
    await userEvent.click(await within(dialog).findByRole('button', { name: 'Copy Wheel truer' }));
    expect(await screen.findByText('1 badge copied.')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Copy in …' }));
    const again = await screen.findByRole('dialog');
    await userEvent.click(within(again).getByRole('combobox', { name: 'From' }));
    await userEvent.click(await screen.findByRole('option', { name: /Winter repairs/ }));
    await userEvent.click(await within(again).findByRole('checkbox', { name: /Tube mender/ }));
    await userEvent.click(within(again).getByRole('button', { name: 'Copy 1' }));
    await vi.waitFor(() =>
      expect(sent(calls, '/design/copies')[0]?.body).toMatchObject({ steps: [], badges: [31] }),
    );
  });
});
