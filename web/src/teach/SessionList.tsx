import { Box, Typography } from '@mui/material';
import { useEffect, useRef } from 'react';
import { useTranslation } from 'react-i18next';
import type { Calendar, Session } from '../api/client';
import { dayIn } from '../ui/format';

interface Props {
  calendar: Calendar;
  chosen: number | undefined;
  select: (id: number) => void;
}

const over = (s: Session, now: string) =>
  Date.parse(s.startsAt) + s.minutes * 60_000 < Date.parse(now);

/** Sessions in order of time, those that are over above those to come. */
export function SessionList({ calendar, chosen, select }: Props) {
  const { t } = useTranslation();
  const { sessions, now } = calendar;
  const past = sessions.filter((s) => over(s, now));
  const coming = sessions.filter((s) => !over(s, now));
  const move = (way: number) => {
    const at = sessions.findIndex((s) => s.id === chosen);
    const next = sessions[Math.max(0, Math.min(sessions.length - 1, at + way))];
    if (next) select(next.id);
  };
  const part = (title: string, list: Session[]) =>
    list.length > 0 && (
      <section>
        <Typography
          variant="h3"
          component="h2"
          color="textSecondary"
          sx={{ px: 2, pt: 1.5, pb: 0.5 }}
        >
          {title} · {list.length}
        </Typography>
        {list.map((s) => (
          <Line
            key={s.id}
            session={s}
            group={calendar.groups.find((g) => g.id === s.group)?.name}
            zone={calendar.zone}
            past={over(s, now)}
            chosen={s.id === chosen}
            onSelect={() => select(s.id)}
          />
        ))}
      </section>
    );
  return (
    <Box
      component="nav"
      aria-label={t('teach.sessions')}
      onKeyDown={(e) => {
        const way = { j: 1, ArrowDown: 1, k: -1, ArrowUp: -1 }[e.key];
        if (!way) return;
        e.preventDefault();
        move(way);
      }}
      sx={{
        width: { md: 320 },
        flex: 'none',
        overflow: 'auto',
        maxHeight: { xs: 210, md: 'none' },
        bgcolor: 'tone.panel',
        borderBottom: { xs: 1, md: 0 },
        borderColor: 'divider',
        '@media print': { display: 'none' },
      }}
    >
      {part(t('teach.sessionsPast'), past)}
      {part(t('teach.sessionsComing'), coming)}
    </Box>
  );
}

function Line({
  session,
  group,
  zone,
  past,
  chosen,
  onSelect,
}: {
  session: Session;
  group: string | undefined;
  zone: string;
  past: boolean;
  chosen: boolean;
  onSelect: () => void;
}) {
  const { t } = useTranslation();
  const line = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (chosen) line.current?.scrollIntoView?.({ block: 'nearest' });
  }, [chosen]);
  const missing = session.learners - session.marked;
  return (
    <Box
      ref={line}
      component="button"
      type="button"
      aria-pressed={chosen}
      onClick={onSelect}
      sx={{
        display: 'flex',
        gap: 1.5,
        width: '100%',
        textAlign: 'left',
        font: 'inherit',
        color: 'inherit',
        border: 0,
        borderBottom: '1px solid',
        borderColor: 'divider',
        px: 2,
        py: 0.8,
        cursor: 'pointer',
        bgcolor: chosen ? 'tone.madderWash' : 'transparent',
        boxShadow: chosen ? 'inset 3px 0 0 var(--mui-palette-tone-madder)' : 'none',
        '&:hover': { bgcolor: chosen ? undefined : 'tone.ground' },
      }}
    >
      <Typography sx={{ width: 84, flex: 'none', fontWeight: 700 }}>
        {dayIn(session.startsAt, zone)}
      </Typography>
      <Box sx={{ minWidth: 0, flex: 1 }}>
        <Typography noWrap>{session.name}</Typography>
        <Box sx={{ display: 'flex', gap: 1 }}>
          <Typography variant="body2" color="textSecondary" noWrap sx={{ flex: 1 }}>
            {group ?? t('plan.everyone')}
          </Typography>
          {past && (
            <Typography
              variant="body2"
              color={missing > 0 ? 'primary' : 'textSecondary'}
              sx={{ flex: 'none' }}
            >
              {missing > 0
                ? t('teach.unmarked', { count: missing })
                : t('teach.there', {
                    there: (session.counts.PRESENT ?? 0) + (session.counts.LATE ?? 0),
                    of: session.learners,
                  })}
            </Typography>
          )}
        </Box>
      </Box>
    </Box>
  );
}
