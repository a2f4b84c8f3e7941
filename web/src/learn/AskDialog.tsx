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
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import type { WalkName } from '../kinds/room';
import { useNotice } from '../ui/Notice';
import { unsentKey } from '../ui/unsent';
import { useActKey } from '../ui/useActKey';
import { keysInField } from '../ui/useKeys';
import { useNames } from '../ui/useNames';

interface Props {
  walk: WalkName;
  step?: number;
  onClose: () => void;
}

/** A question to those on the staff who help this learner; kept in this browser until it is sent. */
export default function AskDialog({ walk, step, onClose }: Props) {
  const t = useTranslations();
  const course = useCourse();
  const names = useNames();
  const notice = useNotice();
  const client = useQueryClient();
  const me = client.getQueryData(queries.me().queryKey);
  const key = `${unsentKey(me?.person?.id ?? 0, course.id, walk, step ?? 0)}:question`;
  const [text, setText] = useState(() => localStorage.getItem(key) ?? '');
  const once = useActKey();
  const question = { text, ...(step !== undefined && { step }) };
  const ask = useMutation({
    meta: { silent: true },
    mutationFn: () =>
      body(
        api.POST('/api/courses/{course}/walks/{walk}/questions', {
          params: { path: { course: course.id, walk } },
          headers: once.headers(question),
          body: question,
        }),
      ),
    onSuccess: (asked) => {
      once.renew();
      localStorage.removeItem(key);
      notice({ tone: 'success', text: t('learn.asked', { names: names(asked.staff) }) });
      void client.invalidateQueries({ queryKey: ['messages', course.id] });
      onClose();
    },
  });
  const send = () => {
    if (text.trim() && !ask.isPending) ask.mutate();
  };
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth>
      <DialogTitle>{t('learn.ask')}</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1.5 }}>
        <Typography>{t('learn.askWhat')}</Typography>
        <TextField
          label={t('learn.question')}
          multiline
          minRows={4}
          autoFocus
          value={text}
          onChange={(e) => {
            setText(e.target.value);
            localStorage.setItem(key, e.target.value);
          }}
          onKeyDown={keysInField({ 'Control+Enter, Meta+Enter': send })}
        />
        {ask.error && <Alert severity="error">{ask.error.message}</Alert>}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{t('common.cancel')}</Button>
        <Button variant="contained" disabled={!text.trim() || ask.isPending} onClick={send}>
          {t('learn.sendQuestion')}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
