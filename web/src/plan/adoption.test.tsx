import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeAll, describe, expect, it, vi } from 'vitest';
import type { Design, DesignOutcome, Framework, Offer } from '../api/client';
import * as fixtures from '../test/fixtures';
import { failure, laidOut, serve, show } from '../test/stage';
import { AdoptDialog } from './AdoptDialog';
import { USUAL_RULE } from './LevelRuleFields';
import Outcomes from './Outcomes';

const at = '/api/courses/2/design';
const scale = {
  id: 1,
  version: 4,
  name: 'workshop scale',
  mastery: 1,
  levels: ['With help', 'On my own'].map((name, key) => ({
    key,
    name,
    points: key + 1,
    description: '',
  })),
};
const torq = (more: Partial<DesignOutcome> = {}): DesignOutcome => ({
  id: 5,
  version: 1,
  code: 'TORQ',
  name: 'Use torque values',
  description: 'Knows the number.',
  scale: 1,
  levelRule: USUAL_RULE,
  group: [],
  retired: false,
  ...more,
});
const adopted = {
  framework: 'Hollow Lane core',
  gone: false,
  news: { code: 'TORQ', name: 'Use torque values', description: 'Knows number and order.' },
};
const design = (more: Partial<Design>) => fixtures.design({ scales: [scale], ...more });

describe('adopted outcomes', () => {
  it('show the new words beside the old ones, to take or not', async () => {
    const calls = serve({
      [`GET ${at}`]: design({ outcomes: [torq({ adopted })] }),
      [`POST ${at}/outcomes/5/decision`]: undefined,
    });
    show(<Outcomes />, '/c/2/plan/outcomes?sel=5');
    const inspector = await screen.findByRole('complementary');
    expect(within(inspector).getByText('Knows number and order.').tagName).toBe('INS');
    expect(within(inspector).getByText('Knows the number.', { selector: 'del' })).toBeVisible();
    await userEvent.click(within(inspector).getByRole('button', { name: 'Take the new words' }));
    await vi.waitFor(() =>
      expect(calls.find((c) => c.method === 'POST')?.body).toEqual({ decision: 'TAKE' }),
    );
  });

  it('keep their words from being edited until they are the course’s own', async () => {
    const calls = serve({
      [`GET ${at}`]: design({ outcomes: [torq({ adopted: { ...adopted, gone: true } })] }),
      [`POST ${at}/outcomes/5/decision`]: undefined,
    });
    show(<Outcomes />, '/c/2/plan/outcomes?sel=5');
    const inspector = await screen.findByRole('complementary');
    expect(within(inspector).getByLabelText('Name')).toBeDisabled();
    expect(within(inspector).getByText(/does not have it any more/)).toBeInTheDocument();
    await userEvent.click(within(inspector).getByRole('button', { name: 'Make it our own' }));
    await vi.waitFor(() =>
      expect(calls.find((c) => c.method === 'POST')?.body).toEqual({ decision: 'OWN' }),
    );
  });

  it('are counted where frameworks changed them, and decided about in one place', async () => {
    const news = ['“With help” is called “Helped”.'];
    const calls = serve({
      [`GET ${at}`]: design({
        outcomes: [torq({ adopted })],
        scales: [{ ...scale, adopted: { framework: 'Hollow Lane core', gone: false, news } }],
      }),
      [`POST ${at}/scales/1/decision`]: undefined,
    });
    show(<Outcomes />);
    expect(await screen.findByText(/changed 2 things/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'See and decide' }));
    const dialog = await screen.findByRole('dialog');
    expect(within(dialog).getByText(news[0] ?? '')).toBeInTheDocument();
    const [keep] = within(dialog).getAllByRole('button', { name: 'Keep ours' });
    if (keep) await userEvent.click(keep);
    await vi.waitFor(() =>
      expect(calls.find((c) => c.method === 'POST')).toMatchObject({
        path: `${at}/scales/1/decision`,
        body: { decision: 'KEEP' },
      }),
    );
  });

  it('are not told of in a framework, which has no steps to cover', async () => {
    serve({ [`GET ${at}`]: design({ outcomes: [torq()] }) });
    show(<Outcomes />, '/c/2', { framework: true });
    expect(await screen.findByText('Knows the number.')).toBeInTheDocument();
    expect(screen.queryByRole('button', { name: 'Coverage' })).toBeNull();
    expect(screen.queryByRole('button', { name: 'Adopt' })).toBeNull();
  });
});

describe('adopting', () => {
  beforeAll(laidOut);
  const offer = (id: number, code: string, standing: Offer['standing']) => ({
    id,
    code,
    name: `Do ${code}`,
    group: [] as string[],
    scale: 's',
    parts: 0,
    standing,
  });
  const framework: Framework = {
    id: 9,
    name: 'Hollow Lane core',
    outcomes: [
      offer(1, 'SAFE', 'ADOPTED'),
      offer(2, 'ORDER', 'NEW'),
      offer(3, 'HELP', 'NEW'),
      offer(4, 'TORQ', 'CODE_TAKEN'),
    ],
    scales: [{ id: 7, name: 'workshop scale', levels: ['a', 'b'], adopted: false }],
  };

  it('sends what is ticked and closes', async () => {
    const calls = serve({
      [`GET ${at}/frameworks`]: [framework],
      [`POST ${at}/frameworks/9/adoption`]: { fresh: 3 },
    });
    const onClose = vi.fn();
    show(<AdoptDialog onClose={onClose} />);
    expect(await screen.findByRole('button', { name: 'Adopt' })).toBeDisabled();
    expect(screen.getByRole('checkbox', { name: 'SAFE Do SAFE' })).toBeDisabled();
    expect(screen.getByRole('checkbox', { name: 'TORQ Do TORQ' })).toBeDisabled();
    await userEvent.click(screen.getByRole('checkbox', { name: 'All that are new' }));
    await userEvent.click(screen.getByRole('checkbox', { name: /workshop scale/ }));
    await userEvent.click(screen.getByRole('button', { name: 'Adopt 3' }));
    await vi.waitFor(() => expect(onClose).toHaveBeenCalled());
    expect(calls.find((c) => c.method === 'POST')?.body).toEqual({ outcomes: [2, 3], scales: [7] });
  });

  it('names every code that is in the way and keeps what was ticked', async () => {
    serve({
      [`GET ${at}/frameworks`]: [framework],
      [`POST ${at}/frameworks/9/adoption`]: failure(422, {
        detail: 'These outcomes cannot be adopted yet.',
        findings: ['The course has another outcome with the code HELP.'],
      }),
    });
    show(<AdoptDialog onClose={vi.fn()} />);
    const help = await screen.findByRole('checkbox', { name: 'HELP Do HELP' });
    await userEvent.click(help);
    await userEvent.click(screen.getByRole('button', { name: 'Adopt 1' }));
    expect(await screen.findByText(/with the code HELP/)).toBeInTheDocument();
    expect(help).toBeChecked();
  });

  it('says where frameworks come from where there is none', async () => {
    serve({ [`GET ${at}/frameworks`]: [] });
    show(<AdoptDialog onClose={vi.fn()} />);
    expect(await screen.findByText(/no framework yet/)).toBeInTheDocument();
  });
});
