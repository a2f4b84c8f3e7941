import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { Design, DesignBadge } from '../../api/client';
import { changed, serve, show } from '../../test/stage';
import { BEGINNINGS, beginWith, FIRST } from './art';
import Badges from './Badges';
import { knownOnlyHere } from './meaning';
// what is loaded when it is needed is there already
import './Studio';

const badge = (id: number, name: string, more = {}) => ({
  id,
  version: 3,
  name,
  description: 'Sets up brakes alone.',
  picture: { art: FIRST, alt: 'A medal' },
  lasting: { is: 'ALWAYS' },
  soonDays: 30,
  outcomes: [],
  tags: [],
  surprise: false,
  ...more,
});
const rule = {
  line: 'Brakes is done',
  root: {
    id: 'a',
    is: 'ask',
    n: 0,
    parts: [],
    leaf: { is: 'module-done', module: 1 },
    subject: 'Brakes',
    says: 'is done',
  },
};
const design = {
  outcomes: [] as object[],
  modules: [{ id: 1, name: 'Brakes', steps: [] }],
  badges: [badge(4, 'Brake Hand', { module: 1, earnedWhen: rule }), badge(5, 'Clear Speaker')],
};
const at = '/api/courses/2/design';

describe('badges', () => {
  it('begin with one when there are none', async () => {
    const calls = serve({
      [`GET ${at}`]: { ...design, badges: [] },
      [`POST ${at}/badges`]: badge(9, 'New badge'),
    });
    show(<Badges />);
    const empty = await screen.findByText(/No badges yet/);
    const button = within(empty.parentElement as HTMLElement).getByRole('button');
    await userEvent.click(button);
    await vi.waitFor(() =>
      expect(calls.find((c) => c.method === 'POST')?.body).toMatchObject({
        picture: { art: FIRST },
      }),
    );
    expect(await screen.findByTestId('address')).toHaveTextContent('sel=9');
  });

  it('say what earns them, or that they are given by hand', async () => {
    serve({ [`GET ${at}`]: design });
    show(<Badges />);
    expect(await screen.findByRole('button', { name: /Brake Hand/ })).toHaveTextContent(
      'Earned when Brakes is done',
    );
    expect(screen.getByRole('button', { name: /Clear Speaker/ })).toHaveTextContent(/by hand/);
  });

  const studio = {
    outlines: { ROUND: 'M0 0', SHIELD: 'M1 1' },
    colours: { LAGOON: '#0b6f6e', STRAW: '#f2c766', PAPER: '#ffffff', INK: '#17212a' },
    signs: '/assets/signs-1.json',
  };
  const signs = [
    { name: 'own-disc', tags: ['brake'], line: 'M1 1' },
    { name: 'medal', tags: ['award'], fill: 'M2 2', bold: 'M3 3' },
    { name: 'tire', tags: ['wheel'], fill: 'M4 4', bold: 'M5 5' },
    { name: 'wheelchair', tags: [], fill: 'M6 6', bold: 'M7 7' },
  ];
  const drawing = (of = design) =>
    serve({
      [`GET ${at}`]: of,
      'GET /api/badges/studio': studio,
      'GET /assets/signs-1.json': signs,
      [`PATCH ${at}/badges/4`]: (call: { body: unknown }) => ({
        ...badge(4, 'Brake Hand'),
        ...(call.body as { to: object }).to,
      }),
    });

  it('are drawn by choosing shape and sign, each saved at once', async () => {
    const calls = drawing();
    show(<Badges />, '/c/2/plan/badges?sel=4&draw=1');
    const shapes = await screen.findByRole('group', { name: 'Shape' }, { timeout: 5000 });
    await userEvent.click(within(shapes).getByRole('button', { name: 'shield' }));
    await vi.waitFor(() =>
      expect(changed(calls)).toEqual([
        { picture: { art: { ...FIRST, shape: 'SHIELD' }, alt: 'A medal' } },
      ]),
    );
    await userEvent.type(screen.getByRole('textbox', { name: 'Find a sign' }), 'whe');
    const found = screen.getByRole('group', { name: 'Sign' });
    expect(
      within(found)
        .getAllByRole('button')
        .map((b) => b.title),
    ).toEqual(['no sign', 'wheelchair', 'tire']);
    await userEvent.click(within(found).getByRole('button', { name: 'tire' }));
    await vi.waitFor(() =>
      expect(changed<{ picture: DesignBadge['picture'] }>(calls).at(-1)?.picture?.art.sign).toBe(
        'tire',
      ),
    );
  });

  it('say what of them cannot be seen', async () => {
    const faint = { ...FIRST, words: 'Half', wordsAt: 'RIBBON', wordsColour: 'PAPER' } as const;
    drawing({
      ...design,
      badges: [badge(4, 'Brake Hand', { picture: { art: faint, alt: '' } })],
    });
    show(<Badges />, '/c/2/plan/badges?sel=4&draw=1');
    expect(
      await screen.findByText(/Words on their ground 1.6 : 1, too weak/, {}, { timeout: 5000 }),
    ).toBeVisible();
    expect(screen.getByText(/Sign on its ground 6.\d : 1, good/)).toBeVisible();
    expect(screen.getByText(/told nothing of it/)).toBeVisible();
  });

  it('begin with what is ready, keeping words and sign that were chosen', () => {
    const mine = { ...FIRST, sign: 'tire', words: 'Half', wordsAt: 'RIM' } as const;
    for (const beginning of BEGINNINGS) {
      const made = beginWith(beginning, mine);
      expect(made).toMatchObject({ sign: 'tire', words: 'Half' });
      expect(made.wordsAt).not.toBe('NOWHERE');
      expect(beginWith(beginning, FIRST).wordsAt).toBe('NOWHERE');
    }
  });

  it('hint at words that only the course knows', () => {
    const course = {
      modules: [{ name: 'Full service', steps: [{ name: 'Rough side up' }] }],
    } as unknown as Design;
    expect(knownOnlyHere('Passed the quiz of Module 3 and "rough side up".', course)).toEqual([
      'the quiz',
      'Module 3',
      'Rough side up',
    ]);
    expect(knownOnlyHere('Trues a wheel to half a millimetre.', course)).toEqual([]);
  });

  it('warn when the rule was changed after its words were written', async () => {
    const written = { text: 'Sets up brakes.', of: 'Brakes was done' };
    const calls = drawing({
      ...design,
      badges: [badge(4, 'Brake Hand', { earnedWhen: rule, criteria: written })],
    });
    show(<Badges />, '/c/2/plan/badges?sel=4');
    expect(await screen.findByText(/It says now: Brakes is done/)).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'It is still true' }));
    await vi.waitFor(() =>
      expect(changed(calls)[0]).toEqual({
        criteria: { text: 'Sets up brakes.', of: 'Brakes is done' },
      }),
    );
  });

  it('are valid for a while, and can be earned again', async () => {
    const lasting = { is: 'MONTHS', months: 36 };
    const calls = drawing({
      ...design,
      badges: [badge(4, 'Brake Hand', { lasting })],
    });
    show(<Badges />, '/c/2/plan/badges?sel=4');
    expect(await screen.findByRole('button', { name: /Brake Hand/ })).toHaveTextContent(
      'valid for 36 months',
    );
    const months = screen.getByRole('spinbutton', { name: 'Months' });
    await userEvent.clear(months);
    await userEvent.type(months, '500{Enter}');
    await vi.waitFor(() =>
      expect(changed(calls)[0]).toEqual({ lasting: { is: 'MONTHS', months: 120 } }),
    );
    await userEvent.click(screen.getByRole('switch', { name: 'Can be earned again' }));
    await vi.waitFor(() => expect(changed(calls).at(-1)).toEqual({ renewal: { anew: [] } }));
  });

  it('can be a surprise, or belong to no module', async () => {
    const calls = serve({
      [`GET ${at}`]: design,
      [`PATCH ${at}/badges/4`]: badge(4, 'Brake Hand'),
    });
    show(<Badges />, '/c/2/plan/badges?sel=4');
    await userEvent.click(await screen.findByRole('switch', { name: /surprise/ }));
    await vi.waitFor(() => expect(changed(calls)[0]).toEqual({ surprise: true }));
    await userEvent.click(screen.getByRole('combobox', { name: /Module/ }));
    await userEvent.click(await screen.findByRole('option', { name: '–' }));
    await vi.waitFor(() => {
      const last = calls.filter((c) => c.method === 'PATCH').at(-1)?.body;
      expect(last).toEqual({ from: { module: 1 }, to: {} });
    });
  });

  it('are taken away with a way back', async () => {
    const calls = serve({
      [`GET ${at}`]: design,
      [`DELETE ${at}/badges/5`]: undefined,
      [`POST ${at}/badges/5/restoration`]: undefined,
    });
    show(<Badges />, '/c/2/plan/badges?sel=5');
    await userEvent.click(await screen.findByRole('button', { name: 'Take away' }));
    expect(screen.getByTestId('address')).not.toHaveTextContent('sel');
    await userEvent.click(await screen.findByRole('button', { name: 'Undo' }));
    await vi.waitFor(() =>
      expect(calls.map((c) => `${c.method} ${c.path}`)).toContain(
        `POST ${at}/badges/5/restoration`,
      ),
    );
  });
});
