import { screen, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { MyOutcome } from '../api/client';
import { serve, show } from '../test/stage';
import MyOutcomes from './MyOutcomes';

const outcome = (more: Partial<MyOutcome>): MyOutcome => ({
  id: 5,
  code: 'WHEEL',
  name: 'True a wheel',
  description: '',
  level: 1,
  levelName: 'With help',
  levelMeans: 'Does it when somebody stands by.',
  levels: 4,
  mastery: 2,
  evidence: [],
  next: { name: 'On my own', means: 'Does it alone.' },
  change: ['1 more piece at “On my own” brings mastery.'],
  shownIn: [
    { step: 11, name: 'True within half a millimetre', open: true },
    { step: 12, name: 'Wheel log', open: false },
  ],
  opensNext: ['Full service'],
  ...more,
});
const open = (more: Partial<MyOutcome> = {}) => {
  serve({ 'GET /api/courses/2/walks/mine/route': { outcomes: [outcome(more)] } });
  show(<MyOutcomes walk="mine" />);
};

describe('my outcomes', () => {
  it('say what comes next, where it can be shown, and what waits for it', async () => {
    open();
    const main = await screen.findByRole('main');
    expect(await within(main).findByText(/On my own/, { selector: 'b' })).toBeInTheDocument();
    expect(main).toHaveTextContent('Next: On my own. Does it alone.');
    expect(main).toHaveTextContent('1 more piece at “On my own” brings mastery.');
    expect(main).toHaveTextContent('Wheel log (still closed)');
    expect(screen.getByRole('link', { name: 'True within half a millimetre' })).toHaveAttribute(
      'href',
      '/c/2/my/steps/11',
    );
    expect(main).toHaveTextContent('Waits for this: Full service');
  });

  it('ask for nothing more at the best level', async () => {
    const { next: _, ...best } = outcome({ level: 3, levelName: 'Can teach it', change: [] });
    serve({ 'GET /api/courses/2/walks/mine/route': { outcomes: [best] } });
    show(<MyOutcomes walk="mine" />);
    expect(await screen.findByText('Can teach it', { selector: 'b' })).toBeInTheDocument();
    expect(screen.queryByText(/Next:/)).not.toBeInTheDocument();
    expect(screen.queryByText(/You can show it/)).not.toBeInTheDocument();
  });
});
