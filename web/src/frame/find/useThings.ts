import { useQuery } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { useTranslations } from 'use-intl';
import type { Me, MyCourse } from '../../api/client';
import { queries } from '../../api/queries';
import type { StepHead } from '../../api/schema';
import { asking } from '../../ui/useAsked';
import { OF_INSTITUTION, viewsOf } from '../views';
import type { Thing } from './found';

type Role = NonNullable<MyCourse['role']>;

const DESIGNS: Role[] = ['DESIGNER'];
const TEACHES: Role[] = ['DESIGNER', 'FACILITATOR'];
const ALL: Role[] = ['DESIGNER', 'FACILITATOR', 'SUPPORT'];

/** What a view does when it is come to for that, and for whom it does. */
const ACTS: { act: string; view: string; name: string; who: Role[] }[] = [
  { act: 'publish', view: 'plan/route', name: 'doing.publish', who: DESIGNS },
  { act: 'module', view: 'plan/route', name: 'doing.module', who: DESIGNS },
  { act: 'outcome', view: 'plan/outcomes', name: 'doing.outcome', who: DESIGNS },
  { act: 'badge', view: 'plan/badges', name: 'doing.badge', who: DESIGNS },
  { act: 'enrol', view: 'watch/progress', name: 'doing.enrol', who: DESIGNS },
  { act: 'mark', view: 'teach/marking', name: 'doing.mark', who: ALL },
  { act: 'sessions', view: 'teach/register', name: 'doing.sessions', who: TEACHES },
  { act: 'write', view: 'reach/follow-up', name: 'doing.write', who: ALL },
];

/** Where those who plan nothing see most of a step. */
function watched(step: StepHead): string {
  if (step.kind === 'QUIZ') return `watch/quizzes?sel=${step.id}`;
  if (step.kind === 'PRACTICAL') return `teach/practicals?sel=${step.id}`;
  if (step.kind === 'DISCUSSION') return `teach/discussions?sel=${step.id}`;
  return `practice/steps/${step.id}`;
}

const OWN = ['route', 'outcomes', 'badges', 'calendar', 'messages'];

