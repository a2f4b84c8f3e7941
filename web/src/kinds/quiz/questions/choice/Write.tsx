import { Box, Button, IconButton, Radio, TextField } from '@mui/material';
import { useTranslations } from 'use-intl';
import { newId } from '../../../../ui/ids';
import type { WriteProps } from '../room';

/** Some choices, of which one is right. */
export function Write({ part, edit }: WriteProps<'choice'>) {
  const t = useTranslations();
  const { choices, right } = part;
  return (
    <>
      {choices.map((c, i) => (
        <Box key={c.id} sx={{ display: 'flex', alignItems: 'center' }}>
          <Radio
            size="small"
            checked={right === c.id}
            onChange={() => edit({ ...part, right: c.id })}
            slotProps={{ input: { 'aria-label': `${t('plan.right')}: ${c.text || i + 1}` } }}
          />
          <TextField
            placeholder={t('plan.choice', { n: i + 1 })}
            value={c.text}
            error={!c.text.trim()}
            onChange={(e) =>
              edit({
                ...part,
                choices: choices.map((x) => (x.id === c.id ? { ...x, text: e.target.value } : x)),
              })
            }
            slotProps={{ htmlInput: { 'aria-label': t('plan.choice', { n: i + 1 }) } }}
          />
          {choices.length > 2 && (
            <IconButton
              size="small"
              aria-label={t('plan.removeCondition', { name: c.text })}
              onClick={() => {
                const left = choices.filter((x) => x.id !== c.id);
                edit({
                  ...part,
                  choices: left,
                  right: right === c.id ? (left[0]?.id ?? '') : right,
                });
              }}
            >
              ×
            </IconButton>
          )}
        </Box>
      ))}
      <Button
        size="small"
        sx={{ justifySelf: 'start' }}
        onClick={() => edit({ ...part, choices: [...choices, { id: newId(), text: '' }] })}
      >
        {t('plan.addChoice')}
      </Button>
    </>
  );
}
