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
import { api, body, type Calendar, type Session } from '../api/client';
import { useCourse } from '../frame/course';
import { fromLocalInput, toLocalInput } from '../ui/format';
import { useNotice } from '../ui/Notice';
import { GroupField } from './SeriesDialog';

/** Changes one session, or takes it away. */
export function SessionDialog({
  session,
  groups,
  onClose,
  onGone,
}: {
  session: Session;
  groups: Calendar['groups'];
  onClose: () => void;
  onGone: () => void;
}) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const notice = useNotice();
  const [name, setName] = useState(session.name);
  const [group, setGroup] = useState(session.group);
  const [start, setStart] = useState(toLocalInput(session.startsAt));
  const [minutes, setMinutes] = useState(session.minutes);
  const path = { course: course.id, session: session.id };
  const fresh = () => {
    void client.invalidateQueries({ queryKey: ['sessions', course.id] });
    void client.invalidateQueries({ queryKey: ['register', course.id, session.id] });
  };
  const save = useMutation({
    mutationFn: () =>
      body(
        api.PUT('/api/courses/{course}/sessions/{session}', {
          params: { path, header: { 'If-Match': `"${session.version}"` } },
          body: {
            name,
            ...(group !== undefined && { group }),
            startsAt: fromLocalInput(start) ?? session.startsAt,
            minutes,
          },
        }),
      ),
    onSuccess: onClose,
    onSettled: fresh,
  });
  const remove = useMutation({
    mutationFn: () => api.DELETE('/api/courses/{course}/sessions/{session}', { params: { path } }),
    onSuccess: () => {
      notice({
        tone: 'success',
        text: t('common.gone', { name: session.name }),
        undo: () =>
          void api
            .POST('/api/courses/{course}/sessions/{session}/restoration', { params: { path } })
            .then(fresh),
      });
      onGone();
      onClose();
    },
    onSettled: fresh,
  });
  const error = save.error ?? remove.error;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs">
      <DialogTitle>{t('teach.changeSession')}</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1.75 }}>
        {error && <Alert severity="error">{error.message}</Alert>}
        <TextField
          label={t('common.name')}
          value={name}
          onChange={(e) => setName(e.target.value)}
          sx={{ mt: 0.5 }}
        />
        <GroupField groups={groups} value={group} onChange={setGroup} />
        <TextField
          label={t('teach.starts')}
          type="datetime-local"
          value={start}
          onChange={(e) => setStart(e.target.value)}
          slotProps={{ inputLabel: { shrink: true } }}
        />
        <TextField
          label={t('plan.minutes')}
          type="number"
          value={minutes}
          onChange={(e) => setMinutes(Number(e.target.value))}
        />
      </DialogContent>
      <DialogActions>
        <Button sx={{ mr: 'auto' }} onClick={() => remove.mutate()} disabled={remove.isPending}>
          {t('common.remove')}
        </Button>
        <Button onClick={onClose}>{t('common.cancel')}</Button>
        <Button
          variant="contained"
          disabled={!name.trim() || save.isPending}
          onClick={() => save.mutate()}
        >
          {t('common.save')}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
