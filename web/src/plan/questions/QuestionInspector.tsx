import { Box, Button, Link, MenuItem, TextField, Typography } from '@mui/material';
import { useMutation } from '@tanstack/react-query';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Link as RouterLink } from 'react-router';
import { useTranslations } from 'use-intl';
import {
  api,
  type BankQuestion,
  type Design,
  type Question,
  type QuestionWent,
} from '../../api/client';
import { useCourse } from '../../frame/course';
import { DifficultyField } from '../../kinds/quiz/DifficultyField';
import { QuestionFields } from '../../kinds/quiz/QuestionFields';
import { FilesOfQuestions } from '../../kinds/quiz/questions/filesOfQuestions';
import { useCourseFiles } from '../../kinds/shared/useCourseFiles';
import { inPercent } from '../../ui/format';
import { useNotice } from '../../ui/Notice';
import { Kicker } from '../../ui/Panel';
import type { Draft } from '../useDraft';
import { TagsField } from './TagsField';
import { Versions } from './Versions';

interface Props {
  question: BankQuestion;
  /** How it went, once it was asked. */
  went: QuestionWent | undefined;
  all: BankQuestion[];
  design: Design;
  draft: Draft;
  knownTags: string[];
  onSelect: (id: number | null) => void;
}

/** Everything about one question of the course, saved when it is left. */
export function QuestionInspector({
  question: q,
  went,
  all,
  design,
  draft,
  knownTags,
  onSelect,
}: Props) {
  const t = useTranslations();
  const course = useCourse();
  const notice = useNotice();
  const door = useCourseFiles(course.id);
  const files = useMemo(() => ({ address: door.address, door }), [door]);
  const [asked, setAsked] = useState(q.question);
  const box = useRef<HTMLDivElement>(null);
  // What comes from the server, an undo for example, is shown unless somebody is typing here.
  useEffect(() => {
    if (!box.current?.contains(document.activeElement)) setAsked(q.question);
  }, [q.question]);
  const save = (next: Question) => {
    if (next !== q.question) draft.question(q, { question: next });
  };
  const latest = useRef(() => save(asked));
  latest.current = () => save(asked);
  // What is left by going somewhere else is saved too.
  useEffect(() => () => latest.current(), []);
  const shelve = useMutation({
    mutationFn: () =>
      api.POST('/api/courses/{course}/design/questions/{id}/shelving', {
        params: { path: { course: course.id, id: q.id } },
      }),
    onSuccess: () => {
      const { part } = q.question;
      const marked = part.is === 'open' && part.rubric !== undefined;
      notice({ tone: 'success', text: t(marked ? 'bank.shelvedWithRubric' : 'bank.shelved') });
    },
  });
  const { outcome: _, ...free } = asked;
  const doubles = all.filter((other) => q.doubles.includes(other.id));
  return (
    <FilesOfQuestions value={files}>
      <Kicker>{t(`question.${q.question.part.is}`)}</Kicker>
      <Box
        ref={box}
        onBlur={(e) => !e.currentTarget.contains(e.relatedTarget) && save(asked)}
        sx={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 1.25 }}
      >
        <QuestionFields
          question={asked}
          name={t('bank.asks')}
          isFresh={q.question.text === ''}
          edit={setAsked}
        >
          <TextField
            select
            label={t('bank.outcome')}
            value={design.outcomes.some((o) => o.id === asked.outcome) ? asked.outcome : 0}
            onChange={(e) => {
              const outcome = Number(e.target.value);
              const next = outcome ? { ...free, outcome } : free;
              setAsked(next);
              save(next);
            }}
          >
            <MenuItem value={0}>{t('bank.noOutcome')}</MenuItem>
            {design.outcomes.map((o) => (
              <MenuItem key={o.id} value={o.id}>
                {o.code} {o.name}
              </MenuItem>
            ))}
          </TextField>
        </QuestionFields>
        <TagsField
          tags={q.tags}
          known={knownTags}
          onChange={(tags) => draft.question(q, { tags })}
        />
        <DifficultyField
          value={q.difficulty}
          none={t('bank.difficulty.none')}
          onChange={(difficulty) => draft.question(q, { difficulty })}
        />
      </Box>
      <Typography variant="h3" component="h2" color="textSecondary" sx={{ mt: 2, mb: 0.5 }}>
        {t('bank.whereUsed')}
      </Typography>
      {q.usedIn.length + q.drawnIn.length === 0 && (
        <Typography variant="body2">{t('bank.unusedHint')}</Typography>
      )}
      {[...q.usedIn, ...q.drawnIn].map((use) => (
        <Typography key={use.step} variant="body2">
          <Link component={RouterLink} relative="path" to={`../route?sel=step-${use.step}`}>
            {use.name}
          </Link>
          {q.drawnIn.includes(use) && ` (${t('bank.mayDraw')})`}
        </Typography>
      ))}
      {went && (
        <Typography variant="body2" sx={{ mt: 0.5 }}>
          {t('bank.wentHint', { share: inPercent(went.facility), count: went.asked })}
        </Typography>
      )}
      {doubles.length > 0 && (
        <>
          <Typography variant="h3" component="h2" color="textSecondary" sx={{ mt: 2, mb: 0.5 }}>
            {t('bank.doubles')}
          </Typography>
          {doubles.map((other) => (
            <Link
              key={other.id}
              component="button"
              variant="body2"
              onClick={() => onSelect(other.id)}
              sx={{ display: 'block', textAlign: 'left' }}
            >
              {other.question.text}
            </Link>
          ))}
        </>
      )}
      <Versions question={q} onTake={(old) => draft.question(q, { question: old })} />
      <Box sx={{ display: 'flex', gap: 1, mt: 2 }}>
        <Button size="small" variant="outlined" onClick={() => shelve.mutate()}>
          {t('bank.shelve')}
        </Button>
        <Button
          size="small"
          color="secondary"
          onClick={() => {
            onSelect(null);
            draft.remove('questions', q.id, q.question.text || t('bank.nothingAsked'));
          }}
        >
          {t('common.remove')}
        </Button>
      </Box>
    </FilesOfQuestions>
  );
}
