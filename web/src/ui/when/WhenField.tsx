import {
  Box,
  IconButton,
  InputAdornment,
  Paper,
  Popover,
  Popper,
  SvgIcon,
  TextField,
  type TextFieldProps,
  Typography,
  useForkRef,
} from '@mui/material';
import { lazy, Suspense, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { read } from './read';
import { dayOf, isStandard, onDay, type WhenKind, written } from './standard';

const HINTS = {
  day: 'form.days',
  moment: 'form.moments',
  time: 'form.times',
} as const;

/** As large as the calendar, so that it is placed before it has come. */
const SIX_WEEKS = { width: 292, height: 306 };

const Calendar = lazy(() => import('./Calendar'));

export type WhenFieldProps = Omit<TextFieldProps, 'value' | 'onChange' | 'type'> & {
  kind: WhenKind;
  /** In the standard form, nothing, or what was typed and is no date. */
  value: string;
  /** Is told what is typed, in the standard form as soon as it reads as a date. */
  onChange: (value: string) => void;
  /** The time of a day for which none is typed. */
  usual?: string;
};

/**
 * A date, written our way. It is typed as it is spoken, and what it is read as floats below until
 * the field is left; or it is chosen from a calendar.
 */
export function WhenField({
  kind,
  value,
  onChange,
  usual = '23:59',
  slotProps,
  helperText,
  error,
  onBlur,
  onKeyDown,
  inputRef,
  ...rest
}: WhenFieldProps) {
  const t = useTranslations();
  const line = useRef<HTMLInputElement>(null);
  const ref = useForkRef(line, inputRef);
  const [typed, setTyped] = useState<{ text: string; told: string; before: string } | null>(null);
  const [open, setOpen] = useState(false);
  // What was typed holds only until somebody else sets the value.
  const typing = typed?.told === value ? typed : null;
  const text = typing?.text ?? written(value, kind);
  const unread = value !== '' && !isStandard(value, kind);
  const tell = (next: string) => {
    const before = typing?.before ?? value;
    const told = read(next, { kind, now: new Date(), was: before, usual }) ?? next;
    setTyped({ text: next, told, before });
    onChange(told);
  };
  const choose = (day: Date) => {
    const chosen = onDay(value, day, kind, usual);
    setTyped(null);
    setOpen(false);
    onChange(chosen);
    const at = written(chosen, kind).indexOf(',') + 2;
    // The time is what is left to say.
    setTimeout(() => {
      line.current?.focus();
      if (kind === 'moment') line.current?.setSelectionRange(at, at + 5);
    });
  };
  const fault = unread && !typing;
  return (
    <>
      <TextField
        autoComplete="off"
        {...rest}
        value={text}
        error={error || fault}
        helperText={fault ? t(kind === 'time' ? 'form.noTime' : 'form.noDate') : helperText}
        onChange={(e) => tell(e.target.value)}
        onBlur={(e) => {
          setTyped(null);
          onBlur?.(e);
        }}
        onKeyDown={(e) => {
          if (e.altKey && e.key === 'ArrowDown' && kind !== 'time') {
            e.preventDefault();
            setOpen(true);
          }
          if (e.key === 'Enter') setTyped(null);
          onKeyDown?.(e);
        }}
        slotProps={{
          ...slotProps,
          input: {
            ...(kind !== 'time' && {
              endAdornment: (
                <InputAdornment position="end">
                  <IconButton
                    size="small"
                    edge="end"
                    disabled={rest.disabled ?? false}
                    aria-label={
                      typeof rest.label === 'string'
                        ? t('form.calendarOf', { field: rest.label })
                        : t('form.calendar')
                    }
                    aria-haspopup="dialog"
                    aria-expanded={open}
                    onClick={() => setOpen(true)}
                  >
                    <SvgIcon fontSize="small">
                      <path d="M7 3v2H4v16h16V5h-3V3h-2v2H9V3H7Zm-1 7h12v9H6v-9Zm2 2v2h2v-2H8Zm3 0v2h2v-2h-2Zm3 0v2h2v-2h-2Zm-6 3v2h2v-2H8Zm3 0v2h2v-2h-2Z" />
                    </SvgIcon>
                  </IconButton>
                </InputAdornment>
              ),
            }),
          },
          inputLabel: { shrink: true },
        }}
        inputRef={ref}
      />
      <Popper
        open={!open && typing !== null && text.trim() !== ''}
        anchorEl={line.current}
        placement="bottom-start"
        sx={{ zIndex: 'tooltip', pointerEvents: 'none' }}
      >
        <Paper role="status" elevation={4} sx={{ mt: 0.75, px: 1.25, py: 0.75 }}>
          {unread ? (
            <Typography color="textSecondary">{t(HINTS[kind])}</Typography>
          ) : (
            <Typography sx={{ fontWeight: 700 }}>{written(value, kind)}</Typography>
          )}
        </Paper>
      </Popper>
      <Popover
        open={open}
        anchorEl={line.current}
        onClose={() => setOpen(false)}
        anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
        slotProps={{ paper: { role: 'dialog', 'aria-label': t('form.calendar') } }}
      >
        <Suspense fallback={<Box sx={SIX_WEEKS} />}>
          <Calendar day={dayOf(value, kind)} onChoose={choose} />
        </Suspense>
      </Popover>
    </>
  );
}
