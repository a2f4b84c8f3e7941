import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { QuestionFigures, QuizFigures } from '../../api/client';
import { serve, show } from '../../test/stage';
import { standsOut } from './QuestionTable';
import Quizzes from './Quizzes';

const question = (id: string, more: Partial<QuestionFigures> = {}): QuestionFigures => ({
  id,
  text: `Question ${id}?`,
  kind: 'CHOICE',
  points: 1,
  asked: 20,
  right: 12,
  partly: 0,
  wrong: 7,
  unanswered: 1,
  facility: 0.6,
  discrimination: 0.41,
  seconds: 41.5,
  given: [
    { said: 'Left-hand', count: 12, right: true },
    { said: 'Right-hand', count: 7, right: false },
  ],
  changed: false,
  ...more,
});

const figures: QuizFigures = {
  step: 12,
  name: 'Threads',
  attempts: 20,
  learners: 20,
  scores: [0, 0, 1, 2, 3, 4, 4, 3, 2, 1],
  mean: 0.62,
  median: 0.6,
  deviation: 0.2,
  reliability: 0.71,
  minutes: 6.4,
  passMark: 0.6,
  questions: [
    question('q1'),
    question('q2', { facility: 0.1, discrimination: -0.2, seconds: 130 }),
  ],
  corrections: [],
  mayCorrect: true,
};

const AT = '/api/courses/2/quizzes';

const view = (shown: QuizFigures, more = {}) => {
  const calls = serve({
    [`GET ${AT}`]: [
      { step: 12, name: 'Threads', module: 'Work', attempts: 20, learners: 20 },
      { step: 13, name: 'Torque', module: 'Work', attempts: 0, learners: 0 },
    ],
    [`GET ${AT}/12/figures`]: shown,
    'GET /api/courses/2/reports': [{ name: 'csv', title: 'CSV' }],
    ...more,
  });
  show(<Quizzes />);
  return calls;
};

describe('how a quiz went', () => {
  it('is said in figures, for the whole and for each question', async () => {
    view(figures);
    expect(await screen.findByText('62 %')).toBeInTheDocument();
    expect(screen.getByText('0.71')).toBeInTheDocument();
    expect(screen.getByText('42 s')).toBeInTheDocument();
    expect(screen.getByText('2.2 min')).toBeInTheDocument();
    expect(screen.getByLabelText('60 to 70 %: 4 attempts')).toBeInTheDocument();
    expect(screen.getByText(/passed from 60 %/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: /Question q1/ }));
    expect(screen.getByText('Left-hand (right)')).toBeInTheDocument();
    expect(screen.getByText('Those who are good at the rest are no better at this.')).toBeVisible();
  });

  it('stands out where a question is odd, too easy or too hard', () => {
    expect(standsOut(question('q'))).toBeUndefined();
    expect(standsOut(question('q', { discrimination: 0 }))).toBe('odd');
    expect(standsOut(question('q', { facility: 0.97 }))).toBe('easy');
    expect(standsOut(question('q', { facility: 0.2 }))).toBe('hard');
    expect(standsOut(question('q', { facility: 0.2, asked: 3 }))).toBeUndefined();
  });

  it('has nothing to correct for who may not', async () => {
    view({ ...figures, mayCorrect: false });
    await userEvent.click(await screen.findByRole('button', { name: /Question q1/ }));
    expect(screen.queryByRole('button', { name: 'Put this question right' })).toBeNull();
  });

  it('is put right after its effect was shown by name, and only with a reason', async () => {
    const calls = view(figures, {
      [`POST ${AT}/12/corrections/effect`]: {
        attempts: 1,
        scores: [{ learner: 'Juno Abara', attempt: 1, before: 0.5, after: 0.75 }],
        changes: [{ what: '“Threads” is done', loss: false, learners: ['Juno Abara'] }],
      },
      [`POST ${AT}/12/corrections`]: {},
    });
    await userEvent.click(await screen.findByRole('button', { name: /Question q1/ }));
    await userEvent.click(screen.getByRole('button', { name: 'Put this question right' }));
    const dialog = screen.getByRole('dialog');
    expect(
      await within(dialog).findByText('Juno Abara, attempt 1: 50 % becomes 75 %'),
    ).toBeInTheDocument();
    expect(within(dialog).getByText(/“Threads” is done/)).toBeInTheDocument();
    const act = within(dialog).getByRole('button', { name: 'Mark one attempt anew' });
    expect(act).toBeDisabled();
    await userEvent.type(within(dialog).getByLabelText('Why'), 'Both are right.');
    await userEvent.click(act);
    await waitFor(() =>
      expect(calls.find((c) => c.path.endsWith('/corrections'))?.body).toEqual({
        question: 'q1',
        what: 'FULL_MARKS',
        reason: 'Both are right.',
      }),
    );
  });

  it('keeps what was put right, and takes it back', async () => {
    const calls = view(
      {
        ...figures,
        corrections: [
          {
            id: 4,
            question: 'q1',
            what: 'LEFT_OUT',
            reason: 'Ambiguous.',
            by: 'Odalys Brandt',
            at: '2026-11-20T08:00:00Z',
            marked: true,
          },
        ],
      },
      {
        [`GET ${AT}/12/corrections/4/return`]: { attempts: 3, scores: [], changes: [] },
        [`POST ${AT}/12/corrections/4/return`]: {},
      },
    );
    expect(await screen.findByText(/Ambiguous/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Take back' }));
    expect(await screen.findByText('3 attempts are marked otherwise.')).toBeInTheDocument();
    await userEvent.click(
      within(screen.getByRole('dialog')).getByRole('button', { name: 'Take back' }),
    );
    await waitFor(() =>
      expect(calls.some((c) => c.method === 'POST' && c.path.endsWith('/4/return'))).toBe(true),
    );
  });
});
