import { fireEvent, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeAll, describe, expect, it } from 'vitest';
import { failure, laidOut, serve, show } from '../test/stage';
import Grades from './Grades';

const at = '/api/courses/2';
const row = (enrolment: number, name: string, scores: Record<string, number>, total?: number) => ({
  enrolment,
  name,
  groups: [enrolment === 13 ? 2 : 1],
  flagged: false,
  scores,
  ...(total !== undefined && { total }),
});
const grades = {
  steps: [
    { id: 5, module: 'Brakes', name: 'Pads quiz', kind: 'QUIZ', points: 15 },
    { id: 6, module: 'Brakes', name: 'Job card', kind: 'ASSIGNMENT', points: 20 },
  ],
  groups: [
    { id: 1, name: 'Saturday' },
    { id: 2, name: 'Tuesday' },
  ],
  learners: [
    row(11, 'Aiko Brenner', { '5': 0.8, '6': 0.675 }, 0.728),
    row(12, 'Bashir Colm', {}),
    row(13, 'Celeste Adeyo', { '5': 0.4 }, 0.4),
  ],
};

describe('the grid of grades', () => {
  beforeAll(laidOut);

  const open = async (address?: string) => {
    serve({ [`GET ${at}/reports/grades`]: grades, [`GET ${at}/learners/*`]: failure(404, {}) });
    show(<Grades />, address);
    await screen.findByRole('grid');
  };

  it('has points, the most to be had, the mean of those shown, and totals', async () => {
    await open();
    const aiko = screen.getByRole('row', { name: /Aiko/ });
    expect(
      within(aiko)
        .getAllByRole('gridcell')
        .map((c) => c.textContent),
    ).toEqual(['72 %', '12', '13.5']);
    expect(screen.getByRole('row', { name: /Bashir/ })).toHaveTextContent('Bashir Colm–––');
    expect(screen.getByRole('row', { name: /^Most/ })).toHaveTextContent('100 %1520');
    expect(screen.getByRole('row', { name: /^Mean/ })).toHaveTextContent('56 %913.5');
  });

  it('shows those that the address names and sorts by a step', async () => {
    await open('/c/2/watch/grades?group=1');
    expect(screen.getByRole('status')).toHaveTextContent('2 learners');
    await userEvent.click(screen.getByRole('button', { name: 'Pads quiz' }));
    const names = screen.getAllByRole('rowheader').map((r) => r.textContent);
    expect(names.slice(2)).toEqual(['Bashir Colm', 'Aiko Brenner']);
  });

  it('goes to mastery by the key g, with the same learner and the same filter', async () => {
    await open('/c/2/watch/grades?group=1&sel=12-5');
    fireEvent.keyDown(window, { key: 'g' });
    expect(screen.getByTestId('address')).toHaveTextContent('/c/2/watch/mastery?group=1&sel=12');
  });

  it('leaves g alone where somebody types', async () => {
    await open('/c/2/watch/grades');
    await userEvent.type(screen.getByRole('searchbox'), 'g');
    expect(screen.getByTestId('address')).toHaveTextContent('/c/2/watch/grades?find=g');
  });

  it('says what to do where nothing has points', async () => {
    serve({ [`GET ${at}/reports/grades`]: { ...grades, steps: [] } });
    show(<Grades />);
    expect(await screen.findByText('Nothing has points yet.')).toBeInTheDocument();
  });
});
