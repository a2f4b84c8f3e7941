import createClient, { type Middleware } from 'openapi-fetch';
import type { components, paths } from './schema';

/** What the server says went wrong (RFC 9457). */
export interface Problem {
  title: string;
  detail: string;
  status: number;
  fields?: Record<string, string>;
  missing?: Part[];
  findings?: string[];
  changed?: string[];
  current?: unknown;
}

export class ApiError extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

export function token(): string {
  const found = document.cookie.split('; ').find((c) => c.startsWith('XSRF-TOKEN='));
  return found ? decodeURIComponent(found.slice('XSRF-TOKEN='.length)) : '';
}

const guard: Middleware = {
  onRequest({ request }) {
    if (request.method !== 'GET') request.headers.set('X-XSRF-TOKEN', token());
    return request;
  },
  async onResponse({ response }) {
    if (response.ok) return;
    let problem: Problem;
    try {
      problem = await response.clone().json();
    } catch {
      problem = {
        title: 'Failed',
        detail: 'The server did not answer as expected. Try again.',
        status: response.status,
      };
    }
    throw new ApiError({ ...problem, status: response.status });
  },
};

export const api = createClient<paths>({ baseUrl: '/', headers: { Accept: 'application/json' } });
api.use(guard);

/** The data of a call that cannot come without; failures have been thrown before. */
export async function body<T>(call: Promise<{ data?: T }>): Promise<T> {
  const { data } = await call;
  return data as T;
}

type S = components['schemas'];
export type Me = S['yendrik.server.people.SessionController.Me'];
export type MyCourse = S['yendrik.server.people.People.MyCourse'];
export type Design = S['yendrik.server.design.DesignViews.DesignView'];
export type DesignModule = S['yendrik.server.design.DesignViews.ModuleView'];
export type DesignStep = S['yendrik.server.design.DesignViews.StepView'];
export type DesignOutcome = S['yendrik.server.design.DesignViews.OutcomeView'];
export type DesignBadge = S['yendrik.server.design.DesignViews.BadgeView'];
export type Question = S['yendrik.core.quiz.Quiz.Question'];
export type RuleView = S['yendrik.server.design.RuleView'];
export type RuleNode = S['yendrik.server.design.RuleView.RuleNode'];
export type StepEdit = S['yendrik.server.design.DesignEdits.StepEdit'];
export type ModuleEdit = S['yendrik.server.design.DesignEdits.ModuleEdit'];
export type BadgeEdit = S['yendrik.server.design.DesignEdits.BadgeEdit'];
export type OutcomeEdit = S['yendrik.server.design.DesignEdits.OutcomeEdit'];
export type DesignScale = S['yendrik.server.design.DesignViews.ScaleView'];
export type ScaleEdit = S['yendrik.server.design.DesignEdits.ScaleEdit'];
export type Framework = S['yendrik.server.design.Adoption.FrameworkView'];
export type Offer = S['yendrik.server.design.Adoption.Offer'];
export type Decision = S['yendrik.server.design.AdoptionController.DecisionEdit']['decision'];
export type Comparison = S['yendrik.server.design.Exchange.Comparison'];
/** A line of the answer while learners come under a publication. */
export interface PublishingLine {
  number: number;
  moved: number;
  of: number;
}
/** A badge that waits for somebody to keep or revoke it. */
export type BadgeDecision = S['yendrik.server.reach.Decisions.DecisionView'];
/** An exception that stands. */
export type StandingException = S['yendrik.server.teach.Exceptions.Standing'];
/** A line of the answer while a file is taken. */
export interface TakingLine {
  done: number;
  of: number;
  taken?: Comparison;
}
export type LevelRule = S['yendrik.server.design.OutcomeForms.LevelRuleForm'];
export type MadeOf = S['yendrik.server.design.OutcomeForms.MadeOfForm'];
export type Picture = S['yendrik.server.design.BadgePicture'];
export type Proposal = S['yendrik.server.design.DesignController.ProposalView'];
export type Impact = S['yendrik.server.way.Publishing.Impact'];
export type Part = S['yendrik.server.way.Explaining.Part'];
export type Route = S['yendrik.server.learn.RouteViews.RouteView'];
export type RouteModule = S['yendrik.server.learn.RouteViews.ModuleView'];
export type StepLine = S['yendrik.server.learn.RouteViews.StepLine'];
export type MyOutcome = S['yendrik.server.learn.RouteViews.OutcomeView'];
export type MyBadge = S['yendrik.server.learn.RouteViews.BadgeView'];
export type StepPage = S['yendrik.server.learn.RouteViews.StepPage'];
export type Film = S['yendrik.server.learn.RouteViews.FilmView'];
export type Kept = S['yendrik.server.files.Files.Kept'];
export type Calendar = S['yendrik.server.teach.Registers.CalendarView'];
export type Session = S['yendrik.server.teach.Registers.SessionView'];
export type RegisterLine = S['yendrik.server.teach.Registers.Line'];
export type Presence = NonNullable<RegisterLine['presence']>;
export type SeriesEdit = S['yendrik.server.teach.RegisterController.SeriesEdit'];
export type ConversationLine = S['yendrik.server.reach.Messages.ConversationLine'];
export type OneLetter = S['yendrik.server.reach.Messages.LetterView'];
export type DesignRubric = S['yendrik.server.design.RubricForms.RubricView'];
export type RubricEdit = S['yendrik.server.design.RubricForms.RubricEdit'];
export type CriterionEdit = S['yendrik.server.design.RubricForms.CriterionEdit'];
export type Sheet = S['yendrik.server.design.RubricForms.Sheet'];
export type Criterion = S['yendrik.server.design.RubricForms.CriterionView'];
export type Met = S['yendrik.server.design.RubricForms.MetView'];
export type Filled = S['yendrik.server.design.RubricForms.Filled'];
export type Attempt = S['yendrik.server.learn.RouteViews.AttemptView'];
export type Result = S['yendrik.server.learn.RouteViews.ResultView'];
export type Queue = S['yendrik.server.teach.Marking.QueueView'];
export type Waiting = S['yendrik.server.teach.Marking.WaitingView'];
export type Work = S['yendrik.server.teach.Marking.WorkView'];
export type Progress = S['yendrik.server.watch.WatchViews.ProgressView'];
export type LearnerRow = S['yendrik.server.watch.WatchViews.LearnerRow'];
export type Learner = S['yendrik.server.watch.WatchViews.LearnerView'];
export type BeadInfo = S['yendrik.server.watch.WatchViews.BeadView'];
export type Mastery = S['yendrik.server.watch.WatchViews.MasteryView'];
export type Trend = S['yendrik.server.watch.WatchViews.TrendView'];
export type Grades = S['yendrik.server.watch.WatchViews.GradesView'];
export type Cell = S['yendrik.server.watch.WatchViews.CellView'];
export type Follow = S['yendrik.server.watch.WatchViews.FollowView'];
export type StepKind = DesignStep['kind'];
export type StepState = StepLine['state'];
