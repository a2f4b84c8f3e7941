import { Alert, Box, Button, TextField, Typography } from '@mui/material';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { api, type Met, type OpenAnswer, type OpenAttempt } from '../../api/client';
import { queries } from '../../api/queries';
import { useCourse } from '../../frame/course';
import { moment } from '../../ui/format';
import { useNotice } from '../../ui/Notice';
import { Section } from '../../ui/Panel';
import { Prose } from '../../ui/Prose';
import { RubricSheet, rubricScore } from '../../ui/RubricSheet';
import { useLine } from '../../ui/useNames';
import type { MarkerProps } from '../room';
import { WorkHead } from '../shared/MarkingForm';

/** Texts in attempts, those that wait first. */
export default function Marker(props: MarkerProps) {
  const { work } = props;
  const t = useTranslations();
  const line = useLine();
  const course = useCourse();
  const attempts = useQuery(queries.openAttempts(course.id, work.step, work.enrolment));
  return (
    <Box sx={{ maxWidth: 820 }}>
      <Typography variant="body2" color="textSecondary">
        {line(work.module, work.name)}
      </Typography>
      <WorkHead arrived={props.arrived}>{work.learner}</WorkHead>
      {attempts.error && <Alert severity="error">{attempts.error.message}</Alert>}
      {attempts.data?.map((attempt) => (
        <AttemptForm key={`${work.enrolment}-${attempt.number}`} {...props} attempt={attempt} />
      ))}
      {attempts.data?.length === 0 && <Typography>{t('teach.noTexts')}</Typography>}
    </Box>
  );
}

interface Said {
  points: string;
  comment: string;
  met: Met[];
}

const NOTHING: Said = { points: '', comment: '', met: [] };

function AttemptForm({ work, onDone, attempt }: MarkerProps & { attempt: OpenAttempt }) {
  const t = useTranslations();
  const line = useLine();
  const course = useCourse();
  const client = useQueryClient();
  const notice = useNotice();
  const [said, setSaid] = useState<Record<string, Said>>(() =>
    Object.fromEntries(
      attempt.answers.map((a) => [
        a.question,
        { points: a.points === undefined ? '' : `${a.points}`, comment: a.comment, met: a.met },
      ]),
    ),
  );
  const path = {
    course: course.id,
    enrolment: work.enrolment,
    step: work.step,
    number: attempt.number,
  };
  const marks = attempt.answers.flatMap((a) => {
    const now = said[a.question];
    const points = Number(now?.points);
    return now && now.points !== '' && points >= 0 && points <= a.of
      ? [
          {
            question: a.question,
            points,
            comment: now.comment,
            ...(now.met.length > 0 && { rubric: now.met }),
          },
        ]
      : [];
  });
  const sending = useMutation({
    mutationFn: () =>
      api.POST('/api/courses/{course}/marking/{enrolment}/{step}/attempts/{number}/marks', {
        params: { path },
        body: { marks },
      }),
    onSuccess: () => {
      notice({ tone: 'success', text: t('teach.done', { name: work.learner }) });
      for (const key of ['marking', 'progress', 'work', 'openAttempts'])
        void client.invalidateQueries({ queryKey: [key, course.id] });
      if (marks.length === attempt.answers.length) onDone();
    },
  });
  return (
    <Box
      component="form"
      onSubmit={(e) => {
        e.preventDefault();
        sending.mutate();
      }}
    >
      <Section
        title={line(
          t('teach.attempt', { n: attempt.number }),
          moment(attempt.finished),
          t('teach.pointsSoFar', { points: attempt.points, of: attempt.of }),
        )}
      >
        {attempt.answers.map((a) => (
          <AnswerFields
            key={a.question}
            answer={a}
            said={said[a.question] ?? NOTHING}
            onSay={(next) => setSaid((all) => ({ ...all, [a.question]: next }))}
          />
        ))}
        {sending.error && <Alert severity="error">{sending.error.message}</Alert>}
        <Button
          type="submit"
          variant={attempt.waits > 0 ? 'contained' : 'outlined'}
          disabled={sending.isPending || marks.length === 0}
        >
          {t('teach.mark', { name: work.learner })}
        </Button>
      </Section>
    </Box>
  );
}

function AnswerFields({
  answer,
  said,
  onSay,
}: {
  answer: OpenAnswer;
  said: Said;
  onSay: (said: Said) => void;
}) {
  const t = useTranslations();
  const points = Number(said.points);
  const sheet = answer.rubric;
  const score = sheet && rubricScore(sheet, said.met);
  const go = (met: Met[]) => {
    const now = sheet && sheet.of > 0 ? rubricScore(sheet, met) : undefined;
    const follows = sheet && now?.missing === 0;
    onSay({
      ...said,
      met,
      ...(follows && {
        points: `${Math.round((now.points / sheet.of) * answer.of * 100) / 100}`,
      }),
    });
  };
  const wrong = said.points !== '' && !(points >= 0 && points <= answer.of);
  return (
    <Box sx={{ display: 'grid', gap: 1, mb: 2 }}>
      <Typography sx={{ fontWeight: 700 }}>{answer.text}</Typography>
      {answer.given ? (
        <Prose html={answer.given} />
      ) : (
        <Typography color="textSecondary">{t('teach.wroteNothing')}</Typography>
      )}
      {answer.expected && (
        <Typography variant="body2" color="textSecondary" sx={{ whiteSpace: 'pre-wrap' }}>
          {t('teach.expected', { text: answer.expected })}
        </Typography>
      )}
      {sheet && (
        <Box>
          <RubricSheet sheet={sheet} met={said.met} onMet={go} />
          <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 0.5 }}>
            {score && score.missing > 0 && `${t('rubric.missing', { count: score.missing })} `}
            {t('rubric.keys')}
          </Typography>
        </Box>
      )}
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'start' }}>
        <TextField
          label={t('teach.points', { of: answer.of })}
          type="number"
          value={said.points}
          error={wrong}
          helperText={wrong ? t('teach.pointsFromTo', { of: answer.of }) : undefined}
          onChange={(e) => onSay({ ...said, points: e.target.value })}
          slotProps={{ htmlInput: { min: 0, max: answer.of, step: 'any' } }}
          sx={{ width: 150, flex: 'none' }}
        />
        <TextField
          label={t('teach.comment')}
          multiline
          value={said.comment}
          onChange={(e) => onSay({ ...said, comment: e.target.value })}
          slotProps={{ htmlInput: { maxLength: 10_000 } }}
        />
      </Box>
    </Box>
  );
}
