import {
  Alert,
  Box,
  Button,
  Checkbox,
  FormControlLabel,
  TextField,
  Typography,
} from '@mui/material';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense, useEffect, useId, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { api, body, type Kept, type MyMark } from '../../api/client';
import { queries } from '../../api/queries';
import { useCourse } from '../../frame/course';
import type { FileKind, FileUse } from '../../ui/editor/useSending';
import { day } from '../../ui/format';
import { GivenFiles } from '../../ui/GivenFiles';
import { saysNothing } from '../../ui/html';
import { Prose } from '../../ui/Prose';
import { unsentKey } from '../../ui/unsent';
import type { LearnerProps } from '../room';
import { FilledRubric, WhatCounts } from '../shared/Assessed';
import { Differences, GivenLink } from '../shared/Given';
import { PracticeMarks } from '../shared/PracticeMarks';
import { WorkFiles } from './WorkFiles';

const TextEditor = lazy(() => import('../../ui/editor/TextEditor'));

/** Pictures may stand in every text; what else, only where files can be handed in. */
const PICTURES: readonly FileKind[] = ['picture'];
const ALL: readonly FileKind[] = ['picture', 'film', 'file'];

/** How long after the last key what was begun is kept at the server. */
const PAUSE = 2000;

export default function Learner(props: LearnerProps<'assignment'>) {
  const { page, walk, part: work } = props;
  const t = useTranslations();
  const course = useCourse();
  const at = (file: number) =>
    `/api/courses/${course.id}/walks/${walk}/steps/${page.id}/work-files/${file}`;
  return (
    <Box sx={{ mt: 2, display: 'grid', gap: 1.5 }}>
      <WhatCounts sheet={work.rubric} open={work.versions.length === 0} />
      {work.canHandIn && <HandIn {...props} at={at} />}
      {work.versions.map((v, n) => (
        <Box
          key={v.version}
          component="section"
          sx={{ bgcolor: 'tone.panel', border: 1, borderColor: 'divider', borderRadius: 1, p: 2 }}
        >
          <Typography variant="h3" component="h2" color="textSecondary">
            {t('learn.version', { n: v.version, date: day(v.at) })}
            {v.late && `, ${t('learn.late')}`}
          </Typography>
          {v.text && <Prose plain html={v.text} at={at} />}
          <GivenLink link={v.link} />
          <GivenFiles files={v.files} at={at} />
          <Differences before={work.versions[n + 1]?.text} now={v.text} />
          {v.mark ? (
            <MarkNote mark={v.mark} />
          ) : (
            <Alert role="status" severity="info" icon={false} sx={{ mt: 1 }}>
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

interface Given {
  text: string;
  link: string;
  files: Kept[];
}

/** What is handed in, kept in this browser at once and at the server after a pause. */
function HandIn({
  page,
  walk,
  show,
  part: work,
  at,
}: LearnerProps<'assignment'> & { at: (file: number) => string }) {
  const t = useTranslations();
  const course = useCourse();
  const me = useQueryClient().getQueryData(queries.me().queryKey);
  const key = unsentKey(me?.person?.id ?? 0, course.id, walk, page.id);
  const { takes, draft } = work;
  const [given, setGiven] = useState<Given>(() => ({
    text: draft?.text ?? '',
    link: draft?.link ?? '',
    files: draft?.files ?? [],
  }));
  const path = { course: course.id, walk, step: page.id };
  const sent = (now: Given) => ({
    text: now.text,
    ...(now.link && { link: now.link }),
    ...(now.files.length > 0 && { files: now.files.map((f) => f.id) }),
  });
  const { mutate: keep, error: notKept } = useMutation({
    meta: { silent: true },
    mutationFn: (now: Given) =>
      api.PUT('/api/courses/{course}/walks/{walk}/steps/{step}/draft', {
        params: { path },
        body: sent(now),
      }),
    onSuccess: (_, now) => {
      // What was written since is kept on.
      if (latest.current.text === now.text) localStorage.removeItem(key);
    },
  });
  const [receipt, setReceipt] = useState(false);
  const changed = useRef(false);
  const latest = useRef(given);
  latest.current = given;
  useEffect(() => {
    if (!changed.current) return undefined;
    const later = setTimeout(() => keep(given), PAUSE);
    return () => clearTimeout(later);
  }, [given, keep]);
  const write = (more: Partial<Given>) => {
    changed.current = true;
    setGiven((now) => ({ ...now, ...more }));
  };
  const take = (upload: string, inText?: FileUse) =>
    body(
      api.POST('/api/courses/{course}/walks/{walk}/steps/{step}/work-files', {
        params: { path },
        body: { upload, ...(inText && { inText }) },
      }),
    );
  const handIn = useMutation({
    mutationFn: () =>
      body(
        api.POST('/api/courses/{course}/walks/{walk}/steps/{step}/versions', {
          params: { path },
          body: { ...sent(given), ...(receipt && { receipt }) },
        }),
      ),
    onSuccess: (next) => {
      changed.current = false;
      localStorage.removeItem(key);
      setGiven({ text: '', link: '', files: [] });
      show(next);
    },
  });
  const costs = useId();
  const missing = [
    takes.text && saysNothing(given.text) && ('text' as const),
    takes.link && given.link.trim() === '' && ('link' as const),
    takes.files && given.files.length === 0 && ('files' as const),
  ].filter((what) => what !== false && what !== undefined);
  const nothing = saysNothing(given.text) && given.link.trim() === '' && given.files.length === 0;
  return (
    <Box
      component="form"
      noValidate
      // What is handed in cannot be taken back: Enter in a line does not do it.
      onSubmit={(e) => e.preventDefault()}
      sx={{ display: 'grid', gap: 1.5 }}
    >
      {work.passesAtOnce && <Typography>{t('learn.passesAtOnce')}</Typography>}
      {takes.text && (
        <Suspense fallback={<Box sx={{ minHeight: 232 }} />}>
          <TextEditor
            label={t('learn.write')}
            html={draft?.text ?? ''}
            keep={key}
            resume
            files={{ address: at, keep: take, takes: takes.files ? ALL : PICTURES }}
            onChange={(text) => write({ text })}
          />
          <Typography variant="caption" color="textSecondary" role="status" sx={{ mt: -1 }}>
            {notKept ? t('learn.draftOnlyHere', { reason: notKept.message }) : t('learn.draftKept')}
          </Typography>
        </Suspense>
      )}
      {takes.link && (
        <TextField
          label={t('learn.linkToHandIn')}
          type="url"
          placeholder="https://"
          value={given.link}
          onChange={(e) => write({ link: e.target.value })}
        />
      )}
      {takes.files && (
        <WorkFiles
          takes={takes.files}
          files={given.files}
          at={at}
          keep={(upload) => take(upload)}
          onChange={(change) => {
            changed.current = true;
            setGiven((now) => ({ ...now, files: change(now.files) }));
          }}
        />
      )}
      {handIn.error && <Alert severity="error">{handIn.error.message}</Alert>}
      {walk === 'mine' && (
        <FormControlLabel
          control={<Checkbox checked={receipt} onChange={(_, on) => setReceipt(on)} />}
          label={t('learn.receipt')}
        />
      )}
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
        <Button
          variant="contained"
          disabled={handIn.isPending || nothing}
          aria-describedby={costs}
          onClick={() => handIn.mutate()}
        >
          {t('learn.handIn')}
        </Button>
        <Typography id={costs} variant="body2" color="textSecondary" sx={{ flex: '1 1 240px' }}>
          {page.overdue && page.due && `${t('learn.handsInLate', { date: day(page.due) })} `}
          {!nothing && missing.map((what) => `${t(`learn.missesPart.${what}`)} `)}
          {!work.passesAtOnce && t('learn.handsInForGood')}
        </Typography>
      </Box>
    </Box>
  );
}

function MarkNote({ mark }: { mark: MyMark }) {
  const t = useTranslations();
  return (
    <Box
      sx={{
        mt: 1,
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
      {mark.comment && <Prose plain html={mark.comment} />}
      {mark.assessed && <FilledRubric filled={mark.assessed} />}
      {mark.levels.map((level) => (
        <Typography key={level} variant="body2" color="textSecondary">
          {level}
        </Typography>
      ))}
    </Box>
  );
}
