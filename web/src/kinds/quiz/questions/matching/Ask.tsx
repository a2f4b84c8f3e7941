import { Box, MenuItem, TextField, Typography } from '@mui/material';
import { Fragment } from 'react';
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
    <Box
      role="group"
      aria-labelledby={labelledBy}
      sx={{
        display: 'grid',
        columnGap: 2,
        rowGap: { xs: 0.25, sm: 1 },
        gridTemplateColumns: { xs: '1fr', sm: 'minmax(0, 1fr) minmax(0, 1fr)' },
        '& > .MuiTextField-root': { mb: { xs: 1, sm: 0 } },
        mt: 1,
      }}
    >
      {part.begins.map((b) => (
        <Fragment key={b.id}>
          <Typography id={`${labelledBy}-${b.id}`} sx={{ alignSelf: 'center' }}>
            {b.text}
          </Typography>
          <TextField
            select
            value={pairs[b.id] ?? ''}
            onChange={(e) => put(b.id, e.target.value)}
            slotProps={{
              select: {
                displayEmpty: true,
                SelectDisplayProps: { 'aria-labelledby': `${labelledBy}-${b.id}` },
              },
            }}
          >
            <MenuItem value="">{t('learn.notChosen')}</MenuItem>
            {part.ends.map((e) => (
              <MenuItem key={e.id} value={e.id} sx={{ whiteSpace: 'normal' }}>
                {e.text}
              </MenuItem>
            ))}
          </TextField>
        </Fragment>
      ))}
    </Box>
  );
}
