import { Box, MenuItem, TextField } from '@mui/material';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { WriteProps } from '../room';
import { useNumbers } from './useNumbers';

/** A number, how far an answer may be off, and its unit. */
export function Write({ part, edit }: WriteProps<'numeric'>) {
  const t = useTranslations();
  const { number: _, ...rest } = part;
  return (
    <Box sx={{ display: 'grid', gap: 1, gridTemplateColumns: '1fr 1fr' }}>
      <NumberField
        label={t('plan.number')}
        value={part.number}
        onType={(number) => edit(number === undefined ? rest : { ...rest, number })}
      />
      <TextField
        label={t('plan.unit')}
        value={part.unit}
        onChange={(e) => edit({ ...part, unit: e.target.value.slice(0, 40) })}
      />
      <NumberField
        label={t('plan.tolerance')}
        value={part.tolerance}
        least={0}
        onType={(tolerance) => edit({ ...part, tolerance: tolerance ?? 0 })}
      />
      <TextField
        select
        label={t('plan.toleranceIn')}
        value={part.percent ? 'percent' : 'same'}
        onChange={(e) => edit({ ...part, percent: e.target.value === 'percent' })}
      >
        <MenuItem value="same">{part.unit || t('plan.sameUnit')}</MenuItem>
        <MenuItem value="percent">{t('plan.percentOfIt')}</MenuItem>
      </TextField>
    </Box>
  );
}

function NumberField({
  label,
  value,
  least,
  onType,
}: {
  label: string;
  value: number | undefined;
  least?: number;
  onType: (number: number | undefined) => void;
}) {
  const numbers = useNumbers();
  const [text, setText] = useState(value === undefined ? '' : numbers.write(value));
  const read = numbers.read(text);
  const fits = read !== undefined && (least === undefined || read >= least);
  return (
    <TextField
      label={label}
      value={text}
      error={!fits}
      onChange={(e) => {
        setText(e.target.value);
        const now = numbers.read(e.target.value);
        onType(now !== undefined && (least === undefined || now >= least) ? now : undefined);
      }}
      slotProps={{ htmlInput: { inputMode: 'decimal' } }}
    />
  );
}
