import { InputAdornment, TextField } from '@mui/material';
import { useTranslations } from 'use-intl';
import { keysInField } from '../../../../ui/useKeys';
import type { AskProps } from '../room';
import { useTyped } from '../useTyped';
import { useNumbers } from './useNumbers';

export function Ask({ part, labelledBy, given, answer }: AskProps<'numeric'>) {
  const t = useTranslations();
  const numbers = useNumbers();
  const typed = useTyped(given ? numbers.write(given.number) : '', (text) => {
    const number = numbers.read(text);
    answer(number === undefined ? undefined : { is: 'numeric', number });
  });
  const wrong = typed.text.trim() !== '' && numbers.read(typed.text) === undefined;
  return (
    <TextField
      value={typed.text}
      onChange={(e) => typed.setText(e.target.value)}
      onBlur={typed.keepNow}
      onKeyDown={keysInField({ Enter: typed.keepNow })}
      error={wrong}
      helperText={wrong ? t('learn.noNumber', { like: numbers.write(12.5) }) : ' '}
      slotProps={{
        htmlInput: { 'aria-labelledby': labelledBy, inputMode: 'decimal', autoComplete: 'off' },
        input: part.unit
          ? { endAdornment: <InputAdornment position="end">{part.unit}</InputAdornment> }
          : {},
      }}
      sx={{ mt: 1, maxWidth: 240 }}
    />
  );
}
