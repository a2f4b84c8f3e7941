import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { Question } from '../../api/client';
import * as fixtures from '../../test/fixtures';
import { serve, show } from '../../test/stage';
import { CutFields } from './CutFields';
import { readCuts, usualCuts } from './cuts';
import { QuizEditor } from './QuizEditor';

const outcome = fixtures.outcome(5, 'BRAKE', { name: 'Set up brakes' });
const design = fixtures.design({ outcomes: [outcome] });

describe('cut points', () => {
  it('begin in equal shares up to mastery', () => {
    expect(usualCuts(2)).toEqual([0.33, 0.67]);
    expect(usualCuts(0)).toEqual([0.5]);
  });

  it('are read in percent, rise, and end at the first empty one', () => {
    expect(readCuts(['30', '70', ''])).toEqual([0.3, 0.7]);
    expect(readCuts(['70', '30', '90'])).toEqual([0.7, 0.7, 0.9]);
    expect(readCuts(['30', '', '90'])).toEqual([0.3]);
    expect(readCuts(['-5', '250'])).toEqual([0, 1]);
    expect(readCuts([''])).toEqual([0]);
  });

  it('are the pass mark until somebody sets their own', async () => {
    const change = vi.fn();
    show(<CutFields tie={{ outcome: 5, weight: 1 }} design={design} onChange={change} />);
    expect(screen.getByText(/“On my own” from the pass mark on/)).toBeInTheDocument();
    await userEvent.click(screen.getByLabelText('Own cut points for BRAKE'));
    expect(change).toHaveBeenCalledWith([0.33, 0.67]);
  });

  it('are typed level by level and go with the switch', async () => {
    const change = vi.fn();
    const tie = { outcome: 5, weight: 1, cuts: [0.3, 0.7] };
    show(<CutFields tie={tie} design={design} onChange={change} />);
    expect(screen.getByLabelText('“Can teach it” from %')).toHaveValue(null);
    const own = screen.getByLabelText('“On my own” from %');
    await userEvent.clear(own);
    await userEvent.type(own, '80{Enter}');
    expect(change).toHaveBeenLastCalledWith([0.3, 0.8]);
    await userEvent.click(screen.getByLabelText('Own cut points for BRAKE'));
    expect(change).toHaveBeenLastCalledWith(undefined);
  });
});

describe('a question', () => {
  const question: Question = {
    id: 'q1',
    text: 'Which?',
    points: 2,
    part: {
      is: 'choice',
      choices: [
        { id: 'a', text: 'yes' },
        { id: 'b', text: 'no' },
      ],
      right: 'a',
    },
    feedback: '',
  };

  const none = { draws: [], onDraws: () => {}, course: 2 };

  it('carries an outcome of its step, or counts for all of them', async () => {
    const save = vi.fn();
    serve({ 'GET /api/courses/2/design/questions': [] });
    show(<QuizEditor {...none} questions={[question]} outcomes={design.outcomes} onSave={save} />);
    await userEvent.click(screen.getByRole('combobox', { name: 'Carries' }));
    await userEvent.click(await screen.findByRole('option', { name: 'BRAKE Set up brakes' }));
    expect(save).toHaveBeenLastCalledWith([{ ...question, outcome: 5 }]);
    await userEvent.click(screen.getByRole('combobox', { name: 'Carries' }));
    await userEvent.click(await screen.findByRole('option', { name: 'no single outcome' }));
    expect(save).toHaveBeenLastCalledWith([question]);
  });

  it('of a step without evidence asks nothing of the kind', () => {
    serve({ 'GET /api/courses/2/design/questions': [] });
    show(<QuizEditor {...none} questions={[question]} onSave={() => {}} />);
    expect(screen.queryByRole('combobox', { name: 'Carries' })).not.toBeInTheDocument();
  });
});
