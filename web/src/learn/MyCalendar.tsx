import { Box, Button, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { getISOWeek, getISOWeekYear, startOfWeek } from 'date-fns';
import { lazy, Suspense, useState } from 'react';
import { Link } from 'react-router';
import { useTranslations } from 'use-intl';
import type { Dated } from '../api/client';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { type WalkName, walkBase } from '../kinds/room';
import { day, timeOf } from '../ui/format';
import { Empty, Loaded } from '../ui/Panel';
import { useLive } from '../ui/useLive';

const FeedDialog = lazy(() => import('./FeedDialog'));

/** Sessions, openings and due dates, week by week. */
export default function MyCalendar({ walk }: { walk: WalkName }) {
  const t = useTranslations();
  const course = useCourse();
  useLive(course.id, ['calendar']);
  const dates = useQuery(queries.calendar(course.id, walk));
  const [past, setPast] = useState(false);
  const [feed, setFeed] = useState(false);
  const base = walkBase(course.id, walk);
  return (
    <Box
      component="main"
      id="main"
      tabIndex={0}
      sx={{ p: { xs: 2, md: 3 }, overflow: 'auto', outline: 0, flex: 1 }}
    >
      <Box sx={{ maxWidth: 760, mx: 'auto' }}>
        <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap', mb: 1 }}>
          <Typography variant="h1" sx={{ flex: 1 }}>
            {t('frame.myCalendar')}
          </Typography>
          <Button size="small" onClick={() => setPast(!past)}>
            {t(past ? 'learn.hidePast' : 'learn.showPast')}
          </Button>
          {walk === 'mine' && (
            <Button variant="outlined" onClick={() => setFeed(true)}>
              {t('learn.feed')} …
            </Button>
          )}
        </Box>
        <Loaded query={dates}>{(all) => <Weeks dates={all} past={past} base={base} />}</Loaded>
      </Box>
      {feed && (
        <Suspense fallback={null}>
          <FeedDialog onClose={() => setFeed(false)} />
        </Suspense>
      )}
    </Box>
  );
}

const LATE = 'late';

const week = (iso: string) => {
  const at = new Date(iso);
  return `${getISOWeekYear(at)}-${getISOWeek(at)}`;
};

/** What was due and can still be done. */
const isLate = (d: Dated) => d.is === 'DUE' && d.open && new Date(d.at) < new Date();

function Weeks({ dates, past, base }: { dates: Dated[]; past: boolean; base: string }) {
  const t = useTranslations();
  const today = startOfWeek(new Date(), { weekStartsOn: 1 });
  const shown = dates.filter((d) => past || isLate(d) || new Date(d.until ?? d.at) >= today);
  if (shown.length === 0) return <Empty title={t('learn.noDates')} hint={t('learn.noDatesHint')} />;
  const weeks = new Map<string, Dated[]>();
  for (const d of shown) {
    const key = isLate(d) ? LATE : week(d.at);
    weeks.set(key, [...(weeks.get(key) ?? []), d]);
  }
  const now = week(new Date().toISOString());
  return [...weeks].map(([key, of]) => (
    <Box component="section" key={key} sx={{ mb: 2 }}>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        {key === LATE
          ? t('learn.overdue')
          : key === now
            ? t('learn.thisWeek')
            : t('learn.weekOf', {
                date: day(startOfWeek(new Date(of[0]?.at ?? 0), { weekStartsOn: 1 }).toISOString()),
              })}
      </Typography>
      <Box
        component="ul"
        sx={{
          listStyle: 'none',
          m: 0,
          p: 0,
          bgcolor: 'tone.panel',
          border: 1,
          borderColor: 'divider',
          borderRadius: 1,
        }}
      >
        {of.map((d) => (
          <Line key={d.id} date={d} base={base} />
        ))}
      </Box>
    </Box>
  ));
}

function Line({ date, base }: { date: Dated; base: string }) {
  const t = useTranslations();
  const over = new Date(date.until ?? date.at) < new Date();
  const late = isLate(date);
  return (
    <Box
      component="li"
      sx={{
        display: 'flex',
        columnGap: 2,
        flexWrap: { xs: 'wrap', sm: 'nowrap' },
        px: 2,
        py: 1,
        borderTop: 1,
        borderColor: 'divider',
        '&:first-of-type': { borderTop: 0 },
        ...(over && !late && { color: 'tone.soft' }),
      }}
    >
      <Typography color="textSecondary" sx={{ width: 92, flex: 'none' }}>
        {day(date.at)}
      </Typography>
      <Typography color="textSecondary" sx={{ width: 96, flex: 'none' }}>
        {timeOf(date.at)}
        {date.until && ` – ${timeOf(date.until)}`}
      </Typography>
      <Typography
        sx={{ flex: { xs: '1 0 100%', sm: 1 }, minWidth: 0 }}
        color={late ? 'error' : undefined}
      >
        {date.step && date.open ? (
          <Box
            component={Link}
            to={`${base}/steps/${date.step}`}
            sx={{ color: 'inherit', fontWeight: 700 }}
          >
            {t(`learn.dated.${date.is}`, { name: date.name })}
          </Box>
        ) : (
          t(`learn.dated.${date.is}`, { name: date.name })
        )}
      </Typography>
    </Box>
  );
}
