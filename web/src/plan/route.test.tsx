import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { StepKind } from '../api/client';
import { courseRules } from '../test/fixtures';
import { type Call, changed, failure, serve, show } from '../test/stage';
import RouteOutline from './RouteOutline';

const askRoot = (says: string) => ({
  id: 'a',
  is: 'ask',
  n: 0,
  parts: [],
  leaf: { is: 'seen', step: 11 },
  subject: '',
  says,
});
const step = (id: number, kind: string, name: string, more = {}) => ({
  id,
  version: 2,
  module: 1,
  kind,
  name,
  required: true,
  published: true,
  doneWhen: { line: 'read', root: askRoot('read') },
  listed: true,
  tells: true,
  staysOpen: true,
  minutes: 10,
  points: 0,
  passMark: 0,
  attempts: 0,
  body: '<p>Text.</p>',
  part: { is: kind.toLowerCase() },
  evidenceFor: [],
  groups: [],
  people: [],
  allowances: [],
  ownWords: {},
  ...more,
});
const design = (more = {}) => ({
  course: 2,
  name: 'Cycle Mechanic Foundations',
  publishedVersion: 3,
  changed: true,
  learners: 36,
  scales: [],
  outcomes: [],
  badges: [],
  rules: courseRules(),
  otherCourses: [],
  usual: [],
  flags: [],
  groups: [{ id: 7, name: 'Saturday' }],
  faults: [],
  modules: [
    {
      id: 1,
      version: 1,
      name: 'Brakes',
      published: true,
      strictOrder: false,
      listed: true,
      tells: true,
      staysOpen: true,
      steps: [
        step(11, 'PAGE', 'Rim brake anatomy'),
        step(12, 'PRACTICAL', 'Brake set-up', { points: 30 }),
      ],
    },
  ],
  ...more,
});
const at = '/api/courses/2/design';
const progress = {
  'GET /api/courses/2/roster': [],
  'GET /api/courses/2/reports/progress': {
    steps: [{ id: 11 }, { id: 12 }],
    learners: [{ thread: 'L<' }, { thread: 'L8' }, { thread: '<8' }],
  },
};

