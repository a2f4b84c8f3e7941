import { Box } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { Cell } from '../api/client';
import { day } from '../ui/format';
import { tone } from '../ui/tone';
import { useLine } from '../ui/useNames';

const WIDTH = 320;
const LEFT = 96;
const STEP = 22;

/** How one learner's level moved since they were enrolled, mastery as a dashed line. */
export function LevelSteps({ cell }: { cell: Cell }) {
  const t = useTranslations();
  const from = Date.parse(cell.from);
  const now = Date.now();
  const x = (at: number) =>
    LEFT + Math.min(1, Math.max(0, (at - from) / Math.max(1, now - from))) * (WIDTH - LEFT);
  const y = (level: number) => 10 + (cell.levels.length - 1 - level) * STEP;
  const height = cell.levels.length * STEP + 14;
  const line = useLine();
  const name = (level: number) => cell.levels[level] ?? t('learn.noEvidence');
  const said = line(
    ...cell.moves.map((m) => t('watch.levelSince', { date: day(m.at), level: name(m.level) })),
  );
  const path = cell.moves
    .map((m, n) => {
      const at = x(Date.parse(m.at));
      const until = x(Date.parse(cell.moves[n + 1]?.at ?? new Date(now).toISOString()));
      if (m.level < 0) return '';
      const joint = n > 0 && (cell.moves[n - 1]?.level ?? -1) >= 0 ? 'V' : `M${at} `;
      return `${joint}${y(m.level)}H${until}`;
    })
    .join('');
  return (
    <svg
      width="100%"
      viewBox={`0 0 ${WIDTH} ${height}`}
      role="img"
      aria-label={said}
      style={{ display: 'block', maxWidth: 520 }}
    >
      {cell.levels.map((level, n) => (
        <g key={level}>
          <path
            d={`M${LEFT} ${y(n)}H${WIDTH}`}
            stroke={tone(n === cell.mastery ? 'indigo' : 'hairline')}
            strokeDasharray={n === cell.mastery ? '4 3' : undefined}
          />
          <text x={LEFT - 6} y={y(n) + 4} fontSize={11} textAnchor="end" fill={tone('soft')}>
            {level.length > 15 ? `${level.slice(0, 14)}…` : level}
          </text>
        </g>
      ))}
      <path d={path} fill="none" stroke={tone('indigo')} strokeWidth={2.5} />
      {cell.moves
        .filter((m) => m.level >= 0)
        .map((m) => (
          <circle key={m.at} cx={x(Date.parse(m.at))} cy={y(m.level)} r={3.5} fill={tone('indigo')}>
            <title>{`${day(m.at)}: ${name(m.level)}`}</title>
          </circle>
        ))}
      <text x={LEFT} y={height - 1} fontSize={11} fill={tone('soft')}>
        {day(cell.from)}
      </text>
      <text x={WIDTH} y={height - 1} fontSize={11} textAnchor="end" fill={tone('soft')}>
        {t('watch.today')}
      </text>
    </svg>
  );
}

/** The same as a table. */
export function LevelMoves({ cell }: { cell: Cell }) {
  const t = useTranslations();
  return (
    <Box component="details" sx={{ typography: 'body2' }}>
      <Box component="summary" sx={{ cursor: 'pointer', color: 'tone.soft' }}>
        {t('watch.figures')}
      </Box>
      <table>
        <tbody>
          {cell.moves.map((m) => (
            <tr key={m.at}>
              <th scope="row" style={{ paddingRight: 16, fontWeight: 400, textAlign: 'left' }}>
                {day(m.at)}
              </th>
              <td>{cell.levels[m.level] ?? t('learn.noEvidence')}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Box>
  );
}
