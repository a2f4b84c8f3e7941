import { fireEvent, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeAll, describe, expect, it, vi } from 'vitest';
import { failure, laidOut, serve, show } from '../test/stage';
import { CellInspector } from './CellInspector';
import Mastery from './Mastery';

const outcome = (id: number, code: string, composed = false) => ({
  id,
  code,
  name: `Outcome ${code}`,
  levels: ['Watching', 'With help', 'On my own', 'Can teach it'],
  mastery: 2,
  composed,
  group: [] as string[],
  retired: false,
});
const row = (
  enrolment: number,
  name: string,
  level: number,
  groups: number[],
  flagged = false,
) => ({
  enrolment,
  name,
  groups,
  flagged,
  levels: { '5': level },
});
const grid = {
  outcomes: [outcome(5, 'BRAKE'), outcome(9, 'BIKE', true)],
  groups: [
    { id: 1, name: 'Saturday' },
    { id: 2, name: 'Tuesday' },
  ],
  learners: [
    row(11, 'Aiko Brenner', 3, [1]),
    row(12, 'Bashir Colm', 1, [1], true),
    row(13, 'Celeste Adeyo', 2, [2]),
  ],
};
const at = '/api/courses/2';

describe('the grid of mastery', () => {
  beforeAll(laidOut);

  const open = async (more: Record<string, unknown> = {}) => {
    const calls = serve({ [`GET ${at}/reports/mastery`]: grid, ...more });
    show(<Mastery />);
    await screen.findByRole('grid');
    return calls;
  };

  it('shows the share at mastery for the class and, when asked, for each group', async () => {
    await open();
    expect(screen.getByRole('row', { name: /At mastery/ })).toHaveTextContent('66 %');
    await userEvent.click(screen.getByRole('button', { name: 'Compare groups' }));
    expect(screen.getByRole('row', { name: /^Saturday/ })).toHaveTextContent('50 %');
    expect(screen.getByRole('row', { name: /^Tuesday/ })).toHaveTextContent('100 %');
  });

  it('says whether learners or outcomes are missing', async () => {
    serve({ [`GET ${at}/reports/mastery`]: { ...grid, outcomes: [] } });
    show(<Mastery />);
    expect(await screen.findByText('No outcomes are published yet.')).toBeInTheDocument();
  });

  it('sorts by an outcome weakest first, then strongest first, then by name again', async () => {
    await open();
    const head = screen.getByRole('columnheader', { name: /BRAKE/ });
    await userEvent.click(within(head).getByRole('button'));
    expect(head).toHaveAttribute('aria-sort', 'ascending');
    await userEvent.click(within(head).getByRole('button'));
    expect(head).toHaveAttribute('aria-sort', 'descending');
    await userEvent.click(within(head).getByRole('button'));
    expect(head).toHaveAttribute('aria-sort', 'none');
  });

  it('moves from cell to cell by keys and ticks the learner with Space', async () => {
    await open({ [`GET ${at}/learners/*`]: failure(404, { detail: 'gone' }) });
    const cells = screen.getByRole('grid');
    fireEvent.keyDown(cells, { key: 'ArrowDown' });
    fireEvent.keyDown(cells, { key: 'ArrowDown' });
    expect(screen.getByTestId('address')).toHaveTextContent('sel=12-5');
    fireEvent.keyDown(cells, { key: ' ', code: 'Space' });
    expect(screen.getByRole('button', { name: 'Rate 1 learner' })).toBeInTheDocument();
  });

  it('rates all who are ticked, never on an outcome made of others, with a way back', async () => {
    const given = [{ enrolment: 11, fact: 900 }];
    const calls = await open({
      [`POST ${at}/ratings/taken-back`]: undefined,
      [`POST ${at}/ratings`]: given,
    });
    await userEvent.click(screen.getByLabelText('Tick Aiko Brenner'));
    await userEvent.click(screen.getByRole('button', { name: 'Rate 1 learner' }));
    const dialog = screen.getByRole('dialog');
    const send = within(dialog).getByRole('button', { name: 'Rate 1 learner' });
    await userEvent.click(send);
    expect(await within(dialog).findByText('Please choose.')).toBeInTheDocument();
    expect(calls.some((c) => c.method === 'POST')).toBe(false);
    expect(within(dialog).queryByText(/BIKE/)).not.toBeInTheDocument();
    await userEvent.click(within(dialog).getByText('On my own'));
    await userEvent.type(within(dialog).getByLabelText(/What you saw/), 'Seen on Saturday');
    await userEvent.click(send);
    await userEvent.click(await screen.findByRole('button', { name: 'Undo' }));
    await vi.waitFor(() =>
      expect(calls.find((c) => c.path.endsWith('taken-back'))?.body).toMatchObject({
        ratings: given,
      }),
    );
    expect(calls.find((c) => c.path.endsWith('/ratings'))?.body).toEqual({
      outcome: 5,
      level: 2,
      learners: [11],
      note: 'Seen on Saturday',
    });
  });

  it('says what its signs mean, each scale once', async () => {
    serve({ [`GET ${at}/reports/mastery`]: grid });
    show(<Mastery />);
    expect(await screen.findByText('Watching')).toBeInTheDocument();
    expect(screen.getByText(/^On my own = /)).toBeInTheDocument();
    expect(screen.getAllByText('Can teach it')).toHaveLength(1);
  });

  it('folds a group of outcomes away and brings it back', async () => {
    const outcomes = [
      { ...outcome(5, 'BRAKE'), group: ['Parts'] },
      { ...outcome(9, 'BIKE', true), group: ['Whole', 'Bicycle'] },
    ];
    serve({ [`GET ${at}/reports/mastery`]: { ...grid, outcomes } });
    show(<Mastery />);
    await userEvent.click(await screen.findByTitle('Fold Parts away'));
    expect(screen.queryByRole('button', { name: /BRAKE/ })).not.toBeInTheDocument();
    expect(screen.getByRole('button', { name: /BIKE/ })).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: '▸ Parts 1' }));
    expect(screen.getByRole('button', { name: /BRAKE/ })).toBeInTheDocument();
  });

  it('draws of many columns those in sight only, and all of them on paper', async () => {
    const outcomes = Array.from({ length: 120 }, (_, n) => outcome(100 + n, `K${n}`));
    serve({ [`GET ${at}/reports/mastery`]: { ...grid, outcomes } });
    show(<Mastery />);
    await screen.findByRole('button', { name: 'K0' });
    const heads = () => screen.getAllByRole('columnheader').length;
    expect(heads()).toBeLessThan(30);
    fireEvent(window, new Event('beforeprint'));
    expect(heads()).toBe(121);
    fireEvent(window, new Event('afterprint'));
    expect(heads()).toBeLessThan(30);
  });

  it('tells of the class over time, of one outcome with the group that is shown', async () => {
    const trend = (a: number, b: number) => ({
      moments: ['2026-10-19T06:00:00Z', '2026-10-26T06:00:00Z'],
      learners: [3, 3],
      outcomes: [{ id: 5, code: 'BRAKE', name: 'Brakes', mastery: [a, b], rated: [1, 1] }],
    });
    serve({
      [`GET ${at}/reports/mastery`]: grid,
      [`GET ${at}/mastery/trend`]: (call: { path: string }) =>
        call.path.includes('group=2') ? trend(0, 1) : trend(0.25, 0.5),
    });
    show(<Mastery />, '/c/2/watch/mastery?group=2');
    await userEvent.click(await screen.findByRole('button', { name: 'Over time' }));
    const line = await screen.findByRole('button', { name: /BRAKE.*50 %.*\+25/ });
    await userEvent.click(line);
    expect(
      await screen.findByRole('img', { name: 'Class: 25 %, 50 %. Tuesday: 0 %, 100 %.' }),
    ).toBeInTheDocument();
    const inspector = screen.getByRole('complementary');
    expect(within(inspector).getByRole('row', { name: /^Can teach it/ })).toHaveTextContent(
      'Can teach it110',
    );
  });

  it('keeps only the flagged, and counts them', async () => {
    await open();
    await userEvent.click(screen.getByRole('button', { name: '1 flagged' }));
    expect(screen.getByText('1 learner')).toBeInTheDocument();
    expect(screen.getByText('Bashir Colm')).toBeInTheDocument();
    expect(screen.queryByText('Aiko Brenner')).not.toBeInTheDocument();
  });
});

