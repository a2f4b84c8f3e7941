import { Box, TextField, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Sign } from '../../api/signs';
import type { Art } from './art';
import { Choice } from './Choice';
import { signsFor, useSigns } from './useStudio';

const SHOWN = 70;

const outline = (sign: Sign, style: Art['signStyle']) =>
  style === 'BOLD' ? (sign.bold ?? sign.fill) : (sign.fill ?? sign.bold);

/** One of some thousand signs, by typing what it is about. */
export function SignPicker({ art, onChange }: { art: Art; onChange: (art: Partial<Art>) => void }) {
  const t = useTranslations();
  const signs = useSigns();
  const [text, setText] = useState('');
  if (!signs) return <Typography color="textSecondary">{t('common.loading')} …</Typography>;
  const found = signsFor(signs, text);
  const chosen = signs.find((s) => s.name === art.sign);
  const shown = found.slice(0, SHOWN);
  if (chosen && !text && !shown.includes(chosen)) shown.unshift(chosen);
  return (
    <Box sx={{ display: 'grid', gap: 0.75 }}>
      <TextField
        placeholder={t('badge.findSignExample')}
        value={text}
        onChange={(e) => setText(e.target.value)}
        slotProps={{ htmlInput: { 'aria-label': t('badge.findSign') } }}
      />
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
        <ToggleButtonGroup
          exclusive
          size="small"
          value={art.signStyle}
          aria-label={t('badge.signStyle')}
          onChange={(_, signStyle) => signStyle && onChange({ signStyle })}
        >
          {(['FILL', 'BOLD'] as const).map((style) => (
            <ToggleButton key={style} value={style} sx={{ px: 1 }}>
              {t(`badge.signStyles.${style}`)}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        <Typography variant="caption" color="textSecondary" role="status">
          {t('badge.signsFound', { count: found.length, all: signs.length })}
        </Typography>
      </Box>
      <Box
        role="group"
        aria-label={t('plan.sign')}
        sx={{
          display: 'grid',
          gridTemplateColumns: 'repeat(auto-fill, minmax(40px, 1fr))',
          gap: 0.25,
          maxHeight: 264,
          overflow: 'auto',
        }}
      >
        <Choice
          label={t('badge.noSign')}
          chosen={art.sign === ''}
          onChoose={() => onChange({ sign: '' })}
        >
          –
        </Choice>
        {shown.map((sign) => (
          <Choice
            key={sign.name}
            label={sign.name.replace(/^own-/, '').replaceAll('-', ' ')}
            chosen={sign.name === art.sign}
            onChoose={() => onChange({ sign: sign.name })}
          >
            <Picture sign={sign} art={art} />
          </Choice>
        ))}
      </Box>
    </Box>
  );
}

function Picture({ sign, art }: { sign: Sign; art: Art }) {
  const d = outline(sign, art.signStyle);
  return d ? (
    <svg viewBox="0 0 256 256" width={24} height={24} aria-hidden="true">
      <path d={d} fill="currentColor" />
    </svg>
  ) : (
    <svg viewBox="22 22 56 56" width={24} height={24} aria-hidden="true">
      <path d={sign.line} fill="none" stroke="currentColor" strokeWidth={5} />
    </svg>
  );
}
