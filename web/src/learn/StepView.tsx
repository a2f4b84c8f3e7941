import { Alert, Box, Button, Typography } from '@mui/material';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Suspense, useCallback, useEffect, useState } from 'react';
import { Link, useLocation, useParams } from 'react-router';
import { useTranslations } from 'use-intl';
import { ApiError, api, body, type StepPage } from '../api/client';
import { useCourse } from '../frame/course';
import {
  type LearnerProps,
  type StepProps,
  type WalkName,
  walkBase,
  watching,
} from '../kinds/room';
import { room } from '../kinds/rooms';
import { day } from '../ui/format';
import { Bead } from '../ui/Glyphs';
import { useNotice } from '../ui/Notice';
import { Empty } from '../ui/Panel';
import { Missing, useNeeds } from '../ui/Parts';
import { Prose } from '../ui/Prose';
import { Unseen } from '../ui/Unseen';
import { usePageTitle } from '../ui/usePageTitle';
import { AskButton } from './AskButton';
import { useTimeSpent } from './useTimeSpent';

export default function StepView({ walk }: { walk: WalkName }) {
  const course = useCourse();
  const step = Number(useParams().step);
  // Whoever winds the clock of a made-up learner comes here anew.
  const { state } = useLocation();
  return (
    <OneStep
      key={`${walk}-${step}-${(state as { wound?: number } | null)?.wound ?? ''}`}
      walk={walk}
      step={step}
      course={course.id}
    />
  );
}

function OneStep({ walk, step, course }: { walk: WalkName; step: number; course: number }) {
  const t = useTranslations();
  const queries = useQueryClient();
  const notice = useNotice();
  const [page, setPage] = useState<StepPage | null>(null);
  const [error, setError] = useState<Error | null>(null);
  const base = walkBase(course, walk);
  usePageTitle('thing', page?.name);
  const show = useCallback(
    (next: StepPage) => {
      setPage(next);
      void queries.invalidateQueries({ queryKey: ['route', course, walk] });
      const opened =
        next.opened.length > 0 ? t('learn.opened', { names: next.opened.join(', ') }) : undefined;
      const text = [next.told, opened].filter((said) => said !== undefined).join(' ');
      if (text) notice({ tone: 'success', text });
    },
    [course, walk, queries, notice, t],
  );
  const open = useCallback(() => {
    const at = { params: { path: { course, walk, step } } };
    body(
      watching(walk)
        ? api.GET('/api/courses/{course}/walks/{walk}/steps/{step}', at)
        : api.POST('/api/courses/{course}/walks/{walk}/steps/{step}/visits', at),
    )
      .then(show)
      .catch(setError);
  }, [course, walk, step, show]);
  useEffect(open, [open]);
  const opened = (next: StepPage) => {
    setError(null);
    show(next);
  };
  useTimeSpent(course, walk, step, page !== null && page.state !== 'DONE' && !watching(walk));

  if (error) {
    const problem = error instanceof ApiError ? error.problem : undefined;
    const missing = problem?.missing;
    const hidden = walk === 'practice' && problem?.status === 404;
    return (
      <Box component="main" id="main" sx={{ p: 3, maxWidth: 760, mx: 'auto', width: '100%' }}>
        <Typography variant="h1">
          {missing ? t('learn.closed') : t(hidden ? 'learn.notSeenInWalk' : 'common.error')}
        </Typography>
        {!hidden && <Typography sx={{ my: 1 }}>{error.message}</Typography>}
        {missing && <Missing parts={missing} />}
        <Box sx={{ display: 'flex', gap: 1.5, mt: 2, flexWrap: 'wrap' }}>
          <Button component={Link} to={`${base}/route`} variant="outlined">
            {t('learn.backToRoute')}
          </Button>
          {(hidden || (missing && walk === 'practice')) && (
            <OpenAnyway step={step} onOpen={opened} />
          )}
          {missing && <AskButton walk={walk} step={step} />}
        </Box>
      </Box>
    );
  }
  if (!page) return <Empty title={`${t('common.loading')} …`} />;
  return (
    <Box component="main" id="main" tabIndex={0} sx={{ overflow: 'auto', outline: 0, flex: 1 }}>
      <Box sx={{ maxWidth: 760, mx: 'auto', px: { xs: 2, md: 3 }, py: { xs: 2, md: 3 } }}>
        <Typography variant="body2" color="textSecondary" component={Link} to={`${base}/route`}>
          {t('frame.myRoute')}
        </Typography>
        <Typography variant="body2" color="textSecondary" component="span">
          {' '}
          · {page.module}
        </Typography>
        <Box sx={{ display: 'flex', gap: 1.25, alignItems: 'center', mt: 0.5 }}>
          <Bead bead={page} size={24} />
          <Typography variant="h1">{page.name}</Typography>
        </Box>
        <Typography variant="body2" color="textSecondary" sx={{ mb: 2 }}>
          {t(`kind.${page.kind}.name`)}, {t('learn.minutes', { count: page.minutes })}
          <Dates page={page} />
          {page.evidenceFor.length > 0 &&
            `. ${t('learn.givesEvidence')}: ${page.evidenceFor.join(', ')}`}
        </Typography>
        <Unseen as="h2">{t(`kind.${page.kind}.name`)}</Unseen>
        <Said page={page} />
        <DoneWhen page={page} />
        {page.state === 'MISSED' && page.takesUntil && (
          <Alert role="status" severity="warning" icon={false} sx={{ mb: 2, py: 0 }}>
            {t('learn.takesNoMore', { date: day(page.takesUntil) })}
          </Alert>
        )}
        <Acting page={page} walk={walk} show={show} refresh={open} />
        <Neighbours page={page} base={base} />
        <Box sx={{ display: 'flex', justifyContent: 'center', mt: 1 }}>
          <AskButton walk={walk} step={page.id} />
        </Box>
      </Box>
    </Box>
  );
}

