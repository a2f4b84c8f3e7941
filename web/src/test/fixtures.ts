import type {
  CourseRules,
  Design,
  DesignModule,
  DesignOutcome,
  DesignScale,
  DesignStep,
  RuleView,
  StepKind,
  Taking,
} from '../api/client';
import type { AuthorProps } from '../kinds/room';

/** A course that asks for nothing. */
export const courseRules = (more: Partial<CourseRules> = {}): CourseRules => ({
  id: 2,
  version: 1,
  strictOrder: false,
  prerequisites: { courses: [], all: true, hold: false },
  ...more,
});

/** A quiz in the usual way. */
export const TAKING: Taking = {
  waitMinutes: 0,
  word: '',
  pages: 'ALL',
  mixed: false,
  choicesMixed: true,
  review: {
    own: 'AFTER_ATTEMPT',
    right: 'NOTHING_TO_GAIN',
    feedback: 'AFTER_ATTEMPT',
    marks: 'AFTER_ATTEMPT',
  },
  bands: [],
  selfCheck: false,
};

/** A rule of one question, as designers see it. */
export const rule = (line = 'gone through'): RuleView => ({
  line,
  text: line,
  root: { id: 'a', is: 'ask', n: 0, parts: [], leaf: {}, subject: '', says: line },
});

/** A scale of four levels with mastery at the third. */
export const scale = (more: Partial<DesignScale> = {}): DesignScale => ({
  id: 1,
  version: 4,
  name: 'workshop scale',
  mastery: 2,
  levels: ['Watching', 'With help', 'On my own', 'Can teach it'].map((name, key) => ({
    key,
    name,
    points: key + 1,
    description: '',
  })),
  ...more,
});

/** An outcome on the scale, levels by the newest piece. */
export const outcome = (
  id: number,
  code: string,
  more: Partial<DesignOutcome> = {},
): DesignOutcome => ({
  id,
  version: 1,
  code,
  name: `Do ${code}`,
  description: '',
  scale: 1,
  levelRule: { method: 'MOST_RECENT', halvesEvery: 2, times: 2, last: 3, fewest: 1 },
  group: [],
  retired: false,
  ...more,
});

const PARTS: Record<StepKind, DesignStep['part']> = {
  PAGE: { is: 'page' },
  NOTE: { is: 'note' },
  FILE: { is: 'file', files: [] },
  LINK: { is: 'link', address: '' },
  VIDEO: { is: 'video', captions: [] },
  ASSIGNMENT: { is: 'assignment', takes: { text: true, link: false }, passesAtOnce: false },
  PRACTICAL: { is: 'practical' },
  QUIZ: { is: 'quiz', questions: [], draws: [], taking: TAKING },
  DISCUSSION: { is: 'discussion', byGroup: false, postFirst: false, minutes: 30 },
  JOURNAL: { is: 'journal', minutes: 30 },
  CLOSING: { is: 'closing' },
};

/** A step as its author sees it. */
export const step = (id: number, kind: StepKind, more: Partial<DesignStep> = {}): DesignStep => ({
  id,
  version: 2,
  module: 1,
  kind,
  name: `Step ${id}`,
  body: '',
  lacks: [],
  published: true,
  required: true,
  listed: true,
  tells: true,
  staysOpen: true,
  minutes: 5,
  points: 10,
  passMark: 0.6,
  attempts: 3,
  counts: 'BEST' as const,
  groups: [],
  ownWords: {},
  people: [],
  allowances: [],
  evidenceFor: [],
  doneWhen: rule(),
  part: PARTS[kind],
  ...more,
});

/** A quiz as its author sees it, done when it is passed. */
export const quizAuthor = (taking: Taking, change: AuthorProps<'quiz'>['change']) => {
  const usual = rule('passed');
  const passed = { ...usual, root: { ...usual.root, leaf: { is: 'passed', step: 12 } } };
  return {
    step: step(12, 'QUIZ', { doneWhen: passed }),
    part: { is: 'quiz', questions: [], draws: [], taking },
    design: design(),
    change,
  } as AuthorProps<'quiz'>;
};

/** A module with steps. */
export const module = (
  id: number,
  steps: DesignStep[],
  more: Partial<DesignModule> = {},
): DesignModule => ({
  id,
  version: 1,
  name: 'Brakes',
  published: true,
  strictOrder: false,
  listed: true,
  tells: true,
  staysOpen: true,
  steps,
  ...more,
});

/** A draft, empty but for its scale. */
export const design = (more: Partial<Design> = {}): Design => ({
  course: 2,
  name: 'Cycle Mechanic Foundations',
  cohort: 'Autumn cohort',
  zone: 'Europe/Berlin',
  startsAt: '2026-10-19T06:00:00Z',
  weeks: 10,
  publishedVersion: 1,
  changed: false,
  behind: false,
  learners: 0,
  scales: [scale()],
  outcomes: [],
  modules: [],
  badges: [],
  rules: courseRules(),
  otherCourses: [],
  usual: [],
  flags: [],
  groups: [],
  faults: [],
  ...more,
});
