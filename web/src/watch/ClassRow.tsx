import { Box, Typography } from '@mui/material';
import { useTranslation } from 'react-i18next';
import { percent } from '../ui/format';
import { tone } from '../ui/tone';
import { type MasteryRow, type OutcomeHead, type Spread, spread } from './spread';

/** How a class, or a group of it, stands on every outcome: share at mastery and spread. */
export function ClassRow({
  title,
  rows,
  outcomes,
  columns,
}: {
  title: string;
  rows: MasteryRow[];
  outcomes: OutcomeHead[];
  columns: string;
}) {
  return (
    <Box
      role="row"
      sx={{
        display: 'grid',
        gridTemplateColumns: columns,
        alignItems: 'center',
        height: 40,
        bgcolor: 'tone.ground',
        borderBottom: 1,
        borderColor: 'divider',
      }}
    >
      <span role="gridcell" />
      <Typography role="rowheader" variant="caption" sx={{ pl: 1 }}>
        {title}
      </Typography>
      {outcomes.map((o) => (
        <Share key={o.id} outcome={o} found={spread(rows, o)} />
      ))}
    </Box>
  );
}

function Share({ outcome, found }: { outcome: OutcomeHead; found: Spread }) {
  const { t } = useTranslation();
  const all = found.none + found.at.reduce((a, b) => a + b, 0);
  const said = [
    ...outcome.levels.map((name, n) => `${name} ${found.at[n] ?? 0}`),
    `${t('learn.noEvidence')} ${found.none}`,
  ].join(', ');
  const width = 52;
  let x = 0;
  return (
    <Box role="gridcell" sx={{ display: 'grid', justifyItems: 'center' }} title={said}>
      <Typography variant="caption" sx={{ fontWeight: 700, lineHeight: 1.3 }}>
        {percent(found.mastery)} %
      </Typography>
      <svg width={width} height={6} role="img" aria-label={said}>
        <rect width={width} height={6} fill={tone('hairline')} />
        {found.at.map((n, level) => {
          const part = all === 0 ? 0 : (n / all) * width;
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
