import { fireEvent, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import { failure, serve, show } from '../test/stage';
import Marking from './Marking';

vi.mock('../ui/editor/TextEditor', () => ({
  default: (editor: { label: string; onChange: (html: string) => void }) => (
    <textarea aria-label={editor.label} onChange={(e) => editor.onChange(e.target.value)} />
  ),
}));

const waiting = (enrolment: number, learner: string, step: number, version = 1) => ({
  enrolment,
  learner,
  step,
  name: 'Brake job card',
  kind: 'ASSIGNMENT',
  version,
  since: '2026-11-20T08:00:00Z',
});
const queue = {
  handedIn: [waiting(5, 'Celeste Adeyo', 14), waiting(6, 'Dov Halloran', 14, 2)],
  toSignOff: [waiting(7, 'Edda Marsh', 13)],
};
const work = {
  enrolment: 5,
  learner: 'Celeste Adeyo',
  step: 14,
  name: 'Brake job card',
  kind: 'ASSIGNMENT',
  module: 'Brakes',
  task: '<p>Write the job card.</p>',
  points: 20,
  versions: [
    {
      version: 1,
      at: '2026-11-20T08:00:00Z',
      text: 'Two pads, 5 Nm.',
      link: '',
      files: [],
      late: false,
    },
  ],
  outcomes: [
    {
      id: 3,
      code: 'BRAKE',
      name: 'Set up rim and disc brakes',
      now: 1,
      mastery: 2,
      levels: ['Watching', 'With help', 'On my own'].map((name) => ({ name, description: '' })),
    },
  ],
};
const at = '/api/courses/2/marking';

/** Passed with all points. */
async function judgeAll() {
  await userEvent.click(screen.getByRole('button', { name: 'Passed' }));
  await userEvent.type(screen.getByLabelText('Points of 20'), '20');
}

describe('marking', () => {
  it('says when nothing waits', async () => {
    serve({ [`GET ${at}`]: { handedIn: [], toSignOff: [] } });
    show(<Marking />);
    expect(await screen.findByText('Nothing waits for you.')).toBeInTheDocument();
  });

  it('parts what was handed in from what can be signed off, and counts both', async () => {
    serve({ [`GET ${at}`]: queue });
    show(<Marking />);
    expect(await screen.findByText('Handed in · 2')).toBeInTheDocument();
    expect(screen.getByText('Can be signed off · 1')).toBeInTheDocument();
    expect(screen.getByRole('button', { name: /Dov Halloran/ })).toHaveTextContent('version 2');
  });

  it('goes through the queue by keys, over both parts', async () => {
    serve({ [`GET ${at}`]: queue, [`GET ${at}/*`]: failure(404, { detail: 'gone' }) });
    show(<Marking />);
    const list = await screen.findByRole('navigation');
    for (let n = 0; n < 3; n++) fireEvent.keyDown(list, { key: 'j' });
    expect(screen.getByTestId('address')).toHaveTextContent('sel=7-13');
    fireEvent.keyDown(list, { key: 'j' });
    expect(screen.getByTestId('address')).toHaveTextContent('sel=7-13');
  });

  it('sends points, judgement, comment and levels, and goes on to the next', async () => {
    const calls = serve({
      [`GET ${at}`]: queue,
      [`GET ${at}/*`]: work,
      [`POST ${at}/5/14/marks`]: undefined,
    });
    show(<Marking />, '/c/2/teach/marking?sel=5-14');
    expect(await screen.findByText('Two pads, 5 Nm.')).toBeInTheDocument();
    const points = screen.getByLabelText('Points of 20');
    await userEvent.clear(points);
    await userEvent.type(points, '17.5');
    await userEvent.click(screen.getByRole('button', { name: 'Another go' }));
    const levels = screen.getByRole('group', { name: 'Set up rim and disc brakes' });
    await userEvent.click(within(levels).getByText('With help'));
    await userEvent.type(await screen.findByLabelText('Comment'), '<b>Say</b> which pad.');
    await userEvent.click(screen.getByRole('button', { name: 'Send to Celeste Adeyo' }));
    await vi.waitFor(() =>
      expect(calls.find((c) => c.method === 'POST')?.body).toEqual({
        version: 1,
        points: 17.5,
        judgement: 'AGAIN',
        comment: '<b>Say</b> which pad.',
        levels: { '3': 1 },
      }),
    );
    await vi.waitFor(() => expect(screen.getByTestId('address')).toHaveTextContent('sel=6-14'));
  });

  it('says what is missing, sends by keys, and goes with the focus to the next work', async () => {
    const calls = serve({
      [`GET ${at}`]: queue,
      [`GET ${at}/*`]: work,
      [`POST ${at}/5/14/marks`]: undefined,
    });
    show(<Marking />, '/c/2/teach/marking?sel=5-14');
    const send = await screen.findByRole('button', { name: 'Send to Celeste Adeyo' });
    expect(send).toBeDisabled();
    expect(send).toHaveAccessibleDescription('Choose a judgement first.');
    await userEvent.click(screen.getByRole('button', { name: 'Passed' }));
    expect(send).toHaveAccessibleDescription('Give points first.');
    await userEvent.keyboard('{Control>}{Enter}{/Control}');
    expect(calls.some((c) => c.method === 'POST')).toBe(false);
    await userEvent.type(screen.getByLabelText('Points of 20'), '20');
    await userEvent.keyboard('{Control>}{Enter}{/Control}');
    await vi.waitFor(() => expect(screen.getByTestId('address')).toHaveTextContent('sel=6-14'));
    await vi.waitFor(() => expect(document.activeElement?.tagName).toBe('H2'));
  });

  it('keeps everything that was written when somebody else was faster', async () => {
    serve({
      [`GET ${at}`]: queue,
      [`GET ${at}/*`]: work,
      [`POST ${at}/5/14/marks`]: failure(409, { detail: 'A newer version was handed in.' }),
    });
    show(<Marking />, '/c/2/teach/marking?sel=5-14');
    await userEvent.type(await screen.findByLabelText('Comment'), 'Clear.');
    await judgeAll();
    await userEvent.click(screen.getByRole('button', { name: 'Send to Celeste Adeyo' }));
    expect(await screen.findByRole('alert')).toHaveTextContent('newer version');
    expect(screen.getByLabelText('Comment')).toHaveValue('Clear.');
  });

  it('takes a level back when it is pressed twice', async () => {
    const calls = serve({
      [`GET ${at}`]: queue,
      [`GET ${at}/*`]: work,
      [`POST ${at}/5/14/marks`]: undefined,
    });
    show(<Marking />, '/c/2/teach/marking?sel=5-14');
    const own = await screen.findByText('On my own');
    await userEvent.click(own);
    await userEvent.click(own);
    await judgeAll();
    await userEvent.click(screen.getByRole('button', { name: 'Send to Celeste Adeyo' }));
    await vi.waitFor(() =>
      expect(calls.find((c) => c.method === 'POST')?.body).toMatchObject({ levels: {} }),
    );
  });

  it('goes through a rubric, which gives the points and leaves its outcomes out of the rest', async () => {
    const level = (key: number, name: string, points: number) => ({
      key,
      name,
      description: '',
      points,
    });
    const rubric = {
      id: 4,
      name: 'Job card',
      of: 10,
      criteria: [
        {
          key: 1,
          name: 'What was done',
          description: '',
          counts: true,
          outcome: 3,
          outcomeName: 'Set up rim and disc brakes',
          levels: [level(11, 'Little', 1), level(12, 'All', 6)],
        },
        {
          key: 2,
          name: 'Measured',
          description: '',
          counts: true,
          levels: [level(21, 'No', 0), level(22, 'Yes', 4)],
        },
      ],
    };
    const calls = serve({
      [`GET ${at}`]: queue,
      [`GET ${at}/*`]: { ...work, rubric },
      [`POST ${at}/5/14/marks`]: undefined,
    });
    show(<Marking />, '/c/2/teach/marking?sel=5-14');
    const done = await screen.findByRole('radiogroup', { name: 'What was done' });
    expect(screen.queryByRole('group', { name: 'Set up rim and disc brakes' })).toBeNull();
    await userEvent.click(within(done).getByRole('radio', { name: /All/ }));
    expect(screen.getByText(/1 criterion is not assessed yet/)).toBeInTheDocument();
    expect(screen.getByLabelText('Points of 20')).toHaveValue(null);
    expect(screen.getByRole('button', { name: 'Send to Celeste Adeyo' })).toBeDisabled();
    const measured = screen.getByRole('radiogroup', { name: 'Measured' });
    await userEvent.click(within(measured).getByRole('radio', { name: /No/ }));
    expect(screen.getByLabelText('Points of 20')).toHaveValue(12);
    expect(screen.getByText('Job card: 6 of 10 points')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Passed' }));
    await userEvent.click(screen.getByRole('button', { name: 'Send to Celeste Adeyo' }));
    await vi.waitFor(() =>
      expect(calls.find((c) => c.method === 'POST')?.body).toMatchObject({
        points: 12,
        rubric: [
          { criterion: 1, level: 12, comment: '' },
          { criterion: 2, level: 21, comment: '' },
        ],
      }),
    );
  });
});
