import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { Answer, Attempt } from '../../api/client';
import { failure, serve, show } from '../../test/stage';
import { QuizForm } from './QuizForm';
import { QuizResult } from './QuizResult';
import { changes } from './useAttempt';

const NOW = '2026-11-20T08:00:00Z';
const attempt: Attempt = {
  number: 2,
  count: 2,
  pages: 'ALL',
  page: 0,
  oneByOne: false,
  settled: [],
  rubrics: {},
  clock: { now: NOW, timeUp: 'HANDED_IN' },
  answers: { q1: { is: 'choice', choice: 'b' } },
  questions: [
    {
      id: 'q1',
      text: 'What does toe-in mean?',
      points: 1,
      hints: [],
      part: {
        is: 'choice',
        choices: [
          { id: 'a', text: 'The front edge touches first' },
          { id: 'b', text: 'The rear edge touches first' },
        ],
      },
    },
    {
      id: 'q2',
      text: 'When is a pad worn out?',
      points: 1,
      hints: [],
      part: {
        is: 'choice',
        choices: [
          { id: 'a', text: 'When its grooves are gone' },
          { id: 'b', text: 'After a year' },
        ],
      },
    },
  ],
};

describe('what is told of answers', () => {
  it('is what has changed, and what was taken back', () => {
    const a = { is: 'choice', choice: 'a' } as const;
    const b = { is: 'choice', choice: 'b' } as const;
    expect(changes({ q1: a, q2: a, q3: a }, { q1: { ...a }, q2: b })).toEqual({
      answers: { q2: b },
      back: ['q3'],
    });
    expect(changes({}, {})).toEqual({ answers: {} });
  });
});

const handIn = async () =>
  userEvent.click(
    within(screen.getByRole('dialog')).getByRole('button', { name: 'Hand in answers' }),
  );

