import { Box, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import { inPercent } from '../ui/format';
import { tone } from '../ui/tone';
import { useLine } from '../ui/useNames';
import { type MasteryRow, type OutcomeHead, spread } from './spread';

const WIDTH = 52;

/** How some learners stand on an outcome: share at mastery and spread. */
export function ClassShare({ outcome, rows }: { outcome: OutcomeHead; rows: MasteryRow[] }) {
  const t = useTranslations();
  const line = useLine();
  const found = spread(rows, outcome);
  const all = found.none + found.at.reduce((a, b) => a + b, 0);
  const at = (level: string, n: number) => t('watch.levelCount', { level, count: n });
  const said = line(
    ...outcome.levels.map((name, n) => at(name, found.at[n] ?? 0)),
    at(t('learn.noEvidence'), found.none),
  );
  let x = 0;
  return (
    <Box sx={{ display: 'grid', justifyItems: 'center' }} title={said}>
      <Typography variant="caption" sx={{ fontWeight: 700, lineHeight: 1.3 }}>
        {inPercent(found.mastery)}
      </Typography>
      <svg width={WIDTH} height={6} role="img" aria-label={said}>
        <rect width={WIDTH} height={6} fill={tone('hairline')} />
        {found.at.map((n, level) => {
          const part = all === 0 ? 0 : (n / all) * WIDTH;
          const from = x;
          x += part;
          return (
            <rect
              // biome-ignore lint/suspicious/noArrayIndexKey: a level is its place on the scale
              key={level}
              x={from}
              width={part}
              height={6}
              fill={tone('indigo')}
              opacity={0.2 + (0.8 * (level + 1)) / outcome.levels.length}
            />
          );
        })}
      </svg>
    </Box>
  );
}