describe('the route', () => {
  it('of an empty course says what to do first', async () => {
    const calls = serve({
      [`GET ${at}`]: design({ modules: [], publishedVersion: 0 }),
      [`POST ${at}/modules`]: { id: 5, name: 'Tubes' },
      [`POST ${at}/steps`]: step(51, 'PAGE', 'How a patch holds'),
    });
    show(<RouteOutline />);
    const empty = await screen.findByText(/No modules yet/);
    expect(screen.getByText('Nothing published yet')).toBeInTheDocument();
    expect(screen.getByRole('button', { name: 'Add step' })).toBeDisabled();
    const add = within(empty.parentElement as HTMLElement).getByRole('button');
    await userEvent.click(add);
    // typed as fast as hands can, before the server has answered
    await userEvent.keyboard('Tubes{Enter}How a patch holds{Enter}');
    await vi.waitFor(() => expect(screen.getByTestId('address')).toHaveTextContent('sel=module-5'));
    await vi.waitFor(() =>
      expect(calls.filter((c) => c.method === 'POST').map((c) => c.body)).toEqual([
        { name: 'Tubes' },
        { module: 5, kind: 'PAGE', name: 'How a patch holds' },
      ]),
    );
  });

  it('lists modules and steps with their rules and says what differs from what learners have', async () => {
    serve({ [`GET ${at}`]: design(), ...progress });
    show(<RouteOutline />);
    const outline = await screen.findByRole('list', { name: 'Route, modules and steps' });
    expect(within(outline).getByText('Rim brake anatomy')).toBeInTheDocument();
    expect(screen.getByText(/Draft differs/)).toBeInTheDocument();
    expect(screen.getByText('Published, version 3', { exact: false })).toBeInTheDocument();
  });

  it('names the faults that have to be mended', async () => {
    serve({ [`GET ${at}`]: design({ faults: ['“Brake set-up” asks for a step that is gone.'] }) });
    show(<RouteOutline />);
    expect(await screen.findByRole('alert')).toHaveTextContent('asks for a step that is gone');
  });

  describe('adding steps', () => {
    const steps = [step(11, 'PAGE', 'Rim brake anatomy'), step(12, 'PRACTICAL', 'Brake set-up')];
    const posts = (calls: Call[]) => calls.filter((c) => c.method === 'POST').map((c) => c.body);
    /** A server on which steps really come to stand somewhere. */
    function school(first = steps) {
      const there = [...first];
      return serve({
        [`GET ${at}`]: () => design({ modules: [{ ...design().modules[0], steps: there }] }),
        ...progress,
        [`POST ${at}/steps`]: (call: Call) => {
          const { kind, name, after } = call.body as {
            kind: StepKind;
            name: string;
            after?: number;
          };
          const made = step(10 + there.length + 1, kind, name);
          const place = there.findIndex((s) => s.id === after);
          there.splice(place < 0 ? there.length : place + 1, 0, made);
          return made;
        },
      });
    }

    it('begins where one stands, takes the kind by key, and goes on with the next', async () => {
      const calls = school();
      show(<RouteOutline />, '/c/2/plan/route?sel=step-11');
      await screen.findByRole('list', { name: 'Route, modules and steps' });
      await userEvent.click(screen.getByRole('button', { name: 'Add step' }));
      const name = screen.getByLabelText('Name of the step');
      expect(name).toHaveFocus();
      await userEvent.type(name, '{ArrowDown}Toe-in{Enter}');
      expect(await screen.findByText('“Toe-in” added.')).toBeInTheDocument();
      await userEvent.type(screen.getByLabelText('Name of the step'), 'Toe-out{Enter}');
      await screen.findByText('“Toe-out” added.');
      expect(posts(calls)).toEqual([
        { module: 1, after: 11, kind: 'VIDEO', name: 'Toe-in' },
        { module: 1, after: 13, kind: 'VIDEO', name: 'Toe-out' },
      ]);
      await userEvent.keyboard('{Escape}');
      expect(screen.queryByLabelText('Name of the step')).not.toBeInTheDocument();
      expect(screen.getByTestId('address')).toHaveTextContent('sel=step-14');
    });

    it('keeps the order of names that are typed faster than they are saved', async () => {
      const calls = school();
      show(<RouteOutline />);
      await userEvent.click(await screen.findByRole('button', { name: 'Add step to Brakes' }));
      await userEvent.type(screen.getByLabelText('Name of the step'), 'One{Enter}Two{Enter}');
      await screen.findByText('“Two” added.');
      expect(posts(calls)).toEqual([
        { module: 1, kind: 'PAGE', name: 'One' },
        { module: 1, after: 13, kind: 'PAGE', name: 'Two' },
      ]);
    });

    it('keeps the kind and what is typed when the row moves behind the first step of a module', async () => {
      const calls = school([]);
      show(<RouteOutline />);
      await userEvent.click(await screen.findByRole('button', { name: 'Add step to Brakes' }));
      const name = screen.getByLabelText('Name of the step');
      await userEvent.type(name, '{ArrowDown}Toe-in{Enter}{ArrowDown}Nam');
      await screen.findByText('“Toe-in” added.');
      expect(screen.getByLabelText('Name of the step')).toBe(name);
      await userEvent.keyboard('e it{Enter}');
      await screen.findByText('“Name it” added.');
      expect(posts(calls)).toMatchObject([{ kind: 'VIDEO' }, { kind: 'QUIZ', name: 'Name it' }]);
    });

    it('gives a name back that could not be added', async () => {
      serve({
        [`GET ${at}`]: design(),
        ...progress,
        [`POST ${at}/steps`]: failure(503, { detail: 'Try again in a minute.' }),
      });
      show(<RouteOutline />);
      await userEvent.click(await screen.findByRole('button', { name: 'Add step to Brakes' }));
      await userEvent.type(screen.getByLabelText('Name of the step'), 'Toe-in{Enter}');
      expect(await screen.findByText(/Try again in a minute/)).toBeInTheDocument();
      expect(screen.getByLabelText('Name of the step')).toHaveValue('Toe-in');
    });
  });

  describe('what is shown', () => {
    const opens = (step: number) => ({
      opensWhen: { line: '', text: '', root: { ...askRoot('read'), leaf: { is: 'seen', step } } },
    });
    function school() {
      serve({
        [`GET ${at}`]: design({
          modules: [
            {
              ...design().modules[0],
              steps: [
                step(11, 'PAGE', 'First'),
                step(12, 'PAGE', 'Second', opens(11)),
                step(13, 'PAGE', 'Third', {
                  doneWhen: { line: '', text: 'this step confirmed', root: askRoot('sure') },
                }),
              ],
            },
          ],
        }),
        ...progress,
      });
      show(<RouteOutline />);
    }
    const rows = () =>
      ['First', 'Second', 'Third'].filter((name) => screen.queryByRole('button', { name }));

    it('can be the rules alone that are not the usual ones', async () => {
      school();
      await userEvent.click(
        await screen.findByRole('button', { name: 'rules that are not the usual ones' }),
      );
      expect(rows()).toEqual(['Second', 'Third']);
      await userEvent.click(screen.getByRole('button', { name: 'all' }));
      expect(rows()).toHaveLength(3);
    });

    it('can be what holds a step back, or what it opens', async () => {
      school();
      expect(await screen.findByRole('button', { name: 'what it opens' })).toBeDisabled();
      await userEvent.click(screen.getByRole('button', { name: 'First' }));
      await userEvent.click(screen.getByRole('button', { name: 'what it opens' }));
      expect(rows()).toEqual(['First', 'Second']);
      expect(screen.getByText('It: “First”.')).toBeInTheDocument();
    });
  });

  describe('several steps', () => {
    const three = [
      step(11, 'PAGE', 'Anatomy'),
      step(12, 'PRACTICAL', 'Set-up', { published: false, dueAt: '2026-12-04T17:00:00Z' }),
      step(13, 'PAGE', 'After'),
    ];
    function school(more: Record<string, unknown> = {}) {
      return serve({
        ...more,
        [`GET ${at}`]: design({ modules: [{ ...design().modules[0], steps: three }] }),
        ...progress,
        [`POST ${at}/steps/changes`]: (call: Call) => {
          const { steps } = call.body as { steps: { id: number; fields: { to: object } }[] };
          return steps.map(({ id, fields }) => ({
            ...three.find((s) => s.id === id),
            ...fields.to,
            version: 3,
          }));
        },
        [`POST ${at}/steps/removal`]: undefined,
        [`POST ${at}/steps/restoration`]: undefined,
      });
    }
    const sent = (calls: Call[], what: string) =>
      calls.filter((c) => c.path === `${at}/steps/${what}`).map((c) => c.body);

    it('are picked from one to another and changed in one go, and undone as they were', async () => {
      const calls = school();
      show(<RouteOutline />);
      const user = userEvent.setup();
      await user.click(await screen.findByRole('checkbox', { name: 'Pick Anatomy' }));
      await user.keyboard('{Shift>}');
      await user.click(screen.getByRole('checkbox', { name: 'Pick After' }));
      await user.keyboard('{/Shift}');
      expect(screen.getByRole('toolbar', { name: '3 steps picked' })).toBeInTheDocument();
      await user.click(screen.getByRole('button', { name: 'Hide' }));
      expect(await screen.findByText('2 steps changed.')).toBeInTheDocument();
      await user.click(screen.getByRole('button', { name: 'Undo' }));
      await vi.waitFor(() => expect(sent(calls, 'changes')).toHaveLength(2));
      expect(sent(calls, 'changes')[1]).toEqual({
        steps: [11, 13].map((id) => ({
          id,
          fields: { from: { published: false }, to: { published: true } },
        })),
      });
    });

    it('are picked with their module, taken away and brought back', async () => {
      const calls = school();
      show(<RouteOutline />);
      await userEvent.click(await screen.findByRole('checkbox', { name: 'Pick Brakes' }));
      const bar = screen.getByRole('toolbar');
      await userEvent.click(within(bar).getByRole('button', { name: 'Take away' }));
      expect(await screen.findByText('3 steps taken away.')).toBeInTheDocument();
      await userEvent.click(screen.getByRole('button', { name: 'Undo' }));
      await vi.waitFor(() => expect(sent(calls, 'restoration')).toEqual([{ steps: [11, 12, 13] }]));
    });

    it('get the rule of the first, each with itself in the place of that step', async () => {
      const ruled = (step: number) => ({
        step,
        rule: { line: '', text: '', root: { ...askRoot('read'), id: `r${step}` } },
      });
      const calls = school({
        'POST /api/courses/2/design/rules/for-steps': [ruled(11), ruled(12), ruled(13)],
      });
      show(<RouteOutline />);
      await userEvent.click(await screen.findByRole('checkbox', { name: 'Pick Brakes' }));
      await userEvent.click(screen.getByRole('button', { name: 'Rule …' }));
      const dialog = await screen.findByRole('dialog');
      await userEvent.click(within(dialog).getByRole('button', { name: 'Done when' }));
      await userEvent.click(within(dialog).getByRole('button', { name: 'Give it to 3 steps' }));
      await vi.waitFor(() => expect(sent(calls, 'changes')).toHaveLength(1));
      expect(calls.find((c) => c.path.endsWith('for-steps'))?.body).toMatchObject({
        done: true,
        from: 11,
        steps: [11, 12, 13],
      });
      const [first] = (sent(calls, 'changes')[0] as { steps: unknown[] }).steps;
      expect(first).toMatchObject({ id: 11, fields: { to: { doneWhen: { id: 'r11' } } } });
    });

    it('get the same date, or none, and keep what is left empty', async () => {
      const calls = school();
      show(<RouteOutline />);
      await userEvent.click(await screen.findByRole('checkbox', { name: 'Pick Set-up' }));
      await userEvent.click(screen.getByRole('button', { name: 'Dates …' }));
      const dialog = await screen.findByRole('dialog');
      await userEvent.click(within(dialog).getByRole('button', { name: 'Set dates' }));
      const none = within(dialog).getAllByRole('checkbox', { name: 'No date' });
      await userEvent.click(none[1] as HTMLElement);
      const buttons = within(dialog).getAllByRole('button', { name: 'Set dates' });
      await userEvent.click(buttons.at(-1) as HTMLElement);
      await vi.waitFor(() =>
        expect(sent(calls, 'changes')).toEqual([
          { steps: [{ id: 12, fields: { from: { dueAt: '2026-12-04T17:00:00Z' }, to: {} } }] },
        ]),
      );
    });

    it('are let go of with Escape', async () => {
      school();
      show(<RouteOutline />);
      await userEvent.click(await screen.findByRole('checkbox', { name: 'Pick Set-up' }));
      await userEvent.keyboard('{Escape}');
      expect(screen.queryByRole('toolbar')).not.toBeInTheDocument();
    });
  });

  it('publishes only after saying what that does to whom', async () => {
    const calls = serve({
      [`GET ${at}`]: design(),
      ...progress,
      'GET /api/courses/2/publications/next': {
        draft: 'seen',
        changed: ['“Brake set-up”'],
        learners: 36,
        earlier: 0,
        changes: [
          {
            what: '“Brake set-up” opens',
            loss: false,
            learners: ['Edda', 'Dov', 'Femi', 'Greta', 'Kofi', 'Lena', 'Mirko'],
          },
        ],
      },
      'POST /api/courses/2/publications': { id: 1, what: 'publishing', state: 'WAITING' },
    });
    show(<RouteOutline />);
    await vi.waitFor(() => expect(screen.getByRole('button', { name: 'Publish' })).toBeEnabled());
    await userEvent.click(screen.getByRole('button', { name: 'Publish' }));
    const dialog = await screen.findByRole('dialog');
    expect(
      await within(dialog).findByText(
        '“Brake set-up” opens for Edda, Dov, Femi, Greta, Kofi and 2 more',
      ),
    ).toBeInTheDocument();
    await userEvent.click(within(dialog).getByRole('button', { name: 'Publish for everyone' }));
    await vi.waitFor(() => expect(calls.some((c) => c.method === 'POST')).toBe(true));
  });

  it('does not publish what has faults, and lists them', async () => {
    serve({
      [`GET ${at}`]: design(),
      ...progress,
      'GET /api/courses/2/publications/next': failure(422, {
        detail: 'has faults',
        findings: ['“Brake set-up” asks for a step that is gone.'],
      }),
    });
    show(<RouteOutline />);
    await vi.waitFor(() => expect(screen.getByRole('button', { name: 'Publish' })).toBeEnabled());
    await userEvent.click(screen.getByRole('button', { name: 'Publish' }));
    const dialog = await screen.findByRole('dialog');
    expect(await within(dialog).findByText(/asks for a step that is gone/)).toBeInTheDocument();
    expect(within(dialog).getByRole('button', { name: 'Publish for everyone' })).toBeDisabled();
  });
});

