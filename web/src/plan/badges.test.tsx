import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import { changed, serve, show } from '../test/stage';
import Badges from './Badges';

const badge = (id: number, name: string, more = {}) => ({
  id,
  version: 3,
  name,
  description: 'Sets up brakes alone.',
  picture: { shape: 'hexagon', sign: 'disc', colour: 'indigo' },
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
        picture: { shape: 'hexagon', sign: 'star', colour: 'lagoon' },
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

  it('are drawn by choosing shape, sign and colour, each saved at once', async () => {
    const calls = serve({
      [`GET ${at}`]: design,
      [`PATCH ${at}/badges/4`]: badge(4, 'Brake Hand'),
    });
    show(<Badges />, '/c/2/plan/badges?sel=4');
    const shapes = await screen.findByRole('group', { name: 'Shape' });
    await userEvent.click(within(shapes).getByRole('button', { name: 'shield' }));
    await vi.waitFor(() =>
      expect(changed(calls)).toEqual([
        { picture: { shape: 'shield', sign: 'disc', colour: 'indigo' } },
      ]),
    );
  });

  it('can be a surprise, or belong to no module', async () => {
    const calls = serve({
      [`GET ${at}`]: design,
      [`PATCH ${at}/badges/4`]: badge(4, 'Brake Hand'),
    });
    show(<Badges />, '/c/2/plan/badges?sel=4');
    await userEvent.click(await screen.findByRole('switch'));
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
