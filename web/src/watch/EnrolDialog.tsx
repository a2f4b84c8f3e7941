import {
  Alert,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  TextField,
} from '@mui/material';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { api, body } from '../api/client';
import { useCourse } from '../frame/course';
import { useActKey } from '../ui/useActKey';

/** Enrols people by e-mail address; says who was taken, who was there and who is unknown. */
export function EnrolDialog({ onClose }: { onClose: () => void }) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const [text, setText] = useState('');
  const emails = text.split(/[\s,;]+/).filter(Boolean);
  const once = useActKey();
  const enrol = useMutation({
    mutationFn: () =>
      body(
        api.POST('/api/courses/{course}/roster', {
          params: { path: { course: course.id } },
          headers: once.headers(emails),
          body: { emails },
        }),
      ),
    onSuccess: (done) => {
      once.renew();
      setText(done.unknown.join('\n'));
      void client.invalidateQueries({ queryKey: ['progress', course.id] });
    },
  });
  const done = enrol.data;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs">
      <DialogTitle>{t('watch.enrol')}</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1.5 }}>
        {enrol.error && <Alert severity="error">{enrol.error.message}</Alert>}
        {done && (
          <Alert severity={done.unknown.length > 0 ? 'warning' : 'success'}>
            {t('watch.enrolled', { count: done.enrolled })}
            {done.there.length > 0 &&
              ` ${t('watch.enrolledThere', { names: done.there.join(', ') })}`}
            {done.unknown.length > 0 &&
              ` ${t('watch.enrolledUnknown', { names: done.unknown.join(', ') })}`}
          </Alert>
        )}
        <TextField
          label={t('watch.enrolEmails')}
          helperText={t('watch.enrolHint')}
          multiline
          minRows={4}
          autoFocus
          value={text}
          onChange={(e) => setText(e.target.value)}
          sx={{ mt: 0.5 }}
        />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{t('common.close')}</Button>
        <Button
          variant="contained"
          disabled={emails.length === 0 || enrol.isPending}
          onClick={() => enrol.mutate()}
        >
          {t('watch.enrolButton', { count: emails.length })}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
