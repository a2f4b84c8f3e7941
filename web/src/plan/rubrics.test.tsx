import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { RubricEdit } from '../api/client';
import { type Call, changed, failure, serve, show } from '../test/stage';
import Rubrics from './Rubrics';
import { levelsOf, moved, withCriterion } from './rubric';

const scale = {
  id: 1,
  version: 1,
  name: 'workshop scale',
  mastery: 2,
  levels: ['Watching', 'With help', 'On my own'].map((name, key) => ({
    key,
    name,
    points: key + 1,
    description: `${name}, described`,
  })),
};
const design = {
  scales: [scale],
  outcomes: [
    { id: 5, code: 'TUBE', name: 'Patch a tube', scale: 1 },
    { id: 6, code: 'BIKE', name: 'All of it', scale: 1, madeOf: {} },
  ],
  modules: [],
  badges: [],
};
const rubric = (more = {}) => ({
  id: 8,
  version: 2,
  name: 'Patches',
  of: 10,
  steps: ['Your first patch'],
  assessed: 0,
  criteria: [
    {
      key: 1,
      name: 'It holds',
      description: '',
      counts: true,
      outcome: 5,
      outcomeName: 'Patch a tube',
      levels: [
        { key: 2, name: 'Leaks', description: '', points: 0, standsFor: 0 },
        { key: 3, name: 'Holds', description: '', points: 10, standsFor: 2 },
      ],
    },
  ],
  ...more,
});
const at = '/api/courses/2/design';
const answers = {
  [`GET ${at}`]: design,
  [`GET ${at}/rubrics`]: [rubric()],
  [`PATCH ${at}/rubrics/8`]: (call: Call) => ({
    ...rubric(),
    ...changed([call])[0],
    version: 3,
  }),
};
const body = (calls: Call[]) => changed<RubricEdit>(calls).at(-1) as RubricEdit;

