import { Box, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { ColourName, Colours } from './art';

/** One colour of the palette. */
export function ColourRow({
  label,
  value,
  colours,
  onChange,
}: {
  label: string;
  value: ColourName | undefined;
  colours: Colours;
  onChange: (colour: ColourName) => void;
}) {
  const t = useTranslations();
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: '74px 1fr', alignItems: 'center', gap: 0.5 }}>
      <Typography variant="body2" color="textSecondary">
        {label}
      </Typography>
      <Box
        role="group"
        aria-label={t('badge.colourOfPart', { part: label })}
        sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, 26px)', gap: 0.5 }}
      >
        {Object.entries(colours).map(([name, hex]) => (
          <Box
            key={name}
            component="button"
            type="button"
            title={t(`badge.colours.${name}`)}
            aria-label={t(`badge.colours.${name}`)}
            aria-pressed={name === value}
            onClick={() => onChange(name as ColourName)}
            sx={{
              width: 26,
              height: 26,
              p: 0,
              cursor: 'pointer',
              bgcolor: hex,
              borderRadius: 1,
              border: 1,
              borderColor: 'divider',
              ...(name === value && {
                outline: 2,
                outlineStyle: 'solid',
                outlineColor: 'tone.indigo',
                outlineOffset: 1,
              }),
            }}
          />
        ))}
      </Box>
    </Box>
  );
}