describe('a step of the route', () => {
  it('shows how learners stand at it now', async () => {
    serve({ [`GET ${at}`]: design(), ...progress });
    show(<RouteOutline />, '/c/2/plan/route?sel=step-12');
    expect(await screen.findByText(/1 open, 2 closed/)).toBeInTheDocument();
  });

  it('is listed with reasons, without, or not while closed, by a word that one clicks', async () => {
    const calls = serve({
      [`GET ${at}`]: design(),
      ...progress,
      [`PATCH ${at}/steps/12`]: step(12, 'PRACTICAL', 'Brake set-up', { version: 3 }),
    });
    show(<RouteOutline />, '/c/2/plan/route?sel=step-12');
    await userEvent.click(
      await screen.findByRole('button', { name: 'listed, with what is missing' }),
    );
    await vi.waitFor(() => expect(changed(calls)).toEqual([{ tells: false }]));
  });

  it('is given to groups and weighed in settings', async () => {
    const calls = serve({
      [`GET ${at}`]: design(),
      ...progress,
      [`PATCH ${at}/steps/12`]: step(12, 'PRACTICAL', 'Brake set-up', { version: 3 }),
    });
    show(<RouteOutline />, '/c/2/plan/route?sel=step-12');
    await userEvent.click(await screen.findByRole('button', { name: 'Settings' }));
    const points = await screen.findByLabelText('Points');
    await userEvent.clear(points);
    await userEvent.type(points, '25{Tab}');
    await vi.waitFor(() => expect(changed(calls).at(-1)).toEqual({ points: 25 }));
    await userEvent.click(screen.getByLabelText('Required'));
    await vi.waitFor(() => expect(changed(calls).at(-1)).toEqual({ required: false }));
  });

  it('is tied to outcomes that it gives evidence of, with a weight each', async () => {
    const outcomes = [{ id: 41, code: 'BRAKE', name: 'Set up a brake', retired: false }];
    const tied = step(12, 'PRACTICAL', 'Brake set-up', {
      evidenceFor: [{ outcome: 41, weight: 1 }],
    });
    const [module] = design().modules;
    const calls = serve({
      [`GET ${at}`]: design({ outcomes, modules: [{ ...module, steps: [tied] }] }),
      ...progress,
      [`PATCH ${at}/steps/12`]: tied,
    });
    show(<RouteOutline />, '/c/2/plan/route?sel=step-12');
    await userEvent.click(await screen.findByRole('button', { name: 'Settings' }));
    const weight = await screen.findByLabelText(/BRAKE/);
    await userEvent.clear(weight);
    await userEvent.type(weight, '3{Enter}');
    await vi.waitFor(() =>
      expect(changed(calls).at(-1)).toEqual({ evidenceFor: [{ outcome: 41, weight: 3 }] }),
    );
    await userEvent.type(screen.getByLabelText('Evidence for'), '{Backspace}');
    await vi.waitFor(() => expect(changed(calls).at(-1)).toEqual({ evidenceFor: [] }));
  });

  it('is given to groups and to learners by name, found by typing', async () => {
    const calls = serve({
      [`GET ${at}`]: design(),
      ...progress,
      'GET /api/courses/2/roster': [
        { enrolment: 1, person: 31, name: 'Edda Marsh', email: 'e', enrolledAt: '', groups: [] },
      ],
      [`PATCH ${at}/steps/12`]: step(12, 'PRACTICAL', 'Brake set-up', { version: 3 }),
    });
    show(<RouteOutline />, '/c/2/plan/route?sel=step-12');
    await userEvent.click(await screen.findByRole('button', { name: 'Settings' }));
    const audience = await screen.findByLabelText('For whom');
    await userEvent.type(audience, 'satur{ArrowDown}{Enter}');
    await vi.waitFor(() => expect(changed(calls).at(-1)).toEqual({ groups: [7] }));
    await userEvent.type(audience, 'edd{ArrowDown}{Enter}');
    await vi.waitFor(() => expect(changed(calls).at(-1)).toMatchObject({ people: [31] }));
  });

  it('is given to a new group, which is made of the learners who are named, by its name', async () => {
    const mine = step(19, 'PRACTICAL', 'Brake set-up', { people: [31] });
    const [module] = design().modules;
    const calls = serve({
      [`GET ${at}`]: design({ modules: [{ ...module, steps: [mine] }] }),
      ...progress,
      'GET /api/courses/2/roster': [
        { enrolment: 4, person: 31, name: 'Edda Marsh', email: 'e', enrolledAt: '', groups: [] },
      ],
      'POST /api/courses/2/groups': { id: 9, name: 'Evening', members: 1, uses: [] },
      [`PATCH ${at}/steps/19`]: mine,
    });
    show(<RouteOutline />, '/c/2/plan/route?sel=step-19');
    await userEvent.click(await screen.findByRole('button', { name: 'Settings' }));
    await userEvent.type(await screen.findByLabelText('For whom'), 'Evening');
    await userEvent.click(
      await screen.findByText('New group “Evening” of the learner chosen here'),
    );
    await vi.waitFor(() => expect(changed(calls).at(-1)).toEqual({ groups: [9], people: [] }));
    expect(calls.find((c) => c.path === '/api/courses/2/groups')?.body).toEqual({
      name: 'Evening',
      learners: [4],
    });
  });

  it('says in its line for whom it is, where it is not for everybody', async () => {
    const mine = step(12, 'PRACTICAL', 'Brake set-up', { groups: [7], people: [31, 32] });
    const [module] = design().modules;
    serve({ [`GET ${at}`]: design({ modules: [{ ...module, steps: [mine] }] }), ...progress });
    show(<RouteOutline />, '/c/2/plan/route');
    expect(await screen.findByText('only Saturday, 2 learners')).toBeVisible();
  });

  it('is made again as often as wanted, as was shown before, and all of them taken back', async () => {
    const shown = [
      { name: 'Brake set-up 2', dueAt: '2026-12-11T17:00:00Z' },
      { name: 'Brake set-up 3', dueAt: '2026-12-18T17:00:00Z' },
    ];
    const calls = serve({
      [`GET ${at}`]: design(),
      ...progress,
      [`POST ${at}/steps/12/copies/preview`]: shown,
      [`POST ${at}/steps/12/copies`]: [
        step(21, 'PRACTICAL', 'Brake set-up 2'),
        step(22, 'PRACTICAL', 'Brake set-up 3'),
      ],
      [`POST ${at}/steps/removal`]: undefined,
    });
    show(<RouteOutline />, '/c/2/plan/route?sel=step-12');
    await userEvent.click(await screen.findByRole('button', { name: 'Settings' }));
    await userEvent.click(await screen.findByRole('button', { name: /Same again/ }));
    const dialog = await screen.findByRole('dialog');
    const times = within(dialog).getByLabelText('How many more');
    await userEvent.clear(times);
    await userEvent.type(times, '2');
    await userEvent.click(within(dialog).getByRole('button', { name: 'Sunday' }));
    await userEvent.type(within(dialog).getByLabelText('Day without'), '2026-12-25{Enter}');
    expect(await within(dialog).findByText(/due Fri 18 Dec/)).toBeVisible();
    await userEvent.click(within(dialog).getByRole('button', { name: 'Make 2 more' }));
    await userEvent.click(await screen.findByRole('button', { name: 'Undo' }));
    await vi.waitFor(() =>
      expect(calls.find((c) => c.path.endsWith('/removal'))?.body).toMatchObject({
        steps: [{ id: 21 }, { id: 22 }],
      }),
    );
    const asked = { every: 1, unit: 'WEEKS', times: 2, weekdaysOut: ['SUNDAY'] };
    expect(calls.find((c) => c.path.endsWith('/copies'))?.body).toEqual({
      ...asked,
      daysOut: ['2026-12-25'],
    });
  });

  it('goes a place down without dragging', async () => {
    const calls = serve({ [`GET ${at}`]: design(), ...progress, [`PUT ${at}/order`]: design() });
    show(<RouteOutline />, '/c/2/plan/route?sel=step-11');
    await userEvent.click(await screen.findByRole('button', { name: 'Settings' }));
    expect(screen.getByRole('button', { name: 'Move up' })).toBeDisabled();
    await userEvent.click(screen.getByRole('button', { name: 'Move down' }));
    await vi.waitFor(() => expect(calls.some((c) => c.method === 'PUT')).toBe(true));
    const put = calls.find((c) => c.method === 'PUT')?.body as
      | { modules: { steps: number[] }[] }
      | undefined;
    expect(put?.modules[0]?.steps.indexOf(11)).toBe(1);
  });

  it('can be taken away with a way back', async () => {
    const calls = serve({
      [`GET ${at}`]: design(),
      ...progress,
      [`DELETE ${at}/steps/11`]: undefined,
      [`POST ${at}/steps/11/restoration`]: undefined,
    });
    show(<RouteOutline />, '/c/2/plan/route?sel=step-11');
    await userEvent.click(await screen.findByRole('button', { name: 'Settings' }));
    await userEvent.click(screen.getByRole('button', { name: 'Take away' }));
    expect(await screen.findByText('“Rim brake anatomy” taken away')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Undo' }));
    await vi.waitFor(() =>
      expect(calls.map((c) => c.path)).toContain(`${at}/steps/11/restoration`),
    );
  });
});

describe('a module of the route', () => {
  it('goes in strict order with one switch, and keeps its rules', async () => {
    const calls = serve({
      [`GET ${at}`]: design(),
      ...progress,
      [`PATCH ${at}/modules/1`]: { id: 1, version: 2 },
    });
    show(<RouteOutline />, '/c/2/plan/route?sel=module-1');
    const [strict] = await screen.findAllByRole('switch');
    await userEvent.click(strict as HTMLElement);
    await vi.waitFor(() => expect(changed(calls)).toEqual([{ strictOrder: true }]));
  });
});
