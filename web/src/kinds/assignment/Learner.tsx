import { Alert, Box, Button, TextField, Typography } from '@mui/material';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { api, body, type MyMark } from '../../api/client';
import { queries } from '../../api/queries';
import { useCourse } from '../../frame/course';
import { day } from '../../ui/format';
import { unsentKey } from '../../ui/unsent';
import type { LearnerProps } from '../room';
import { FilledRubric, WhatCounts } from '../shared/Assessed';
import { PracticeMarks } from '../shared/PracticeMarks';

export default function Learner(props: LearnerProps<'assignment'>) {
  const { page, walk, show, part: work } = props;
  const t = useTranslations();
  const course = useCourse();
  const me = useQueryClient().getQueryData(queries.me().queryKey);
  const key = unsentKey(me?.person?.id ?? 0, course.id, walk, page.id);
  const [text, setText] = useState(() => localStorage.getItem(key) ?? '');
  const write = (next: string) => {
    setText(next);
    localStorage.setItem(key, next);
  };
  const handIn = useMutation({
    mutationFn: () =>
      body(
        api.POST('/api/courses/{course}/walks/{walk}/steps/{step}/versions', {
          params: { path: { course: course.id, walk, step: page.id } },
          body: { text },
        }),
      ),
    onSuccess: (next) => {
      localStorage.removeItem(key);
      setText('');
      show(next);
    },
  });
  return (
    <Box sx={{ mt: 2, display: 'grid', gap: 1.5 }}>
      <WhatCounts sheet={work.rubric} open={work.versions.length === 0} />
      {work.canHandIn && (
        <Box
          component="form"
          onSubmit={(e) => {
            e.preventDefault();
            handIn.mutate();
          }}
          sx={{ display: 'grid', gap: 1 }}
        >
          <TextField
            label={t('learn.write')}
            multiline
            minRows={6}
            value={text}
            onChange={(e) => write(e.target.value)}
            helperText={t('learn.draftKept')}
          />
          {handIn.error && <Alert severity="error">{handIn.error.message}</Alert>}
          <Button
            type="submit"
            variant="contained"
            sx={{ justifySelf: 'start' }}
            disabled={handIn.isPending || text.trim() === ''}
          >
            {t('learn.handIn')}
          </Button>
        </Box>
      )}
      {work.versions.map((v) => (
        <Box
          key={v.version}
          component="section"
          sx={{ bgcolor: 'tone.panel', border: 1, borderColor: 'divider', borderRadius: 1, p: 2 }}
        >
          <Typography variant="h3" component="h2" color="textSecondary">
            {t('learn.version', { n: v.version, date: day(v.at) })}
            {v.late && `, ${t('learn.late')}`}
          </Typography>
          <Typography sx={{ whiteSpace: 'pre-wrap', my: 1 }}>{v.text}</Typography>
          {v.mark ? (
            <MarkNote mark={v.mark} />
          ) : (
            <Alert severity="info" icon={false}>
              {t('learn.handedIn', { date: day(v.at) })}
            </Alert>
          )}
        </Box>
      ))}
      {walk === 'practice' && page.state === 'WAITING' && (
        <PracticeMarks {...props} label={t('learn.practiceMark')} again />
      )}
    </Box>
  );
}

function MarkNote({ mark }: { mark: MyMark }) {
  const t = useTranslations();
  return (
    <Box
      sx={{
        borderLeft: '3px solid',
        borderColor: mark.judgement === 'PASSED' ? 'tone.lagoon' : 'tone.madder',
        pl: 1.5,
      }}
    >
      <Typography>
        <b>{t(`learn.judgement.${mark.judgement}`)}</b>
        {mark.of > 0 && (
          <Box component="span" sx={{ ml: 1 }}>
            {t('learn.points', { points: mark.points, of: mark.of })}
          </Box>
        )}
      </Typography>
      {mark.comment && <Typography sx={{ whiteSpace: 'pre-wrap' }}>{mark.comment}</Typography>}
      {mark.assessed && <FilledRubric filled={mark.assessed} />}
      {mark.levels.map((level) => (
        <Typography key={level} variant="body2" color="textSecondary">
          {level}
        </Typography>
      ))}
    </Box>
  );
}
