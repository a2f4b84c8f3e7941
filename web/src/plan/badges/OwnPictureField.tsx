import { Alert, Box, Button, LinearProgress, Typography } from '@mui/material';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { api, body } from '../../api/client';
import { sendInPieces } from '../../api/files';
import { useCourse } from '../../frame/course';
import { ChooseFile } from '../../ui/ChooseFile';

/** A picture that somebody made elsewhere, in the place of what is drawn. */
export function OwnPictureField({
  own,
  onChange,
}: {
  own: string | undefined;
  onChange: (own: string | undefined) => void;
}) {
  const t = useTranslations();
  const course = useCourse();
  const [share, setShare] = useState(0);
  const send = useMutation({
    mutationFn: async (file: File) => {
      setShare(0);
      const upload = await sendInPieces(file, setShare);
      return body(
        api.POST('/api/courses/{course}/design/badge-pictures', {
          params: { path: { course: course.id } },
          body: { upload },
        }),
      );
    },
    onSuccess: ({ hash }) => onChange(hash),
  });
  return (
    <Box sx={{ display: 'grid', gap: 0.75 }}>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <ChooseFile
          name={t('badge.ownPicture')}
          accept="image/png,image/jpeg,image/svg+xml"
          disabled={send.isPending}
          onChoose={(file) => send.mutate(file)}
        >
          {t('badge.choosePicture')}
        </ChooseFile>
        {own && (
          <Button variant="outlined" onClick={() => onChange(undefined)}>
            {t('badge.backToDrawing')}
          </Button>
        )}
      </Box>
      {send.isPending && (
        <LinearProgress variant="determinate" value={share * 100} aria-label={t('look.sending')} />
      )}
      {send.error && <Alert severity="error">{send.error.message}</Alert>}
      <Typography variant="body2" color="textSecondary">
        {t('badge.pictureHint')}
      </Typography>
    </Box>
  );
}
