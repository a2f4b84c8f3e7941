import { Alert, Box, Button, TextField, Typography } from '@mui/material';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { api, body } from '../api/client';
import { queries } from '../api/queries';

export default function SignIn() {
  const t = useTranslations();
  const client = useQueryClient();
  const name = client.getQueryData(queries.me().queryKey)?.institution.name;
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  const signIn = useMutation({
    meta: { silent: true },
    mutationFn: () => body(api.POST('/api/session', { body: { email, password } })),
    onSuccess: (me) => client.setQueryData(queries.me().queryKey, me),
  });
  return (
    <Box
      component="main"
      id="main"
      sx={{
        minHeight: '100dvh',
        display: 'grid',
        placeItems: 'center',
        bgcolor: 'tone.ground',
        p: 2,
      }}
    >
      <Box
        component="form"
        onSubmit={(event) => {
          event.preventDefault();
          signIn.mutate();
        }}
        sx={{
          width: '100%',
          maxWidth: 360,
          bgcolor: 'tone.panel',
          border: 1,
          borderColor: 'divider',
          borderTop: '4px solid',
          borderTopColor: 'tone.madder',
          p: 3.5,
          display: 'grid',
          gap: 2,
        }}
      >
        <div>
          <Typography variant="h1" sx={{ fontSize: 28 }}>
            yendrik
          </Typography>
          <Typography color="textSecondary">{name ?? t('session.welcome')}</Typography>
        </div>
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
      </Box>
    </Box>
  );
}
