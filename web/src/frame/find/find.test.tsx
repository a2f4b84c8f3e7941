import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Me } from '../../api/client';
import { course, institution, serve, show } from '../../test/stage';
import FindDialog from './FindDialog';
import { found, type Thing } from './found';

const thing = (group: Thing['group'], name: string, more?: string): Thing => ({
  group,
  id: name,
  name,
  more,
  go: () => {},
});

describe('what is found', () => {
  const all = [
    thing('views', 'Progress', 'Watch'),
    thing('people', 'Zoë Prüß'),
    thing('people', 'Ann Progreso'),
    thing('steps', 'Brakes, in progress', 'Page, Brakes'),
    thing('do', 'Publish'),
  ];
  const names = (typed: string) => found(all, typed).map((t) => t.name);

  it('has all words that were typed, anywhere, with or without marks', () => {
    expect(names('zoe prus')).toEqual([]);
    expect(names('zoe prüß')).toEqual(['Zoë Prüß']);
    expect(names('zoe')).toEqual(['Zoë Prüß']);
    expect(names('page brakes')).toEqual(['Brakes, in progress']);
    expect(names('no such')).toEqual([]);
  });

  it('stands by groups, what begins so first; with nothing typed what can be done', () => {
    expect(names('pro')).toEqual(['Progress', 'Ann Progreso', 'Brakes, in progress']);
    expect(names(' ')).toEqual(['Progress', 'Publish']);
  });
});

const me = (administrator = false): Me => ({
  institution,
  person: {
    id: 1,
    name: 'Sefa',
    email: 's@hollowlane.example',
    administrator,
  } as Me['person'] & {},
  courses: [course, { ...course, id: 9, name: 'Winter repairs' }],
});

const answers = {
  'GET /api/courses/2/design': {
    publishedVersion: 3,
    modules: [{ id: 4, name: 'Wheels', steps: [{ id: 41, kind: 'PAGE', name: 'True a wheel' }] }],
    outcomes: [{ id: 5, name: 'Trues wheels', code: 'WHEEL' }],
    badges: [{ id: 6, name: 'True Wheel' }],
  },
  'GET /api/courses/2/reports/progress': {
    is: 'progress',
    learners: [{ enrolment: 70, name: 'Wheeler Ann' }],
  },
};

