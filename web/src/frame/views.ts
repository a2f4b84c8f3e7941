import { type ComponentType, type LazyExoticComponent, lazy } from 'react';
import type { MyCourse } from '../api/client';

export type Space = 'plan' | 'teach' | 'watch' | 'reach' | 'course' | 'institution';

/** A view of staff: where it stands, what it is called, and who has it. */
export interface View {
  space: Space;
  /** What it is called, a key of texts. */
  name: string;
  path: string;
  /** Whether its workspace begins with it, rather than with the first one. */
  begins: boolean;
  Part: LazyExoticComponent<ComponentType>;
}

/** A view that brings the texts of staff along. */
const view = (
  space: Space,
  name: string,
  part: () => Promise<{ default: ComponentType }>,
  begins = false,
): View => ({
  space,
  name,
  begins,
  path: name.replace(/[A-Z]/, (letter) => `-${letter.toLowerCase()}`),
  Part: lazy(async () => {
    const [loaded] = await Promise.all([part(), import('../i18n/staff')]);
    return loaded;
  }),
});

/** Every view of staff, in the order of its workspace. */
export const VIEWS: View[] = [
  view('plan', 'outcomes', () => import('../plan/Outcomes')),
  view('plan', 'rubrics', () => import('../plan/Rubrics')),
  view('plan', 'route', () => import('../plan/RouteOutline'), /* begins= */ true),
  view('plan', 'questions', () => import('../plan/questions/Questions')),
  view('plan', 'badges', () => import('../plan/badges/Badges')),
  view('plan', 'check', () => import('../plan/check/Check')),
  view('plan', 'history', () => import('../plan/history/History')),
  view('teach', 'marking', () => import('../teach/Marking')),
  view('teach', 'practicals', () => import('../teach/Practicals')),
  view('teach', 'discussions', () => import('../teach/Discussions')),
  view('teach', 'approvals', () => import('../teach/Approvals')),
  view('teach', 'exceptions', () => import('../teach/Exceptions')),
  view('teach', 'register', () => import('../teach/Register')),
  view('watch', 'progress', () => import('../watch/Progress')),
  view('watch', 'completion', () => import('../watch/Completion')),
  view('watch', 'mastery', () => import('../watch/Mastery')),
  view('watch', 'grades', () => import('../watch/Grades')),
  view('watch', 'badges', () => import('../watch/badges/BadgesHeld')),
  view('watch', 'quizzes', () => import('../watch/quizzes/Quizzes')),
  view('reach', 'followUp', () => import('../reach/FollowUp')),
  view('reach', 'messages', () => import('../reach/Messages')),
  view('course', 'roster', () => import('../roster/Roster')),
  view('course', 'wording', () => import('../wording/CourseWording')),
];

/** What administrators see of the whole institution. */
export const OF_INSTITUTION: View[] = [
  view('institution', 'people', () => import('../institution/People')),
  view('institution', 'look', () => import('../wording/InstitutionLook')),
  view('institution', 'accounts', () => import('../institution/AccountEvents')),
];

/** Where only designers change anything. */
const OF_DESIGNERS = ['plan', 'wording'];

/** A framework of the institution has no learners, steps or badges. */
const OF_FRAMEWORKS = ['outcomes', 'rubrics'];

/** The views that somebody has in a course. */
export function viewsOf(course: MyCourse): View[] {
  if (!course.role) return [];
  return VIEWS.filter(
    (v) =>
      (course.role === 'DESIGNER' ||
        !OF_DESIGNERS.some((own) => own === v.space || own === v.name)) &&
      (!course.framework || OF_FRAMEWORKS.includes(v.name)),
  );
}
