import { Box } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { Tone } from '../theme';
import { day, inPercent, percent } from './format';
import { tone } from './tone';
import { useLine } from './useNames';

export interface Series {
  name: string;
  /** Shares from 0 to 1, one for each moment. */
  values: number[];
  colour: Tone;
}

const WIDTH = 320;
const LEFT = 34;
const TOP = 6;

/** Shares over time as lines, with the same figures as a table. */
export function TrendLine({
  series,
  moments,
  height = 120,
}: {
  series: Series[];
  moments: string[];
  height?: number;
}) {
  const t = useTranslations();
  const line = useLine();
  const x = (n: number) =>
    LEFT + (moments.length < 2 ? 0.5 : n / (moments.length - 1)) * (WIDTH - LEFT - 8);
  const y = (share: number) => TOP + (1 - share) * height;
  const said = series
    .map((s) => t('watch.seriesSays', { name: s.name, values: line(...s.values.map(inPercent)) }))
    .join(' ');
  return (
    <Box>
      <svg
        width="100%"
        viewBox={`0 0 ${WIDTH} ${height + 26}`}
        role="img"
        aria-label={said}
        style={{ display: 'block', maxWidth: 520 }}
      >
        {[0, 0.5, 1].map((share) => (
          <g key={share}>
            <path d={`M${LEFT} ${y(share)}H${WIDTH}`} stroke={tone('hairline')} />
            <text x={LEFT - 5} y={y(share) + 4} textAnchor="end" fontSize={11} fill={tone('soft')}>
              {percent(share)}
            </text>
          </g>
        ))}
        {series.map((s) => (
          <g key={s.name}>
            <polyline
              points={s.values.map((v, n) => `${x(n)},${y(v)}`).join(' ')}
              fill="none"
              stroke={tone(s.colour)}
              strokeWidth={2}
            />
            {s.values.map((v, n) => (
              <circle key={moments[n]} cx={x(n)} cy={y(v)} r={3} fill={tone(s.colour)}>
                <title>{t('watch.shareOn', { date: day(moments[n]), share: inPercent(v) })}</title>
              </circle>
            ))}
          </g>
        ))}
        <text x={LEFT} y={height + 22} fontSize={11} fill={tone('soft')}>
          {day(moments[0])}
        </text>
        <text x={WIDTH} y={height + 22} fontSize={11} textAnchor="end" fill={tone('soft')}>
          {day(moments.at(-1))}
        </text>
      </svg>
      {series.length > 1 && (
        <Box sx={{ display: 'flex', gap: 2, typography: 'caption' }}>
          {series.map((s) => (
            <Box key={s.name} sx={{ display: 'flex', gap: 0.75, alignItems: 'center' }}>
              <svg width={16} height={4} aria-hidden>
                <path d="M0 2H16" stroke={tone(s.colour)} strokeWidth={3} />
              </svg>
              {s.name}
            </Box>
          ))}
        </Box>
      )}
      <Box component="details" sx={{ typography: 'body2', mt: 0.5 }}>
        <Box component="summary" sx={{ cursor: 'pointer', color: 'tone.soft' }}>
          {t('watch.figures')}
        </Box>
        <Box component="table" sx={{ '& th, & td': { textAlign: 'left', pr: 2, py: 0.2 } }}>
          <thead>
            <tr>
              <th>{t('watch.until')}</th>
              {series.map((s) => (
                <th key={s.name}>{s.name}</th>
              ))}
            </tr>
          </thead>
          <tbody>
            {moments.map((m, n) => (
              <tr key={m}>
                <td>{day(m)}</td>
                {series.map((s) => (
                  <td key={s.name}>{inPercent(s.values[n] ?? 0)}</td>
                ))}
              </tr>
            ))}
          </tbody>
        </Box>
      </Box>
    </Box>
  );
}

/** The same without words, for a line of a list. */
export function Sparkline({ values, label }: { values: number[]; label: string }) {
  const points = values.map(
    (v, n) => `${2 + (values.length < 2 ? 0.5 : n / (values.length - 1)) * 86},${20 - v * 18}`,
  );
  return (
    <svg width={90} height={22} role="img" aria-label={label}>
      <path d="M0 20.5H90" stroke={tone('hairline')} />
      <polyline points={points.join(' ')} fill="none" stroke={tone('indigo')} strokeWidth={2} />
    </svg>
  );
}
