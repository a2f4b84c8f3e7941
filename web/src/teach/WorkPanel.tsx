import {
  Alert,
  Box,
  Button,
  TextField,
  ToggleButton,
  ToggleButtonGroup,
  Typography,
} from '@mui/material';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { api, type Met, type Work } from '../api/client';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { Prose } from '../learn/StepView';
import { day } from '../ui/format';
import { Wedge } from '../ui/Glyphs';
import { useNotice } from '../ui/Notice';
import { Loaded, Section } from '../ui/Panel';
import { RubricSheet, rubricScore } from '../ui/RubricSheet';

interface Props {
  enrolment: number;
  step: number;
  onDone: () => void;
}

export function WorkPanel({ enrolment, step, onDone }: Props) {
  const course = useCourse();
  const work = useQuery({
    ...queries.work(course.id, enrolment, step),
    refetchOnWindowFocus: false,
  });
  return <Loaded query={work}>{(data) => <Form work={data} onDone={onDone} />}</Loaded>;
}

const JUDGEMENTS = ['PASSED', 'AGAIN', 'FAILED'] as const;

function Form({ work, onDone }: { work: Work; onDone: () => void }) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const notice = useNotice();
  const practical = work.kind === 'PRACTICAL';
  const newest = work.versions[0];
  const [judgement, setJudgement] = useState<(typeof JUDGEMENTS)[number]>('PASSED');
  // With a rubric the points follow from it, so nothing stands there before it was gone through.
  const [points, setPoints] = useState(
    work.rubric && work.rubric.of > 0 ? '' : String(work.points),
  );
  const [comment, setComment] = useState('');
  const [levels, setLevels] = useState<Record<string, number>>({});
  const [met, setMet] = useState<Met[]>([]);
  const sheet = work.rubric;
  const score = sheet && rubricScore(sheet, met);
  const go = (next: Met[]) => {
    setMet(next);
    if (!sheet || sheet.of === 0 || work.points === 0) return;
    const now = rubricScore(sheet, next);
    if (now.missing === 0)
      setPoints(String(Math.round((now.points / sheet.of) * work.points * 100) / 100));
  };
  const byRubric = new Set(sheet?.criteria.map((c) => c.outcome));
  const rubric = sheet && met.length > 0 ? { rubric: met } : {};
  const path = { course: course.id, enrolment: work.enrolment, step: work.step };
  const send = useMutation({
    mutationFn: async () => {
      if (practical)
        await api.POST('/api/courses/{course}/marking/{enrolment}/{step}/sign-offs', {
          params: { path },
          body: { comment, levels, ...rubric },
        });
      else
        await api.POST('/api/courses/{course}/marking/{enrolment}/{step}/marks', {
          params: { path },
          body: {
            version: newest?.version ?? 0,
            points: Number(points),
            judgement,
            comment,
            levels,
            ...rubric,
          },
        });
    },
    onSuccess: () => {
      notice({
        tone: 'success',
        text: t(practical ? 'teach.signedOff' : 'teach.done', { name: work.learner }),
      });
      for (const key of ['marking', 'progress', 'work'])
        void client.invalidateQueries({ queryKey: [key, course.id] });
      onDone();
    },
  });
  return (
    <Box
      component="form"
      onSubmit={(e) => {
        e.preventDefault();
        send.mutate();
      }}
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', lg: 'minmax(0, 1fr) 360px' },
        gap: 3,
        maxWidth: 1080,
      }}
    >
      <Box sx={{ minWidth: 0 }}>
        <Typography variant="body2" color="textSecondary">
          {work.module} · {work.name}
        </Typography>
        <Typography variant="h1">{work.learner}</Typography>
        {newest && (
          <Section
            title={`${t('teach.work')}, ${t('teach.version', { n: newest.version })}, ${day(newest.at)}`}
          >
            <Typography
              sx={{
                whiteSpace: 'pre-wrap',
                bgcolor: 'tone.panel',
                border: 1,
                borderColor: 'divider',
                borderRadius: 1,
                p: 2,
                fontSize: 16,
                lineHeight: 1.6,
              }}
            >
              {newest.text}
            </Typography>
          </Section>
        )}
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
            title={`${t('teach.earlier')}: ${t('teach.version', { n: v.version })}, ${day(v.at)}`}
          >
            <Typography variant="body2" color="textSecondary" sx={{ whiteSpace: 'pre-wrap' }}>
              {v.text}
            </Typography>
            {v.mark && (
              <Typography variant="body2" sx={{ mt: 0.5 }}>
                <b>{t(`teach.judge.${v.mark.judgement}`)}</b> ({v.mark.by}): {v.mark.comment}
              </Typography>
            )}
          </Section>
        ))}
        <Section title={t('teach.task')}>
          <Prose html={work.task} />
        </Section>
      </Box>
      <Box sx={{ display: 'grid', gap: 1.75, alignContent: 'start' }}>
        {!practical && (
          <>
            <ToggleButtonGroup
              exclusive
              fullWidth
              size="small"
              value={judgement}
              onChange={(_, next) => next && setJudgement(next)}
              aria-label={t('teach.judgement')}
            >
              {JUDGEMENTS.map((j) => (
                <ToggleButton key={j} value={j}>
                  {t(`teach.judge.${j}`)}
                </ToggleButton>
              ))}
            </ToggleButtonGroup>
            {work.points > 0 && (
              <TextField
                label={t('teach.points', { of: work.points })}
                type="number"
                value={points}
                onChange={(e) => setPoints(e.target.value)}
                slotProps={{ htmlInput: { min: 0, max: work.points, step: 0.5 } }}
              />
            )}
          </>
        )}
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
        <TextField
          label={t('teach.comment')}
          multiline
          minRows={4}
          value={comment}
          onChange={(e) => setComment(e.target.value)}
        />
        {send.error && <Alert severity="error">{send.error.message}</Alert>}
        <Button
          type="submit"
          variant="contained"
          disabled={
            send.isPending || (!practical && (!newest || (work.points > 0 && points === '')))
          }
        >
          {t(practical ? 'teach.signOff' : 'teach.mark', { name: work.learner })}
        </Button>
      </Box>
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
