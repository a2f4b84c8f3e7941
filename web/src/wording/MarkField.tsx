import { Alert, Box, Button, LinearProgress, Typography } from '@mui/material';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { api, body } from '../api/client';
import { sendInPieces } from '../api/files';
import { queries } from '../api/queries';
import { ChooseFile } from '../ui/ChooseFile';
import { useNotice } from '../ui/Notice';

/** The picture beside the institution's name: looked at, chosen, replaced, taken away. */
export function MarkField({ picture, name }: { picture: string | undefined; name: string }) {
  const t = useTranslations();
  const client = useQueryClient();
  const notice = useNotice();
  const [share, setShare] = useState(0);
  const change = useMutation({
    mutationFn: async (file: File | null) => {
      if (!file) return body(api.DELETE('/api/institution/picture'));
      setShare(0);
      const upload = await sendInPieces(file, setShare);
      return body(api.PUT('/api/institution/picture', { body: { upload } }));
    },
    onSuccess: (changed) => {
      client.setQueryData(queries.institution().queryKey, changed);
      void client.invalidateQueries({ queryKey: queries.me().queryKey });
      notice({ tone: 'success', text: t('look.changed') });
    },
  });
  return (
    <Box sx={{ display: 'grid', gap: 1 }}>
      <Typography variant="h3" color="textSecondary">
        {t('look.picture')}
      </Typography>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
        {picture && (
          <Box
            component="img"
            src={`/api/institution/picture/${picture}`}
            alt={name}
            sx={{ height: 28, maxWidth: 160, bgcolor: 'tone.band' }}
          />
        )}
        <ChooseFile
          name={t('look.picture')}
          accept="image/png,image/jpeg"
          disabled={change.isPending}
          onChoose={(file) => change.mutate(file)}
        >
          {t(picture ? 'look.replacePicture' : 'look.choosePicture')}
        </ChooseFile>
        {picture && (
          <Button
            variant="outlined"
            disabled={change.isPending}
            onClick={() => change.mutate(null)}
          >
            {t('common.remove')}
          </Button>
        )}
      </Box>
      {change.isPending && (
        <LinearProgress variant="determinate" value={share * 100} aria-label={t('look.sending')} />
      )}
      {change.error && <Alert severity="error">{change.error.message}</Alert>}
      <Typography variant="body2" color="textSecondary">
        {t('look.pictureHint')}
      </Typography>
    </Box>
  );
}
