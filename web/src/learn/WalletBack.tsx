import { Alert, Box, Button, CircularProgress } from '@mui/material';
import { useMutation } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { useTranslations } from 'use-intl';
import { api, body } from '../api/client';
import { useNotice } from '../ui/Notice';
import { whereFrom } from './useWallets';

/** Where a wallet sends its holder back to, with its answer. */
export default function WalletBack() {
  const t = useTranslations();
  const [params] = useSearchParams();
  const go = useNavigate();
  const notice = useNotice();
  const state = params.get('state');
  const code = params.get('code');
  const answered = useRef(false);
  const { mutate, error } = useMutation({
    mutationFn: (answer: { state: string; code: string }) =>
      body(api.POST('/api/account/wallets/answers', { body: answer })),
    onSuccess: (sent) => {
      if (sent.award)
        notice({ tone: 'success', text: t('along.sentFirst', { wallet: sent.wallet }) });
      go(whereFrom(), { replace: true });
    },
  });
  useEffect(() => {
    // an answer counts once
    if (!state || !code || answered.current) return;
    answered.current = true;
    mutate({ state, code });
  }, [state, code, mutate]);
  const failed = error?.message ?? (state && code ? undefined : t('along.notAllowed'));
  return (
    <Box
      component="main"
      id="main"
      sx={{ p: 3, display: 'grid', gap: 2, justifyItems: 'start', maxWidth: 640 }}
    >
      {failed ? (
        <>
          <Alert severity="error">{failed}</Alert>
          <Button variant="contained" onClick={() => go(whereFrom(), { replace: true })}>
            {t('along.back')}
          </Button>
        </>
      ) : (
        <CircularProgress aria-label={t('common.loading')} />
      )}
    </Box>
  );
}
