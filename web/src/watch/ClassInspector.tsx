import { Box, Button, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import type { Mastery, Trend } from '../api/client';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { day, inPercent, percent } from '../ui/format';
import { Kicker, Loaded, Section } from '../ui/Panel';
import { Sparkline, TrendLine } from '../ui/TrendLine';
import { useLine } from '../ui/useNames';
import { type MasteryRow, type OutcomeHead, spread } from './spread';

/** How the class came to where it stands: on one outcome, or on all of them. */
export function ClassInspector({
  data,
  outcome,
  group,
  select,
}: {
  data: Mastery;
  outcome: number;
  group: number;
  select: (sel: string) => void;
}) {
  const t = useTranslations();
  const line = useLine();
  const course = useCourse();
  const trend = useQuery(queries.trend(course.id, 0));
  const of = useQuery({ ...queries.trend(course.id, group), enabled: group > 0 });
  const head = data.outcomes.find((o) => o.id === outcome);
  const name = data.groups.find((g) => g.id === group)?.name;
  return (
    <Loaded query={trend}>
      {(all) =>
        head ? (
          <One
            head={head}
            data={data}
            all={all}
            {...(name && of.data && { part: { name, trend: of.data } })}
          />
        ) : (
          <>
            <Kicker>{t('watch.overTime')}</Kicker>
            <Typography variant="h1" component="h2">
              {t('watch.atMasteryOverTime')}
            </Typography>
            <Typography variant="body2" color="textSecondary" sx={{ mt: 0.5, mb: 1 }}>
              {t('watch.overTimeHint', { from: day(all.moments[0]) })}
            </Typography>
            {all.outcomes.map((o) => (
              <Button
                key={o.id}
                onClick={() => select(`class-${o.id}`)}
                title={o.name}
                sx={{
                  display: 'grid',
                  gridTemplateColumns: '70px 1fr auto auto',
                  gap: 1,
                  width: '100%',
                  textAlign: 'left',
                  alignItems: 'center',
                  color: 'tone.ink',
                  py: 0.25,
                  px: 0.5,
                }}
              >
                <span>{o.code}</span>
                <Sparkline values={o.mastery} label={line(...o.mastery.map(inPercent))} />
                <Box component="span" sx={{ fontWeight: 700 }}>
                  {inPercent(o.mastery.at(-1) ?? 0)}
                </Box>
                <Box component="span" sx={{ color: 'tone.soft', minWidth: 44, fontWeight: 400 }}>
                  {gained(all.moments, o.mastery)}
                </Box>
              </Button>
            ))}
          </>
        )
      }
    </Loaded>
  );
}

const WEEK = 7 * 86_400_000;

/** Percentage points since a week before the last moment, with their sign. */
function gained(moments: string[], shares: number[]): string {
  const then = Date.parse(moments.at(-1) ?? '') - WEEK;
  const before = moments.findLastIndex((m) => Date.parse(m) <= then);
  const change = percent(shares.at(-1) ?? 0) - percent(shares[before] ?? 0);
  return change > 0 ? `+${change}` : change < 0 ? `−${-change}` : '±0';
}

function One({
  head,
  data,
  all,
  part,
}: {
  head: OutcomeHead;
  data: Mastery;
  all: Trend;
  part?: { name: string; trend: Trend };
}) {
  const t = useTranslations();
  const line = useLine();
  const of = (trend: Trend) => trend.outcomes.find((o) => o.id === head.id)?.mastery ?? [];
  return (
    <>
      <Kicker>{line(head.code, t('watch.class'))}</Kicker>
      <Typography variant="h1" component="h2">
        {head.name}
      </Typography>
      <Section title={t('watch.atMasteryOverTime')}>
        <TrendLine
          moments={all.moments}
          series={[
            { name: t('watch.class'), values: of(all), colour: 'indigo' },
            ...(part
              ? [{ name: part.name, values: of(part.trend), colour: 'lagoon' as const }]
              : []),
          ]}
        />
      </Section>
      <Section title={t('watch.now')}>
        <Levels head={head} data={data} />
      </Section>
    </>
  );
}

/** How many learners stand at each level now, in the class and in each group. */
function Levels({ head, data }: { head: OutcomeHead; data: Mastery }) {
  const t = useTranslations();
  const sets: [string, MasteryRow[]][] = [
    [t('watch.class'), data.learners],
    ...data.groups.map((g): [string, MasteryRow[]] => [
      g.name,
      data.learners.filter((l) => l.groups.includes(g.id)),
    ]),
  ];
  const spreads = sets.map(([, rows]) => spread(rows, head));
  const lines = [...head.levels.keys()].reverse();
  return (
    <Box
      component="table"
      sx={{
        width: '100%',
        typography: 'body2',
        borderCollapse: 'collapse',
        '& th, & td': { textAlign: 'right', py: 0.3, px: 0.5 },
        '& th:first-of-type': { textAlign: 'left', pl: 0 },
        '& tbody tr': { borderTop: 1, borderColor: 'divider' },
      }}
    >
      <thead>
        <tr>
          <th />
          {sets.map(([name]) => (
            <th key={name}>{name}</th>
          ))}
        </tr>
      </thead>
      <tbody>
        {lines.map((level) => (
          <tr key={level}>
            <Box component="th" scope="row" sx={{ fontWeight: level >= head.mastery ? 700 : 400 }}>
              {head.levels[level]}
              {level === head.mastery && ` = ${t('plan.mastery')}`}
            </Box>
            {spreads.map((s, n) => (
              <td key={sets[n]?.[0]}>{s.at[level] ?? 0}</td>
            ))}
          </tr>
        ))}
        <tr>
          <Box component="th" scope="row" sx={{ fontWeight: 400, color: 'tone.soft' }}>
            {t('learn.noEvidence')}
          </Box>
          {spreads.map((s, n) => (
            <td key={sets[n]?.[0]}>{s.none}</td>
          ))}
        </tr>
        <tr>
          <Box component="th" scope="row" sx={{ fontWeight: 700 }}>
            {t('watch.classRow')}
          </Box>
          {spreads.map((s, n) => (
            <td key={sets[n]?.[0]}>
              <b>{inPercent(s.mastery)}</b>
            </td>
          ))}
        </tr>
      </tbody>
    </Box>
  );
}
