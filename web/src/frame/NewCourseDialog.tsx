import {
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  TextField,
} from '@mui/material';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useTranslations } from 'use-intl';
import { ApiError, api, body } from '../api/client';
import { queries } from '../api/queries';

const today = () => new Date().toISOString().slice(0, 10);

/** Makes an empty course and goes to plan it. */
export default function NewCourseDialog({ onClose }: { onClose: () => void }) {
  const t = useTranslations();
  const client = useQueryClient();
  const navigate = useNavigate();
  const [name, setName] = useState('');
  const [cohort, setCohort] = useState('');
  const [starts, setStarts] = useState(today());
  const [weeks, setWeeks] = useState('10');
  const make = useMutation({
    mutationFn: () =>
      body(
        api.POST('/api/courses', {
          body: {
            name,
            cohort,
            starts,
            weeks: Number(weeks),
            zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
          },
        }),
      ),
    onSuccess: async (made) => {
      await client.invalidateQueries({ queryKey: queries.me().queryKey });
      onClose();
      void navigate(`/c/${made.id}/plan/outcomes`);
    },
  });
  const wrong = make.error instanceof ApiError ? (make.error.problem.fields ?? {}) : {};
  const field = (key: string) => ({ error: key in wrong, helperText: wrong[key] });
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs">
      <DialogTitle>{t('frame.newCourse')}</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1.75 }}>
        <TextField
          label={t('common.name')}
          value={name}
          onChange={(e) => setName(e.target.value)}
          autoFocus
          sx={{ mt: 0.75 }}
          {...field('name')}
        />
        <TextField
          label={t('frame.cohort')}
          value={cohort}
          onChange={(e) => setCohort(e.target.value)}
          {...field('cohort')}
        />
        <TextField
          label={t('frame.starts')}
          type="date"
          value={starts}
          onChange={(e) => setStarts(e.target.value)}
          {...field('starts')}
        />
        <TextField
          label={t('frame.weeks')}
          type="number"
          value={weeks}
          onChange={(e) => setWeeks(e.target.value)}
          {...field('weeks')}
        />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{t('common.cancel')}</Button>
        <Button
          variant="contained"
          disabled={!name.trim() || !starts || make.isPending}
          onClick={() => make.mutate()}
        >
          {t('frame.makeCourse')}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
