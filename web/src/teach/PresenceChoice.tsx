import { Box, ToggleButton, ToggleButtonGroup } from '@mui/material';
import { useTranslation } from 'react-i18next';
import type { Presence } from '../api/client';
import type { Tone } from '../theme';

export const PRESENCES: Presence[] = ['PRESENT', 'LATE', 'EXCUSED', 'ABSENT'];
const TONES: Record<Presence, Tone> = {
  PRESENT: 'lagoon',
  LATE: 'ochre',
  EXCUSED: 'slate',
  ABSENT: 'madder',
};

/** One learner's mark; pressed again it is taken back. Words on wide screens, letters on phones. */
export function PresenceChoice({
  name,
  value,
  begun,
  onChange,
}: {
  name: string;
  value: Presence | null;
  begun: boolean;
  onChange: (value: Presence | null) => void;
}) {
  const { t } = useTranslation();
  return (
    <ToggleButtonGroup
      exclusive
      size="small"
      value={value}
      onChange={(_, next: Presence | null) => onChange(next)}
      aria-label={name}
      sx={{ flex: 'none' }}
    >
      {PRESENCES.map((p) => (
        <ToggleButton
          key={p}
          value={p}
          disabled={!begun && p !== 'EXCUSED'}
          aria-label={t(`presence.${p}`)}
          sx={{
            minWidth: { xs: 38, sm: 78 },
            borderBottomWidth: 3,
            '&.Mui-selected, &.Mui-selected:hover': {
              bgcolor: `tone.${TONES[p]}Tint`,
              color: 'tone.ink',
              borderBottomColor: `tone.${TONES[p]}`,
              fontWeight: 700,
            },
          }}
        >
          <Box component="span" sx={{ display: { xs: 'none', sm: 'inline' } }}>
            {t(`presence.${p}`)}
          </Box>
          <Box component="span" aria-hidden sx={{ display: { sm: 'none' } }}>
            {t(`presence.${p}`).charAt(0)}
          </Box>
        </ToggleButton>
      ))}
    </ToggleButtonGroup>
  );
}
