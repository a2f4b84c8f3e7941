import { useQuery } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { useTranslations } from 'use-intl';
import type { Me, MyCourse } from '../../api/client';
import { queries } from '../../api/queries';
import { asking } from '../../ui/useAsked';
import { OF_INSTITUTION, viewsOf } from '../views';
import type { Thing } from './found';

/** What a view does when it is come to for that; only designers have these views. */
const ACTS = [
  { act: 'publish', view: 'plan/route', name: 'doing.publish' },
  { act: 'module', view: 'plan/route', name: 'doing.module' },
  { act: 'outcome', view: 'plan/outcomes', name: 'doing.outcome' },
  { act: 'badge', view: 'plan/badges', name: 'doing.badge' },
  { act: 'enrol', view: 'watch/progress', name: 'doing.enrol' },
];

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
  const people = useQuery({
    ...queries.progress(id),
    enabled: staff && !course?.framework,
  }).data;
  const own = useQuery({ ...queries.route(id, 'mine'), enabled: course?.learner === true }).data;

  const acts = ACTS.filter(
    ({ act }) => design && !course?.framework && (act !== 'enrol' || design.publishedVersion > 0),
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
    ...(people?.learners ?? []).map((l) => ({
      group: 'people' as const,
      id: `${l.enrolment}`,
      name: l.name,
      go: to(`${base}/watch/progress?sel=${l.enrolment}`),
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
    ...(design?.badges ?? []).map((b) => ({
      group: 'badges' as const,
      id: `${b.id}`,
      name: b.name,
      go: to(`${base}/plan/badges?sel=${b.id}`),
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
