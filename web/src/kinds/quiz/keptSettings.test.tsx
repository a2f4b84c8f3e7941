import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { QuizSettings } from '../../api/client';
import { quizAuthor, TAKING } from '../../test/fixtures';
import { serve, show } from '../../test/stage';
import { KeptSettings } from './KeptSettings';

const AT = '/api/courses/2/design/quiz-settings';
const bench: QuizSettings = {
  name: 'Bench test',
  taking: { ...TAKING, word: '', mixed: true },
  attempts: 2,
  counts: 'LATEST',
  passMark: 0.8,
};

const view = (kept: QuizSettings[], taking = TAKING) => {
  const calls = serve({
    [`GET ${AT}`]: kept,
    [`PUT ${AT}`]: undefined,
    [`POST ${AT}/removal`]: undefined,
  });
  const change = vi.fn();
  show(<KeptSettings {...quizAuthor(taking, change)} />);
  return { calls, change };
};

describe('settings of quizzes', () => {
  it('are kept under a name, without the word of this quiz', async () => {
    const { calls } = view([], { ...TAKING, word: 'brass bell' });
    await userEvent.click(screen.getByRole('button', { name: 'Keep these settings …' }));
    await userEvent.type(screen.getByLabelText('Keep them as'), 'Saturday test{Enter}');
    await waitFor(() =>
      expect(calls.find((c) => c.method === 'PUT')?.body).toEqual({
        name: 'Saturday test',
        taking: { ...TAKING, word: '' },
        attempts: 3,
        counts: 'BEST',
        passMark: 0.6,
      }),
    );
    await waitFor(() => expect(screen.queryByLabelText('Keep them as')).toBeNull());
  });

  it('are used again all at once, and leave the word of this quiz', async () => {
    const { change } = view([bench], { ...TAKING, word: 'brass bell' });
    await userEvent.click(await screen.findByRole('combobox', { name: 'Settings' }));
    await userEvent.click(screen.getByRole('option', { name: 'Bench test' }));
    expect(change).toHaveBeenCalledTimes(1);
    expect(change.mock.lastCall?.[0]).toMatchObject({
      attempts: 2,
      counts: 'LATEST',
      passMark: 0.8,
      part: { taking: { mixed: true, word: 'brass bell' } },
    });
  });

  it('that make a check of one’s own change what goes with it', async () => {
    const { change } = view([{ ...bench, taking: { ...TAKING, selfCheck: true } }]);
    await userEvent.click(await screen.findByRole('combobox', { name: 'Settings' }));
    await userEvent.click(screen.getByRole('option', { name: 'Bench test' }));
    expect(change.mock.lastCall?.[0]).toMatchObject({
      attempts: 0,
      evidenceFor: [],
      doneWhen: { leaf: { is: 'attempted', step: 12, times: 1 } },
    });
  });

  it('that are those of a set say which, and can be kept no longer', async () => {
    const { name: _, ...now } = bench;
    const same = { ...now, taking: TAKING, attempts: 3, counts: 'BEST' as const, passMark: 0.6 };
    const { calls } = view([{ name: 'Usual', ...same }]);
    expect(await screen.findByRole('combobox', { name: 'Settings' })).toHaveTextContent('Usual');
    expect(screen.queryByRole('button', { name: 'Keep these settings …' })).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: 'Keep “Usual” no longer' }));
    await waitFor(() =>
      expect(calls.find((c) => c.method === 'POST')?.body).toEqual({ name: 'Usual' }),
    );
  });
});
