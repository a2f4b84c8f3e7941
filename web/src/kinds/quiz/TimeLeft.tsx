import { Box, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { AttemptClock } from '../../api/client';

const MINUTE = 60;
/** When those are told who cannot see it, in seconds. */
const TOLD = [10 * MINUTE, 5 * MINUTE, MINUTE];

export function written(seconds: number) {
  const hours = Math.floor(seconds / 3600);
  const minutes = Math.floor((seconds % 3600) / MINUTE);
  const two = (n: number) => `${n}`.padStart(2, '0');
  const rest = two(seconds % MINUTE);
  return hours > 0 ? `${hours}:${two(minutes)}:${rest}` : `${minutes}:${rest}`;
}

interface Props {
  clock: AttemptClock;
  left: number;
  /** Until no other question may be answered. */
  questions: number;
}

/** How much time an attempt has left, and what happens then. */
export function TimeLeft({ clock, left, questions }: Props) {
  const t = useTranslations();
  const finishing = questions === 0 && left > 0 && clock.timeUp === 'FINISHED';
  const shown = finishing || clock.timeUp !== 'FINISHED' ? left : questions;
  const told = TOLD.find((at) => shown <= at && shown > at - 3);
  return (
    <Box
      sx={{
        position: 'sticky',
        top: 0,
        zIndex: 1,
        display: 'flex',
        gap: 1.5,
        alignItems: 'baseline',
        flexWrap: 'wrap',
        bgcolor: 'tone.panel',
        border: 1,
        borderColor: shown <= MINUTE ? 'tone.madder' : 'divider',
        borderRadius: 1,
        px: 2,
        py: 1,
      }}
    >
      <Typography
        component="span"
        role="timer"
        aria-label={t('attempt.timeLeft')}
        sx={{
          fontWeight: 700,
          fontSize: 20,
          fontVariantNumeric: 'tabular-nums',
          color: shown <= MINUTE ? 'tone.madder' : 'tone.ink',
        }}
      >
        {written(shown)}
      </Typography>
      <Typography variant="body2" color="textSecondary">
        {finishing ? t('attempt.finishing') : t(`attempt.atTheEnd.${clock.timeUp}`)}
      </Typography>
      <Box
        component="span"
        role="status"
        sx={{
          position: 'absolute',
          width: 1,
          height: 1,
          overflow: 'hidden',
          clipPath: 'inset(50%)',
        }}
      >
        {told !== undefined && t('attempt.minutesLeft', { n: told / MINUTE })}
      </Box>
    </Box>
  );
}
