import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { Answer, Attempt } from '../../api/client';
import { failure, serve, show } from '../../test/stage';
import { QuizForm } from './QuizForm';
import { QuizResult } from './QuizResult';

const attempt: Attempt = {
  number: 2,
  answers: { q1: { is: 'choice', choice: 'b' } },
  questions: [
    {
      id: 'q1',
      text: 'What does toe-in mean?',
      points: 1,
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
      part: {
        is: 'choice',
        choices: [
          { id: 'a', text: 'When its grooves are gone' },
          { id: 'b', text: 'After a year' },
        ],
      },
    },
  ],
} as Attempt;

describe('an attempt', () => {
  const path = { course: 2, walk: 'mine', step: 12 };
  const at = '/api/courses/2/walks/mine/steps/12/attempts/2';

  it('begins with the answers that were kept, keeps each choice and counts what is open', async () => {
    const calls = serve({ [`PUT ${at}`]: undefined });
    show(<QuizForm attempt={attempt} path={path} onFinished={() => {}} />);
    expect(screen.getByLabelText('The rear edge touches first')).toBeChecked();
    expect(screen.getByText(/1 question/)).toBeInTheDocument();
    await userEvent.click(screen.getByLabelText('When its grooves are gone'));
    expect(calls[0]?.body).toEqual({
      answers: { q1: { is: 'choice', choice: 'b' }, q2: { is: 'choice', choice: 'a' } },
    });
    expect(screen.queryByText(/1 question/)).not.toBeInTheDocument();
  });

  it('hands all answers in at once', async () => {
    const finished = vi.fn();
    const calls = serve({ [`POST ${at}/result`]: { number: 2 } });
    show(<QuizForm attempt={attempt} path={path} onFinished={finished} />);
    await userEvent.click(screen.getByRole('button', { name: /Hand in/ }));
    expect(calls[0]?.body).toEqual({ answers: { q1: { is: 'choice', choice: 'b' } } });
    expect(finished.mock.calls[0]?.[0]).toEqual({ number: 2 });
  });

  it('says why handing in failed and keeps what was chosen', async () => {
    serve({ [`POST ${at}/result`]: failure(409, { detail: 'This attempt is finished already.' }) });
    show(<QuizForm attempt={attempt} path={path} onFinished={() => {}} />);
    await userEvent.click(screen.getByRole('button', { name: /Hand in/ }));
    expect(await screen.findByRole('alert')).toHaveTextContent('finished already');
    expect(screen.getByLabelText('The rear edge touches first')).toBeChecked();
  });
});

describe('a result', () => {
  const answer = (right?: string): Answer => ({
    question: `q${right}`,
    text: 'What does toe-in mean?',
    verdict: 'WRONG',
    part: { is: 'choice', chosen: 'The rear edge', ...(right ? { right } : {}) },
    points: 0,
    of: 1,
    feedback: 'Half a millimetre.',
  });

  it('gives the right answer away only when the server does', () => {
    show(
      <QuizResult
        result={{
          number: 1,
          points: 1,
          of: 2,
          passed: false,
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
