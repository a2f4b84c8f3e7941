import { Alert, Button, Link as MuiLink, TextField } from '@mui/material';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useLocation } from 'react-router';
import { useTranslations } from 'use-intl';
import { api, body } from '../api/client';
import { queries } from '../api/queries';
import { usePageTitle } from '../ui/usePageTitle';
import { Gate } from './Gate';

export default function SignIn() {
  const t = useTranslations();
  const client = useQueryClient();
  usePageTitle('view', t('session.button'));
  const { state } = useLocation();
  const known: unknown = state?.email;
  const [email, setEmail] = useState(typeof known === 'string' ? known : '');
  const [password, setPassword] = useState('');
  const signIn = useMutation({
    meta: { silent: true },
    mutationFn: () => body(api.POST('/api/session', { body: { email, password } })),
    onSuccess: (me) => client.setQueryData(queries.me().queryKey, me),
  });
  return (
    <Gate onSubmit={signIn.mutate}>
      {state?.set && !signIn.error && <Alert severity="success">{t('session.passwordSet')}</Alert>}
      {signIn.error && <Alert severity="error">{signIn.error.message}</Alert>}
      <TextField
        label={t('session.email')}
        type="email"
        autoComplete="username"
        required
        value={email}
        onChange={(e) => setEmail(e.target.value)}
      />
      <TextField
        label={t('session.password')}
        type="password"
        autoComplete="current-password"
        required
        value={password}
        onChange={(e) => setPassword(e.target.value)}
      />
      <Button type="submit" variant="contained" disabled={signIn.isPending}>
        {t('session.button')}
      </Button>
      <MuiLink component={Link} to="/forgotten" state={{ email }} sx={{ justifySelf: 'start' }}>
        {t('session.forgotten')}
      </MuiLink>
    </Gate>
  );
}
