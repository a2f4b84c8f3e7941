import { Box, Button, FormHelperText, IconButton } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { Band } from '../../api/client';
import { least, percent } from '../../ui/format';
import { SavedField } from '../../ui/SavedField';

interface Props {
  bands: Band[];
  onChange: (bands: Band[]) => void;
}

/** What is said about a result, from which percent on. */
export function BandFields({ bands, onChange }: Props) {
  const t = useTranslations();
  const edit = (n: number, change: Partial<Band>) =>
    onChange(bands.map((b, i) => (i === n ? { ...b, ...change } : b)));
  return (
    <>
      {bands.map((band, n) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a band is known by its place only
        <Box key={n} sx={{ display: 'flex', gap: 1, alignItems: 'start' }}>
          <SavedField
            label={t('quiz.from')}
            type="number"
            value={`${percent(band.from)}`}
            onSave={(v) => edit(n, { from: Math.min(100, least(v, 0)) / 100 })}
            sx={{ width: 84, flex: 'none' }}
          />
          <SavedField
            label={t('quiz.bandWords')}
            value={band.words}
            multiline
            onSave={(words) => edit(n, { words })}
            slotProps={{ htmlInput: { maxLength: 2000 } }}
          />
          <IconButton
            size="small"
            aria-label={t('quiz.removeBand', { n: n + 1 })}
            onClick={() => onChange(bands.filter((_, i) => i !== n))}
          >
            ×
          </IconButton>
        </Box>
      ))}
      {bands.length === 0 && <FormHelperText>{t('quiz.bandsHint')}</FormHelperText>}
      <Button
        size="small"
        sx={{ justifySelf: 'start' }}
        disabled={bands.length >= 20}
        onClick={() => onChange([...bands, { from: bands.length === 0 ? 0 : 0.8, words: '' }])}
      >
        {t('quiz.addBand')}
      </Button>
    </>
  );
}
