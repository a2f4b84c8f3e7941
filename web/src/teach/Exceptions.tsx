import { Box, Button, TextField, Typography } from '@mui/material';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { api, type ExceptionInCourse } from '../api/client';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { WriteDialog } from '../reach/WriteDialog';
import { day } from '../ui/format';
import { useNotice } from '../ui/Notice';
import { Empty, Loaded, WithInspector } from '../ui/Panel';
import { useLive } from '../ui/useLive';
import { useRows } from '../ui/useRows';
import { useSelection } from '../ui/useSelection';
import { exceptionsChanged } from '../watch/exceptionsChanged';
import { LearnerInspector } from '../watch/LearnerInspector';

const COLUMNS = 'minmax(120px, 1.1fr) minmax(120px, 1.2fr) minmax(150px, 2fr) 130px 210px';

/** Every exception that stands in the course; each can end or be taken back from here. */
export default function ExceptionsView() {
  const t = useTranslations();
  const course = useCourse();
  useLive(course.id, ['exceptions']);
  const [sel, select] = useSelection();
  const all = useQuery(queries.courseExceptions(course.id));
  const [find, setFind] = useState('');
  const [writing, setWriting] = useState<number | null>(null);
  const wanted = find.trim().toLowerCase();
  const found = (e: ExceptionInCourse) =>
    `${e.learner} ${e.exception.name} ${e.exception.says} ${e.exception.by}`
      .toLowerCase()
      .includes(wanted);
  return (
    <WithInspector
      inspector={
        sel ? (
          <LearnerInspector enrolment={Number(sel)} onWrite={() => setWriting(Number(sel))} />
        ) : null
      }
      onClose={() => select(null)}
    >
      <Loaded query={all}>
        {(data) =>
          data.length === 0 ? (
            <Empty title={t('teach.noExceptions')} hint={t('teach.noExceptionsHint')} />
          ) : (
            <>
              <TextField
                type="search"
                placeholder={t('teach.findException')}
                value={find}
                onChange={(e) => setFind(e.target.value)}
                slotProps={{ htmlInput: { 'aria-label': t('teach.findException') } }}
                sx={{ width: 260, bgcolor: 'tone.panel', mb: 1.5 }}
              />
              <Rows
                exceptions={data.filter(found)}
                sel={sel}
                onLearner={(enrolment) => select(`${enrolment}`)}
              />
              {writing !== null && (
                <WriteDialog
                  learners={data
                    .filter((e) => e.enrolment === writing)
                    .slice(0, 1)
                    .map((e) => ({ enrolment: e.enrolment, name: e.learner }))}
                  onClose={() => setWriting(null)}
                  onSent={() => {}}
                />
              )}
            </>
          )
        }
      </Loaded>
    </WithInspector>
  );
}

function Rows({
  exceptions,
  sel,
  onLearner,
}: {
  exceptions: ExceptionInCourse[];
  sel: string | null;
  onLearner: (enrolment: number) => void;
}) {
  const t = useTranslations();
  const { list, rows, measure, style } = useRows(exceptions.length, 46);
  if (exceptions.length === 0) return <Typography>{t('teach.noExceptionFound')}</Typography>;
  return (
    <>
      <Heads />
      <Box
        ref={list}
        component="ul"
        aria-label={t('frame.exceptions')}
        style={style}
        sx={{
          listStyle: 'none',
          m: 0,
          p: 0,
          bgcolor: 'tone.panel',
          border: 1,
          borderBottom: 0,
          borderColor: 'divider',
        }}
      >
        {rows.map(({ index, style: at }) => {
          const e = exceptions[index];
          return (
            e && (
              <li key={e.exception.fact} ref={measure} data-index={index} style={at}>
                <Row
                  of={e}
                  chosen={sel === `${e.enrolment}`}
                  onLearner={() => onLearner(e.enrolment)}
                />
              </li>
            )
          );
        })}
      </Box>
    </>
  );
}

function Heads() {
  const t = useTranslations();
  return (
    <Box
      aria-hidden
      sx={{
        display: { xs: 'none', md: 'grid' },
        gridTemplateColumns: COLUMNS,
        gap: 1,
        px: 1.5,
        py: 0.75,
        typography: 'h3',
        color: 'tone.soft',
        bgcolor: 'tone.panel',
        border: 1,
        borderBottom: 0,
        borderColor: 'divider',
      }}
    >
      <span>{t('watch.learner')}</span>
      <span>{t('plan.step')}</span>
      <span>{t('watch.exceptionKind')}</span>
      <span>{t('teach.exceptionBy')}</span>
    </Box>
  );
}

function Row({
  of,
  chosen,
  onLearner,
}: {
  of: ExceptionInCourse;
  chosen: boolean;
  onLearner: () => void;
}) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const notice = useNotice();
  const { exception } = of;
  const params = {
    path: { course: course.id, enrolment: of.enrolment, fact: exception.fact },
  };
  const said = (text: string) => {
    notice({ tone: 'success', text });
    exceptionsChanged(client, course.id);
  };
  const end = useMutation({
    mutationFn: () =>
      api.POST('/api/courses/{course}/learners/{enrolment}/exceptions/{fact}/end', {
        params,
        body: { reason: '' },
      }),
    onSuccess: () => said(t('watch.exceptionEnded')),
    onError: (e) => notice({ tone: 'error', text: e.message }),
  });
  const takeBack = useMutation({
    mutationFn: () =>
      api.DELETE('/api/courses/{course}/learners/{enrolment}/exceptions/{fact}', { params }),
    onSuccess: () => said(t('watch.exceptionTakenBack')),
    onError: (e) => notice({ tone: 'error', text: e.message }),
  });
  const named = { learner: of.learner, step: exception.name };
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', md: COLUMNS },
        alignItems: 'center',
        gap: 1,
        px: 1.5,
        py: 0.5,
        minHeight: 46,
        borderBottom: 1,
        borderColor: 'divider',
        bgcolor: chosen ? 'tone.indigoWash' : undefined,
      }}
    >
      <Button onClick={onLearner} sx={{ justifyContent: 'flex-start', textAlign: 'left', px: 0 }}>
        {of.learner}
      </Button>
      <Typography>{exception.name}</Typography>
      <Typography>{exception.says}</Typography>
      <Typography variant="body2" color="textSecondary">
        {exception.by}
        <br />
        {day(exception.at)}
      </Typography>
      <Box sx={{ display: 'flex', gap: 1, justifyContent: 'flex-end' }}>
        {exception.kind !== 'ANEW' && (
          <Button
            size="small"
            variant="outlined"
            title={t('watch.endExceptionHint')}
            aria-label={t('teach.endExceptionOf', named)}
            disabled={end.isPending}
            onClick={() => end.mutate()}
          >
            {t('watch.endException')}
          </Button>
        )}
        <Button
          size="small"
          variant="outlined"
          title={t('watch.takeBackExceptionHint')}
          aria-label={t('teach.takeBackExceptionOf', named)}
          disabled={takeBack.isPending}
          onClick={() => takeBack.mutate()}
        >
          {t('watch.takeBackException')}
        </Button>
      </Box>
    </Box>
  );
}