describe('a cell', () => {
  const piece = (levelName: string, use: string, share: number) => ({
    at: '2026-11-20T08:00:00Z',
    level: 2,
    levelName,
    from: 'Brake job card',
    by: 'Tomas Weir',
    weight: 1,
    use,
    share,
  });
  const cell = {
    learner: 'Ilse Tran',
    code: 'TORQ',
    outcome: 'Use torque values',
    method: 'Newer pieces count more: the weight halves with every 2 pieces.',
    sum: '0.65 × 4 + 0.35 × 3 = 3.65, nearest level 4 of 4',
    change: ['A piece at “Watching” would take mastery away.'],
    from: '2026-10-10T08:00:00Z',
    moves: [
      { at: '2026-10-20T08:00:00Z', level: 1 },
      { at: '2026-11-20T08:00:00Z', level: 3 },
    ],
    level: 3,
    levels: ['Watching', 'With help', 'On my own', 'Can teach it'],
    mastery: 2,
    evidence: [piece('Can teach it', 'COUNTED', 0.65), piece('On my own', 'TOO_OLD', 0)],
    parts: [],
  };

  it('shows the computation with its numbers, each piece’s share, and what would change it', async () => {
    serve({ [`GET ${at}/learners/11/outcomes/5`]: cell });
    show(<CellInspector enrolment={11} outcome={5} />);
    expect(await screen.findByText(/0.65 × 4/)).toBeInTheDocument();
    expect(screen.getByText(/would take mastery away/)).toBeInTheDocument();
    expect(screen.getByText(/65 % of the result/)).toBeInTheDocument();
    expect(screen.getByText(/from before, left out/)).toBeInTheDocument();
  });

  it('shows how the level moved, as a drawing and in figures', async () => {
    serve({ [`GET ${at}/learners/11/outcomes/5`]: cell });
    show(<CellInspector enrolment={11} outcome={5} />);
    const drawing = await screen.findByRole('img', { name: /Tue 20 Oct: With help, Fri 20 Nov/ });
    expect(drawing.querySelectorAll('circle')).toHaveLength(2);
    const figures = screen.getByText('Figures').closest('details');
    expect(figures).toHaveTextContent('Tue 20 OctWith helpFri 20 NovCan teach it');
  });

  it('of an outcome made of others shows its parts instead of evidence', async () => {
    const part = { outcome: 5, code: 'BRAKE', name: '', level: 1, levelName: 'With help' };
    serve({
      [`GET ${at}/learners/11/outcomes/9`]: {
        ...cell,
        evidence: [],
        moves: [],
        parts: [{ ...part, levels: 4, mastery: 2 }],
      },
    });
    show(<CellInspector enrolment={11} outcome={9} />);
    expect(await screen.findByText('BRAKE')).toBeInTheDocument();
    expect(screen.getByText(/With help/)).toBeInTheDocument();
    expect(screen.queryByText('Evidence')).not.toBeInTheDocument();
  });
});
