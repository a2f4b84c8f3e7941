import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { Work } from '../../api/client';
import { serve, show } from '../../test/stage';
import Marker from './Marker';

const at = '/api/courses/2/marking/5/12/attempts';
const work = {
  enrolment: 5,
  step: 12,
  learner: 'Celeste Adeyo',
  module: 'Brakes',
  name: 'Pads, cables, levers',
} as Work;
const answer = {
  question: 'q7',
  text: 'Why does a pad squeal?',
  expected: 'Both ends touch at once.',
  given: '<p>It has no toe-in.</p>',
  of: 4,
  comment: '',
  met: [],
};
const rubric = {
  id: 3,
  name: 'A reason',
  of: 6,
  criteria: [
    {
      key: 1,
      name: 'Names the cause',
      description: '',
      counts: true,
      levels: [
        { key: 1, name: 'Not yet', description: '', points: 0 },
        { key: 2, name: 'Names it', description: '', points: 3 },
        { key: 3, name: 'And says why', description: '', points: 6 },
      ],
    },
  ],
};
const attempt = {
  number: 2,
  finished: '2026-11-20T08:00:00Z',
  points: 6,
  of: 10,
  waits: 1,
  answers: [answer],
};

describe('texts in attempts', () => {
  it('get points and a word, with what a good answer says beside them', async () => {
    const calls = serve({ [`GET ${at}`]: [attempt], [`POST ${at}/2/marks`]: undefined });
    const done = vi.fn();
    show(<Marker work={work} arrived={false} onDone={done} />);
    expect(await screen.findByText('It has no toe-in.')).toBeVisible();
    expect(screen.getByText('A good answer: Both ends touch at once.')).toBeVisible();
    expect(screen.getByText(/6 of 10 points so far/)).toBeVisible();
    expect(screen.getByRole('button', { name: 'Send to Celeste Adeyo' })).toBeDisabled();
    await userEvent.type(screen.getByLabelText('Points of 4'), '5');
    expect(screen.getByText('From 0 to 4.')).toBeVisible();
    await userEvent.clear(screen.getByLabelText('Points of 4'));
    await userEvent.type(screen.getByLabelText('Points of 4'), '3');
    await userEvent.type(screen.getByLabelText('Comment'), 'Say where it touches.');
    await userEvent.click(screen.getByRole('button', { name: 'Send to Celeste Adeyo' }));
    await vi.waitFor(() => expect(done).toHaveBeenCalled());
    expect(calls.find((c) => c.method === 'POST')?.body).toEqual({
      marks: [{ question: 'q7', points: 3, comment: 'Say where it touches.' }],
    });
  });

  it('get the share of their points that the rubric comes to, which may still be changed', async () => {
    const calls = serve({
      [`GET ${at}`]: [{ ...attempt, answers: [{ ...answer, rubric }] }],
      [`POST ${at}/2/marks`]: undefined,
    });
    show(<Marker work={work} arrived={false} onDone={() => {}} />);
    await userEvent.click(await screen.findByRole('radio', { name: /Names it/ }));
    expect(screen.getByLabelText('Points of 4')).toHaveValue(2);
    await userEvent.click(screen.getByRole('button', { name: 'Send to Celeste Adeyo' }));
    await vi.waitFor(() =>
      expect(calls.find((c) => c.method === 'POST')?.body).toEqual({
        marks: [
          {
            question: 'q7',
            points: 2,
            comment: '',
            rubric: [{ criterion: 1, level: 2, comment: '' }],
          },
        ],
      }),
    );
  });

  it('says when nothing was written', async () => {
    serve({ [`GET ${at}`]: [{ ...attempt, answers: [{ ...answer, given: '' }] }] });
    show(<Marker work={work} arrived={false} onDone={() => {}} />);
    expect(await screen.findByText('Nothing has been written yet.')).toBeVisible();
  });
});
