import { Box, Button, Typography } from '@mui/material';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useState } from 'react';
import { useTranslations } from 'use-intl';
import {
  type AttendanceStatus,
  api,
  body,
  type Calendar,
  type RegisterLine,
  type Session,
} from '../api/client';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { day, dayIn, spanIn } from '../ui/format';
import { useNotice } from '../ui/Notice';
import { Empty, Loaded } from '../ui/Panel';
import { keysHere, upAndDown } from '../ui/useKeys';
import { SessionDialog } from './SessionDialog';
import { StatusChoice } from './StatusChoice';

interface Mark {
  learner: number;
  status: number | null;
}

/** The register of one session: everybody there, then the exceptions, or learner by learner. */
export function RegisterSheet({
  session,
  calendar,
  onGone,
}: {
  session: Session;
  calendar: Calendar;
  onGone: () => void;
}) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const notice = useNotice();
  const [row, setRow] = useState(0);
  const [editing, setEditing] = useState(false);
  const query = queries.register(course.id, session.id);
  const register = useQuery(query);
  const lines = register.data?.lines ?? [];
  const begun = Date.parse(session.startsAt) - 30 * 60_000 <= Date.parse(calendar.now);
  const group = calendar.groups.find((g) => g.id === session.group)?.name ?? t('plan.everyone');

  const save = useMutation({
    // One after the other, so that the newest answer is the newest state.
    meta: { about: (marks: Mark[]) => `register-${session.id}-${marks.map((m) => m.learner)}` },
    scope: { id: `register-${session.id}` },
    mutationFn: (marks: Mark[]) =>
      body(
        api.PUT('/api/courses/{course}/sessions/{session}/register', {
          params: { path: { course: course.id, session: session.id } },
          body: {
            marks: marks.map((m) => ({
              learner: m.learner,
              ...(m.status && { status: m.status }),
            })),
          },
        }),
      ),
    onSuccess: (now) => {
      client.setQueryData(query.queryKey, now);
      void client.invalidateQueries({ queryKey: ['sessions', course.id] });
    },
    onError: (error) => notice({ tone: 'error', text: error.message }),
  });
  const mark = (line: RegisterLine, status: number | null) =>
    save.mutate([{ learner: line.enrolment, status }]);
  const rest = lines.filter((l) => !l.status && l.expected);
  const usual = calendar.statuses.find((s) => s.there);
  const markRest = (status: AttendanceStatus) => {
    const learners = rest.map((l) => l.enrolment);
    save.mutate(
      learners.map((learner) => ({ learner, status: status.id })),
      {
        onSuccess: () =>
          notice({
            tone: 'success',
            text: t('teach.markedRest', { count: learners.length, status: word(status) }),
            undo: () => save.mutate(learners.map((learner) => ({ learner, status: null }))),
          }),
      },
    );
  };
  // Whoever comes here marks; whoever goes through the sessions by keys goes on with them.
  const ready = useCallback((sheet: HTMLElement | null) => {
    if (!document.activeElement?.closest('[data-list]')) sheet?.focus({ preventScroll: true });
  }, []);
  const go = (by: 1 | -1) => setRow(Math.max(0, Math.min(lines.length - 1, row + by)));
  const put = (status: number | null) => {
    const line = lines[row];
    if (!line) return;
    mark(line, status);
    go(1);
  };
  const keys = keysHere({
    ...upAndDown(go),
    Backspace: () => put(null),
    ...Object.fromEntries(calendar.statuses.map((s, n) => [`${n + 1}`, () => put(s.id)])),
  });
  return (
    <>
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'flex-start', flexWrap: 'wrap', mb: 1.5 }}>
        <Box sx={{ flex: 1, minWidth: 200 }}>
          <Typography variant="h1" component="h2">
            {session.name}
          </Typography>
          <Typography color="textSecondary">
            {dayIn(session.startsAt, calendar.zone)},{' '}
            {spanIn(session.startsAt, session.minutes, calendar.zone)}, {group}
          </Typography>
        </Box>
        {calendar.mayEdit && (
          <Button variant="outlined" onClick={() => setEditing(true)}>
            {t('teach.changeSession')}
          </Button>
        )}
        {begun && usual && rest.length > 0 && (
          <Button variant="contained" onClick={() => markRest(usual)} disabled={save.isPending}>
            {t(rest.length === lines.length ? 'teach.markAll' : 'teach.markRest', {
              count: rest.length,
              status: word(usual),
            })}
          </Button>
        )}
      </Box>
      {!begun && (
        <Typography color="textSecondary" sx={{ mb: 1 }}>
          {t('teach.notBegun')}
        </Typography>
      )}
      <Loaded query={register}>
        {(data) =>
          data.lines.length === 0 ? (
            <Empty title={t('teach.nobody')} hint={t('teach.nobodyHint')} />
          ) : (
            <>
              <Counts session={data.session} statuses={calendar.statuses} />
              <Box
                role="grid"
                aria-label={t('teach.register')}
                aria-activedescendant={lines[row] && `line-${lines[row].enrolment}`}
                tabIndex={0}
                ref={ready}
                onKeyDown={keys}
                sx={{
                  bgcolor: 'tone.panel',
                  border: 1,
                  borderColor: 'divider',
                  maxWidth: 860,
                }}
              >
                {data.lines.map((line, n) => (
                  <Row
                    key={line.enrolment}
                    line={line}
                    on={n === row}
                    begun={begun}
                    statuses={calendar.statuses}
                    onMark={(status) => {
                      setRow(n);
                      mark(line, status);
                    }}
                  />
                ))}
              </Box>
              <Typography
                variant="caption"
                color="textSecondary"
                component="p"
                sx={{ mt: 0.75, '@media print': { display: 'none' } }}
              >
                {t('teach.registerKeys', {
                  statuses: calendar.statuses.map((s, n) => `${n + 1} ${word(s)}`).join(', '),
                })}
              </Typography>
            </>
          )
        }
      </Loaded>
      {editing && (
        <SessionDialog
          session={session}
          groups={calendar.groups}
          onClose={() => setEditing(false)}
          onGone={onGone}
        />
      )}
    </>
  );
}

