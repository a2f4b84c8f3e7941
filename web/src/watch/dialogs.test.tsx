import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import NewCourseDialog from '../frame/NewCourseDialog';
import { PublishDialog } from '../plan/PublishDialog';
import { WriteDialog } from '../reach/WriteDialog';
import { type Call, failure, serve, show } from '../test/stage';
import { EnrolDialog } from './EnrolDialog';

describe('enrolling', () => {
  it('takes addresses however they are parted and leaves those that nobody has', async () => {
    const calls = serve({
      'POST /api/courses/2/roster': {
        enrolled: 1,
        there: ['sol@hollowlane.example'],
        unknown: ['nobody@hollowlane.example'],
        held: [],
        refused: [],
      },
    });
    show(<EnrolDialog onClose={() => {}} />);
    const field = screen.getByLabelText(/E-mail addresses/);
    await userEvent.type(
      field,
      'edda@hollowlane.example, sol@hollowlane.example;nobody@hollowlane.example',
    );
    await userEvent.click(screen.getByRole('button', { name: /3/ }));
    expect(calls[0]?.body).toEqual({
      emails: ['edda@hollowlane.example', 'sol@hollowlane.example', 'nobody@hollowlane.example'],
      anyway: false,
    });
    expect(await screen.findByRole('alert')).toHaveTextContent('nobody@hollowlane.example');
    expect(field).toHaveValue('nobody@hollowlane.example');
  });
});

describe('enrolling where something must be complete before', () => {
  it('says whom that keeps out, and enrols them anyway where that is wanted', async () => {
    const nothing = { enrolled: 0, there: [], unknown: [], held: [], refused: [] };
    const kept = (email: string) => ({ email, missing: ['Workshop Safety Induction'] });
    const calls = serve({
      'POST /api/courses/2/roster': (call: { body: unknown }) =>
        (call.body as { anyway: boolean }).anyway
          ? { ...nothing, enrolled: 1 }
          : { ...nothing, held: [kept('sol@x.example')], refused: [kept('edda@x.example')] },
    });
    show(<EnrolDialog onClose={() => {}} />);
    await userEvent.type(screen.getByLabelText(/E-mail addresses/), 'edda@x.example sol@x.example');
    await userEvent.click(screen.getByRole('button', { name: 'Enrol 2 learners' }));
    const alert = await screen.findByRole('alert');
    expect(alert).toHaveTextContent('1 waits until');
    expect(alert).toHaveTextContent('edda@x.example (Workshop Safety Induction)');
    await userEvent.click(screen.getByRole('button', { name: 'Enrol them anyway' }));
    expect(await screen.findByText('1 learner enrolled.')).toBeVisible();
    expect(calls.at(-1)?.body).toEqual({ emails: ['edda@x.example'], anyway: true });
  });
});

describe('publishing', () => {
  it('says beforehand who gains what, with a few names and how many more', async () => {
    serve({
      'GET /api/courses/2/publications/next': {
        draft: 'seen',
        changed: ['“Brake job card”'],
        learners: 9,
        earlier: 0,
        changes: [
          {
            what: '“Brake job card” opens',
            loss: false,
            learners: ['Aiko', 'Bram', 'Chiara', 'Dario', 'Elif', 'Fabian', 'Gwen'],
          },
        ],
      },
    });
    show(<PublishDialog onClose={() => {}} />);
    const line = await screen.findByText(/Brake job card” opens/);
    expect(line).toHaveTextContent('Elif');
    expect(line).not.toHaveTextContent('Fabian');
    expect(line).toHaveTextContent('2');
  });

  it('cannot be done while the draft has faults, and lists them', async () => {
    serve({
      'GET /api/courses/2/publications/next': failure(422, {
        detail: 'The draft has faults.',
        findings: ['Opens when of “Second” asks about a step that is gone.'],
      }),
    });
    show(<PublishDialog onClose={() => {}} />);
    expect(await screen.findByText(/asks about a step that is gone/)).toBeInTheDocument();
    expect(screen.getByRole('button', { name: /Publish/ })).toBeDisabled();
  });

  it('publishes and closes', async () => {
    const close = vi.fn();
    const calls = serve({
      'GET /api/courses/2/publications/next': {
        draft: 'seen',
        changed: ['“Tubes”'],
        learners: 0,
        earlier: 0,
        changes: [],
      },
      'POST /api/courses/2/publications': { number: 1, moved: 0, of: 0 },
    });
    show(<PublishDialog onClose={close} />);
    await screen.findByText(/No learners/);
    await userEvent.click(screen.getByRole('button', { name: /Publish/ }));
    await vi.waitFor(() => expect(close).toHaveBeenCalled());
    expect(calls.filter((c) => c.method === 'POST')).toHaveLength(1);
    expect(calls.find((c) => c.method === 'POST')?.body).toEqual({ draft: 'seen', later: false });
  });

  it('shows losses before gains, and says when there is nothing to publish', async () => {
    serve({
      'GET /api/courses/2/publications/next': {
        draft: 'seen',
        changed: ['“Brakes”'],
        learners: 2,
        earlier: 0,
        changes: [
          { what: '“Pads” closes', loss: true, learners: ['Aiko'] },
          { what: '“Toe-in” opens', loss: false, learners: ['Bram'] },
        ],
      },
    });
    show(<PublishDialog onClose={() => {}} />);
    const titles = await screen.findAllByText(/^Learners (lose|gain)$/);
    expect(titles.map((e) => e.textContent)).toEqual(['Learners lose', 'Learners gain']);
  });

  it('says when there is nothing to publish', async () => {
    serve({
      'GET /api/courses/2/publications/next': {
        draft: '',
        changed: [],
        learners: 2,
        earlier: 0,
        changes: [],
      },
    });
    show(<PublishDialog onClose={() => {}} />);
    expect(await screen.findByText(/nothing to publish/)).toBeInTheDocument();
    expect(screen.getByRole('button', { name: /Publish/ })).toBeDisabled();
  });

  it('says what changed meanwhile and shows what it does now', async () => {
    const calls = serve({
      'GET /api/courses/2/publications/next': {
        draft: 'seen',
        changed: ['“Tubes”'],
        learners: 0,
        earlier: 0,
        changes: [],
      },
      'POST /api/courses/2/publications': failure(409, {
        detail: 'The draft has been changed since you looked at it: “Glue”.',
        changed: ['“Glue”'],
      }),
    });
    show(<PublishDialog onClose={() => {}} />);
    await userEvent.click(await screen.findByRole('button', { name: /Publish/ }));
    expect(await screen.findByText(/changed since you looked at it: “Glue”/)).toBeInTheDocument();
    const looks = () => calls.filter((c) => c.path.endsWith('/publications/next'));
    await vi.waitFor(() => expect(looks()).toHaveLength(2));
  });
});

