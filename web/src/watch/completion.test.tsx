import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeAll, describe, expect, it } from 'vitest';
import { type Call, laidOut, serve, show } from '../test/stage';
import Completion, { farAt } from './Completion';
import '../i18n/staff';

const row = (enrolment: number, name: string, more = {}) => ({
  enrolment,
  person: enrolment,
  name,
  groups: [],
  flagged: false,
  share: 0.5,
  missing: 4,
  left: false,
  modules: { 3: { done: 1, of: 2, thread: 'LC' } },
  ...more,
});
const report = (learners: object[]) => ({
  is: 'completion',
  version: 1,
  rule: 'approved by a facilitator',
  modules: [
    {
      id: 3,
      name: 'Brakes',
      steps: [
        { id: 11, name: 'Rim brake anatomy', required: true },
        { id: 12, name: 'Pads, cables, levers', required: true },
      ],
    },
  ],
  groups: [],
  learners,
});
const there = [
  row(1, 'Edda Marsh'),
  row(2, 'Ilse Tran', {
    missing: 1,
    modules: { 3: { done: 2, of: 2, at: '2026-11-05T10:00:00Z', thread: 'LL' } },
  }),
  row(3, 'Ruben Sato', { missing: 0, completedAt: '2026-11-06T10:00:00Z', modules: {} }),
];
let calls: Call[] = [];
const view = (learners: object[]) => {
  calls = serve({
    'GET /api/courses/2/reports/completion': report(learners),
    'GET /api/courses/2/reports': [],
  });
  show(<Completion />);
};

beforeAll(laidOut);

describe('completion', () => {
  it('says who has completed what, and by which rule', async () => {
    view(there);
    expect(await screen.findByText(/Complete when approved by a facilitator/)).toBeInTheDocument();
    expect(screen.getByText('1 of 3 have completed it.')).toBeInTheDocument();
    expect(screen.getByText('1/2')).toBeInTheDocument();
    expect(screen.getByText('1 thing short')).toBeInTheDocument();
  });

  it('shows those who are one thing short alone', async () => {
    view(there);
    await userEvent.click(await screen.findByRole('switch', { name: 'One thing short (1)' }));
    expect(screen.getByText('Ilse Tran')).toBeInTheDocument();
    expect(screen.queryByText('Edda Marsh')).not.toBeInTheDocument();
  });

  it('leads from a module to its single steps', async () => {
    view(there);
    await userEvent.click(await screen.findByText('1/2'));
    const steps = await screen.findByRole('complementary');
    expect(within(steps).getByText('1 of 2 required steps done')).toBeInTheDocument();
    expect(within(steps).getByRole('button', { name: /Rim brake anatomy/ })).toBeInTheDocument();
  });

  it('leads from the whole course to the learner', async () => {
    view(there);
    await userEvent.click(await screen.findByText('1 thing short'));
    await waitFor(() =>
      expect(calls.some((c) => c.path === '/api/courses/2/learners/2')).toBe(true),
    );
    expect(calls.some((c) => c.path.includes('/steps/'))).toBe(false);
  });

  it('sorts those highest who have completed it, and next those who miss least', () => {
    const far = there.map((r) => farAt(r as never, -1));
    expect(far[2]).toBeGreaterThan(far[1] as number);
    expect(far[1]).toBeGreaterThan(far[0] as number);
    expect(farAt(there[2] as never, 3)).toBe(-1);
  });

  it('says so where nobody is enrolled', async () => {
    view([]);
    expect(await screen.findByText('Nobody is enrolled yet.')).toBeInTheDocument();
  });
});
