import { fireEvent, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { Design, DesignOutcome, LevelRule, StepKind } from '../api/client';
import * as fixtures from '../test/fixtures';
import { changed, failure, laidOut, serve, show } from '../test/stage';
import { LevelRuleFields, USUAL_RULE } from './LevelRuleFields';
import { MadeOfFields } from './MadeOfFields';
import Outcomes from './Outcomes';
import { ScalesDialog } from './ScalesDialog';

const scale = fixtures.scale({ levels: fixtures.scale().levels.slice(0, 3) });
const outcome = (id: number, code: string, more: Partial<DesignOutcome> = {}) =>
  fixtures.outcome(id, code, { name: `Outcome ${code}`, levelRule: USUAL_RULE, ...more });
const step = (id: number, kind: StepKind, ...outcomes: number[]) =>
  fixtures.step(id, kind, { evidenceFor: outcomes.map((o) => ({ outcome: o, weight: 1 })) });
const design = (more: Partial<Design> = {}) =>
  fixtures.design({
    scales: [scale],
    outcomes: [outcome(5, 'BRAKE'), outcome(6, 'GEAR')],
    modules: [fixtures.module(1, [step(11, 'PAGE', 5), step(12, 'QUIZ', 5)])],
    ...more,
  });

describe('outcomes', () => {
  const at = '/api/courses/2/design';

  it('are named one after the other, each with a code that nobody has', async () => {
    const list = [outcome(5, 'TRUE'), outcome(6, 'TRUE3')];
    const calls = serve({
      [`GET ${at}`]: () => design({ outcomes: list }),
      [`POST ${at}/outcomes`]: (call: { body: { code: string } }) => {
        const made = outcome(7 + list.length, call.body.code);
        list.push(made);
        return made;
      },
    });
    show(<Outcomes />);
    await userEvent.click(await screen.findByRole('button', { name: 'Add outcome' }));
    await userEvent.keyboard('True a wheel{Enter}True a disc{Enter}Ä 1{Enter}{Escape}');
    const made = () => calls.filter((c) => c.method === 'POST').map((c) => c.body);
    await vi.waitFor(() => expect(made()).toHaveLength(3));
    expect(made()).toMatchObject([
      { name: 'True a wheel', code: 'TRUE2' },
      { name: 'True a disc', code: 'TRUE4' },
      { name: 'Ä 1', code: 'Ä' },
    ]);
    expect(screen.queryByLabelText('Name of the outcome')).toBeNull();
  });

  it('stand in the field again when one could not be added', async () => {
    serve({
      [`GET ${at}`]: design(),
      [`POST ${at}/outcomes`]: failure(503, { detail: 'Not now.' }),
    });
    show(<Outcomes />);
    await userEvent.click(await screen.findByRole('button', { name: 'Add outcome' }));
    await userEvent.keyboard('Patch a tube{Enter}');
    await vi.waitFor(() =>
      expect(screen.getByLabelText('Name of the outcome')).toHaveValue('Patch a tube'),
    );
  });

  it('are tied to steps where they stand', async () => {
    const calls = serve({
      [`GET ${at}`]: design(),
      [`PATCH ${at}/steps/11`]: step(11, 'PAGE', 5),
    });
    show(<Outcomes />, '/c/2/plan/outcomes?sel=6');
    await userEvent.click(await screen.findByLabelText('Evidence from'));
    const [first] = await screen.findAllByRole('option');
    if (first) await userEvent.click(first);
    await vi.waitFor(() =>
      expect(calls.find((c) => c.method === 'PATCH')?.body).toMatchObject({
        to: { evidenceFor: [{ outcome: 5 }, { outcome: 6, weight: 1 }] },
      }),
    );
  });

  it('say that a scale is needed first where there is none', async () => {
    serve({ [`GET ${at}`]: design({ scales: [], outcomes: [] }) });
    show(<Outcomes />);
    const [add] = await screen.findAllByRole('button', { name: 'Add outcome' });
    if (add) await userEvent.click(add);
    expect(await screen.findByRole('alert')).toHaveTextContent(/scale/);
  });

  it('stand in groups that fold and are renamed, retired ones at the end', async () => {
    const list = [
      outcome(5, 'BRAKE', { group: ['Parts'] }),
      outcome(6, 'GEAR', { group: ['Parts', 'Drive'] }),
      outcome(7, 'OLD', { retired: true }),
    ];
    const calls = serve({
      [`GET ${at}`]: design({ outcomes: list }),
      [`PATCH ${at}/outcomes/*`]: outcome(5, 'BRAKE'),
    });
    show(<Outcomes />);
    const parts = await screen.findByRole('button', { name: /▾ Parts/ });
    expect(parts).toHaveTextContent('2');
    expect(screen.getByText('Retired · 1')).toBeInTheDocument();
    await userEvent.click(parts);
    expect(screen.queryByText('Outcome GEAR')).not.toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Rename' }));
    const name = screen.getByLabelText('Name of the group');
    await userEvent.clear(name);
    await userEvent.type(name, 'Components{Enter}');
    await vi.waitFor(() =>
      expect(changed<DesignOutcome>(calls).map((to) => to.group)).toEqual([
        ['Components'],
        ['Components', 'Drive'],
      ]),
    );
  });

  it('have no coverage before there are steps', async () => {
    serve({ [`GET ${at}`]: design({ modules: [] }) });
    show(<Outcomes />);
    await userEvent.click(await screen.findByRole('button', { name: 'Coverage' }));
    expect(await screen.findByText('No steps yet.')).toBeInTheDocument();
  });

  it('of thousands are drawn only in sight, in the list and in coverage', async () => {
    laidOut();
    const many = Array.from({ length: 3000 }, (_, n) => outcome(100 + n, `K${n}`));
    serve({ [`GET ${at}`]: design({ outcomes: many }) });
    show(<Outcomes />);
    const list = await screen.findByRole('list', { name: 'Outcomes' });
    expect(screen.getByText('3,000 outcomes')).toBeInTheDocument();
    const drawn = within(list).getAllByRole('listitem').length;
    expect(drawn).toBeGreaterThan(5);
    expect(drawn).toBeLessThan(100);
    await userEvent.click(screen.getByRole('button', { name: 'Coverage' }));
    const grid = await screen.findByRole('grid', { name: 'Coverage' });
    expect(within(grid).getAllByRole('row').length).toBeLessThan(100);
  });

  it('are found by a word of any part, and say when none is', async () => {
    serve({ [`GET ${at}`]: design() });
    show(<Outcomes />);
    const find = await screen.findByLabelText('Find an outcome');
    await userEvent.type(find, 'gear');
    expect(screen.getByText('1 outcome')).toBeInTheDocument();
    expect(screen.queryByText('Outcome BRAKE')).not.toBeInTheDocument();
    await userEvent.type(find, 'box');
    expect(screen.getByText('No outcome has “gearbox”.')).toBeInTheDocument();
  });

  it('are put in another place with Alt and an arrow', async () => {
    const calls = serve({ [`GET ${at}`]: design(), [`PUT ${at}/outcomes/order`]: design() });
    show(<Outcomes />, '/c/2/plan/outcomes?sel=6');
    const list = await screen.findByRole('list', { name: 'Outcomes' });
    fireEvent.keyDown(list, { key: 'ArrowUp', altKey: true });
    await vi.waitFor(() =>
      expect(calls.find((c) => c.method === 'PUT')?.body).toEqual({
        outcomes: [6, 5],
        was: [5, 6],
      }),
    );
    fireEvent.keyDown(list, { key: 'k' });
    expect(screen.getByTestId('address')).toHaveTextContent('sel=5');
  });

  it('are retired and moved to a group in the inspector', async () => {
    const calls = serve({
      [`GET ${at}`]: design(),
      [`PATCH ${at}/outcomes/5`]: outcome(5, 'BRAKE', { version: 2 }),
    });
    show(<Outcomes />, '/c/2/plan/outcomes?sel=5');
    await userEvent.click(await screen.findByRole('button', { name: 'Retire' }));
    await vi.waitFor(() => expect(changed(calls)[0]).toEqual({ retired: true }));
    await userEvent.type(screen.getByLabelText('Group'), 'Wheels / Truing{Enter}');
    await vi.waitFor(() =>
      expect(changed(calls).at(-1)).toMatchObject({
        group: ['Wheels', 'Truing'],
      }),
    );
  });

  it('show gaps in the coverage, and a key ties the step to the outcome', async () => {
    const calls = serve({
      [`GET ${at}`]: design(),
      [`PATCH ${at}/steps/12`]: step(12, 'QUIZ', 5, 6),
    });
    show(<Outcomes />);
    await userEvent.click(await screen.findByRole('button', { name: 'Coverage' }));
    const gear = screen.getByRole('row', { name: /GEAR/ });
    expect(gear).toHaveTextContent('nowhere taught · nowhere assessed');
    expect(screen.getByRole('row', { name: /BRAKE/ })).toHaveTextContent('taught 1 · assessed 1');
    screen.getByRole('grid').focus();
    await userEvent.keyboard('{ArrowRight}{ArrowDown} ');
    await vi.waitFor(() =>
      expect(changed(calls)[0]).toMatchObject({
        evidenceFor: [
          { outcome: 5, weight: 1 },
          { outcome: 6, weight: 1 },
        ],
      }),
    );
  });
});

describe('how a level is found', () => {
  function fields(rule: LevelRule) {
    const change = vi.fn();
    show(<LevelRuleFields rule={rule} onChange={change} />);
    return change;
  }

  it('shows the numbers that its method uses, and no others', () => {
    fields({ ...USUAL_RULE, method: 'SECURE' });
    expect(screen.getByLabelText('Reached in')).toHaveValue(2);
    expect(screen.queryByLabelText(/weight halves/)).not.toBeInTheDocument();
  });

  it('keeps k at most n, whichever of them is changed', async () => {
    const change = fields({ ...USUAL_RULE, method: 'SECURE', times: 2, last: 3 });
    await userEvent.clear(screen.getByLabelText('Reached in'));
    await userEvent.type(screen.getByLabelText('Reached in'), '5{Enter}');
    expect(change.mock.calls[0]?.[0]).toMatchObject({ times: 5, last: 5 });
    await userEvent.clear(screen.getByLabelText('of the last'));
    await userEvent.type(screen.getByLabelText('of the last'), '1{Enter}');
    expect(change.mock.calls.at(-1)?.[0]).toMatchObject({ times: 1, last: 1 });
  });

  it('says after how many pieces a weight halves, and what that comes to', async () => {
    const change = fields({ ...USUAL_RULE, method: 'RECENCY_WEIGHTED' });
    const share = screen.getByLabelText(/weight halves/);
    expect(share).toHaveValue(2);
    expect(screen.getByText(/39, 28, 20, 14 %/)).toBeInTheDocument();
    await userEvent.clear(share);
    await userEvent.type(share, '250{Enter}');
    expect(change.mock.calls[0]?.[0]).toMatchObject({ halvesEvery: 50 });
  });
});

describe('an outcome made of others', () => {
  const whole = outcome(9, 'BIKE', { madeOf: { how: 'AT_LEAST', n: 2, parts: [5, 6] } });
  function fields(of: DesignOutcome) {
    const change = vi.fn();
    const all = design({ outcomes: [of, outcome(5, 'BRAKE'), outcome(6, 'GEAR')] });
    show(<MadeOfFields outcome={of} design={all} draft={{ outcome: change }} />);
    return change;
  }

  it('never asks for more parts than it has', async () => {
    const change = fields(whole);
    await userEvent.click(screen.getByLabelText(/GEAR/));
    expect(change.mock.calls[0]?.[1]).toEqual({ madeOf: { how: 'AT_LEAST', n: 1, parts: [5] } });
  });

  it('keeps its last part, and takes evidence of its own again when it is made of none', async () => {
    const change = fields(outcome(9, 'BIKE', { madeOf: { how: 'ALL', n: 1, parts: [5] } }));
    expect(screen.getByLabelText(/BRAKE/)).toBeDisabled();
    await userEvent.click(screen.getByLabelText('Made of other outcomes'));
    expect(change.mock.calls[0]?.[1]).toEqual({ madeOf: undefined });
  });
});

describe('scales', () => {
  const at = '/api/courses/2/design/scales/1';

  it('are saved at once when nothing rests on the change', async () => {
    const calls = serve({
      [`POST ${at}/effects`]: [],
      [`PUT ${at}`]: { ...scale, version: 5 },
      'GET /api/courses/2/design': design(),
    });
    show(<ScalesDialog design={design()} onClose={() => {}} />);
    await userEvent.click(screen.getByRole('button', { name: 'Add a level above' }));
    await userEvent.click(screen.getByRole('button', { name: 'Save scale' }));
    await vi.waitFor(() => expect(calls.some((c) => c.method === 'PUT')).toBe(true));
    const put = calls.find((c) => c.method === 'PUT');
    expect(put?.version).toBe('"4"');
    expect(put?.body).toMatchObject({
      levels: [{ key: 0 }, { key: 1 }, { key: 2 }, { name: 'Level 4' }],
    });
  });

  it('say first what a change does, and save only when told to', async () => {
    const calls = serve({
      [`POST ${at}/effects`]: ['14 ratings at “On my own” will read “Alone”.'],
      [`PUT ${at}`]: scale,
      'GET /api/courses/2/design': design(),
    });
    show(<ScalesDialog design={design()} onClose={() => {}} />);
    const third = screen.getByLabelText('Level 3');
    await userEvent.clear(third);
    await userEvent.type(third, 'Alone');
    await userEvent.click(screen.getByRole('button', { name: 'Save scale' }));
    expect(await screen.findByText(/14 ratings/)).toBeInTheDocument();
    expect(calls.some((c) => c.method === 'PUT')).toBe(false);
    await userEvent.click(screen.getByRole('button', { name: 'Save it so' }));
    await vi.waitFor(() => expect(calls.some((c) => c.method === 'PUT')).toBe(true));
  });

  it('keep mastery at its level when one is put below or taken out', async () => {
    const calls = serve({ [`POST ${at}/effects`]: ['wait'] });
    show(<ScalesDialog design={design()} onClose={() => {}} />);
    await userEvent.click(screen.getByRole('button', { name: 'Add a level below' }));
    expect(screen.getByLabelText('Mastery from level 4 on')).toBeChecked();
    await userEvent.click(screen.getByRole('button', { name: 'Remove level 2' }));
    expect(screen.getByLabelText('Mastery from level 3 on')).toBeChecked();
    await userEvent.click(screen.getByRole('button', { name: 'Save scale' }));
    await screen.findByText('wait');
    expect(calls[0]?.body).toMatchObject({ mastery: 2 });
  });

  it('that are used cannot be deleted, and say by what', async () => {
    serve({ [`DELETE ${at}`]: failure(409, { detail: 'This scale is used by BRAKE, GEAR.' }) });
    show(<ScalesDialog design={design()} onClose={() => {}} />);
    const dialog = screen.getByRole('dialog');
    expect(within(dialog).getByText(/Used by BRAKE, GEAR/)).toBeInTheDocument();
    await userEvent.click(within(dialog).getByRole('button', { name: 'Take away' }));
    expect(await screen.findByText('This scale is used by BRAKE, GEAR.')).toBeInTheDocument();
  });
});
