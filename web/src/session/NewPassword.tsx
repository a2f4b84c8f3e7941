import { Alert, Button, Link as MuiLink, TextField, Typography } from '@mui/material';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useLocation, useNavigate } from 'react-router';
import { useTranslations } from 'use-intl';
import { ApiError, api, body } from '../api/client';
import { queries } from '../api/queries';
import { Gate } from './Gate';

/** Where a link leads by which somebody sets a password. Its secret is in the part of the address
 * that browsers send to nobody. */
export default function NewPassword() {
  const t = useTranslations();
  const client = useQueryClient();
  const navigate = useNavigate();
  const token = useLocation().hash.slice(1);
  const [password, setPassword] = useState('');
  const set = useMutation({
    meta: { silent: true },
    mutationFn: () => body(api.POST('/api/passwords', { body: { token, password } })),
    onSuccess: async ({ email }) => {
      // Whoever was signed in here before: sessions of this person have ended.
      await client.resetQueries({ queryKey: queries.me().queryKey });
      void navigate('/', { replace: true, state: { email, set: true } });
    },
  });
  const wrong = set.error instanceof ApiError ? set.error.problem.fields?.password : undefined;
  return (
    <Gate onSubmit={set.mutate}>
      <Typography variant="h2">{t('session.newPasswordTitle')}</Typography>
      {!token && <Alert severity="error">{t('session.linkIncomplete')}</Alert>}
      {set.error && !wrong && <Alert severity="error">{set.error.message}</Alert>}
      {(set.error || !token) && !wrong && (
        <MuiLink component={Link} to="/forgotten">
          {t('session.anotherLink')}
        </MuiLink>
      )}
      <TextField
        label={t('session.newPassword')}
        type="password"
        autoComplete="new-password"
        required
        autoFocus
        value={password}
        onChange={(e) => setPassword(e.target.value)}
        error={wrong !== undefined}
        helperText={wrong ?? t('session.passwordHint')}
      />
      <Button type="submit" variant="contained" disabled={!token || set.isPending}>
        {t('session.setPassword')}
      </Button>
    </Gate>
  );
}