describe('rubrics', () => {
  it('say what they are for when there are none, and begin with one criterion', async () => {
    const calls = serve({
      ...answers,
      [`GET ${at}/rubrics`]: [],
      [`POST ${at}/rubrics`]: rubric(),
    });
    show(<Rubrics />);
    const empty = await screen.findByText('No rubrics yet.');
    const add = within(empty.parentElement as HTMLElement).getByRole('button');
    await userEvent.click(add);
    await vi.waitFor(() => {
      const made = calls.find((c) => c.method === 'POST')?.body as RubricEdit;
      expect(made.criteria).toHaveLength(1);
      expect(made.criteria[0]?.levels.map((l) => l.points)).toEqual([0, 1]);
    });
  });

  it('save each change with keys and without names of outcomes', async () => {
    const calls = serve(answers);
    show(<Rubrics />);
    const [leaks] = await screen.findAllByLabelText('Level');
    await userEvent.clear(leaks as HTMLElement);
    await userEvent.type(leaks as HTMLElement, 'Leaks at once{Tab}');
    await vi.waitFor(() => expect(changed(calls)).toHaveLength(1));
    expect(changed(calls)[0]).not.toHaveProperty('name');
    expect(body(calls).criteria[0]).toEqual({
      key: 1,
      name: 'It holds',
      description: '',
      counts: true,
      outcome: 5,
      levels: [
        { key: 2, name: 'Leaks at once', description: '', points: 0, standsFor: 0 },
        { key: 3, name: 'Holds', description: '', points: 10, standsFor: 2 },
      ],
    });
  });

  it('take the levels of the scale of their outcome, each standing for itself', async () => {
    const calls = serve(answers);
    show(<Rubrics />);
    await userEvent.click(await screen.findByRole('button', { name: 'Levels of the scale' }));
    await vi.waitFor(() => expect(body(calls).criteria[0]?.levels).toEqual(levelsOf(scale)));
  });

  it('forget what levels stand for when the outcome goes', async () => {
    const calls = serve(answers);
    show(<Rubrics />);
    await userEvent.click(await screen.findByRole('combobox', { name: 'Evidence for' }));
    expect(screen.queryByRole('option', { name: /BIKE/ })).not.toBeInTheDocument();
    await userEvent.click(await screen.findByRole('option', { name: 'no outcome' }));
    await vi.waitFor(() => expect(changed(calls)).not.toHaveLength(0));
    expect(body(calls).criteria[0]).not.toHaveProperty('outcome');
    for (const level of body(calls).criteria[0]?.levels ?? [])
      expect(level).not.toHaveProperty('standsFor');
  });

  it('that were used say what happens to what was assessed', async () => {
    serve({ ...answers, [`GET ${at}/rubrics`]: [rubric({ assessed: 32 })] });
    show(<Rubrics />);
    expect(await screen.findByText(/32 pieces of work were assessed/)).toHaveTextContent(
      'They keep the words they had',
    );
  });

  it('are copied to the shelf and from it', async () => {
    const calls = serve({
      ...answers,
      [`POST ${at}/rubrics/8/shelving`]: undefined,
      [`GET ${at}/shelf/rubrics`]: [
        {
          id: 20,
          name: 'Fault report',
          criteria: 3,
          of: 20,
          by: 'Odalys Brandt',
          at: '2026-11-20T08:00:00Z',
          mayRemove: false,
        },
        {
          id: 21,
          name: 'Job card',
          criteria: 1,
          of: 5,
          by: 'Sefa Dunmore',
          at: '2026-11-21T08:00:00Z',
          mayRemove: true,
        },
      ],
      [`POST ${at}/shelf/rubrics/20/taking`]: rubric({ id: 30 }),
    });
    show(<Rubrics />);
    await userEvent.click(await screen.findByRole('button', { name: 'Copy to the shelf' }));
    expect(await screen.findByText(/is on the shelf for all courses/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Shelf' }));
    const dialog = await screen.findByRole('dialog');
    expect(await within(dialog).findByText(/3 criteria, 20 points/)).toBeInTheDocument();
    expect(within(dialog).getAllByRole('button', { name: 'Take away' })).toHaveLength(1);
    await userEvent.type(within(dialog).getByLabelText('Find by name'), 'fault');
    expect(within(dialog).queryByText('Job card')).not.toBeInTheDocument();
    await userEvent.click(within(dialog).getByRole('button', { name: 'Copy to this course' }));
    await vi.waitFor(() => expect(screen.getByTestId('address')).toHaveTextContent('sel=30'));
    expect(calls.some((c) => c.path.endsWith('/20/taking'))).toBe(true);
  });

  it('in use are not taken away, and say by what they are used', async () => {
    serve({
      ...answers,
      [`DELETE ${at}/rubrics/8`]: failure(409, {
        detail: 'It is used by “Your first patch”. Take it from there first.',
      }),
    });
    show(<Rubrics />);
    await userEvent.click(await screen.findByRole('button', { name: 'Take away' }));
    expect(await screen.findByText(/used by “Your first patch”/)).toBeInTheDocument();
    expect(screen.getByDisplayValue('Patches')).toBeInTheDocument();
  });
});

describe('the criteria of a rubric', () => {
  const edit = {
    name: 'x',
    criteria: ['a', 'b', 'c'].map((name, key) => ({
      key,
      name,
      description: '',
      counts: true,
      levels: [],
    })),
  };
  const names = (e: RubricEdit) => e.criteria.map((c) => c.name).join('');

  it('move by one and never past the ends', () => {
    expect(names(moved(edit, 0, 1))).toBe('bac');
    expect(names(moved(edit, 2, -1))).toBe('acb');
    expect(names(moved(edit, 0, -1))).toBe('abc');
    expect(names(moved(edit, 2, 1))).toBe('abc');
  });

  it('are replaced or taken away in their place', () => {
    expect(names(withCriterion(edit, 1, null))).toBe('ac');
    const other = { name: 'z', description: '', counts: true, levels: [] };
    expect(names(withCriterion(edit, 1, other))).toBe('azc');
    expect(names(edit)).toBe('abc');
  });
});