function Dates({ page }: { page: StepPage }) {
  const t = useTranslations();
  if (page.state === 'DONE' || page.state === 'MISSED') return null;
  return (
    <>
      {page.due && `, ${t('learn.due', { date: day(page.due) })}`}
      {page.due && page.takesUntil && `, ${t('learn.lateUntil', { date: day(page.takesUntil) })}`}
    </>
  );
}

/** Opens a closed step for the made-up learner, so that what stands behind it can be tried. */
function OpenAnyway({ step, onOpen }: { step: number; onOpen: (page: StepPage) => void }) {
  const t = useTranslations();
  const course = useCourse();
  const anyway = useMutation({
    meta: { silent: true },
    mutationFn: () =>
      body(
        api.POST('/api/courses/{course}/walks/{walk}/steps/{step}/opening', {
          params: { path: { course: course.id, walk: 'practice', step } },
        }),
      ),
    onSuccess: onOpen,
  });
  return (
    <>
      <Button variant="contained" disabled={anyway.isPending} onClick={() => anyway.mutate()}>
        {t('learn.openAnyway')}
      </Button>
      {anyway.error && (
        <Alert severity="error" sx={{ width: '100%' }}>
          {anyway.error.message}
        </Alert>
      )}
    </>
  );
}

const TONES = { DONE: 'success', WAITING: 'info', AGAIN: 'warning' } as const;

/** Where one stands, in the words of the step, the course or the institution. */
function Said({ page }: { page: StepPage }) {
  if (!page.said) return null;
  return (
    <Alert
      role="status"
      severity={TONES[page.state as keyof typeof TONES] ?? 'info'}
      icon={false}
      sx={{ mb: 2, py: 0, whiteSpace: 'pre-line', overflowWrap: 'anywhere' }}
    >
      {page.said}
    </Alert>
  );
}

function DoneWhen({ page }: { page: StepPage }) {
  const t = useTranslations();
  const needs = useNeeds();
  if (page.state === 'DONE' || !page.doneWhen || !room(page.kind).saysWhenDone) return null;
  return (
    <Typography sx={{ mb: 2 }}>{t('learn.doneWhen', { needs: needs(page.doneWhen) })}</Typography>
  );
}

function Acting(props: StepProps) {
  const { page } = props;
  const { Above, Learner } = room(page.kind);
  const its = { ...props, part: page.part } as LearnerProps as LearnerProps<never>;
  return (
    <Suspense fallback={null}>
      {Above && <Above {...its} />}
      {page.body && <Prose html={page.body} />}
      {Learner ? <Learner {...its} /> : <ConfirmPart {...props} />}
    </Suspense>
  );
}

function ConfirmPart({ page, walk, show }: StepProps) {
  const t = useTranslations();
  const course = useCourse();
  const confirm = useMutation({
    mutationFn: () =>
      body(
        api.POST('/api/courses/{course}/walks/{walk}/steps/{step}/confirmation', {
          params: { path: { course: course.id, walk, step: page.id } },
        }),
      ),
    onSuccess: show,
  });
  if (!page.confirmable) return null;
  return (
    <Button
      variant="contained"
      sx={{ mt: 2 }}
      disabled={page.confirmed || confirm.isPending}
      onClick={() => confirm.mutate()}
    >
      {t(page.confirmed ? 'learn.confirmed' : 'learn.confirm')}
    </Button>
  );
}

function Neighbours({ page, base }: { page: StepPage; base: string }) {
  const t = useTranslations();
  return (
    <Box
      component="nav"
      sx={{ display: 'flex', justifyContent: 'space-between', gap: 2, mt: 3, flexWrap: 'wrap' }}
    >
      {page.before ? (
        <Button variant="outlined" component={Link} to={`${base}/steps/${page.before.id}`}>
          {t('learn.before')}: {page.before.name}
        </Button>
      ) : (
        <span />
      )}
      {page.after && (
        <Button
          variant={page.state === 'DONE' ? 'contained' : 'outlined'}
          component={Link}
          to={`${base}/steps/${page.after.id}`}
        >
          {t('learn.after')}: {page.after.name}
        </Button>
      )}
    </Box>
  );
}
