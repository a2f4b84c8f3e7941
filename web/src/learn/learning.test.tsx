import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Route, Routes } from 'react-router';
import { describe, expect, it } from 'vitest';
import type { Part, StepPage, Route as Way } from '../api/client';
import { failure, serve, show } from '../test/stage';
import MyRoute from './MyRoute';
import StepView from './StepView';

const part = (verdict: Part['verdict'], says: string): Part => ({
  id: says,
  is: 'ask',
  n: 0,
  subject: '',
  says,
  ground: '',
  verdict,
  fraction: 0.5,
  turn: 'LEARNER',
  parts: [],
});

const way: Way = {
  course: 'Cycle Mechanic Foundations',
  cohort: 'Autumn cohort',
  week: 6,
  weeks: 10,
  zone: 'Europe/Berlin',
  done: 3,
  steps: 26,
  complete: false,
  behindDays: 2,
  next: {
    step: 12,
    name: 'Pads, cables, levers',
    kind: 'QUIZ',
    module: 'Brakes',
    why: '15 minutes',
    opens: ['Brake set-up practical'],
  } as Way['next'] & object,
  modules: [
    {
      id: 3,
      name: 'Brakes',
      open: true,
      done: 1,
      all: 4,
      finished: false,
      missing: [],
      steps: [
        {
          id: 12,
          name: 'Pads, cables, levers',
          kind: 'QUIZ',
          state: 'OPEN',
          overdue: true,
          outOfReach: false,
          required: true,
          minutes: 15,
          note: 'due Sun 8 Nov',
          unread: 0,
          missing: [],
          far: false,
        },
        {
          id: 13,
          name: 'Brake set-up practical',
          kind: 'PRACTICAL',
          state: 'CLOSED',
          overdue: false,
          outOfReach: false,
          required: true,
          minutes: 45,
          note: '',
          unread: 0,
          missing: [part('NOT_YET', 'score 60 % or more in “Pads, cables, levers”')],
          far: true,
        },
      ],
    },
  ],
  outcomes: [],
  badges: [],
  coming: [],
};

describe('the way to a closed step', () => {
  it('is told one thing after the other, with whose turn it is and when', async () => {
    serve({
      'GET /api/courses/2/walks/mine/route': way,
      'GET /api/courses/2/walks/mine/steps/13/way': [
        { turn: 'LEARNER', lost: false, says: 'read “Rim brake anatomy”' },
        { turn: 'LEARNER', lost: false, says: 'score 60 % or more in “Pads, cables, levers”' },
        { turn: 'STAFF', lost: false, says: 'approved by a facilitator' },
        {
          turn: 'CLOCK',
          lost: false,
          says: 'wait until Mon 7 Dec, 08:00',
          next: '2026-12-07T07:00:00Z',
        },
      ],
    });
    show(<MyRoute walk="mine" />);
    await userEvent.click(
      await screen.findByRole('button', { name: 'How to get there: Brake set-up practical' }),
    );
    const list = await screen.findByRole('list', {
      name: 'How to get there: Brake set-up practical',
    });
    expect(
      within(list)
        .getAllByRole('listitem')
        .map((i) => i.textContent),
    ).toEqual([
      'read “Rim brake anatomy”',
      'score 60 % or more in “Pads, cables, levers”',
      'staff: approved by a facilitator',
      'wait until Mon 7 Dec, 08:00',
    ]);
    await userEvent.click(
      screen.getByRole('button', { name: 'How to get there: Brake set-up practical' }),
    );
    expect(screen.queryByText('read “Rim brake anatomy”')).toBeNull();
  });
});

describe('the course as a whole', () => {
  it('lets nobody give another’s word who only looks through their eyes', async () => {
    serve({
      'GET /api/courses/2/walks/as-7/route': {
        ...way,
        completion: part('NOT_YET', 'say that you have completed the course'),
        ownWord: false,
      },
    });
    show(<MyRoute walk="as-7" />);
    expect(await screen.findByText(/Complete when you say/)).toBeInTheDocument();
    expect(screen.queryByRole('button', { name: 'I have completed this course' })).toBeNull();
  });

  it('says what completes it, and takes the learner’s own word', async () => {
    const asked = {
      ...way,
      completion: part('NOT_YET', 'say that you have completed the course'),
      ownWord: false,
    };
    const calls = serve({
      'GET /api/courses/2/walks/mine/route': asked,
      'PUT /api/courses/2/walks/mine/own-word': { ...asked, ownWord: true, complete: true },
    });
    show(<MyRoute walk="mine" />);
    expect(
      await screen.findByText('Complete when you say that you have completed the course.'),
    ).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'I have completed this course' }));
    expect(await screen.findByText('You have completed it.')).toBeInTheDocument();
    expect(calls.find((c) => c.method === 'PUT')?.body).toEqual({ said: true });
    expect(screen.getByRole('button', { name: 'Take back' })).toBeInTheDocument();
  });
});

