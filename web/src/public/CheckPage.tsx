import { Alert, Box, Button, TextField, Typography } from '@mui/material';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { api, body } from '../api/client';
import { ChooseFile } from '../ui/ChooseFile';
import { CheckedBadge } from './CheckedBadge';
import { OpenPage } from './OpenPage';

const MOST = 600 * 1024;

/** The bytes of a file in base64. */
async function inBase64(file: Blob): Promise<string> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  let text = '';
  for (let at = 0; at < bytes.length; at += 0x8000)
    text += String.fromCharCode(...bytes.subarray(at, at + 0x8000));
  return btoa(text);
}

/** Says of any badge, of whomever, what holds and what does not. */
export default function CheckPage() {
  const t = useTranslations();
  const [file, setFile] = useState<{ name: string; content: Blob } | null>(null);
  const [text, setText] = useState('');
  const [email, setEmail] = useState('');
  const check = useMutation({
    mutationFn: async (given: Blob) => {
      if (given.size > MOST) throw new Error(t('check.tooLarge'));
      return body(
        api.POST('/api/public/check', {
          body: { file: await inBase64(given), ...(email.trim() && { email: email.trim() }) },
        }),
      );
    },
  });
  const take = (next: File | undefined) => {
    if (!next) return;
    setFile({ name: next.name, content: next });
    check.mutate(next);
  };
  const ask = () => {
    if (text.trim()) check.mutate(new Blob([text]));
    else if (file) check.mutate(file.content);
  };
  return (
    <OpenPage title={t('check.title')}>
      <Typography>{t('check.intro')}</Typography>
      <Box
        component="form"
        onSubmit={(event) => {
          event.preventDefault();
          ask();
        }}
        onDragOver={(event) => event.preventDefault()}
        onDrop={(event) => {
          event.preventDefault();
          take(event.dataTransfer.files[0]);
        }}
        sx={{
          display: 'grid',
          gap: 1.5,
          bgcolor: 'tone.panel',
          border: 1,
          borderColor: 'divider',
          borderRadius: 1,
          p: 2,
        }}
      >
        <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
          <ChooseFile
            name={t('check.chooseFile')}
            accept=".png,.svg,.json,.jwt,.txt,image/png,image/svg+xml,application/json"
            variant="contained"
            onChoose={take}
          >
            {t('check.chooseFile')}
          </ChooseFile>
          <Typography color="textSecondary">{file ? file.name : t('check.orDrop')}</Typography>
        </Box>
        <TextField
          label={t('check.orPaste')}
          multiline
          minRows={2}
          maxRows={6}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
        <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
          <TextField
            label={t('check.email')}
            type="email"
            autoComplete="off"
            value={email}
            onChange={(event) => setEmail(event.target.value)}
            sx={{ flex: 1, minWidth: 220 }}
          />
          <Button type="submit" variant="outlined" disabled={!text.trim() && !file}>
            {t('check.check')}
          </Button>
        </Box>
      </Box>
      {check.error && <Alert severity="error">{check.error.message}</Alert>}
      {check.isPending && <Typography role="status">{t('common.loading')} …</Typography>}
      {check.data && !check.isPending && <CheckedBadge checked={check.data} />}
    </OpenPage>
  );
}
