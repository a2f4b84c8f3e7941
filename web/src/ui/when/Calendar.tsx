import { Box } from '@mui/material';
import { DayPicker } from 'react-day-picker';

/** Days of a month to choose from; arrows, Page Up and Page Down go through them. */
export default function Calendar({
  day,
  onChoose,
}: {
  day: Date | undefined;
  onChoose: (day: Date) => void;
}) {
  return (
    <Box sx={looks}>
      <DayPicker
        mode="single"
        required
        autoFocus
        weekStartsOn={1}
        showOutsideDays
        fixedWeeks
        selected={day}
        {...(day && { defaultMonth: day })}
        onSelect={onChoose}
      />
    </Box>
  );
}

const looks = {
  p: 1.5,
  position: 'relative',
  '& .rdp-month_caption': { fontWeight: 700, py: 0.75, px: 1 },
  '& .rdp-nav': { position: 'absolute', top: 12, right: 12, display: 'flex', gap: 0.5 },
  '& .rdp-nav button': { width: 32, height: 32 },
  '& .rdp-chevron': { width: 16, height: 16, fill: 'currentColor' },
  '& button': {
    font: 'inherit',
    color: 'inherit',
    background: 'none',
    border: 0,
    borderRadius: 1,
    cursor: 'pointer',
    '&:hover': { bgcolor: 'tone.indigoWash' },
    '&:focus-visible': { outline: '2px solid', outlineColor: 'tone.indigo', outlineOffset: -2 },
  },
  '& .rdp-weekday': { fontWeight: 400, color: 'tone.soft', width: 36, height: 28 },
  '& .rdp-day': { p: 0, textAlign: 'center' },
  '& .rdp-day_button': { width: 36, height: 34 },
  '& .rdp-outside': { color: 'tone.soft' },
  '& .rdp-today button': { fontWeight: 700, textDecoration: 'underline', textUnderlineOffset: 3 },
  '& .rdp-selected button': { bgcolor: 'tone.indigoTint', fontWeight: 700, outline: '1px solid' },
} as const;