describe('my route', () => {
  it('leads to what is next and says what that opens', async () => {
    serve({ 'GET /api/courses/2/walks/mine/route': way });
    show(<MyRoute walk="mine" />);
    const main = await screen.findByRole('main');
    expect(within(main).getByRole('heading', { level: 1 })).toHaveTextContent(
      'Pads, cables, levers',
    );
    expect(within(main).getAllByText(/Brake set-up practical/)[0]).toBeInTheDocument();
    expect(within(main).getAllByRole('link')[0]).toHaveAttribute('href', '/c/2/my/steps/12');
  });

  it('gives a closed step no link but the sentence that keeps it closed', async () => {
    serve({ 'GET /api/courses/2/walks/mine/route': way });
    show(<MyRoute walk="mine" />);
    await screen.findByRole('main');
    expect(screen.queryByRole('link', { name: 'Brake set-up practical' })).not.toBeInTheDocument();
    expect(screen.getByText(/score 60 % or more/)).toBeInTheDocument();
  });

  it('is walked on by staff as if a step were open or done, and by nobody else', async () => {
    const closed = 'POST /api/courses/2/walks/practice/steps/13/as-if';
    const calls = serve({
      'GET /api/courses/2/walks/practice/route': way,
      'GET /api/courses/2/walks/mine/route': way,
      [closed]: failure(409, { detail: 'It cannot be.' }),
      'POST /api/courses/2/walks/practice/steps/12/as-if': way,
    });
    const { unmount } = show(<MyRoute walk="practice" />);
    await userEvent.click(
      await screen.findByRole('button', { name: 'as if it were done: Pads, cables, levers' }),
    );
    await userEvent.click(
      screen.getByRole('button', { name: 'as if it were open: Brake set-up practical' }),
    );
    expect(await screen.findByText('It cannot be.')).toBeInTheDocument();
    expect(calls.filter((c) => c.method === 'POST').map((c) => c.body)).toEqual([
      { so: 'DONE' },
      { so: 'OPEN' },
    ]);
    unmount();
    show(<MyRoute walk="mine" />);
    await screen.findByRole('main');
    expect(screen.queryByRole('button', { name: /as if/ })).toBeNull();
  });

  it('is walked on into a closed module too', async () => {
    const [module] = way.modules;
    const closed = { ...way, modules: [{ ...module, open: false }] };
    const calls = serve({
      'GET /api/courses/2/walks/practice/route': closed,
      'POST /api/courses/2/walks/practice/steps/12/as-if': way,
    });
    show(<MyRoute walk="practice" />);
    await userEvent.click(
      await screen.findByRole('button', { name: 'as if it were open: Brakes' }),
    );
    expect(calls.find((c) => c.method === 'POST')?.body).toEqual({ so: 'OPEN' });
  });

  it('says when nothing is open, and when all is complete', async () => {
    const { next: _, ...rest } = way;
    serve({
      'GET /api/courses/2/walks/mine/route': {
        ...rest,
        complete: true,
        said: 'Complete, and well turned.',
      },
    });
    show(<MyRoute walk="mine" />);
    expect(await screen.findByRole('heading', { level: 1 })).toHaveTextContent(
      'Complete, and well turned.',
    );
  });
});

describe('a step', () => {
  const page: StepPage = {
    id: 12,
    name: 'Rim brake anatomy',
    kind: 'PAGE',
    module: 'Brakes',
    state: 'OPEN',
    overdue: false,
    outOfReach: false,
    minutes: 9,
    body: '<p>A lever pulls a cable.</p>',
    part: { is: 'page' },
    confirmable: true,
    confirmed: false,
    evidenceFor: ['Set up rim and disc brakes'],
    opened: [],
  };
  const view = () =>
    show(
      <Routes>
        <Route path="/c/2/my/steps/:step" element={<StepView walk="mine" />} />
      </Routes>,
      '/c/2/my/steps/12',
    );

  it('shows its text and tells what opened when it is confirmed', async () => {
    serve({
      'POST /api/courses/2/walks/mine/steps/12/visits': page,
      'POST /api/courses/2/walks/mine/steps/12/confirmation': {
        ...page,
        state: 'DONE',
        confirmed: true,
        opened: ['Pads, cables, levers'],
      },
    });
    view();
    expect(await screen.findByText('A lever pulls a cable.')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: /I have gone through/ }));
    expect(await screen.findByText(/Pads, cables, levers/)).toBeInTheDocument();
  });

  it('that is closed says what is missing and leads back', async () => {
    serve({
      'POST /api/courses/2/walks/mine/steps/12/visits': failure(403, {
        detail: '“Rim brake anatomy” is closed.',
        missing: [part('NOT_YET', 'finish “Read a bicycle”')],
      }),
    });
    view();
    expect(await screen.findByText(/Read a bicycle/)).toBeInTheDocument();
    expect(screen.getByRole('link')).toHaveAttribute('href', '/c/2/my/route');
  });

  it('that a made-up learner does not see is opened for them, or says what is in the way', async () => {
    const opening = 'POST /api/courses/2/walks/practice/steps/12/opening';
    serve({
      'POST /api/courses/2/walks/practice/steps/12/visits': failure(404, { detail: 'None.' }),
      [opening]: failure(409, { detail: 'This step is for others.' }),
    });
    show(
      <Routes>
        <Route path="/c/2/practice/steps/:step" element={<StepView walk="practice" />} />
      </Routes>,
      '/c/2/practice/steps/12',
    );
    const anyway = await screen.findByRole('button', { name: 'Open it in this walk' });
    await userEvent.click(anyway);
    expect(await screen.findByText('This step is for others.')).toBeVisible();
    serve({ [opening]: page });
    await userEvent.click(anyway);
    expect(await screen.findByText('Rim brake anatomy')).toBeVisible();
  });
});
