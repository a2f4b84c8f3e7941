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
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { api, body } from '../api/client';
import { useCourse } from '../frame/course';
import { useNotice } from '../ui/Notice';
import { useActKey } from '../ui/useActKey';
import { useNames } from '../ui/useNames';

/** How many are named. */
const NAMES = 6;

interface Props {
  learners: { enrolment: number; name: string }[];
  onClose: () => void;
  onSent: () => void;
}

/** One text, a letter for each learner. */
export function WriteDialog({ learners, onClose, onSent }: Props) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const notice = useNotice();
  const [subject, setSubject] = useState(t('reach.defaultSubject'));
  const [text, setText] = useState(t('reach.defaultBody'));
  const once = useActKey();
  const send = useMutation({
    mutationFn: () => {
      const letter = { learners: learners.map((l) => l.enrolment), subject, body: text };
      return body(
        api.POST('/api/courses/{course}/letters', {
          params: { path: { course: course.id } },
          headers: once.headers(letter),
          body: letter,
        }),
      );
    },
    onSuccess: (done) => {
      once.renew();
      notice({ tone: 'success', text: t('reach.sent', { count: done.letters }) });
      for (const key of ['followUp', 'learner'])
        void client.invalidateQueries({ queryKey: [key, course.id] });
      onSent();
      onClose();
    },
  });
  const names = learners.map((l) => l.name);
  const shown = useNames()(names, NAMES);
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>{t('reach.title', { count: learners.length })}</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1.5 }}>
        <Typography variant="body2">{t('reach.to', { names: shown })}</Typography>
        {send.error && <Alert severity="error">{send.error.message}</Alert>}
        <TextField
          label={t('reach.subject')}
          value={subject}
          onChange={(e) => setSubject(e.target.value)}
          sx={{ mt: 0.5 }}
        />
        <TextField
          label={t('reach.body')}
          value={text}
          onChange={(e) => setText(e.target.value)}
          multiline
          minRows={9}
          helperText={t('reach.hint')}
        />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{t('common.cancel')}</Button>
        <Button
          variant="contained"
          disabled={send.isPending || !subject.trim() || !text.trim()}
          onClick={() => send.mutate()}
        >
          {t('reach.send', { count: learners.length })}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
