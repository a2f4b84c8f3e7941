import { Box, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { Calendar, Session } from '../api/client';
import { dayIn } from '../ui/format';
import { ListLine } from '../ui/ListAndMain';

interface Props {
  calendar: Calendar;
  chosen: number | undefined;
  select: (id: number) => void;
}

const over = (s: Session, now: string) =>
  Date.parse(s.startsAt) + s.minutes * 60_000 < Date.parse(now);

/** Sessions in order of time, those that are over above those to come. */
export function SessionList({ calendar, chosen, select }: Props) {
  const t = useTranslations();
  const { sessions, now } = calendar;
  const past = sessions.filter((s) => over(s, now));
  const coming = sessions.filter((s) => !over(s, now));
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
    <>
      {part(t('teach.sessionsPast'), past)}
      {part(t('teach.sessionsComing'), coming)}
    </>
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
  const t = useTranslations();
  const missing = session.learners - session.marked;
  return (
    <ListLine chosen={chosen} onSelect={onSelect}>
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
              color={missing > 0 ? 'error' : 'textSecondary'}
              sx={{ flex: 'none' }}
            >
              {missing > 0
                ? t('teach.unmarked', { count: missing })
                : t('teach.there', {
                    there: session.there,
                    of: session.learners,
                  })}
            </Typography>
          )}
        </Box>
      </Box>
    </ListLine>
  );
}
