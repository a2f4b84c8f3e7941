import { Alert, Box, Button, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { lazy, type ReactNode, Suspense, useEffect, useId, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Met, Work } from '../../api/client';
import { queries } from '../../api/queries';
import { useCourse } from '../../frame/course';
import { day } from '../../ui/format';
import { GivenFiles } from '../../ui/GivenFiles';
import { Wedge } from '../../ui/Glyphs';
import { saysNothing } from '../../ui/html';
import { useNotice } from '../../ui/Notice';
import { Section } from '../../ui/Panel';
import { Prose } from '../../ui/Prose';
import { RubricSheet, rubricScore } from '../../ui/RubricSheet';
import { unsentMarkKey } from '../../ui/unsent';
import { keysInField } from '../../ui/useKeys';
import { useLine } from '../../ui/useNames';
import type { MarkerProps } from '../room';
import { Differences, GivenLink } from './Given';

const TextEditor = lazy(() => import('../../ui/editor/TextEditor'));

/** What is said about work of every kind. */
export interface Said {
  comment: string;
  levels: Record<string, number>;
  rubric?: Met[];
}

interface Props extends MarkerProps {
  /** The work itself, where it has no versions. */
  shown?: ReactNode;
  /** What else is said about work of this kind. */
  children?: ReactNode;
  /** What is still needed before it can be sent; nothing once there is enough. */
  missing?: string | undefined;
  send: (said: Said) => Promise<unknown>;
  /** What the button says, and what is told once it is sent. */
  button: string;
  sent: string;
  /** Is told of the rubric's points once it was gone through. */
  onScore?: (share: number) => void;
}

/** Work to be marked: the work itself, its rubric, outcomes and a comment. */
export function MarkingForm({
  work,
  arrived,
  onDone,
  shown,
  children,
  missing,
  send,
  button,
  sent,
  onScore,
}: Props) {
  const t = useTranslations();
  const line = useLine();
  const course = useCourse();
  const client = useQueryClient();
  const notice = useNotice();
  const newest = work.versions[0];
  const me = client.getQueryData(queries.me().queryKey);
  const unsent = unsentMarkKey(me?.person?.id ?? 0, course.id, work.enrolment, work.step);
  const [comment, setComment] = useState('');
  const [levels, setLevels] = useState<Record<string, number>>({});
  const [met, setMet] = useState<Met[]>([]);
  const sheet = work.rubric;
  const score = sheet && rubricScore(sheet, met);
  const go = (next: Met[]) => {
    setMet(next);
    if (!sheet || sheet.of === 0) return;
    const now = rubricScore(sheet, next);
    if (now.missing === 0) onScore?.(now.points / sheet.of);
  };
  const byRubric = new Set(sheet?.criteria.map((c) => c.outcome));
  const sending = useMutation({
    mutationFn: () =>
      send({
        comment: saysNothing(comment) ? '' : comment,
        levels,
        ...(sheet && met.length > 0 && { rubric: met }),
      }),
    onSuccess: () => {
      localStorage.removeItem(unsent);
      notice({ tone: 'success', text: sent });
      for (const key of ['marking', 'progress', 'work'])
        void client.invalidateQueries({ queryKey: [key, course.id] });
      onDone();
    },
  });
  const submit = () => {
    if (!missing && !sending.isPending) sending.mutate();
  };
  const at = (file: number) =>
    `/api/courses/${course.id}/marking/${work.enrolment}/${work.step}/files/${file}`;
  return (
    <Box
      component="form"
      onSubmit={(e) => {
        e.preventDefault();
        submit();
      }}
      onKeyDown={keysInField({ '$mod+Enter': submit })}
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', lg: 'minmax(0, 1fr) 360px' },
        gap: 3,
        maxWidth: 1080,
      }}
    >
      <Box sx={{ minWidth: 0 }}>
        <Typography variant="body2" color="textSecondary">
          {line(work.module, work.name)}
        </Typography>
        <WorkHead arrived={arrived}>{work.learner}</WorkHead>
        {newest && (
          <Section
            title={line(
              t('teach.work'),
              t('teach.version', { n: newest.version }),
              day(newest.at),
              newest.late ? t('teach.late') : '',
            )}
          >
            {newest.text && <Prose html={newest.text} at={at} />}
            <GivenLink link={newest.link} />
            <GivenFiles files={newest.files} at={at} />
            <Differences before={work.versions[1]?.text} now={newest.text} />
          </Section>
        )}
        {shown}
        {sheet && (
          <Section
            title={
              sheet.of > 0
                ? t('rubric.titlePoints', {
                    name: sheet.name,
                    points: score?.points ?? 0,
                    of: sheet.of,
                  })
                : sheet.name
            }
          >
            <RubricSheet sheet={sheet} met={met} onMet={go} />
            <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 0.5 }}>
              {score && score.missing > 0 && `${t('rubric.missing', { count: score.missing })} `}
              {t('rubric.keys')}
            </Typography>
          </Section>
        )}
        {work.versions.slice(1).map((v) => (
          <Section
            key={v.version}
            title={t('teach.earlierVersion', { n: v.version, date: day(v.at) })}
          >
            {v.text && <Prose plain html={v.text} at={at} />}
            <GivenLink link={v.link} />
            <GivenFiles files={v.files} at={at} />
            {v.mark && <EarlierMark mark={v.mark} />}
          </Section>
        ))}
        <Section title={t('teach.task')}>
          <Prose html={work.task} />
        </Section>
      </Box>
      {/* What is said about the work stays in sight beside it, and below it on a phone. */}
      <Box
        sx={{
          display: 'grid',
          gap: 1.75,
          alignContent: 'start',
          alignSelf: 'start',
          position: { lg: 'sticky' },
          top: { lg: 0 },
          maxHeight: { lg: 'calc(100dvh - 140px)' },
          overflow: { lg: 'auto' },
          pt: 0.75,
        }}
      >
        {children}
        {work.outcomes
          .filter((o) => !byRubric.has(o.id))
          .map((o) => (
            <Box key={o.id}>
              <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', mb: 0.5 }}>
                <Wedge
                  level={o.now}
                  levels={o.levels.length}
                  mastery={o.mastery}
                  label={o.levels[o.now]?.name ?? t('learn.noEvidence')}
                />
                <Typography variant="body2" sx={{ fontWeight: 700 }}>
                  {o.name}
                </Typography>
              </Box>
              <ToggleButtonGroup
                exclusive
                size="small"
                value={levels[o.id] ?? null}
                aria-label={o.name}
                onChange={(_, next) => setLevels(without(levels, o.id, next))}
                sx={{ flexWrap: 'wrap' }}
              >
                {o.levels.map((level, n) => (
                  <ToggleButton key={level.name} value={n} title={level.description}>
                    {level.name}
                  </ToggleButton>
                ))}
              </ToggleButtonGroup>
            </Box>
          ))}
        <Suspense fallback={<Box sx={{ minHeight: 190 }} />}>
          <Box sx={{ '& .ProseMirror': { minHeight: '90px !important' } }}>
            <TextEditor
              label={t('teach.comment')}
              html=""
              keep={unsent}
              resume
              onChange={setComment}
            />
          </Box>
        </Suspense>
        {sending.error && <Alert severity="error">{sending.error.message}</Alert>}
        <SendRow missing={missing} busy={sending.isPending} button={button} />
      </Box>
    </Box>
  );
}

