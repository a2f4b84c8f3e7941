import { fireEvent, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { describe, expect, it, vi } from 'vitest';
import type { Criterion, Met, Sheet } from '../api/client';
import { show } from '../test/stage';
import { RubricSheet, rubricScore } from './RubricSheet';

const criterion = (key: number, name: string, more: Partial<Criterion> = {}): Criterion => ({
  key,
  name,
  description: '',
  counts: true,
  levels: ['Leaks', 'Holds a day', 'Holds'].map((level, n) => ({
    key: key * 10 + n,
    name: level,
    description: `${level}, in words`,
    points: n * 5,
  })),
  ...more,
});
const sheet: Sheet = {
  id: 1,
  name: 'Patches',
  of: 20,
  criteria: [
    criterion(1, 'It holds', { outcomeName: 'Patch a tube' }),
    criterion(2, 'Clean edges'),
    criterion(3, 'Safe bench', { counts: false }),
  ],
};

function Going({ onMet }: { onMet: (met: Met[]) => void }) {
  const [met, setMet] = useState<Met[]>([]);
  return (
    <RubricSheet
      sheet={sheet}
      met={met}
      onMet={(next) => {
        setMet(next);
        onMet(next);
      }}
    />
  );
}
const group = (name: string) => screen.getByRole('radiogroup', { name });

describe('a rubric to go through', () => {
  it('takes a level by a click and gives it back by another', async () => {
    const onMet = vi.fn();
    show(<Going onMet={onMet} />);
    const holds = within(group('It holds')).getByRole('radio', { name: /Holds a day/ });
    await userEvent.click(holds);
    expect(onMet).toHaveBeenLastCalledWith([{ criterion: 1, level: 11, comment: '' }]);
    expect(holds).toBeChecked();
    await userEvent.click(holds);
    expect(onMet).toHaveBeenLastCalledWith([]);
  });

  it('is gone through by arrows, digits and Backspace', () => {
    const onMet = vi.fn();
    show(<Going onMet={onMet} />);
    const edges = group('Clean edges');
    fireEvent.keyDown(edges, { key: 'ArrowRight' });
    expect(onMet).toHaveBeenLastCalledWith([{ criterion: 2, level: 20, comment: '' }]);
    fireEvent.keyDown(edges, { key: 'ArrowRight' });
    expect(onMet).toHaveBeenLastCalledWith([{ criterion: 2, level: 21, comment: '' }]);
    fireEvent.keyDown(edges, { key: '3' });
    expect(onMet).toHaveBeenLastCalledWith([{ criterion: 2, level: 22, comment: '' }]);
    fireEvent.keyDown(edges, { key: 'ArrowRight' });
    expect(onMet).toHaveBeenLastCalledWith([{ criterion: 2, level: 22, comment: '' }]);
    fireEvent.keyDown(edges, { key: 'ArrowLeft' });
    expect(onMet).toHaveBeenLastCalledWith([{ criterion: 2, level: 21, comment: '' }]);
    fireEvent.keyDown(edges, { key: '9' });
    expect(onMet).toHaveBeenLastCalledWith([{ criterion: 2, level: 21, comment: '' }]);
    fireEvent.keyDown(edges, { key: 'Backspace' });
    expect(onMet).toHaveBeenLastCalledWith([]);
  });

  it('has one stop for Tab in each criterion', () => {
    show(<Going onMet={() => {}} />);
    const stops = within(group('It holds'))
      .getAllByRole('radio')
      .map((r) => r.tabIndex);
    expect(stops).toEqual([0, -1, -1]);
  });

  it('keeps the comment when the level changes', async () => {
    const onMet = vi.fn();
    show(<Going onMet={onMet} />);
    fireEvent.keyDown(group('It holds'), { key: '1' });
    await userEvent.type(screen.getByLabelText('Comment on “It holds”'), 'Rough it up.');
    fireEvent.keyDown(group('It holds'), { key: '2' });
    expect(onMet).toHaveBeenLastCalledWith([{ criterion: 1, level: 11, comment: 'Rough it up.' }]);
  });

  it('says which criteria give evidence only', () => {
    show(<Going onMet={() => {}} />);
    expect(screen.getByText('evidence only, no points')).toBeInTheDocument();
    expect(screen.getByText('Patch a tube')).toBeInTheDocument();
  });
});

describe('a rubric to read', () => {
  it('shows what was met, with comments, and offers nothing to press', () => {
    show(<RubricSheet sheet={sheet} met={[{ criterion: 2, level: 22, comment: 'Neat.' }]} />);
    expect(screen.queryByRole('radio')).not.toBeInTheDocument();
    expect(screen.getByText('Neat.')).toBeInTheDocument();
    const edges = screen.getByRole('list', { name: 'Clean edges' });
    const current = within(edges)
      .getAllByRole('listitem')
      .filter((i) => i.getAttribute('aria-current'));
    expect(current.map((i) => i.textContent)).toEqual([expect.stringContaining('✓ Holds')]);
  });
});

describe('the score of a rubric', () => {
  it('adds up what counts and tells what is missing', () => {
    expect(rubricScore(sheet, [])).toEqual({ points: 0, missing: 2 });
    const met = [
      { criterion: 1, level: 12, comment: '' },
      { criterion: 3, level: 32, comment: '' },
    ];
    expect(rubricScore(sheet, met)).toEqual({ points: 10, missing: 1 });
  });
});
