import { Alert, Button, Link as MuiLink, TextField, Typography } from '@mui/material';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useLocation } from 'react-router';
import { useTranslations } from 'use-intl';
import { ApiError, api } from '../api/client';
import { Gate } from './Gate';

/** Where whoever forgot a password has a link sent to their address. */
export default function Forgotten() {
  const t = useTranslations();
  const typed: unknown = useLocation().state?.email;
  const [email, setEmail] = useState(typeof typed === 'string' ? typed : '');
  const ask = useMutation({
    meta: { silent: true },
    mutationFn: () => api.POST('/api/passwords/links', { body: { email } }),
  });
  const wrong = ask.error instanceof ApiError ? ask.error.problem.fields?.email : undefined;
  return (
    <Gate onSubmit={ask.mutate}>
      <Typography variant="h2">{t('session.forgottenTitle')}</Typography>
      {ask.isSuccess && <Alert severity="success">{t('session.linkOnItsWay')}</Alert>}
      {ask.error && !wrong && <Alert severity="error">{ask.error.message}</Alert>}
      <TextField
        label={t('session.email')}
        type="email"
        autoComplete="username"
        required
        autoFocus
        value={email}
        onChange={(e) => {
          setEmail(e.target.value);
          ask.reset();
        }}
        error={wrong !== undefined}
        helperText={wrong ?? t('session.forgottenHint')}
      />
      <Button type="submit" variant="contained" disabled={ask.isPending || ask.isSuccess}>
        {t('session.sendLink')}
      </Button>
      <MuiLink component={Link} to="/" state={{ email }} sx={{ justifySelf: 'start' }}>
        {t('session.backToSignIn')}
      </MuiLink>
    </Gate>
  );
}
