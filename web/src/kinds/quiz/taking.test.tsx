import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import { quizAuthor, TAKING } from '../../test/fixtures';
import { show } from '../../test/stage';
import type { LearnerProps } from '../room';
import { BeforeAttempt } from './BeforeAttempt';
import { TakingFields } from './TakingFields';

type Quiz = LearnerProps<'quiz'>['part'];

const fields = (taking = TAKING) => {
  const change = vi.fn();
  show(<TakingFields {...quizAuthor(taking, change)} />);
  return change;
};

const taken = (change: ReturnType<typeof vi.fn>) => change.mock.lastCall?.[0].part.taking;

describe('how a quiz is taken', () => {
  it('gets a time, and says what happens when it is up', async () => {
    const change = fields();
    await userEvent.click(screen.getByLabelText('An attempt has a time'));
    expect(taken(change).limit).toEqual({ minutes: 20, timeUp: 'HANDED_IN', graceMinutes: 0 });
    await userEvent.click(screen.getByRole('combobox', { name: 'When the time is up' }));
    await userEvent.click(screen.getByRole('option', { name: 'What was begun may be finished' }));
    expect(taken(change).limit).toEqual({ minutes: 20, timeUp: 'FINISHED', graceMinutes: 5 });
    expect(screen.getByLabelText('Minutes to finish')).toHaveValue(5);
  });

  it('is a check of one’s own with one switch', async () => {
    const change = fields();
    await userEvent.click(screen.getByLabelText('Self-check'));
    expect(change.mock.lastCall?.[0].attempts).toBe(0);
    expect(change.mock.lastCall?.[0].doneWhen).toMatchObject({
      leaf: { is: 'attempted', step: 12, times: 1 },
    });
    expect(taken(change).review.right).toBe('AT_ONCE');
  });

  it('says which attempt counts, and what is looked at when', async () => {
    const change = fields();
    await userEvent.click(screen.getByRole('combobox', { name: 'What counts' }));
    await userEvent.click(screen.getByRole('option', { name: 'The latest attempt' }));
    expect(change).toHaveBeenLastCalledWith({ counts: 'LATEST' });
    await userEvent.click(screen.getByRole('combobox', { name: 'Right answers' }));
    await userEvent.click(screen.getByRole('option', { name: 'Once the quiz is closed' }));
    expect(taken(change).review.right).toBe('CLOSED');
  });

  it('has words for results', async () => {
    const change = fields({ ...TAKING, bands: [{ from: 0.5, words: 'Nearly.' }] });
    expect(screen.getByLabelText('From %')).toHaveValue(50);
    await userEvent.click(screen.getByRole('button', { name: 'Remove words 1' }));
    expect(taken(change).bands).toEqual([]);
  });
});

describe('before an attempt', () => {
  const quiz = (more: Partial<Quiz> = {}): Quiz => ({
    is: 'quiz',
    questions: 6,
    points: 15,
    passMark: 0.6,
    attemptsLeft: 2,
    current: 0,
    counts: 'LATEST',
    selfCheck: false,
    asksWord: false,
    pages: 'FORWARD',
    time: { minutes: 25, timeUp: 'NOTHING', graceMinutes: 0 },
    attempts: [],
    ...more,
  });

  it('says how it is taken and what counts', () => {
    show(<BeforeAttempt quiz={quiz({ score: 0.5, best: 0.75 })} />);
    expect(screen.getByText(/25 minutes to hand in; later, nothing counts/)).toBeVisible();
    expect(screen.getByText('One question at a time, and never back.')).toBeVisible();
    expect(screen.getByText('The latest attempt counts.')).toBeVisible();
    expect(screen.getByText(/Latest 50 %.*Best 75 %/)).toBeVisible();
  });

  it('says what full marks would bring', () => {
    show(
      <BeforeAttempt
        quiz={quiz({ fullMarks: { opens: ['At the stand', 'Toe-in'], earns: ['Full house'] } })}
      />,
    );
    expect(screen.getByText('Full marks open At the stand, Toe-in.')).toBeVisible();
    expect(screen.getByText('Full marks earn the badge Full house.')).toBeVisible();
  });

  it('says of a check of one’s own that it gives no points', () => {
    show(<BeforeAttempt quiz={quiz({ selfCheck: true, attemptsLeft: -1 })} />);
    expect(screen.getByText(/6 questions to check yourself. No points/)).toBeVisible();
    expect(screen.queryByText(/Pass from/)).not.toBeInTheDocument();
  });
});