describe('writing to learners', () => {
  it('sends one text for all who are chosen', async () => {
    const sent = vi.fn();
    const calls = serve({
      'POST /api/courses/2/letters': { letters: 2 },
      'POST /api/courses/2/letters/preview': (call: Call) => ({
        to: (call.body as { learner: number }).learner === 5 ? 'Ruben Sato' : 'Edda Marsh',
        subject: 'How is it going',
        body: 'Hello there',
      }),
    });
    show(
      <WriteDialog
        learners={[
          { enrolment: 5, name: 'Ruben Sato' },
          { enrolment: 6, name: 'Edda Marsh' },
        ]}
        onClose={() => {}}
        onSent={sent}
      />,
    );
    expect(screen.getByText(/Ruben Sato, Edda Marsh/)).toBeInTheDocument();
    const filled = await screen.findByRole('region', { name: 'As Ruben Sato gets it' });
    expect(filled).toHaveTextContent('Hello there');
    await userEvent.click(within(filled).getByRole('button', { name: 'Another one' }));
    await screen.findByRole('region', { name: 'As Edda Marsh gets it' });
    await userEvent.click(screen.getByRole('button', { name: /Send 2/ }));
    await vi.waitFor(() => expect(sent).toHaveBeenCalled());
    expect(calls.find((c) => c.path.endsWith('/letters'))?.body).toMatchObject({
      learners: [5, 6],
    });
  });

  it('keeps the text when sending fails', async () => {
    serve({ 'POST /api/courses/2/letters': failure(422, { detail: 'subject: write something' }) });
    show(
      <WriteDialog
        learners={[{ enrolment: 5, name: 'Ruben Sato' }]}
        onClose={() => {}}
        onSent={() => {}}
      />,
    );
    const subject = screen.getByLabelText('Subject');
    await userEvent.clear(subject);
    await userEvent.type(subject, 'Saturday');
    await userEvent.click(screen.getByRole('button', { name: /Send/ }));
    expect(await screen.findByRole('alert')).toHaveTextContent('write something');
    expect(subject).toHaveValue('Saturday');
  });
});

describe('a new course', () => {
  it('is made and gone to', async () => {
    const calls = serve({
      'POST /api/courses': { id: 9 },
      'GET /api/session': { courses: [] },
    });
    show(<NewCourseDialog onClose={() => {}} />);
    await userEvent.type(screen.getByLabelText('Name'), 'Wheelbuilding II');
    await userEvent.click(screen.getByRole('button', { name: 'Make course' }));
    expect(calls.find((c) => c.method === 'POST')?.body).toMatchObject({
      name: 'Wheelbuilding II',
      weeks: 10,
    });
    await vi.waitFor(() =>
      expect(screen.getByTestId('address')).toHaveTextContent('/c/9/plan/outcomes'),
    );
  });

  it('says at the field what is wrong with it', async () => {
    serve({
      'GET /api/session': { courses: [] },
      'POST /api/courses': failure(422, {
        detail: 'weeks: between 1 and 520',
        fields: { weeks: 'between 1 and 520' },
      }),
    });
    show(<NewCourseDialog onClose={() => {}} />);
    await userEvent.type(screen.getByLabelText('Name'), 'Too long');
    await userEvent.click(screen.getByRole('button', { name: 'Make course' }));
    expect(await screen.findByText('between 1 and 520')).toBeInTheDocument();
    expect(screen.getByLabelText('Weeks')).toBeInvalid();
  });
});