describe('an attempt', () => {
  const path = { course: 2, walk: 'mine', step: 12 };
  const at = '/api/courses/2/walks/mine/steps/12/attempts/2';

  it('begins with the answers that were kept, keeps each choice and counts what is open', async () => {
    const calls = serve({ [`PUT ${at}`]: undefined });
    show(<QuizForm attempt={attempt} path={path} onFinished={() => {}} />);
    expect(screen.getByLabelText('The rear edge touches first')).toBeChecked();
    expect(screen.getByText(/1 question/)).toBeInTheDocument();
    await userEvent.click(screen.getByLabelText('When its grooves are gone'));
    expect(calls[0]?.body).toEqual({ answers: { q2: { is: 'choice', choice: 'a' } } });
    expect(screen.queryByText(/1 question/)).not.toBeInTheDocument();
  });

  it('hands all answers in at once', async () => {
    const finished = vi.fn();
    const calls = serve({ [`POST ${at}/result`]: { number: 2 } });
    show(<QuizForm attempt={attempt} path={path} onFinished={finished} />);
    await userEvent.click(screen.getByRole('button', { name: /Hand in/ }));
    expect(screen.getByRole('dialog')).toHaveTextContent('Question 2 has no answer yet.');
    expect(calls).toEqual([]);
    await handIn();
    expect(calls[0]?.body).toEqual({ answers: {} });
    expect(finished.mock.calls[0]?.[0]).toEqual({ number: 2 });
  });

  it('says why handing in failed and keeps what was chosen', async () => {
    serve({ [`POST ${at}/result`]: failure(409, { detail: 'This attempt is finished already.' }) });
    show(<QuizForm attempt={attempt} path={path} onFinished={() => {}} />);
    await userEvent.click(screen.getByRole('button', { name: /Hand in/ }));
    await handIn();
    expect(await screen.findByRole('alert')).toHaveTextContent('finished already');
    expect(screen.getByLabelText('The rear edge touches first')).toBeChecked();
  });

  it('says what is left before a last attempt is handed in, and goes on answering', async () => {
    const calls = serve({});
    const whole = { ...attempt, questions: attempt.questions.slice(0, 1), count: 1 };
    show(<QuizForm attempt={whole} path={path} attemptsLeft={1} onFinished={() => {}} />);
    await userEvent.click(screen.getByRole('button', { name: /Hand in/ }));
    expect(screen.getByRole('dialog')).toHaveTextContent('This is your last attempt.');
    await userEvent.click(screen.getByRole('button', { name: 'Go on answering' }));
    expect(calls).toEqual([]);
  });

  it('says honestly when an answer is not saved, and tries again', async () => {
    const calls = serve({ [`PUT ${at}`]: failure(500, { detail: 'Something went wrong.' }) });
    show(<QuizForm attempt={attempt} path={path} onFinished={() => {}} />);
    expect(screen.getByText('Your answers are saved.')).toBeInTheDocument();
    await userEvent.click(screen.getByLabelText('When its grooves are gone'));
    expect(await screen.findByText('Your latest answers are not saved.')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Try again' }));
    expect(calls.filter((c) => c.method === 'PUT')).toHaveLength(2);
  });

  it('shows one question a page, and goes to any of them by its number', async () => {
    show(<QuizForm attempt={{ ...attempt, pages: 'ONE' }} path={path} onFinished={() => {}} />);
    expect(screen.queryByText(/When is a pad worn out/)).not.toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Question 2, not answered yet' }));
    expect(screen.getByText(/When is a pad worn out/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Previous question' }));
    expect(screen.getByText(/What does toe-in mean/)).toBeInTheDocument();
  });

  it('asks the server for the next question where one never goes back', async () => {
    const [one, two] = attempt.questions;
    const second = { ...attempt, pages: 'FORWARD', page: 1, questions: [two], answers: {} };
    const calls = serve({ [`POST ${at}/pages/1`]: second });
    show(
      <QuizForm
        attempt={{ ...attempt, pages: 'FORWARD', questions: one ? [one] : [] }}
        path={path}
        onFinished={() => {}}
      />,
    );
    expect(screen.getByText(/Question 1 of 2/)).toBeInTheDocument();
    expect(screen.queryByRole('button', { name: /Hand in/ })).not.toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Next question' }));
    expect(await screen.findByText(/When is a pad worn out/)).toBeInTheDocument();
    expect(calls[0]?.body).toEqual({ answers: {} });
    expect(screen.getByRole('button', { name: /Hand in/ })).toBeInTheDocument();
  });

  it('asks before a question is left without an answer for good, and before the last one is handed in so', async () => {
    const [one, two] = attempt.questions;
    const second = { ...attempt, pages: 'FORWARD', page: 1, questions: [two], answers: {} };
    const calls = serve({ [`POST ${at}/pages/1`]: second });
    show(
      <QuizForm
        attempt={{ ...attempt, pages: 'FORWARD', questions: one ? [one] : [], answers: {} }}
        path={path}
        onFinished={() => {}}
      />,
    );
    await userEvent.click(screen.getByRole('button', { name: 'Next question' }));
    const leaving = within(screen.getByRole('dialog', { name: 'Go on without an answer?' }));
    expect(leaving.getByText('Question 1 has no answer yet.')).toBeVisible();
    expect(leaving.getByText('You cannot come back to a question.')).toBeVisible();
    expect(calls).toEqual([]);
    await userEvent.keyboard('{Enter}');
    expect(calls).toEqual([]);
    await vi.waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    await userEvent.click(screen.getByRole('button', { name: 'Next question' }));
    const again = within(screen.getByRole('dialog'));
    await userEvent.click(again.getByRole('button', { name: 'Next question' }));
    expect(await screen.findByText(/When is a pad worn out/)).toBeInTheDocument();
    await vi.waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    await userEvent.click(screen.getByRole('button', { name: 'Hand in answers' }));
    expect(screen.getByText('Question 2 has no answer yet.')).toBeVisible();
  });

  it('settles an answer and says at once what was right', async () => {
    serve({
      [`POST ${at}/settled/q1`]: {
        question: 'q1',
        text: '',
        verdict: 'WRONG',
        hints: 0,
        points: 0,
        of: 1,
        feedback: 'Half a millimetre.',
        part: {
          is: 'choice',
          chosen: { text: 'The rear edge' },
          right: { text: 'The front edge' },
        },
      },
    });
    show(<QuizForm attempt={{ ...attempt, oneByOne: true }} path={path} onFinished={() => {}} />);
    const [check, other] = screen.getAllByRole('button', { name: 'Check' });
    expect(other).toBeDisabled();
    await userEvent.click(check as HTMLElement);
    expect(await screen.findByText(/Right answer: The front edge/)).toBeInTheDocument();
    expect(screen.getByText('Half a millimetre.')).toBeInTheDocument();
    expect(screen.queryByLabelText('The rear edge touches first')).not.toBeInTheDocument();
  });

  it('gives a hint to who asks for it, after saying what it costs', async () => {
    const [one] = attempt.questions;
    const helped = { ...one, hints: [{ text: 'Look at the front.', cost: 0.25 }] };
    const calls = serve({ [`POST ${at}/hints/q1/0`]: helped });
    const asked = { ...one, nextHint: 0.25 } as (typeof attempt.questions)[number];
    show(
      <QuizForm attempt={{ ...attempt, questions: [asked] }} path={path} onFinished={() => {}} />,
    );
    expect(screen.getByText('It takes 25 % of the points.')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Show a hint' }));
    expect(await screen.findByText(/Look at the front/)).toBeInTheDocument();
    expect(calls).toHaveLength(1);
    expect(screen.queryByRole('button', { name: /hint/ })).not.toBeInTheDocument();
  });

  it('counts by the clock of the server, and hands in once it is up', async () => {
    vi.useFakeTimers({ shouldAdvanceTime: true });
    try {
      const finished = vi.fn();
      serve({ [`POST ${at}/result`]: { number: 2, timeUp: true } });
      const clock = { now: NOW, endsAt: '2026-11-20T08:01:05Z', timeUp: 'HANDED_IN' as const };
      show(<QuizForm attempt={{ ...attempt, clock }} path={path} onFinished={finished} />);
      expect(screen.getByRole('timer')).toHaveTextContent(/1:0[45]/);
      await vi.advanceTimersByTimeAsync(6_000);
      expect(screen.getByText('1 minute left')).toBeInTheDocument();
      await vi.advanceTimersByTimeAsync(60_000);
      await vi.waitFor(() => expect(finished).toHaveBeenCalledTimes(1));
    } finally {
      vi.useRealTimers();
    }
  });
});

describe('a result', () => {
  const answer = (right?: string): Answer => ({
    question: `q${right}`,
    text: 'What does toe-in mean?',
    verdict: 'WRONG',
    hints: 0,
    part: {
      is: 'choice',
      chosen: { text: 'The rear edge', feedback: 'It squeals so.' },
      ...(right ? { right: { text: right } } : {}),
    },
    points: 0,
    of: 1,
    feedback: 'Half a millimetre.',
    comment: '',
  });

  it('gives the right answer away only when the server does', () => {
    show(
      <QuizResult
        result={{
          number: 1,
          points: 1,
          of: 2,
          passed: false,
          scored: true,
          timeUp: false,
          waits: 0,
          says: '',
          attemptsLeft: 2,
          opened: [],
          answers: [answer(), answer('The front edge')],
        }}
      />,
    );
    const [hidden, shown] = screen.getAllByRole('listitem');
    expect(hidden).not.toHaveTextContent('The front edge');
    expect(shown).toHaveTextContent('The front edge');
    expect(screen.getByRole('status')).toHaveTextContent('50 %');
  });
});
