import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Route, Routes } from 'react-router';
import { describe, expect, it } from 'vitest';
import { course, serve, show } from '../test/stage';
import EyesBand from './EyesBand';
import SeeAsDialog from './SeeAsDialog';
import '../i18n/staff';

const at = '2026-11-23T09:00:00Z';
const madeUp = { groups: [], at, zone: 'Europe/Berlin', ahead: 0 };
const groups = [{ id: 4, name: 'Tuesday', learners: [], usedBy: [] }];
const address = () => screen.getByTestId('address').textContent;

describe('looking through the eyes of a learner', () => {
  it('is asked for by name, and leads to the step that is selected', async () => {
    serve({
      'GET /api/courses/2/roster': [
        { enrolment: 9, person: 5, name: 'Edda Marsh', email: 'e', enrolledAt: at, groups: [] },
      ],
    });
    show(<SeeAsDialog course={course} onClose={() => {}} />, '/c/2/plan/route?sel=step-16');
    await userEvent.type(await screen.findByLabelText('As a learner of this course'), 'edd');
    await userEvent.keyboard('{Enter}');
    expect(address()).toBe('/c/2/as-9/steps/16');
  });

  it('is said all the time with their name, and the clock stands in the address', async () => {
    serve({
      'GET /api/courses/2/walks/as-9/eyes': { ...madeUp, learner: 'Edda Marsh' },
      'GET /api/courses/2/walks/as-9-at-1795510800/eyes': {
        ...madeUp,
        learner: 'Edda Marsh',
        at: '2026-11-24T09:00:00Z',
        ahead: 86_400,
      },
    });
    show(
      <Routes>
        <Route path="/c/2/as-9/route" element={<EyesBand course={course} walk="as-9" />} />
        <Route
          path="/c/2/as-9-at-1795510800/route"
          element={<EyesBand course={course} walk="as-9-at-1795510800" />}
        />
      </Routes>,
      '/c/2/as-9/route',
    );
    expect(await screen.findByText(/You see what Edda Marsh sees/)).toBeVisible();
    expect(screen.queryByRole('button', { name: 'Start over' })).not.toBeInTheDocument();
    await userEvent.click(await screen.findByRole('button', { name: '+ 1 day' }));
    expect(address()).toBe('/c/2/as-9-at-1795510800/route');
    await userEvent.click(await screen.findByRole('button', { name: 'Back to now' }));
    expect(address()).toBe('/c/2/as-9/route');
  });
});

describe('walking as a made-up learner', () => {
  it('is done in any group and at any time to come, and can be started over', async () => {
    const calls = serve({
      'GET /api/courses/2/walks/practice/eyes': madeUp,
      'GET /api/courses/2/groups': groups,
      'PUT /api/courses/2/walks/practice/groups': { ...madeUp, groups: [4] },
      'PUT /api/courses/2/walks/practice/clock': { ...madeUp, ahead: 604_800 },
      'POST /api/courses/2/walks/practice/fresh-start': undefined,
    });
    show(<EyesBand course={course} walk="practice" />, '/c/2/practice/steps/7');
    await userEvent.click(await screen.findByLabelText('Groups'));
    await userEvent.click(await screen.findByRole('option', { name: 'Tuesday' }));
    await userEvent.keyboard('{Escape}');
    await userEvent.click(screen.getByRole('button', { name: '+ 1 week' }));
    const put = () => calls.filter((c) => c.method === 'PUT').map((c) => c.body);
    await waitFor(() => expect(put()).toEqual([{ groups: [4] }, { ahead: 604_800 }]));
    expect(address()).toBe('/c/2/practice/steps/7');
    await waitFor(() => expect(screen.getByRole('button', { name: 'Start over' })).toBeEnabled());
    await userEvent.click(screen.getByRole('button', { name: 'Start over' }));
    await waitFor(() => expect(address()).toBe('/c/2/practice/route'));
  });
});
