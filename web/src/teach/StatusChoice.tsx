import { ToggleButton, ToggleButtonGroup } from '@mui/material';
import type { AttendanceStatus } from '../api/client';
import type { Tone } from '../theme';

/** The first that says somebody was there is the usual one; what says more of it stands out. */
function toneOf(status: AttendanceStatus, statuses: AttendanceStatus[]): Tone {
  if (!status.counts) return 'slate';
  if (!status.there) return 'madder';
  return status === statuses.find((s) => s.there) ? 'lagoon' : 'ochre';
}

/** One learner's status; pressed again it is taken back. */
export function StatusChoice({
  name,
  value,
  statuses,
  begun,
  onChange,
}: {
  name: string;
  value: number | null;
  statuses: AttendanceStatus[];
  begun: boolean;
  onChange: (value: number | null) => void;
}) {
  return (
    <ToggleButtonGroup
      exclusive
      size="small"
      value={value}
      onChange={(_, next: number | null) => onChange(next)}
      aria-label={name}
      sx={{ flex: 'none', alignItems: 'stretch' }}
    >
      {statuses.map((s) => {
        const tone = toneOf(s, statuses);
        return (
          <ToggleButton
            key={s.id}
            value={s.id}
            disabled={!begun && s.counts}
            sx={{
              flex: { xs: 1, sm: 'none' },
              minWidth: { xs: 0, sm: 78 },
              px: { xs: 0.5, sm: 1.25 },
              lineHeight: 1.2,
              borderBottomWidth: 3,
              '&.Mui-selected, &.Mui-selected:hover': {
                bgcolor: `tone.${tone}Tint`,
                color: 'tone.ink',
                borderBottomColor: `tone.${tone}`,
                fontWeight: 700,
              },
            }}
          >
            {s.name}
          </ToggleButton>
        );
      })}
    </ToggleButtonGroup>
  );
}
