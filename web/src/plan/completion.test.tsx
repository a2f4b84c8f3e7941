import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import { design, module, rule, step } from '../test/fixtures';
import { type Call, changed, serve, show } from '../test/stage';
import RouteOutline from './RouteOutline';
import '../i18n/staff';

const flag = { id: 5, version: 1, name: 'Quiet', flagWhen: rule() };
const course = design({
  modules: [module(1, [step(11, 'PAGE')])],
  flags: [flag],
}) as object;
const word = { leaf: { is: 'own-word' }, subject: '', says: 'the learner’s own word' };
const patches = (calls: Call[]) => calls.filter((c) => c.method === 'PATCH');

describe('the whole course', () => {
  it('stands at the end of its route and says when it is complete', async () => {
    const calls = serve({
      'GET /api/courses/2/design': course,
      'GET /api/courses/2/design/proposals': [word],
      'PATCH /api/courses/2/design/course': { id: 2, version: 2 },
    });
    show(<RouteOutline />);
    expect(await screen.findByText('Complete when every module is done')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'The whole course' }));
    const asked = await screen.findByRole('region', { name: 'Complete when' });
    await userEvent.type(within(asked).getByRole('combobox'), 'own');
    await userEvent.click(await screen.findByRole('option', { name: /own word/ }));
    await waitFor(() => expect(patches(calls)).toHaveLength(1));
    expect(changed(calls)[0]).toMatchObject({
      completeWhen: { is: 'ask', leaf: { is: 'own-word' } },
    });
  });

  it('can ask for other courses before somebody is enrolled, who waits or is refused', async () => {
    const asked = { id: 2, version: 9, strictOrder: false };
    const calls = serve({
      'GET /api/courses/2/design': {
        ...course,
        otherCourses: [
          { id: 7, name: 'Tubes' },
          { id: 5, name: 'Workshop Safety Induction' },
        ],
        rules: { ...asked, prerequisites: { courses: [7], all: true, hold: false } },
      },
      'PATCH /api/courses/2/design/course': {
        ...asked,
        version: 10,
        prerequisites: { courses: [7], all: true, hold: true },
      },
    });
    show(<RouteOutline />);
    await userEvent.click(await screen.findByRole('button', { name: 'The whole course' }));
    await userEvent.click(screen.getByRole('button', { name: 'is refused' }));
    await waitFor(() =>
      expect(changed(calls)).toEqual([{ prerequisites: { courses: [7], all: true, hold: true } }]),
    );
    await userEvent.type(screen.getByLabelText('Courses to be complete'), 'safety');
    await userEvent.click(await screen.findByRole('option', { name: /Safety/ }));
    await waitFor(() =>
      expect(changed(calls)[1]).toMatchObject({ prerequisites: { courses: [5, 7] } }),
    );
  });

  it('warns of changes once learners have begun', async () => {
    serve({ 'GET /api/courses/2/design': { ...course, learners: 36 } });
    show(<RouteOutline />);
    await userEvent.click(await screen.findByRole('button', { name: 'The whole course' }));
    expect(await screen.findByText(/36 learners have begun/)).toBeInTheDocument();
  });

  it('has flags that are named, changed, added and taken away', async () => {
    const calls = serve({
      'GET /api/courses/2/design': course,
      'PATCH /api/courses/2/design/flags/5': { ...flag, version: 2, name: 'Away' },
      'POST /api/courses/2/design/flags': { ...flag, id: 6, name: 'New flag' },
      'DELETE /api/courses/2/design/flags/5': undefined,
    });
    show(<RouteOutline />);
    await userEvent.click(await screen.findByRole('button', { name: 'The whole course' }));
    const fields = await screen.findByRole('group', { name: 'Quiet' });
    const name = within(fields).getByLabelText('Name');
    await userEvent.clear(name);
    await userEvent.type(name, 'Away{Enter}');
    await waitFor(() => expect(patches(calls)).toHaveLength(1));
    expect(changed(calls)[0]).toEqual({ name: 'Away' });
    expect(within(fields).getByRole('region', { name: /^Flag when/ })).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Add flag' }));
    await waitFor(() => expect(calls.some((c) => c.method === 'POST')).toBe(true));
    await userEvent.click(screen.getByRole('button', { name: 'Take away the flag “Quiet”' }));
    await waitFor(() => expect(calls.some((c) => c.method === 'DELETE')).toBe(true));
  });
});
