import { Box, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import { inPercent } from '../../ui/format';

const HEIGHT = 110;

/** How many scores lie in each tenth; those that pass in another colour. */
export function ScoreBars({ scores, passMark }: { scores: number[]; passMark: number }) {
  const t = useTranslations();
  const most = Math.max(1, ...scores);
  return (
    <Box component="figure" sx={{ m: 0 }}>
      <Typography component="figcaption" variant="body2" color="textSecondary">
        {t('figures.scores', { mark: inPercent(passMark) })}
      </Typography>
      <Box
        component="ol"
        sx={{
          display: 'grid',
          gridTemplateColumns: 'repeat(10, minmax(0, 1fr))',
          gap: 0.5,
          alignItems: 'end',
          listStyle: 'none',
          m: 0,
          p: 0,
        }}
      >
        {scores.map((count, n) => {
          const from = n * 10;
          const name = t('figures.tenth', { from, to: n === 9 ? 100 : from + 10, count });
          return (
            <Box component="li" key={from} title={name} aria-label={name}>
              <Typography
                variant="caption"
                component="div"
                aria-hidden
                sx={{ textAlign: 'center', minHeight: 18 }}
              >
                {count > 0 ? count : ''}
              </Typography>
              <Box
                aria-hidden
                sx={{
                  height: Math.max(1, (count / most) * HEIGHT),
                  bgcolor: from / 100 >= passMark - 1e-9 ? 'tone.lagoon' : 'tone.indigo',
                  borderRadius: '2px 2px 0 0',
                }}
              />
              <Typography
                variant="caption"
                component="div"
                color="textSecondary"
                aria-hidden
                sx={{ textAlign: 'center', borderTop: 1, borderColor: 'divider' }}
              >
                {from}
              </Typography>
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}
