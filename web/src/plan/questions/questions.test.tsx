import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { BankEdit, BankQuestion, Question } from '../../api/client';
import { ANY, isFound, tagsOf, tagsToOffer } from '../../kinds/quiz/find';
import { QuizEditor } from '../../kinds/quiz/QuizEditor';
import { design } from '../../test/fixtures';
import { changed, serve, show } from '../../test/stage';
import Questions from './Questions';

const banked = (id: number, text: string, more: Partial<BankQuestion> = {}): BankQuestion => ({
  id,
  version: 1,
  question: {
    id: `b${id}`,
    text,
    points: 1,
    feedback: '',
    hints: [],
    part: { is: 'true-false', isTrue: true },
  },
  tags: [],
  usedIn: [],
  drawnIn: [],
  doubles: [],
  ...more,
});

const LEFT = banked(1, 'Left pedals unscrew clockwise.', { tags: ['pedals', 'threads'] });
const RIGHT = banked(2, 'Right pedals unscrew anticlockwise.', {
  tags: ['pedals'],
  usedIn: [{ step: 12, name: 'Tools and torque' }],
});

const AT = '/api/courses/2/design';

const view = (all: BankQuestion[], more = {}) => {
  const calls = serve({
    [`GET ${AT}/questions`]: all,
    [`GET ${AT}`]: design(),
    'GET /api/courses/2/quizzes/questions': [{ question: 2, asked: 35, facility: 0.6 }],
    ...more,
  });
  show(<Questions />);
  return calls;
};

describe('the questions of a course', () => {
  it('say how they went, those that were asked', async () => {
    view([LEFT, RIGHT]);
    expect(await screen.findByText(/facility 60 %, asked 35 times/)).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: /Right pedals/ }));
    expect(
      await screen.findByText(
        'Asked in 35 first attempts; 60 % of its points were had on average.',
      ),
    ).toBeVisible();
    expect(screen.getByRole('button', { name: /Left pedals/ })).not.toHaveTextContent('%');
  });
});

describe('questions are looked for', () => {
  it('by all words, all tags, and by whether a quiz asks them', () => {
    expect(isFound(LEFT, { ...ANY, text: 'clockwise PEDALS' })).toBe(true);
    expect(isFound(LEFT, { ...ANY, text: 'anticlockwise' })).toBe(false);
    expect(isFound(LEFT, { ...ANY, tags: ['pedals', 'threads'] })).toBe(true);
    expect(isFound(RIGHT, { ...ANY, tags: ['pedals', 'threads'] })).toBe(false);
    expect([LEFT, RIGHT].map((q) => isFound(q, { ...ANY, unused: true }))).toEqual([true, false]);
    expect(tagsOf([LEFT, RIGHT])).toEqual([
      { tag: 'pedals', count: 2 },
      { tag: 'threads', count: 1 },
    ]);
  });

  it('by the tags that most of them have, and those that were chosen', () => {
    const axle = banked(3, 'Which end of an axle is undone first?', { tags: ['axles'] });
    const offered = (wanted: string[]) =>
      tagsToOffer([axle, LEFT, RIGHT], 1, wanted).map((known) => known.tag);
    expect(offered([])).toEqual(['pedals']);
    expect(offered(['axles'])).toEqual(['axles', 'pedals']);
  });
});

describe('the questions of a course', () => {
  it('say where they are asked, and are found by words and tags', async () => {
    view([LEFT, RIGHT]);
    const list = await screen.findByRole('list', { name: 'Questions' });
    expect(within(list).getByText('Tools and torque')).toBeInTheDocument();
    expect(within(list).getByText('In no quiz')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'threads 1' }));
    expect(within(list).queryByText(/Right pedals/)).not.toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'threads 1' }));
    await userEvent.type(screen.getByRole('searchbox'), 'nothing like it');
    expect(screen.getByText('No question found')).toBeInTheDocument();
  });

  it('are changed in the inspector, and what was left is saved', async () => {
    const calls = view([LEFT], {
      [`PATCH ${AT}/questions/1`]: { ...LEFT, version: 2 },
    });
    await userEvent.click(await screen.findByText(/Left pedals/));
    const field = screen.getByRole('textbox', { name: 'Question' });
    await userEvent.clear(field);
    await userEvent.type(field, 'Left pedals have a left-hand thread.');
    await userEvent.click(screen.getByRole('searchbox'));
    await waitFor(() => expect(calls.some((c) => c.method === 'PATCH')).toBe(true));
    const [to] = changed<BankEdit>(calls);
    expect(to?.question?.text).toBe('Left pedals have a left-hand thread.');
    expect(Object.keys(to ?? {})).toEqual(['question']);
  });

  it('come many at once as text, which is not taken before its faults are mended', async () => {
    const read = {
      questions: [{ line: 1, question: LEFT.question, tags: ['pedals'] }],
      faults: [{ line: 4, says: 'No choice stands above what is said here.' }],
    };
    let mended = false;
    const calls = view([], {
      [`POST ${AT}/questions/reading`]: () => (mended ? { ...read, faults: [] } : read),
      [`POST ${AT}/questions/several`]: [LEFT],
    });
    await userEvent.click(
      (await screen.findAllByRole('button', { name: 'Paste many' }))[0] as HTMLElement,
    );
    const dialog = screen.getByRole('dialog');
    await userEvent.type(within(dialog).getByRole('textbox'), 'Left?');
    expect(await within(dialog).findByText(/No choice stands above/)).toBeInTheDocument();
    expect(within(dialog).getByText(/Left pedals/)).toBeInTheDocument();
    expect(within(dialog).getByRole('button', { name: 'Add one question' })).toBeDisabled();
    mended = true;
    await userEvent.type(within(dialog).getByRole('textbox'), '!');
    const add = within(dialog).getByRole('button', { name: 'Add one question' });
    await waitFor(() => expect(add).toBeEnabled());
    await userEvent.click(add);
    expect(await screen.findByText('One question added.')).toBeInTheDocument();
    expect(calls.find((c) => c.path.endsWith('/several'))?.body).toEqual({
      questions: [{ question: LEFT.question, tags: ['pedals'] }],
    });
  });
});

describe('a quiz', () => {
  const editor = (questions: Question[], save = vi.fn(), draws = vi.fn()) => {
    serve({ [`GET ${AT}/questions`]: [LEFT, RIGHT] });
    show(<QuizEditor questions={questions} draws={[]} onDraws={draws} course={2} onSave={save} />);
    return { save, draws };
  };

  it('asks questions of the course, and can make one its own', async () => {
    const { save } = editor([]);
    await userEvent.click(await screen.findByRole('button', { name: 'Choose from Questions' }));
    await userEvent.click(await screen.findByRole('checkbox', { name: /Left pedals/ }));
    await userEvent.click(screen.getByRole('button', { name: 'Ask this question' }));
    expect(save.mock.lastCall?.[0]).toMatchObject([
      { id: 'b1', bank: 1, text: LEFT.question.text },
    ]);
    await userEvent.click(screen.getByRole('button', { name: 'Make it this quiz’s own' }));
    const [own] = save.mock.lastCall?.[0] ?? [];
    expect(own.bank).toBeUndefined();
    expect(own.id).not.toBe('b1');
    expect(own.text).toBe(LEFT.question.text);
  });

  it('draws at random, and says how many there are to draw from', async () => {
    const { draws } = editor([]);
    await userEvent.click(await screen.findByRole('button', { name: 'Draw at random' }));
    expect(draws.mock.lastCall?.[0]).toMatchObject([{ tags: [], count: 1, points: 1 }]);
  });
});
