import { Box, TextField, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { Criterion, Met, Sheet } from '../api/client';
import { keysHere } from './useKeys';

/** A rubric to read, or, with `onMet`, to go through by clicks and keys. */
export function RubricSheet({
  sheet,
  met = [],
  onMet,
}: {
  sheet: Sheet;
  met?: Met[];
  onMet?: (met: Met[]) => void;
}) {
  const put = (criterion: Criterion, level: number | null, comment?: string) => {
    const before = met.find((m) => m.criterion === criterion.key);
    const rest = met.filter((m) => m.criterion !== criterion.key);
    onMet?.(
      level === null
        ? rest
        : [...rest, { criterion: criterion.key, level, comment: comment ?? before?.comment ?? '' }],
    );
  };
  return (
    <Box sx={{ border: 1, borderColor: 'divider', borderRadius: 1, bgcolor: 'tone.panel' }}>
      {sheet.criteria.map((criterion) => (
        <Row
          key={criterion.key}
          criterion={criterion}
          met={met.find((m) => m.criterion === criterion.key)}
          onLevel={onMet && ((level) => put(criterion, level))}
          onComment={(comment) => {
            const level = met.find((m) => m.criterion === criterion.key)?.level;
            if (level !== undefined) put(criterion, level, comment);
          }}
        />
      ))}
    </Box>
  );
}

function Row({
  criterion,
  met,
  onLevel,
  onComment,
}: {
  criterion: Criterion;
  met: Met | undefined;
  onLevel: ((level: number | null) => void) | undefined;
  onComment: (comment: string) => void;
}) {
  const t = useTranslations();
  const { levels } = criterion;
  const at = levels.findIndex((l) => l.key === met?.level);
  const choose = (n: number) => (_: KeyboardEvent, group: Element) => {
    const level = levels[n];
    if (!level) return;
    onLevel?.(level.key);
    requestAnimationFrame(() => group.querySelector<HTMLElement>('[aria-checked="true"]')?.focus());
  };
  const keys = keysHere({
    'ArrowRight, ArrowDown': choose(Math.min(levels.length - 1, at + 1)),
    'ArrowLeft, ArrowUp': choose(at < 0 ? levels.length - 1 : Math.max(0, at - 1)),
    Backspace: () => onLevel?.(null),
    ...Object.fromEntries(levels.map((_, n) => [`${n + 1}`, choose(n)])),
  });
  return (
    <Box
      sx={{ p: 1.5, borderBottom: 1, borderColor: 'divider', '&:last-child': { borderBottom: 0 } }}
    >
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'baseline' }}>
        <Typography sx={{ fontWeight: 700 }}>{criterion.name}</Typography>
        <Typography variant="body2" color="textSecondary" sx={{ flex: 1, minWidth: 160 }}>
          {criterion.description}
        </Typography>
        {criterion.outcomeName && (
          <Typography variant="caption" sx={{ color: 'tone.indigo' }}>
            {criterion.outcomeName}
          </Typography>
        )}
        {!criterion.counts && (
          <Typography variant="caption" color="textSecondary">
            {t('rubric.evidenceOnly')}
          </Typography>
        )}
      </Box>
      <Box
        role={onLevel ? 'radiogroup' : 'list'}
        aria-label={criterion.name}
        {...(onLevel && { onKeyDown: keys })}
        sx={{
          display: 'grid',
          gap: '6px',
          mt: 0.75,
          gridTemplateColumns: {
            xs: '1fr',
            sm: `repeat(${Math.min(levels.length, 4)}, minmax(0, 1fr))`,
          },
        }}
      >
        {levels.map((level, n) => {
          const on = n === at;
          const content = (
            <>
              <Box sx={{ display: 'flex', gap: 1, justifyContent: 'space-between' }}>
                <Typography variant="body2" sx={{ fontWeight: 700 }}>
                  {on && '✓ '}
                  {level.name}
                </Typography>
                {criterion.counts && (
                  <Typography variant="caption" color="textSecondary">
                    {level.points}
                  </Typography>
                )}
              </Box>
              <Typography variant="caption" component="p" sx={{ color: 'tone.soft' }}>
                {level.description}
              </Typography>
            </>
          );
          const look = {
            display: 'grid',
            alignContent: 'start',
            textAlign: 'left',
            font: 'inherit',
            color: 'inherit',
            px: 1,
            py: 0.6,
            border: 1,
            borderRadius: 1,
            borderColor: on ? 'tone.indigo' : 'divider',
            bgcolor: on ? 'tone.indigoTint' : 'tone.panel',
          };
          return onLevel ? (
            <Box
              key={level.key}
              component="button"
              type="button"
              role="radio"
              aria-checked={on}
              tabIndex={on || (at < 0 && n === 0) ? 0 : -1}
              onClick={() => onLevel(on ? null : level.key)}
              sx={{ ...look, cursor: 'pointer', '&:hover': { borderColor: 'tone.indigo' } }}
            >
              {content}
            </Box>
          ) : (
            <Box key={level.key} role="listitem" aria-current={on ? 'true' : undefined} sx={look}>
              {content}
            </Box>
          );
        })}
      </Box>
      {onLevel && met && (
        <TextField
          label={t('rubric.comment', { name: criterion.name })}
          value={met.comment}
          multiline
          onChange={(e) => onComment(e.target.value)}
          sx={{ mt: 1 }}
        />
      )}
      {!onLevel && met?.comment && (
        <Typography variant="body2" sx={{ mt: 0.75, whiteSpace: 'pre-wrap' }}>
          {met.comment}
        </Typography>
      )}
    </Box>
  );
}

/** Points of the criteria that count, and how many of those are not assessed yet. */
export function rubricScore(sheet: Sheet, met: Met[]): { points: number; missing: number } {
  let points = 0;
  let missing = 0;
  for (const criterion of sheet.criteria) {
    if (!criterion.counts) continue;
    const level = criterion.levels.find(
      (l) => l.key === met.find((m) => m.criterion === criterion.key)?.level,
    );
    if (level) points += level.points;
    else missing += 1;
  }
  return { points, missing };
}
