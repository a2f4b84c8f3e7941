import { Box, Button, TextField } from '@mui/material';
import { useEffect, useState } from 'react';
import { useTranslations } from 'use-intl';
import { keysInField } from '../ui/useKeys';

/** A colour, chosen or typed; empty for the one that ships. */
export function ColourField({
  label,
  value,
  shipped,
  onSave,
  fault,
}: {
  label: string;
  value: string;
  shipped: string;
  onSave: (colour: string) => void;
  fault: { error: boolean; helperText?: string };
}) {
  const t = useTranslations();
  const [text, setText] = useState(value);
  useEffect(() => setText(value), [value]);
  const save = () => text.trim().toLowerCase() !== value && onSave(text.trim().toLowerCase());
  return (
    <Box sx={{ display: 'flex', gap: 1, alignItems: 'start' }}>
      <Box
        component="input"
        type="color"
        aria-label={t('look.choose', { name: label })}
        value={/^#[0-9a-f]{6}$/i.test(text) ? text : shipped}
        onChange={(e: React.ChangeEvent<HTMLInputElement>) => setText(e.target.value)}
        onBlur={save}
        sx={{
          width: 44,
          height: 35,
          p: 0.25,
          border: 1,
          borderColor: 'divider',
          borderRadius: 1,
          bgcolor: 'tone.panel',
          cursor: 'pointer',
          flex: 'none',
        }}
      />
      <TextField
        label={label}
        value={text}
        placeholder={shipped}
        onChange={(e) => setText(e.target.value)}
        onBlur={save}
        onKeyDown={keysInField({ Enter: save, Escape: () => setText(value) })}
        slotProps={{ inputLabel: { shrink: true } }}
        {...fault}
      />
      {value && (
        <Button variant="outlined" onClick={() => onSave('')} sx={{ flex: 'none' }}>
          {t('look.asShipped')}
        </Button>
      )}
    </Box>
  );
}