/** A status within a sentence. */
const word = (status: AttendanceStatus) => status.name.toLowerCase();

function Counts({ session, statuses }: { session: Session; statuses: AttendanceStatus[] }) {
  const t = useTranslations();
  const parts = statuses
    .filter((s) => session.counts[s.id])
    .map((s) => `${session.counts[s.id]} ${word(s)}`);
  const missing = session.learners - session.marked;
  if (missing > 0) parts.push(t('teach.unmarked', { count: missing }));
  return (
    <Typography role="status" sx={{ mb: 1 }}>
      {parts.join(', ')}
    </Typography>
  );
}

function Row({
  line,
  on,
  begun,
  statuses,
  onMark,
}: {
  line: RegisterLine;
  on: boolean;
  begun: boolean;
  statuses: AttendanceStatus[];
  onMark: (status: number | null) => void;
}) {
  const t = useTranslations();
  return (
    <Box
      role="row"
      id={`line-${line.enrolment}`}
      aria-selected={on}
      sx={{
        display: 'flex',
        alignItems: { sm: 'center' },
        flexDirection: { xs: 'column', sm: 'row' },
        gap: { xs: 0.5, sm: 1.5 },
        px: 1.5,
        py: 0.5,
        borderBottom: 1,
        borderColor: 'divider',
        '&:last-child': { borderBottom: 0 },
        boxShadow: on ? 'inset 3px 0 0 var(--mui-palette-tone-indigo)' : 'none',
        bgcolor: on ? 'tone.indigoWash' : 'transparent',
      }}
    >
      <Box role="rowheader" sx={{ flex: 1, minWidth: 0 }}>
        <Typography noWrap sx={{ fontWeight: 700 }}>
          {line.name}
        </Typography>
        <Typography variant="caption" color="textSecondary" component="p" noWrap>
          {!line.expected && `${t('teach.enrolledLater')} `}
          {line.counted > 0
            ? t('teach.attended', { there: line.attended, of: line.counted })
            : t('teach.attendedNone')}
          <Box component="span" sx={{ display: { xs: 'none', sm: 'inline' } }}>
            {line.by &&
              line.at &&
              `, ${t('teach.markedBy', { name: line.by, date: day(line.at) })}`}
          </Box>
        </Typography>
      </Box>
      <Box role="gridcell">
        <StatusChoice
          name={line.name}
          value={line.status ?? null}
          statuses={statuses}
          begun={begun}
          onChange={onMark}
        />
      </Box>
    </Box>
  );
}
