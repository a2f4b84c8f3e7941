import { Box, Button, Checkbox, TextField, Typography } from '@mui/material';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useFormatter, useTranslations } from 'use-intl';
import { type ApprovalGiven, type Approvals, api, type WaitingForApproval } from '../api/client';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { WriteDialog } from '../reach/WriteDialog';
import { day, inPercent } from '../ui/format';
import { useNotice } from '../ui/Notice';
import { Empty, Loaded, Section, WithInspector } from '../ui/Panel';
import { useActKey } from '../ui/useActKey';
import { useLive } from '../ui/useLive';
import { useRows } from '../ui/useRows';
import { useSelection } from '../ui/useSelection';
import { LearnerInspector } from '../watch/LearnerInspector';
import { TakeBackDialog } from './TakeBackDialog';

/** Learners whose way through the course waits for nothing but an approval. */
export default function ApprovalsView() {
  const t = useTranslations();
  const course = useCourse();
  useLive(course.id, ['approvals']);
  const [sel, select] = useSelection();
  const approvals = useQuery(queries.approvals(course.id));
  const [writing, setWriting] = useState<number | null>(null);
  return (
    <WithInspector
      inspector={
        sel ? (
          <LearnerInspector enrolment={Number(sel)} onWrite={() => setWriting(Number(sel))} />
        ) : null
      }
      onClose={() => select(null)}
    >
      <Loaded query={approvals}>
        {(queue) =>
          !queue.asked && queue.given.length === 0 ? (
            <Empty
              title={t('teach.noApprovalAsked')}
              hint={t('teach.noApprovalAskedHint', { as: queue.as })}
            />
          ) : (
            <>
              {queue.rule && (
                <Typography color="textSecondary" sx={{ mb: 1.5 }}>
                  {t('teach.completeWhen', { rule: queue.rule })}
                </Typography>
              )}
              <Queue queue={queue} onLearner={(id) => select(`${id}`)} />
              <Given given={queue.given} onLearner={(id) => select(`${id}`)} />
              {writing !== null && (
                <WriteDialog
                  learners={[...queue.waiting, ...queue.given].filter(
                    (l) => l.enrolment === writing,
                  )}
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

function useAnew() {
  const course = useCourse();
  const client = useQueryClient();
  return () => {
    for (const key of ['approvals', 'progress', 'learner', 'followUp'])
      void client.invalidateQueries({ queryKey: [key, course.id] });
  };
}

function Queue({ queue, onLearner }: { queue: Approvals; onLearner: (enrolment: number) => void }) {
  const t = useTranslations();
  const course = useCourse();
  const notice = useNotice();
  const anew = useAnew();
  const once = useActKey();
  const [ticked, setTicked] = useState<ReadonlySet<number>>(new Set());
  const [note, setNote] = useState('');
  const { waiting } = queue;
  const { list, rows, measure, style } = useRows(waiting.length, 42);
  const chosen = waiting.filter((w) => ticked.has(w.enrolment));
  const approve = useMutation({
    mutationFn: (learners: number[]) => {
      const sent = { learners, note };
      return api.POST('/api/courses/{course}/approvals', {
        params: { path: { course: course.id } },
        headers: once.headers(sent),
        body: sent,
      });
    },
    onSuccess: (_, learners) => {
      once.renew();
      notice({ tone: 'success', text: t('teach.approved', { count: learners.length }) });
      setTicked(new Set());
      setNote('');
    },
    onSettled: anew,
  });
  const toggle = (id: number) => {
    const next = new Set(ticked);
    if (!next.delete(id)) next.add(id);
    setTicked(next);
  };
  if (waiting.length === 0)
    return <Empty title={t('teach.nobodyWaits')} hint={t('teach.nobodyWaitsHint')} />;
  const all = chosen.length === waiting.length;
  return (
    <Box component="section" aria-label={t('frame.approvals')}>
      <Box
        sx={{
          display: 'flex',
          flexWrap: 'wrap',
          alignItems: 'center',
          gap: 1.5,
          mb: 1,
          minHeight: 40,
        }}
      >
        <Checkbox
          checked={all}
          indeterminate={chosen.length > 0 && !all}
          onChange={() => setTicked(all ? new Set() : new Set(waiting.map((w) => w.enrolment)))}
          slotProps={{ input: { 'aria-label': t('watch.tickAll') } }}
        />
        <Typography variant="h2" sx={{ flex: 1, minWidth: 160 }}>
          {t('teach.waitForApproval', { count: waiting.length })}
        </Typography>
        <TextField
          label={t('teach.approvalNote')}
          value={note}
          onChange={(e) => setNote(e.target.value)}
          slotProps={{ htmlInput: { maxLength: 500 } }}
          sx={{ width: 280 }}
        />
        <Button
          variant="contained"
          disabled={chosen.length === 0 || approve.isPending}
          onClick={() => approve.mutate(chosen.map((w) => w.enrolment))}
        >
          {chosen.length === 0
            ? t('teach.approveChoose')
            : t('teach.approve', { count: chosen.length })}
        </Button>
      </Box>
      <Box
        ref={list}
        component="ul"
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
          const w = waiting[index];
          return (
            w && (
              <li key={w.enrolment} ref={measure} data-index={index} style={at}>
                <Waiting
                  learner={w}
                  ticked={ticked.has(w.enrolment)}
                  onTick={() => toggle(w.enrolment)}
                  onLearner={() => onLearner(w.enrolment)}
                />
              </li>
            )
          );
        })}
      </Box>
    </Box>
  );
}

function Waiting({
  learner,
  ticked,
  onTick,
  onLearner,
}: {
  learner: WaitingForApproval;
  ticked: boolean;
  onTick: () => void;
  onLearner: () => void;
}) {
  const t = useTranslations();
  const { list } = useFormatter();
  const others = learner.others.map((k) => t('teach.staffKind', { kind: k }));
  const more = [
    learner.ownWord && t('teach.saidComplete', { date: day(learner.ownWord) }),
    others.length > 0 && t('teach.alsoAsked', { who: list(others, { type: 'conjunction' }) }),
  ].filter(Boolean);
  return (
    <Box
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        gap: 1.5,
        alignItems: 'center',
        borderBottom: 1,
        borderColor: 'divider',
      }}
    >
      <Checkbox
        checked={ticked}
        onChange={onTick}
        slotProps={{ input: { 'aria-label': t('teach.approvalOf', { name: learner.name }) } }}
      />
      <Button
        onClick={onLearner}
        sx={{
          color: 'tone.ink',
          p: 0,
          width: { md: 200 },
          flex: { xs: 1, md: 'none' },
          justifyContent: 'flex-start',
        }}
      >
        {learner.name}
      </Button>
      <Typography sx={{ width: { md: 130 }, pr: { xs: 1.5, md: 0 } }}>
        {t('teach.shareDone', { share: inPercent(learner.share) })}
      </Typography>
      {more.length > 0 && (
        <Typography
          color="textSecondary"
          sx={{ flex: { xs: '1 0 100%', md: 1 }, px: { xs: 1.5, md: 0 }, pb: { xs: 1, md: 0 } }}
        >
          {more.join('. ')}
        </Typography>
      )}
    </Box>
  );
}

function Given({
  given,
  onLearner,
}: {
  given: ApprovalGiven[];
  onLearner: (enrolment: number) => void;
}) {
  const t = useTranslations();
  const anew = useAnew();
  const [back, setBack] = useState<ApprovalGiven | null>(null);
  if (given.length === 0) return null;
  return (
    <Section title={t('teach.approvalsGiven')}>
      {given.map((g) => (
        <Box
          key={g.enrolment}
          sx={{
            display: 'flex',
            flexWrap: { xs: 'wrap', md: 'nowrap' },
            columnGap: 1.5,
            alignItems: 'center',
            py: 0.25,
          }}
        >
          <Button
            onClick={() => onLearner(g.enrolment)}
            sx={{ color: 'tone.ink', p: 0, width: { md: 200 }, justifyContent: 'flex-start' }}
          >
            {g.name}
          </Button>
          <Typography
            color="textSecondary"
            sx={{ flex: { xs: '1 0 100%', md: 1 }, order: { xs: 1, md: 0 } }}
          >
            {t('teach.approvedOn', { date: day(g.at) })}
            {g.completedAt && `. ${t('teach.completeSince', { date: day(g.completedAt) })}`}
          </Typography>
          <Button
            size="small"
            onClick={() => setBack(g)}
            sx={{ ml: 'auto', whiteSpace: 'nowrap' }}
            aria-label={t('teach.takeBackApproval', { name: g.name })}
          >
            {t('teach.takeBack')} …
          </Button>
        </Box>
      ))}
      {back && (
        <TakeBackDialog
          of={back}
          onClose={() => setBack(null)}
          onDone={() => {
            setBack(null);
            anew();
          }}
        />
      )}
    </Section>
  );
}
