import { TextField } from '@mui/material';
import { keysInField } from '../../../../ui/useKeys';
import type { AskProps } from '../room';
import { useTyped } from '../useTyped';

export function Ask({ labelledBy, given, answer }: AskProps<'short'>) {
  const typed = useTyped(given?.words ?? '', (words) =>
    answer(words.trim() ? { is: 'short', words } : undefined),
  );
  return (
    <TextField
      value={typed.text}
      onChange={(e) => typed.setText(e.target.value)}
      onBlur={typed.keepNow}
      onKeyDown={keysInField({ Enter: typed.keepNow })}
      slotProps={{
        htmlInput: { 'aria-labelledby': labelledBy, maxLength: 500, autoComplete: 'off' },
      }}
      sx={{ mt: 1, maxWidth: 480 }}
    />
  );
}
