import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import {
  api,
  body,
  type CorrectionAsked,
  type RehearsedLine,
  type Report,
  type SameAgain,
} from './client';
import { dataAddress } from './files';
import type { Sign } from './signs';

type Is = Report['is'];

/** A report about these people, or about all learners. */
export const report = <I extends Is>(course: number, is: I, people: number[] = []) =>
  body(
    api.GET('/api/courses/{course}/reports/{report}', {
      params: { path: { course, report: is }, query: { people } },
    }),
  ) as Promise<Extract<Report, { is: I }>>;

const looked = <I extends Is>(course: number, is: I) =>
  queryOptions({ queryKey: [is, course], queryFn: () => report(course, is) });

/** One factory for each resource: key, fetcher and type in one place. */
export const queries = {
  me: () =>
    queryOptions({
      queryKey: ['me'],
      queryFn: () => body(api.GET('/api/session')),
      staleTime: 60_000,
    }),
  practicals: (course: number) =>
    queryOptions({
      queryKey: ['practicals', course],
      queryFn: () =>
        body(api.GET('/api/courses/{course}/practicals', { params: { path: { course } } })),
    }),
  approvals: (course: number) =>
    queryOptions({
      queryKey: ['approvals', course],
      queryFn: () =>
        body(api.GET('/api/courses/{course}/approvals', { params: { path: { course } } })),
    }),
  courseExceptions: (course: number) =>
    queryOptions({
      queryKey: ['exceptions', course, 'all'],
      queryFn: () =>
        body(api.GET('/api/courses/{course}/exceptions', { params: { path: { course } } })),
    }),
  practical: (course: number, step: number) =>
    queryOptions({
      queryKey: ['practicals', course, step],
      queryFn: () =>
        body(
          api.GET('/api/courses/{course}/practicals/{step}', {
            params: { path: { course, step } },
          }),
        ),
    }),
  eyes: (course: number, walk: string) =>
    queryOptions({
      queryKey: ['eyes', course, walk],
      queryFn: () =>
        body(
          api.GET('/api/courses/{course}/walks/{walk}/eyes', {
            params: { path: { course, walk } },
          }),
        ),
    }),
  badgesHeld: (course: number) =>
    queryOptions({
      queryKey: ['badges-held', course],
      queryFn: () =>
        body(api.GET('/api/courses/{course}/badges', { params: { path: { course } } })),
    }),
  badgeHolders: (course: number, badge: number) =>
    queryOptions({
      queryKey: ['badges-held', course, badge],
      queryFn: () =>
        body(
          api.GET('/api/courses/{course}/badges/{badge}', {
            params: { path: { course, badge } },
          }),
        ),
    }),
  myAwards: () =>
    queryOptions({
      queryKey: ['my-awards'],
      queryFn: () => body(api.GET('/api/account/badges')),
    }),
  wallets: () =>
    queryOptions({
      queryKey: ['wallets'],
      queryFn: () => body(api.GET('/api/account/wallets')),
    }),
  shownBadge: (award: string) =>
    queryOptions({
      queryKey: ['shown-badge', award],
      queryFn: () => body(api.GET('/api/public/badges/{award}', { params: { path: { award } } })),
    }),
  sheetPicture: (course: number, badge: number, version: number, name: string) =>
    queryOptions({
      queryKey: ['sheet-picture', course, badge, version, name],
      queryFn: async () =>
        dataAddress(
          await body(
            api.GET('/api/courses/{course}/design/badges/{badge}/sheet/png', {
              params: { path: { course, badge }, query: { name } },
              parseAs: 'blob',
              headers: { Accept: 'image/png, application/problem+json' },
            }),
          ),
        ),
    }),
  certificates: (course: number) =>
    queryOptions({
      queryKey: ['certificates', course],
      queryFn: () =>
        body(api.GET('/api/courses/{course}/certificates', { params: { path: { course } } })),
    }),
  checkedCertificate: (code: string) =>
    queryOptions({
      queryKey: ['checked-certificate', code],
      queryFn: () =>
        body(api.GET('/api/public/certificates/{code}', { params: { path: { code } } })),
      retry: false,
    }),
  badgeStudio: () =>
    queryOptions({
      queryKey: ['badge-studio'],
      queryFn: () => body(api.GET('/api/badges/studio')),
      staleTime: Number.POSITIVE_INFINITY,
    }),
  signs: (from: string) =>
    queryOptions({
      queryKey: ['signs', from],
      queryFn: async () => (await (await fetch(new Request(from))).json()) as Sign[],
      staleTime: Number.POSITIVE_INFINITY,
    }),
  institution: () =>
    queryOptions({
      queryKey: ['institution'],
      queryFn: () => body(api.GET('/api/institution')),
    }),
  wording: (course: number) =>
    queryOptions({
      queryKey: ['wording', course],
      queryFn: () =>
        body(api.GET('/api/courses/{course}/wording', { params: { path: { course } } })),
    }),
  ownSessions: () =>
    queryOptions({
      queryKey: ['own-sessions'],
      queryFn: () => body(api.GET('/api/account/sessions')),
      staleTime: 0,
    }),
  accountEvents: () =>
    queryOptions({
      queryKey: ['account-events'],
      queryFn: () => body(api.GET('/api/account-events')),
      staleTime: 0,
    }),
  people: (find: string) =>
    queryOptions({
      queryKey: ['people', 'found', find],
      queryFn: () => body(api.GET('/api/people', { params: { query: { find } } })),
    }),
  person: (person: number) =>
    queryOptions({
      queryKey: ['people', 'one', person],
      queryFn: () => body(api.GET('/api/people/{person}', { params: { path: { person } } })),
    }),
  shelfThings: (course: number, text: string) =>
    queryOptions({
      queryKey: ['shelf-things', course, text],
      queryFn: () =>
        body(
          api.GET('/api/courses/{course}/design/shelf/things', {
            params: { path: { course }, query: { text } },
          }),
        ),
      placeholderData: keepPreviousData,
    }),
  discussions: (course: number) =>
    queryOptions({
      queryKey: ['discussions', course],
      queryFn: () =>
        body(api.GET('/api/courses/{course}/discussions', { params: { path: { course } } })),
    }),
  writers: (course: number, step: number) =>
    queryOptions({
      queryKey: ['writers', course, step],
      queryFn: () =>
        body(
          api.GET('/api/courses/{course}/discussions/{step}/learners', {
            params: { path: { course, step } },
          }),
        ),
    }),
  openAttempts: (course: number, step: number, enrolment: number) =>
    queryOptions({
      queryKey: ['openAttempts', course, step, enrolment],
      queryFn: () =>
        body(
          api.GET('/api/courses/{course}/marking/{enrolment}/{step}/attempts', {
            params: { path: { course, step, enrolment } },
          }),
        ),
    }),
  writtenBy: (course: number, step: number, enrolment: number) =>
    queryOptions({
      queryKey: ['written-by', course, step, enrolment],
      queryFn: () =>
        body(
          api.GET('/api/courses/{course}/discussions/{step}/learners/{enrolment}', {
            params: { path: { course, step, enrolment } },
          }),
        ),
    }),
  calendar: (course: number, walk: string) =>
    queryOptions({
      queryKey: ['calendar', course, walk],
      queryFn: () =>
        body(
          api.GET('/api/courses/{course}/walks/{walk}/calendar', {
            params: { path: { course, walk } },
          }),
        ),
    }),
  calendarFeed: () =>
    queryOptions({
      queryKey: ['calendar-feed'],
      queryFn: () => body(api.GET('/api/account/calendar')),
    }),
  design: (course: number) =>
    queryOptions({
      queryKey: ['design', course],
      queryFn: () =>
        body(api.GET('/api/courses/{course}/design', { params: { path: { course } } })),
    }),
  check: (course: number) =>
    queryOptions({
      queryKey: ['check', course],
      queryFn: () =>
        body(api.GET('/api/courses/{course}/design/check', { params: { path: { course } } })),
    }),
  rehearsals: (course: number) =>
    queryOptions({
      queryKey: ['rehearsals', course],
      queryFn: () =>
        body(api.GET('/api/courses/{course}/design/rehearsals', { params: { path: { course } } })),
    }),
  crowd: (course: number) =>
    queryOptions({
      queryKey: ['crowd', course],
      queryFn: () =>
        body(api.GET('/api/courses/{course}/design/crowd', { params: { path: { course } } })),
    }),
  rehearsedStep: (course: number, lines: RehearsedLine['line'][], step: number) =>
    queryOptions({
      queryKey: ['rehearsals', course, 'why', lines, step],
      queryFn: () =>
        body(
          api.POST('/api/courses/{course}/design/rehearsals/why', {
            params: { path: { course } },
            body: { lines, step },
          }),
        ),
    }),
  copies: (course: number, id: number, again: SameAgain) =>
    queryOptions({
      queryKey: ['copies', course, id, again],
      queryFn: () =>
        body(
          api.POST('/api/courses/{course}/design/steps/{id}/copies/preview', {
            params: { path: { course, id } },
            body: again,
          }),
        ),
    }),
  rubrics: (course: number) =>
    queryOptions({
      queryKey: ['rubrics', course],
      queryFn: () =>
        body(api.GET('/api/courses/{course}/design/rubrics', { params: { path: { course } } })),
    }),
  quizzes: (course: number) =>
    queryOptions({
      queryKey: ['quizzes', course],
      queryFn: () =>
        body(api.GET('/api/courses/{course}/quizzes', { params: { path: { course } } })),
    }),
  quizFigures: (course: number, step: number, first: boolean) =>
    queryOptions({
      queryKey: ['quiz-figures', course, step, first],
      queryFn: () =>
        body(
          api.GET('/api/courses/{course}/quizzes/{step}/figures', {
            params: { path: { course, step }, query: { first } },
          }),
        ),
    }),
  correctionEffect: (course: number, step: number, asked: CorrectionAsked) =>
    queryOptions({
      queryKey: ['quiz-figures', course, step, 'effect', asked],
      retry: false,
      queryFn: () =>
        body(
          api.POST('/api/courses/{course}/quizzes/{step}/corrections/effect', {
            params: { path: { course, step } },
            body: asked,
          }),
        ),
    }),
  effectWithout: (course: number, step: number, id: number) =>
    queryOptions({
      queryKey: ['quiz-figures', course, step, 'without', id],
      queryFn: () =>
        body(
          api.GET('/api/courses/{course}/quizzes/{step}/corrections/{id}/return', {
            params: { path: { course, step, id } },
          }),
        ),
    }),
  questions: (course: number) =>
    queryOptions({
      queryKey: ['questions', course],
      queryFn: () =>
        body(api.GET('/api/courses/{course}/design/questions', { params: { path: { course } } })),
    }),
  quizSettings: (course: number) =>
    queryOptions({
      queryKey: ['quizSettings'],
      queryFn: () =>
        body(
          api.GET('/api/courses/{course}/design/quiz-settings', { params: { path: { course } } }),
        ),
    }),
  questionsWent: (course: number) =>
    queryOptions({
      queryKey: ['questions', course, 'went'],
      queryFn: () =>
        body(api.GET('/api/courses/{course}/quizzes/questions', { params: { path: { course } } })),
    }),
  questionVersions: (course: number, id: number, version: number) =>
    queryOptions({
      queryKey: ['question-versions', course, id, version],
      queryFn: () =>
        body(
          api.GET('/api/courses/{course}/design/questions/{id}/versions', {
            params: { path: { course, id } },
          }),
        ),
    }),
  packageLeaves: (course: number) =>
    queryOptions({
      queryKey: ['questions', course, 'leaves'],
      queryFn: () =>
        body(
          api.GET('/api/courses/{course}/design/questions/package/leaves', {
            params: { path: { course } },
          }),
        ),
    }),
  questionReading: (course: number, text: string) =>
    queryOptions({
      queryKey: ['question-reading', course, text],
      queryFn: () =>
        body(
          api.POST('/api/courses/{course}/design/questions/reading', {
            params: { path: { course } },
            body: { text },
          }),
        ),
    }),
  questionShelf: (course: number) =>
    queryOptions({
      queryKey: ['question-shelf', course],
      queryFn: () =>
        body(
          api.GET('/api/courses/{course}/design/shelf/questions', { params: { path: { course } } }),
        ),
    }),
  shelf: (course: number) =>
    queryOptions({
      queryKey: ['shelf', course],
      queryFn: () =>
        body(
          api.GET('/api/courses/{course}/design/shelf/rubrics', { params: { path: { course } } }),
        ),
    }),
  frameworks: (course: number) =>
    queryOptions({
      queryKey: ['frameworks', course],
      queryFn: () =>
        body(api.GET('/api/courses/{course}/design/frameworks', { params: { path: { course } } })),
    }),
  impact: (course: number) =>
    queryOptions({
      queryKey: ['impact', course],
      queryFn: () =>
        body(api.GET('/api/courses/{course}/publications/next', { params: { path: { course } } })),
      gcTime: 0,
    }),
  publications: (course: number) =>
    queryOptions({
      queryKey: ['publications', course],
      queryFn: () =>
        body(api.GET('/api/courses/{course}/publications', { params: { path: { course } } })),
    }),
  /** What a publication changed; what the draft changes where no number is given. */
  changes: (course: number, number?: number) =>
    queryOptions({
      queryKey: ['publications', course, 'changes', number ?? 'next'],
      queryFn: () =>
        body(
          number === undefined
            ? api.GET('/api/courses/{course}/publications/next/changes', {
                params: { path: { course } },
              })
            : api.GET('/api/courses/{course}/publications/{number}/changes', {
                params: { path: { course, number } },
              }),
        ),
    }),
  held: (course: number) =>
    queryOptions({
      queryKey: ['held', course],
      queryFn: () =>
        body(api.GET('/api/courses/{course}/roster/held', { params: { path: { course } } })),
    }),
  roster: (course: number) =>
    queryOptions({
      queryKey: ['roster', course],
      queryFn: () =>
        body(api.GET('/api/courses/{course}/roster', { params: { path: { course } } })),
    }),
  groups: (course: number) =>
    queryOptions({
      queryKey: ['groups', course],
      queryFn: () =>
        body(api.GET('/api/courses/{course}/groups', { params: { path: { course } } })),
    }),
  jobs: (course: number) =>
    queryOptions({
      queryKey: ['jobs', course],
      queryFn: () => body(api.GET('/api/courses/{course}/jobs', { params: { path: { course } } })),
    }),
  decisions: (course: number) =>
    queryOptions({
      queryKey: ['decisions', course],
      queryFn: () =>
        body(api.GET('/api/courses/{course}/decisions', { params: { path: { course } } })),
    }),
  exceptions: (course: number, enrolment: number) =>
    queryOptions({
      queryKey: ['exceptions', course, enrolment],
      queryFn: () =>
        body(
          api.GET('/api/courses/{course}/learners/{enrolment}/exceptions', {
            params: { path: { course, enrolment } },
          }),
        ),
    }),
  filledIn: (course: number, learner: number, subject: string, text: string) =>
    queryOptions({
      queryKey: ['letter', course, learner, subject, text],
      queryFn: () =>
        body(
          api.POST('/api/courses/{course}/letters/preview', {
            params: { path: { course } },
            body: { learner, subject, body: text },
          }),
        ),
    }),
  candidates: (course: number, text: string) =>
    queryOptions({
      queryKey: ['roster', course, 'candidates', text],
      queryFn: () =>
        body(
          api.GET('/api/courses/{course}/roster/candidates', {
            params: { path: { course }, query: { text } },
          }),
        ),
      enabled: text.trim().length > 1,
    }),
  proposals: (course: number, place: string, id: number, text: string, like?: string) =>
    queryOptions({
      queryKey: ['proposals', course, place, id, text, like],
      queryFn: () =>
        body(
          api.GET('/api/courses/{course}/design/proposals', {
            params: { path: { course }, query: { place, id, text, ...(like && { like }) } },
          }),
        ),
      enabled: text.trim() !== '',
    }),
  route: (course: number, walk: string) =>
    queryOptions({
      queryKey: ['route', course, walk],
      queryFn: () =>
        body(
          api.GET('/api/courses/{course}/walks/{walk}/route', {
            params: { path: { course, walk } },
          }),
        ),
    }),
  way: (course: number, walk: string, step: number) =>
    queryOptions({
      queryKey: ['route', course, walk, 'way', step],
      queryFn: () =>
        body(
          api.GET('/api/courses/{course}/walks/{walk}/steps/{step}/way', {
            params: { path: { course, walk, step } },
          }),
        ),
    }),
  marking: (course: number) =>
    queryOptions({
      queryKey: ['marking', course],
      queryFn: () =>
        body(api.GET('/api/courses/{course}/marking', { params: { path: { course } } })),
    }),
  sessions: (course: number) =>
    queryOptions({
      queryKey: ['sessions', course],
      queryFn: () =>
        body(api.GET('/api/courses/{course}/sessions', { params: { path: { course } } })),
    }),
  register: (course: number, session: number) =>
    queryOptions({
      queryKey: ['register', course, session],
      queryFn: () =>
        body(
          api.GET('/api/courses/{course}/sessions/{session}/register', {
            params: { path: { course, session } },
          }),
        ),
    }),
  messages: (course: number) =>
    queryOptions({
      queryKey: ['messages', course],
      queryFn: () =>
        body(api.GET('/api/courses/{course}/messages', { params: { path: { course } } })),
    }),
  conversation: (course: number, person: number) =>
    queryOptions({
      queryKey: ['conversation', course, person],
      queryFn: () =>
        body(
          api.GET('/api/courses/{course}/messages/{person}', {
            params: { path: { course, person } },
          }),
        ),
    }),
  work: (course: number, enrolment: number, step: number) =>
    queryOptions({
      queryKey: ['work', course, enrolment, step],
      queryFn: () =>
        body(
          api.GET('/api/courses/{course}/marking/{enrolment}/{step}', {
            params: { path: { course, enrolment, step } },
          }),
        ),
    }),
  progress: (course: number) => looked(course, 'progress'),
  learner: (course: number, enrolment: number) =>
    queryOptions({
      queryKey: ['learner', course, enrolment],
      queryFn: () =>
        body(
          api.GET('/api/courses/{course}/learners/{enrolment}', {
            params: { path: { course, enrolment } },
          }),
        ),
    }),
  bead: (course: number, enrolment: number, step: number) =>
    queryOptions({
      queryKey: ['bead', course, enrolment, step],
      queryFn: () =>
        body(
          api.GET('/api/courses/{course}/learners/{enrolment}/steps/{step}', {
            params: { path: { course, enrolment, step } },
          }),
        ),
    }),
  mastery: (course: number) => looked(course, 'mastery'),
  formats: (course: number) =>
    queryOptions({
      queryKey: ['formats'],
      queryFn: () =>
        body(api.GET('/api/courses/{course}/reports', { params: { path: { course } } })),
      staleTime: Number.POSITIVE_INFINITY,
    }),
  frameworkFormats: (course: number) =>
    queryOptions({
      queryKey: ['frameworkFormats'],
      queryFn: () =>
        body(api.GET('/api/courses/{course}/design/framework', { params: { path: { course } } })),
      staleTime: Number.POSITIVE_INFINITY,
    }),
  trend: (course: number, group: number) =>
    queryOptions({
      queryKey: ['trend', course, group],
      queryFn: () =>
        body(
          api.GET('/api/courses/{course}/mastery/trend', {
            params: { path: { course }, query: group ? { group } : {} },
          }),
        ),
    }),
  grades: (course: number) => looked(course, 'grades'),
  completion: (course: number) => looked(course, 'completion'),
  cell: (course: number, enrolment: number, outcome: number) =>
    queryOptions({
      queryKey: ['cell', course, enrolment, outcome],
      queryFn: () =>
        body(
          api.GET('/api/courses/{course}/learners/{enrolment}/outcomes/{outcome}', {
            params: { path: { course, enrolment, outcome } },
          }),
        ),
    }),
  followUp: (course: number) =>
    queryOptions({
      queryKey: ['followUp', course],
      queryFn: () =>
        body(api.GET('/api/courses/{course}/follow-up', { params: { path: { course } } })),
    }),
};
