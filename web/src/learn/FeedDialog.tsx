import {
  Alert,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  TextField,
  Typography,
} from '@mui/material';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import { api, body } from '../api/client';
import { queries } from '../api/queries';
import { day } from '../ui/format';
import { useNotice } from '../ui/Notice';

/** The private address under which another calendar reads one's dates. */
export default function FeedDialog({ onClose }: { onClose: () => void }) {
  const t = useTranslations();
  const client = useQueryClient();
  const notice = useNotice();
  const feed = useQuery(queries.calendarFeed());
  const fresh = () => client.invalidateQueries({ queryKey: queries.calendarFeed().queryKey });
  const renew = useMutation({
    mutationFn: () => body(api.POST('/api/account/calendar')),
    onSuccess: fresh,
  });
  const end = useMutation({
    mutationFn: () => api.DELETE('/api/account/calendar'),
    onSuccess: () => {
      renew.reset();
      notice({ tone: 'success', text: t('learn.feedEnded') });
      return fresh();
    },
  });
  const address = renew.data?.address;
  const since = feed.data?.since;
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth>
      <DialogTitle>{t('learn.feed')}</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1.5 }}>
        <Typography>{t('learn.feedWhat')}</Typography>
        {address ? (
          <>
            <TextField
              label={t('learn.feedAddress')}
              value={address}
              slotProps={{ htmlInput: { readOnly: true } }}
              onFocus={(e) => e.target.select()}
              sx={{ mt: 0.5 }}
            />
            <Alert role="status" severity="info">
              {t('learn.feedOnce')}
            </Alert>
          </>
        ) : (
          since && <Typography>{t('learn.feedSince', { date: day(since) })}</Typography>
        )}
        {renew.error && <Alert severity="error">{renew.error.message}</Alert>}
      </DialogContent>
      <DialogActions>
        {since && (
          <Button onClick={() => end.mutate()} disabled={end.isPending}>
            {t('learn.feedEnd')}
          </Button>
        )}
        {address ? (
          <Button
            onClick={() => {
              void navigator.clipboard
                .writeText(address)
                .then(() => notice({ tone: 'success', text: t('learn.feedCopied') }));
            }}
          >
            {t('learn.feedCopy')}
          </Button>
        ) : (
          <Button onClick={() => renew.mutate()} disabled={renew.isPending}>
            {t(since ? 'learn.feedRenew' : 'learn.feedMake')}
          </Button>
        )}
        <Button variant="contained" onClick={onClose}>
          {t('common.close')}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
