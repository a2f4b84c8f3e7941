import { Box, MenuItem, TextField } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { AskProps } from '../room';

export function Ask({ part, labelledBy, given, answer }: AskProps<'matching'>) {
  const t = useTranslations();
  const pairs = given?.pairs ?? {};
  const put = (begin: string, end: string) => {
    const { [begin]: _, ...rest } = pairs;
    const next = end ? { ...rest, [begin]: end } : rest;
    answer(Object.keys(next).length > 0 ? { is: 'matching', pairs: next } : undefined);
  };
  return (
    <Box role="group" aria-labelledby={labelledBy} sx={{ display: 'grid', gap: 1.25, mt: 1.25 }}>
      {part.begins.map((b) => (
        <TextField
          key={b.id}
          select
          label={b.text}
          value={pairs[b.id] ?? ''}
          onChange={(e) => put(b.id, e.target.value)}
          slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
          sx={{ maxWidth: 480 }}
        >
          <MenuItem value="">{t('learn.notChosen')}</MenuItem>
          {part.ends.map((e) => (
            <MenuItem key={e.id} value={e.id} sx={{ whiteSpace: 'normal' }}>
              {e.text}
            </MenuItem>
          ))}
        </TextField>
      ))}
    </Box>
  );
}
