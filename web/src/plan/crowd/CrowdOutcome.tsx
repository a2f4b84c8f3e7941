import { Alert, Box, Typography } from '@mui/material';
import { addWeeks } from 'date-fns';
import { useTranslations } from 'use-intl';
import type { Crowd, CrowdSums } from '../../api/client';
import { moment } from '../../ui/format';
import { TrendLine } from '../../ui/TrendLine';
import { Both, CrowdTable, inDays } from './CrowdTable';

/** What became of the last crowd, beside what would have become of it today. */
export function CrowdOutcome({ crowd, startsAt }: { crowd: Crowd; startsAt: string }) {
  const t = useTranslations();
  const { draft, today, badges } = crowd.came;
  const moments = [0, ...draft.finishedByWeek.map((_, n) => n + 1)].map((week) =>
    addWeeks(new Date(startsAt), week).toISOString(),
  );
  const line = (sums: CrowdSums) => [0, ...sums.finishedByWeek].map((n) => n / sums.learners);
  return (
    <Box
      component="section"
      aria-label={t('crowd.outcome')}
      sx={{ display: 'grid', gap: 2, minWidth: 0 }}
    >
      {crowd.changedSince && (
        <Alert role="status" severity="info">
          {t('crowd.changedSince')}
        </Alert>
      )}
      <Box
        sx={{
          display: 'grid',
          gap: 2.5,
          gridTemplateColumns: { xs: '1fr', lg: 'minmax(0, 1fr) 420px' },
        }}
      >
        <Box>
          <Typography variant="h2" component="h2" sx={{ mb: 1 }}>
            {t('crowd.finish', { n: draft.finished, count: draft.learners })}
          </Typography>
          {draft.finishing && (
            <Typography>
              {t('crowd.finishing', {
                half: inDays(draft.finishing.half) ?? 0,
                most: inDays(draft.finishing.most) ?? 0,
              })}
            </Typography>
          )}
          <Fates sums={draft} />
          {today && <Today draft={draft} today={today} />}
          <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
            {t('crowd.walkedAt', { at: moment(crowd.at), by: crowd.by })}
          </Typography>
        </Box>
        <Box>
          <Typography variant="h3" component="h2" color="textSecondary" sx={{ mb: 0.5 }}>
            {t('crowd.finishedUntil')}
          </Typography>
          <TrendLine
            height={90}
            moments={moments}
            series={[
              ...(today
                ? [{ name: t('crowd.today'), values: line(today), colour: 'slate' as const }]
                : []),
              {
                name: t(today ? 'crowd.draft' : 'crowd.crowd'),
                values: line(draft),
                colour: 'madder',
              },
            ]}
          />
        </Box>
      </Box>
      <CrowdTable key={crowd.at} came={crowd.came} />
      {badges.length > 0 && (
        <Box>
          <Typography variant="h3" component="h2" color="textSecondary" sx={{ mb: 0.5 }}>
            {t('crowd.badges')}
          </Typography>
          <Box
            component="ul"
            sx={{ m: 0, p: 0, listStyle: 'none', columnGap: 4, columns: { md: 2 } }}
          >
            {badges.map((b) => (
              <Box
                component="li"
                key={b.id}
                sx={{ display: 'flex', gap: 1, py: 0.25, breakInside: 'avoid' }}
              >
                <Box sx={{ flex: 1, minWidth: 0 }}>{b.name}</Box>
                <Box sx={{ color: 'text.secondary' }}>
                  {b.draft?.after && t('crowd.afterDays', { n: inDays(b.draft.after.half) ?? 0 })}
                </Box>
                <Box sx={{ fontWeight: 700, minWidth: 90, textAlign: 'right' }}>
                  <Both draft={b.draft?.earned} today={b.today?.earned} />
                </Box>
              </Box>
            ))}
          </Box>
        </Box>
      )}
    </Box>
  );
}

/** What became of those who did not finish. */
function Fates({ sums }: { sums: CrowdSums }) {
  const t = useTranslations();
  const said = (['noWayOn', 'stopped', 'underWay', 'allDone'] as const)
    .filter((fate) => sums[fate] > 0)
    .map((fate) => t(`crowd.fate.${fate}`, { count: sums[fate] }));
  return <Typography>{said.join(' ')}</Typography>;
}

/** The same crowd with the rules that learners have. */
function Today({ draft, today }: { draft: CrowdSums; today: CrowdSums }) {
  const t = useTranslations();
  const more = draft.finished - today.finished;
  return (
    <Typography sx={{ mt: 1, fontWeight: 700 }}>
      {t('crowd.todayFinish', {
        n: today.finished,
        way: more === 0 ? 'same' : more < 0 ? 'fewer' : 'more',
        more: Math.abs(more),
      })}
    </Typography>
  );
}