/** Whose work it is; the focus goes there when it comes after another one. */
export function WorkHead({ arrived, children }: { arrived: boolean; children: ReactNode }) {
  const head = useRef<HTMLHeadingElement>(null);
  useEffect(() => {
    if (arrived) head.current?.focus();
  }, [arrived]);
  return (
    <Typography variant="h1" component="h2" ref={head} tabIndex={-1} sx={{ outline: 0 }}>
      {children}
    </Typography>
  );
}

/** Sends, always in sight; while it cannot, it says why. */
function SendRow({
  missing,
  busy,
  button,
}: {
  missing: string | undefined;
  busy: boolean;
  button: string;
}) {
  const why = useId();
  return (
    <Box
      sx={{
        position: 'sticky',
        bottom: 0,
        zIndex: 2,
        bgcolor: 'tone.ground',
        py: 1,
        display: 'grid',
        gap: 0.5,
      }}
    >
      <Button
        type="submit"
        variant="contained"
        disabled={busy || missing !== undefined}
        aria-keyshortcuts="Control+Enter"
        aria-describedby={why}
      >
        {button}
      </Button>
      <Typography id={why} variant="body2" color="textSecondary" role="status">
        {missing}
      </Typography>
    </Box>
  );
}

/** What was said about it before. */
export function EarlierMark({ mark }: { mark: NonNullable<Work['mark']> }) {
  const t = useTranslations();
  return (
    <Box sx={{ mt: 0.5, mb: 1 }}>
      <Typography variant="body2">
        <b>{t(`teach.judge.${mark.judgement}`)}</b> ({mark.by})
      </Typography>
      {mark.comment && <Prose plain html={mark.comment} />}
    </Box>
  );
}

function without(
  levels: Record<string, number>,
  id: number,
  next: number | null,
): Record<string, number> {
  const { [String(id)]: _, ...rest } = levels;
  return next === null ? rest : { ...rest, [id]: next };
}
