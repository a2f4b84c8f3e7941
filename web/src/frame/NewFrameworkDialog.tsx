import {
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
import { api, body } from '../api/client';
import { queries } from '../api/queries';

/** Makes an empty framework of the institution and goes to write its outcomes. */
export default function NewFrameworkDialog({ onClose }: { onClose: () => void }) {
  const t = useTranslations();
  const client = useQueryClient();
  const navigate = useNavigate();
  const [name, setName] = useState('');
  const make = useMutation({
    mutationFn: () => body(api.POST('/api/frameworks', { body: { name } })),
    onSuccess: async (made) => {
      await client.invalidateQueries({ queryKey: queries.me().queryKey });
      onClose();
      void navigate(`/c/${made.id}/plan/outcomes`);
    },
  });
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs">
      <DialogTitle>{t('frame.newFramework')}</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1.75 }}>
        <Typography color="textSecondary">{t('frame.frameworkHint')}</Typography>
        <TextField
          label={t('common.name')}
          value={name}
          onChange={(e) => setName(e.target.value)}
          autoFocus
          error={make.isError}
          helperText={make.error?.message}
        />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{t('common.cancel')}</Button>
        <Button
          variant="contained"
          disabled={name.trim() === '' || make.isPending}
          onClick={() => make.mutate()}
        >
          {t('frame.makeFramework')}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
