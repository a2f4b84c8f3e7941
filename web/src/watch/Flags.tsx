import { Box } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { LearnerRow } from '../api/client';

const MILD = new Set(['Behind']);

/** Flags as words on a tint; being behind says by how many steps. */
export function Flags({
  flags,
  overdue = 0,
}: {
  flags: Pick<LearnerRow['flags'][number], 'name'>[];
  overdue?: number;
}) {
  const t = useTranslations();
  return (
    <Box component="span" sx={{ display: 'inline-flex', gap: 0.75, flexWrap: 'nowrap' }}>
      {flags.map((f) => (
        <Box
          key={f.name}
          component="span"
          sx={{
            px: 0.9,
            py: 0.15,
            borderRadius: '3px',
            fontSize: 12,
            fontWeight: 700,
            whiteSpace: 'nowrap',
            bgcolor: MILD.has(f.name) ? 'tone.ochreTint' : 'tone.madderTint',
            color: MILD.has(f.name) ? 'tone.ochreInk' : 'tone.madder',
          }}
        >
          {MILD.has(f.name) && overdue > 0 ? t('watch.behindN', { n: overdue }) : f.name}
        </Box>
      ))}
    </Box>
  );
}
