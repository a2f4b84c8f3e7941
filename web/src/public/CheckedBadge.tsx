import { Box, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { CheckedBadge as Checked } from '../api/client';
import { day } from '../ui/format';

const LOOKS = {
  HOLDS: { sign: '✓', colour: 'tone.lagoon' },
  FAILS: { sign: '×', colour: 'tone.madder' },
  UNTOLD: { sign: '?', colour: 'tone.ochreInk' },
} as const;

/** What a badge says, and what of it holds. */
export function CheckedBadge({ checked, holder }: { checked: Checked; holder?: string }) {
  const t = useTranslations();
  const { shown } = checked;
  const signed = checked.found.some((f) => f.point === 'SIGNATURE' && f.came === 'HOLDS');
  const sure = checked.found.some((f) => f.point === 'ISSUER' && f.came === 'HOLDS');
  const failing = checked.found.filter((f) => f.came === 'FAILS').map((f) => f.point);
  const verdict = checked.holds
    ? sure
      ? 'good'
      : 'goodOf'
    : !signed
      ? 'notProved'
      : failing.length > 0 && failing.every((point) => point === 'HOLDER')
        ? 'notTheirs'
        : 'notNow';
  return (
    <Box sx={{ display: 'grid', gap: 2 }}>
      <Box
        role="status"
        sx={{
          p: 1.5,
          borderRadius: 1,
          bgcolor: checked.holds ? 'tone.lagoonTint' : 'tone.madderTint',
        }}
      >
        <Typography variant="h2" component="p">
          {t(`check.${verdict}`)}
        </Typography>
      </Box>
      {shown && (
        <Box sx={{ display: 'flex', gap: 2.5, alignItems: 'flex-start', flexWrap: 'wrap' }}>
          {shown.image && (
            <Box component="img" src={shown.image} alt="" sx={{ width: 128, height: 128 }} />
          )}
          <Box sx={{ flex: 1, minWidth: 240 }}>
            <Typography variant="h1">{shown.name}</Typography>
            {holder && <Typography sx={{ fontWeight: 700 }}>{holder}</Typography>}
            <Typography sx={{ mt: 0.5 }}>{shown.description}</Typography>
            <Typography color="textSecondary" sx={{ mt: 0.5 }}>
              {t('check.by', { issuer: shown.issuer, date: day(shown.awardedAt) })}
            </Typography>
            {shown.criteria && (
              <Typography sx={{ mt: 1 }}>
                <b>{t('check.earnedBy')}</b> {shown.criteria}
              </Typography>
            )}
            {shown.results.length > 0 && (
              <Box component="ul" sx={{ my: 1, pl: 2.5 }}>
                {shown.results.map((result) => (
                  <li key={result}>{result}</li>
                ))}
              </Box>
            )}
            {shown.evidence.length > 0 && (
              <Typography sx={{ mt: 1, overflowWrap: 'anywhere' }}>
                <b>{t('check.evidence')}</b> {shown.evidence.join(' · ')}
              </Typography>
            )}
          </Box>
        </Box>
      )}
      <Box
        component="ul"
        aria-label={t('check.points')}
        sx={{ listStyle: 'none', p: 0, m: 0, borderTop: 1, borderColor: 'divider' }}
      >
        {checked.found.map((f) => (
          <Box
            component="li"
            key={f.point + f.says}
            sx={{ display: 'flex', gap: 1.5, py: 1, borderBottom: 1, borderColor: 'divider' }}
          >
            <Box
              aria-hidden
              sx={{ width: 18, fontWeight: 700, color: LOOKS[f.came].colour, flex: 'none' }}
            >
              {LOOKS[f.came].sign}
            </Box>
            <Box sx={{ minWidth: 0, overflowWrap: 'anywhere' }}>
              <Typography sx={{ fontWeight: 700 }} component="span">
                {t(`check.point.${f.point}`)}
              </Typography>{' '}
              <Typography component="span" sx={{ color: LOOKS[f.came].colour }}>
                {t(`check.came.${f.came}`)}
              </Typography>
              <Typography>{f.says}</Typography>
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
