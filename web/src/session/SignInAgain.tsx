import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  TextField,
  Typography,
} from '@mui/material';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useTranslations } from 'use-intl';
import { api, body, type Me } from '../api/client';
import { queries } from '../api/queries';
import { sendUnsaved } from '../ui/useSaving';
import { leave } from './leave';

/**
 * Over the page of somebody whom the server signed out: what they were doing stays as it is, and
 * what was not saved is sent once they are back. Only its buttons close it.
 */
export default function SignInAgain({ person }: { person: NonNullable<Me['person']> }) {
  const t = useTranslations();
  const client = useQueryClient();
  const navigate = useNavigate();
  const [password, setPassword] = useState('');
  const signIn = useMutation({
    meta: { silent: true },
    mutationFn: () => body(api.POST('/api/session', { body: { email: person.email, password } })),
    onSuccess: async (me) => {
      client.setQueryData(queries.me().queryKey, me);
      await sendUnsaved(client);
      await client.invalidateQueries();
    },
  });
  const goAway = () => {
    leave(client);
    void navigate('/');
  };
  return (
    <Dialog open fullWidth maxWidth="xs" aria-labelledby="sign-in-again">
      <Box
        component="form"
        onSubmit={(event) => {
          event.preventDefault();
          signIn.mutate();
        }}
      >
        <DialogTitle id="sign-in-again">{t('session.again')}</DialogTitle>
        <DialogContent sx={{ display: 'grid', gap: 2, '&&': { pt: 1 } }}>
          <Typography>{t('session.againHint', { name: person.name })}</Typography>
          {signIn.error && <Alert severity="error">{signIn.error.message}</Alert>}
          {/* so that what keeps passwords knows whose it is */}
          <input type="email" autoComplete="username" value={person.email} readOnly hidden />
          <TextField
            label={t('session.password')}
            type="password"
            autoComplete="current-password"
            required
            autoFocus
            value={password}
            onChange={(e) => setPassword(e.target.value)}
          />
        </DialogContent>
        <DialogActions>
          <Button onClick={goAway}>{t('session.leave')}</Button>
          <Button type="submit" variant="contained" disabled={signIn.isPending}>
            {t('session.button')}
          </Button>
        </DialogActions>
      </Box>
    </Dialog>
  );
}
