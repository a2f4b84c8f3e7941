import { Box, Button, TextField } from '@mui/material';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { keysInField } from '../../ui/useKeys';

/** Takes the address of a film that lies elsewhere. */
export function ElsewhereField({
  measure,
  onTake,
}: {
  measure: (address: string) => Promise<number>;
  onTake: (film: { address: string; seconds: number }) => void;
}) {
  const t = useTranslations();
  const [text, setText] = useState('');
  const address = text.trim();
  const take = useMutation({
    meta: { silent: true },
    mutationFn: async () => {
      const seconds = await measure(address).catch(() => {
        throw new Error(t('plan.filmElsewhereUnreadable'));
      });
      onTake({ address, seconds });
    },
  });
  return (
    <Box sx={{ display: 'flex', gap: 1, alignItems: 'start', mt: 0.5 }}>
      <TextField
        label={t('plan.filmElsewhere')}
        type="url"
        placeholder="https://"
        value={text}
        onChange={(e) => setText(e.target.value)}
        onKeyDown={keysInField({ Enter: () => address && take.mutate() })}
        error={take.isError}
        helperText={take.error?.message ?? t('plan.filmElsewhereHint')}
      />
      <Button
        variant="outlined"
        disabled={!address || take.isPending}
        onClick={() => take.mutate()}
        sx={{ flex: 'none' }}
      >
        {t('plan.filmTake')}
      </Button>
    </Box>
  );
}