describe('find or do', () => {
  beforeEach(() => localStorage.clear());

  it('goes by typing and arrows, and says what is found', async () => {
    serve(answers);
    const close = vi.fn();
    show(<FindDialog me={me()} course={course} acts={[]} early="" onClose={close} />);
    await userEvent.type(screen.getByRole('combobox', { name: 'Find or do' }), 'wheel');
    const list = screen.getByRole('listbox');
    await vi.waitFor(() => expect(within(list).getAllByRole('option')).toHaveLength(7));
    expect(screen.getByRole('status')).toHaveTextContent('7 found');
    await userEvent.keyboard('{ArrowDown>5/}{ArrowUp}');
    const chosen = within(list).getByRole('option', { selected: true });
    expect(chosen).toHaveTextContent('True a wheel');
    expect(screen.getByRole('combobox')).toHaveAttribute('aria-activedescendant', chosen.id);
    await userEvent.keyboard('{Enter}');
    expect(close).toHaveBeenCalled();
    expect(screen.getByTestId('address')).toHaveTextContent('/c/2/plan/route?sel=step-41');
  });

  it('does what the frame can do, and says where nothing is called so', async () => {
    serve(answers);
    const see = vi.fn();
    const acts = [{ ...thing('do', 'See as learner'), go: see }];
    show(<FindDialog me={me()} course={course} acts={acts} early="" onClose={() => {}} />);
    await userEvent.type(screen.getByRole('combobox'), 'zzz');
    expect(await screen.findByText('Nothing is called so.')).toBeVisible();
    await userEvent.keyboard('{Enter}');
    await userEvent.clear(screen.getByRole('combobox'));
    await userEvent.type(screen.getByRole('combobox'), 'see as{Enter}');
    expect(see).toHaveBeenCalledOnce();
  });

  it('offers nothing that one may not know or do', async () => {
    const calls = serve(answers);
    const support = { ...course, role: 'SUPPORT' as const };
    show(<FindDialog me={me()} course={support} acts={[]} early="" onClose={() => {}} />);
    await userEvent.type(screen.getByRole('combobox'), 'e');
    await screen.findByRole('option', { name: /^People ?Wheeler Ann/ });
    const names = screen.getAllByRole('option').map((o) => o.textContent);
    expect(names.join()).not.toMatch(
      /Publish|True a wheel|Institution|Questions|Words to learners/,
    );
    expect(calls.map((c) => c.path)).not.toContain('/api/courses/2/design');
  });

  it('offers whom one may write to and see as, below the person', async () => {
    serve(answers);
    show(<FindDialog me={me()} course={course} acts={[]} early="" onClose={() => {}} />);
    await userEvent.type(screen.getByRole('combobox'), 'ann');
    await screen.findByRole('option', { name: /Write to Wheeler Ann/ });
    expect(screen.getAllByRole('option').map((o) => o.textContent)).toEqual([
      'PeopleWheeler Ann',
      'Write to Wheeler AnnMessages',
      'See as Wheeler Ann',
    ]);
  });

  it('leads those who plan nothing to where a step is watched', async () => {
    serve({
      'GET /api/courses/2/reports/progress': {
        is: 'progress',
        learners: [],
        steps: [
          { id: 41, kind: 'PAGE', name: 'True a wheel' },
          { id: 42, kind: 'QUIZ', name: 'Wheel quiz' },
        ],
      },
      'GET /api/courses/2/reports/mastery': {
        is: 'mastery',
        learners: [],
        outcomes: [{ id: 5, name: 'Trues wheels', code: 'WHEEL' }],
      },
      'GET /api/courses/2/badges': [{ badge: 6, name: 'True Wheel' }],
    });
    const teaches = { ...course, role: 'FACILITATOR' as const };
    show(<FindDialog me={me()} course={teaches} acts={[]} early="" onClose={() => {}} />);
    await userEvent.type(screen.getByRole('combobox'), 'wheel');
    await screen.findByRole('option', { name: /True Wheel/ });
    expect(screen.getAllByRole('option').map((o) => o.textContent)).toEqual([
      'StepsWheel quizQuiz',
      'True a wheelPage',
      'OutcomesTrues wheelsWHEEL',
      'BadgesTrue Wheel',
    ]);
    await userEvent.keyboard('{Enter}');
    expect(screen.getByTestId('address')).toHaveTextContent('/c/2/watch/quizzes?sel=42');
  });

  it('begins with what was taken lately, each once', async () => {
    serve(answers);
    const { unmount } = show(
      <FindDialog me={me()} course={course} acts={[]} early="" onClose={() => {}} />,
    );
    await userEvent.type(screen.getByRole('combobox'), 'true a wheel');
    await screen.findByRole('option', { name: /True a wheel/ });
    await userEvent.keyboard('{Enter}');
    unmount();
    show(<FindDialog me={me()} course={course} acts={[]} early="" onClose={() => {}} />);
    const first = await screen.findByRole('option', { name: /^Lately ?True a wheel/ });
    expect(screen.getAllByRole('option')[0]).toBe(first);
    await userEvent.keyboard('{Enter}');
    expect(JSON.parse(localStorage.getItem('found-1-2') ?? '')).toEqual(['steps-step-41']);
  });

  it('has a learner find their own steps only', async () => {
    const calls = serve({
      'GET /api/courses/2/walks/mine/route': {
        modules: [{ name: 'Wheels', steps: [{ id: 41, name: 'True a wheel' }] }],
        outcomes: [],
        badges: [],
      },
    });
    const { role: _, ...seat } = course;
    show(
      <FindDialog
        me={me()}
        course={{ ...seat, learner: true }}
        acts={[]}
        early=""
        onClose={() => {}}
      />,
    );
    await userEvent.type(screen.getByRole('combobox'), 'wheel');
    await screen.findByRole('option', { name: /True a wheel/ });
    await userEvent.keyboard('{Enter}');
    expect(screen.getByTestId('address')).toHaveTextContent('/c/2/my/steps/41');
    expect(calls.map((c) => c.path)).toEqual(['/api/courses/2/walks/mine/route']);
  });
});