/** What somebody may find and do: what the server tells them of, and nothing else. */
export function useThings(me: Me, course: MyCourse | undefined, more: Thing[]): Thing[] {
  const t = useTranslations();
  const navigate = useNavigate();
  const to = (address: string, state?: object) => () => void navigate(address, { state });
  const staff = course?.role !== undefined;
  const designs = course?.role === 'DESIGNER';
  const id = course?.id ?? 0;
  const base = `/c/${id}`;
  const design = useQuery({ ...queries.design(id), enabled: designs }).data;
  const progress = useQuery({
    ...queries.progress(id),
    enabled: staff && !course?.framework,
  }).data;
  const watches = staff && !designs && !course?.framework;
  const mastery = useQuery({ ...queries.mastery(id), enabled: watches }).data;
  const held = useQuery({ ...queries.badgesHeld(id), enabled: watches }).data;
  const own = useQuery({ ...queries.route(id, 'mine'), enabled: course?.learner === true }).data;

  const acts = ACTS.filter(
    ({ act, who }) =>
      course?.role &&
      who.includes(course.role) &&
      !course.framework &&
      (act !== 'enrol' || (design?.publishedVersion ?? 0) > 0),
  );
  const views = course ? viewsOf(course) : [];
  const things: Thing[] = [
    ...more,
    ...acts.map(({ act, view, name }) => ({
      group: 'do' as const,
      id: act,
      name: t(name),
      go: to(`${base}/${view}`, asking(act)),
    })),
    ...views.map((v) => ({
      group: 'views' as const,
      id: `${v.space}/${v.path}`,
      name: t(`frame.${v.name}`),
      more: v.space === 'course' ? undefined : t(`frame.${v.space}`),
      go: to(`${base}/${v.space}/${v.path}`),
    })),
    ...(course?.learner ? OWN : []).map((view) => ({
      group: 'views' as const,
      id: `my/${view}`,
      name: t(
        view === 'messages'
          ? 'frame.messages'
          : `frame.my${view.charAt(0).toUpperCase()}${view.slice(1)}`,
      ),
      go: to(`${base}/my/${view}`),
    })),
    ...(me.person?.administrator ? OF_INSTITUTION : []).map((v) => ({
      group: 'views' as const,
      id: v.path,
      name: t(`frame.${v.name}`),
      more: t('frame.institution'),
      go: to(`/institution/${v.path}`),
    })),
    ...(progress?.learners ?? []).flatMap((l) => [
      {
        group: 'people' as const,
        id: `${l.enrolment}`,
        name: l.name,
        go: to(`${base}/watch/progress?sel=${l.enrolment}`),
      },
      {
        group: 'people' as const,
        id: `write-${l.enrolment}`,
        name: t('doing.writeTo', { name: l.name }),
        more: t('frame.messages'),
        go: to(`${base}/reach/messages?sel=${l.person}`),
      },
      {
        group: 'people' as const,
        id: `as-${l.enrolment}`,
        name: t('doing.seeAs', { name: l.name }),
        go: to(`${base}/as-${l.enrolment}/route`),
      },
    ]),
    ...(designs ? [] : (progress?.steps ?? [])).map((s) => ({
      group: 'steps' as const,
      id: `step-${s.id}`,
      name: s.name,
      more: t(`kind.${s.kind}.name`),
      go: to(`${base}/${watched(s)}`),
    })),
    ...(design?.modules ?? []).flatMap((m) => [
      {
        group: 'steps' as const,
        id: `module-${m.id}`,
        name: m.name,
        more: t('find.aModule'),
        go: to(`${base}/plan/route?sel=module-${m.id}`),
      },
      ...m.steps.map((s) => ({
        group: 'steps' as const,
        id: `step-${s.id}`,
        name: s.name,
        more: `${t(`kind.${s.kind}.name`)}, ${m.name}`,
        go: to(`${base}/plan/route?sel=step-${s.id}`),
      })),
    ]),
    ...(own?.modules ?? []).flatMap((m) =>
      m.steps.map((s) => ({
        group: 'steps' as const,
        id: `own-${s.id}`,
        name: s.name,
        more: m.name,
        go: to(`${base}/my/steps/${s.id}`),
      })),
    ),
    ...(design?.outcomes ?? []).map((o) => ({
      group: 'outcomes' as const,
      id: `${o.id}`,
      name: o.name,
      more: o.code,
      go: to(`${base}/plan/outcomes?sel=${o.id}`),
    })),
    ...(mastery?.outcomes ?? []).map((o) => ({
      group: 'outcomes' as const,
      id: `${o.id}`,
      name: o.name,
      more: o.code,
      go: to(`${base}/watch/mastery?sel=class-${o.id}`),
    })),
    ...(own?.outcomes ?? []).map((o) => ({
      group: 'outcomes' as const,
      id: `own-${o.id}`,
      name: o.name,
      more: o.code,
      go: to(`${base}/my/outcomes`),
    })),
    ...(design?.badges ?? []).map((b) => ({
      group: 'badges' as const,
      id: `${b.id}`,
      name: b.name,
      go: to(`${base}/plan/badges?sel=${b.id}`),
    })),
    ...(held ?? []).map((b) => ({
      group: 'badges' as const,
      id: `${b.badge}`,
      name: b.name,
      go: to(`${base}/watch/badges?sel=${b.badge}`),
    })),
    ...(own?.badges ?? []).map((b) => ({
      group: 'badges' as const,
      id: `own-${b.id}`,
      name: b.name,
      go: to(`${base}/my/badges`),
    })),
    ...me.courses
      .filter((c) => c.id !== course?.id)
      .map((c) => ({
        group: 'courses' as const,
        id: `${c.id}`,
        name: c.name,
        more: c.cohort,
        go: to(`/c/${c.id}`),
      })),
  ];
  return things;
}
