import { Box, Button, TextField, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { useTranslations } from 'use-intl';
import { ApiError, type CheckedCertificate } from '../api/client';
import { queries } from '../api/queries';
import { day } from '../ui/format';
import { OpenPage } from './OpenPage';

/** Says of a certificate on paper, by the code on it, what the register says. */
export default function CheckCertificate() {
  const t = useTranslations();
  const { code } = useParams();
  const go = useNavigate();
  const [typed, setTyped] = useState(code ?? '');
  const found = useQuery({ ...queries.checkedCertificate(code ?? ''), enabled: !!code });
  return (
    <OpenPage title={t('certified.title')}>
      <Box
        component="form"
        onSubmit={(event) => {
          event.preventDefault();
          if (typed.trim()) go(`/certificate/${encodeURIComponent(typed.trim())}`);
        }}
        sx={{ display: 'flex', gap: 1.5, alignItems: 'flex-start', flexWrap: 'wrap' }}
      >
        <TextField
          label={t('certified.code')}
          helperText={t('certified.codeHint')}
          value={typed}
          autoFocus={!code}
          onChange={(event) => setTyped(event.target.value)}
          slotProps={{ htmlInput: { maxLength: 40, autoCapitalize: 'characters' } }}
          sx={{ flex: 1, minWidth: 220 }}
        />
        <Button type="submit" variant="contained" disabled={!typed.trim()} sx={{ mt: 0.25 }}>
          {t('certified.check')}
        </Button>
      </Box>
      {code && found.error && (
        <Verdict good={false}>
          {found.error instanceof ApiError && found.error.problem.status === 404
            ? t('certified.unknown')
            : found.error.message}
        </Verdict>
      )}
      {found.data && <Found certificate={found.data} />}
    </OpenPage>
  );
}

function Verdict({ good, children }: { good: boolean; children: string }) {
  return (
    <Box
      role="status"
      sx={{ p: 1.5, borderRadius: 1, bgcolor: good ? 'tone.lagoonTint' : 'tone.madderTint' }}
    >
      <Typography variant="h2" component="p">
        {children}
      </Typography>
    </Box>
  );
}

function Found({ certificate: c }: { certificate: CheckedCertificate }) {
  const t = useTranslations();
  const lines: [string, string][] = [
    [t('certified.number'), c.number],
    [t('certified.name'), c.name],
    [t('certified.what'), c.title],
    [t('certified.course'), c.course],
    [t('certified.issuer'), c.issuer],
    [t('certified.given'), day(c.awardedAt)],
    ...(c.endsAt ? [[t('certified.ends'), day(c.endsAt)] as [string, string]] : []),
  ];
  return (
    <>
      <Verdict good={c.state === 'VALID'}>{t(`certified.state.${c.state}`)}</Verdict>
      <Box
        component="dl"
        sx={{
          m: 0,
          display: 'grid',
          gridTemplateColumns: 'max-content 1fr',
          columnGap: 2,
          rowGap: 0.75,
          '& dt': { color: 'tone.soft' },
          '& dd': { m: 0, fontWeight: 700, overflowWrap: 'anywhere' },
        }}
      >
        {lines.map(([label, value]) => (
          <Box key={label} sx={{ display: 'contents' }}>
            <dt>{label}</dt>
            <dd>{value}</dd>
          </Box>
        ))}
      </Box>
      <Typography>{t('certified.compare')}</Typography>
    </>
  );
}
