import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import { type Call, failure, serve, show } from '../test/stage';
import { ExceptionDialog } from '../watch/ExceptionDialog';
import ExceptionsView from './Exceptions';

const of = (fact: number, learner: string, says: string) => ({
  enrolment: fact,
  learner,
  exception: {
    fact,
    kind: 'OPENED',
    step: 11,
    name: 'Pads',
    says,
    at: '2026-11-20T10:00:00Z',
    by: 'Tomas Reyes',
  },
});
const at = '/api/courses/2';

describe('exceptions of a course', () => {
  it('are listed with learner, step and author, and are found by any of them', async () => {
    serve({
      [`GET ${at}/exceptions`]: [
        of(1, 'Ilse Krog', 'opened (ill)'),
        of(2, 'Ruben Sato', 'excused'),
      ],
    });
    show(<ExceptionsView />);
    const list = await screen.findByRole('list', { name: 'Exceptions' });
    expect(within(list).getAllByRole('listitem')).toHaveLength(2);
    expect(within(list).getByText('opened (ill)')).toBeInTheDocument();
    await userEvent.type(screen.getByRole('searchbox'), 'ruben');
    expect(within(list).getAllByRole('listitem')).toHaveLength(1);
    await userEvent.type(screen.getByRole('searchbox'), 'x');
    expect(screen.getByText('No exception fits.')).toBeInTheDocument();
  });

  it('end or are taken back from the list, and a refusal is said', async () => {
    const calls = serve({
      [`GET ${at}/exceptions`]: [of(1, 'Ilse Krog', 'opened')],
      [`POST ${at}/learners/1/exceptions/1/end`]: failure(409, { detail: 'It has ended already.' }),
      [`DELETE ${at}/learners/1/exceptions/1`]: undefined,
    });
    show(<ExceptionsView />);
    await userEvent.click(
      await screen.findByRole('button', { name: 'Take back: Ilse Krog, Pads' }),
    );
    await vi.waitFor(() => expect(calls.some((c) => c.method === 'DELETE')).toBe(true));
    await userEvent.click(screen.getByRole('button', { name: 'End now: Ilse Krog, Pads' }));
    expect(await screen.findByText(/It has ended already/)).toBeInTheDocument();
  });

  it('say what they are where there are none', async () => {
    serve({ [`GET ${at}/exceptions`]: [] });
    show(<ExceptionsView />);
    expect(await screen.findByText('No exceptions stand')).toBeInTheDocument();
  });
});

describe('an exception for several learners', () => {
  const learners = [
    { enrolment: 5, name: 'Ilse Krog' },
    { enrolment: 6, name: 'Ruben Sato' },
  ];
  const steps = [
    { id: 11, name: 'Pads' },
    { id: 12, name: 'Job card' },
  ];
  const dialog = (answer: unknown) => {
    const done = vi.fn();
    const calls = serve({ [`POST ${at}/exceptions`]: answer });
    show(<ExceptionDialog learners={learners} steps={steps} onClose={() => {}} onDone={done} />);
    return { calls, done };
  };
  const sent = (calls: Call[]) => calls.find((c) => c.method === 'POST')?.body;

  it('goes to all of them, with what its kind needs', async () => {
    const { calls, done } = dialog({
      given: [
        { enrolment: 5, fact: 1 },
        { enrolment: 6, fact: 2 },
      ],
      left: [],
    });
    await userEvent.click(screen.getByRole('combobox', { name: 'What is allowed' }));
    await userEvent.click(screen.getByRole('option', { name: 'more attempts' }));
    await userEvent.click(screen.getByRole('combobox', { name: 'Step' }));
    await userEvent.click(screen.getByRole('option', { name: 'Job card' }));
    const more = screen.getByRole('spinbutton', { name: 'More attempts' });
    await userEvent.clear(more);
    await userEvent.type(more, '2');
    await userEvent.type(screen.getByRole('textbox', { name: /Reason/ }), 'the power was off');
    await userEvent.click(screen.getByRole('button', { name: 'Allow it' }));
    await vi.waitFor(() => expect(done).toHaveBeenCalled());
    expect(sent(calls)).toEqual({
      learners: [5, 6],
      exception: { kind: 'ADD_ATTEMPTS', step: 12, reason: 'the power was off', attempts: 2 },
    });
  });

  it('says for whom it would have done nothing, and stays open', async () => {
    const { done } = dialog({
      given: [{ enrolment: 5, fact: 1 }],
      left: [{ enrolment: 6, why: '“Pads” is open already.' }],
    });
    await userEvent.click(screen.getByRole('button', { name: 'Allow it' }));
    expect(await screen.findByText(/Ruben Sato: “Pads” is open already/)).toBeInTheDocument();
    expect(screen.getByText(/Allowed for 1 learner/)).toBeInTheDocument();
    expect(done).not.toHaveBeenCalled();
  });
});
