import { Box, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { keysInField } from '../ui/useKeys';

const MOST = 200;

/**
 * Something as it is named before it is there, so that no letter is lost. Enter adds it, Escape or
 * an empty name ends.
 */
export function NewNameRow({
  label,
  hint,
  added = '',
  begin = '',
  onAdd,
  onEnd,
}: {
  label: string;
  hint: string;
  /** The one that was added last, as it is said. */
  added?: string;
  begin?: string;
  onAdd: (name: string, failed: () => void) => void;
  onEnd: () => void;
}) {
  const [name, setName] = useState(begin);
  const t = useTranslations();
  const add = () => {
    const wanted = name.trim();
    if (!wanted) return onEnd();
    setName('');
    // What could not be added stands there again, unless the next one is being typed already.
    onAdd(wanted, () => setName((now) => now || wanted));
  };
  return (
    <Box
      sx={{
        p: 1,
        mb: 1,
        bgcolor: 'tone.indigoTint',
        boxShadow: 'inset 3px 0 0 var(--mui-palette-tone-indigo)',
      }}
    >
      <TextField
        autoFocus
        fullWidth
        label={label}
        value={name}
        onChange={(e) => setName(e.target.value)}
        onKeyDown={keysInField({ Enter: add, Escape: onEnd })}
        helperText={hint}
        slotProps={{ htmlInput: { maxLength: MOST } }}
      />
      <Typography
        variant="caption"
        role="status"
        component="p"
        sx={{ '&:empty': { display: 'none' } }}
      >
        {added && t('plan.stepAdded', { name: added })}
      </Typography>
    </Box>
  );
}
