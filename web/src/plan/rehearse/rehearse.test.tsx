import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { Rehearsal, RehearsedLine } from '../../api/client';
import { design, module, step } from '../../test/fixtures';
import { changed, serve, show } from '../../test/stage';
import { moved, movedBeads, readChosen, withLine, writeChosen } from './lines';
import Rehearsals from './Rehearsals';
import '../../i18n/staff';

/** Closed and open, as beads are written. */
const [CLOSED, OPEN] = ['8', '<'];
const line = (more: Partial<RehearsedLine>): RehearsedLine => ({
  line: { is: 'later', days: 1 },
  says: 'one day later',
  at: '2026-10-13T07:00:00Z',
  thread: `${OPEN}${CLOSED}`,
  came: [],
  ...more,
});
const reads = line({
  line: { is: 'as-if', leaf: { is: 'seen', step: 11 } },
  says: 'Pads read',
  thread: `${OPEN}${OPEN}`,
  came: ['“Film” opens'],
});
const expected = line({
  line: { is: 'expect', so: true, at: { is: 'step-opens', step: 12 } },
  says: '“Film” is open',
  holds: true,
});
const rehearsal = (more: Partial<Rehearsal> = {}): Rehearsal => ({
  id: 4,
  version: 1,
  name: 'Goes on',
  holds: true,
  lines: [line({}), reads, expected],
  ...more,
});
const course = design({
  modules: [module(1, [step(11, 'PAGE', { name: 'Pads' }), step(12, 'QUIZ', { name: 'Film' })])],
}) as object;
const answers = (...all: Rehearsal[]) => ({
  'GET /api/courses/2/design': course,
  'GET /api/courses/2/design/rehearsals': all,
  'PATCH /api/courses/2/design/rehearsals/4': rehearsal({ version: 2 }),
});
const script = () => screen.findByRole('list', { name: /line by line/ });

describe('Rehearsals', () => {
  it('begin with the first one', async () => {
    const calls = serve({
      ...answers(),
      'POST /api/courses/2/design/rehearsals': rehearsal({ name: 'New rehearsal', lines: [] }),
    });
    show(<Rehearsals actions={null} />);
    await userEvent.click(await screen.findByRole('button', { name: 'Rehearse something' }));
    await waitFor(() =>
      expect(calls.find((c) => c.method === 'POST')?.body).toEqual({
        name: 'New rehearsal',
        lines: [],
      }),
    );
  });

  it('tell which are broken, by the draft or before, and where', async () => {
    const difference = 'Line 3: “Film” is open, which is not so';
    serve(
      answers(
        rehearsal({
          holds: false,
          heldBefore: true,
          difference,
          lines: [reads, { ...expected, holds: false }],
        }),
        rehearsal({ id: 5, name: 'Fine' }),
      ),
    );
    show(<Rehearsals actions={null} />);
    expect(await screen.findByText('One holds, 1 broken')).toBeInTheDocument();
    expect(screen.getByText(`Broken by the draft. ${difference}`)).toBeInTheDocument();
    expect(within(await script()).getByText('not so')).toBeInTheDocument();
  });

  it('take what is typed as what happens next, days too', async () => {
    const calls = serve({
      ...answers(rehearsal()),
      'GET /api/courses/2/design/proposals': [
        { leaf: { is: 'score', step: 12, from: 0.4, to: 1 }, subject: 'Film', says: 'scored 40 %' },
      ],
    });
    show(<Rehearsals actions={null} />);
    const field = await screen.findByRole('combobox');
    await userEvent.type(field, '3');
    await userEvent.click(await screen.findByRole('option', { name: '3 days later' }));
    await waitFor(() => expect(changed(calls)).toHaveLength(1));
    expect((changed(calls)[0] as { lines: unknown[] }).lines.at(-1)).toEqual({
      is: 'later',
      days: 3,
    });
    await userEvent.type(field, 'film');
    await userEvent.click(await screen.findByRole('option', { name: /scored 40/ }));
    await waitFor(() => expect(changed(calls)).toHaveLength(2));
    expect((changed(calls)[1] as { lines: unknown[] }).lines.at(-1)).toEqual({
      is: 'as-if',
      leaf: { is: 'score', step: 12, from: 0.4, to: 1 },
    });
  });

  it('are changed line by line', async () => {
    const calls = serve(answers(rehearsal()));
    show(<Rehearsals actions={null} />);
    const rows = within(await script());
    await userEvent.click(rows.getByRole('button', { name: 'Take line 1 out' }));
    await userEvent.click(rows.getByRole('button', { name: 'Line 2 further up' }));
    await waitFor(() => expect(changed(calls)).toHaveLength(2));
    const sent = changed(calls) as { lines: { is: string }[] }[];
    expect(sent[0]?.lines.map((l) => l.is)).toEqual(['as-if', 'expect']);
    expect(sent[1]?.lines.map((l) => l.is)).toEqual(['as-if', 'later', 'expect']);
  });

  it('say at a bead why it stands so, and take an expectation there', async () => {
    const calls = serve({
      ...answers(rehearsal()),
      'POST /api/courses/2/design/rehearsals/why': { name: 'Film', open: true, opens: [] },
    });
    show(<Rehearsals actions={null} />, '/c/2?sel=4.1.1');
    expect(await screen.findByRole('heading', { name: 'Film' })).toBeInTheDocument();
    await userEvent.click(await screen.findByRole('button', { name: 'is open' }));
    await waitFor(() => expect(changed(calls)).toHaveLength(1));
    expect((changed(calls)[0] as { lines: unknown[] }).lines[2]).toEqual({
      is: 'expect',
      so: true,
      at: { is: 'step-opens', step: 12 },
    });
  });
});

describe('lines', () => {
  const a = { is: 'later', days: 1 };
  const b = { is: 'later', days: 2 };

  it('are put behind another one or at the end, and move within bounds', () => {
    expect(withLine([a], b, undefined)).toEqual([a, b]);
    expect(withLine([a, a], b, 0)).toEqual([a, b, a]);
    expect(moved([a, b], 1, -1)).toEqual([b, a]);
    expect(moved([a, b], 1, 1)).toEqual([a, b]);
  });

  it('stand in the address', () => {
    expect(writeChosen({ rehearsal: 4, line: 1, step: 2 })).toBe('4.1.2');
    expect(readChosen('4.1.2')).toEqual({ rehearsal: 4, line: 1, step: 2 });
    expect(readChosen('4')).toEqual({ rehearsal: 4 });
    expect(readChosen(null)).toBeUndefined();
  });

  it('tell which beads they have moved', () => {
    expect(movedBeads('88', '8<')).toEqual(new Set([1]));
    expect(movedBeads(undefined, '8<')).toEqual(new Set());
  });
});
