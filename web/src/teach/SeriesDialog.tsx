import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  MenuItem,
  TextField,
  ToggleButton,
  ToggleButtonGroup,
  Typography,
} from '@mui/material';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { addDays, format, startOfWeek } from 'date-fns';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { ApiError, api, body, type Calendar, type SeriesEdit } from '../api/client';
import { useCourse } from '../frame/course';
import { useNotice } from '../ui/Notice';

export const DAYS = [
  'MONDAY',
  'TUESDAY',
  'WEDNESDAY',
  'THURSDAY',
  'FRIDAY',
  'SATURDAY',
  'SUNDAY',
] as const;

/** How many sessions a form makes; the server counts the same way. */
export function count(e: Pick<SeriesEdit, 'days' | 'from' | 'until' | 'everyWeeks'>): number {
  if (!e.from || !e.until) return 0;
  const first = new Date(`${e.from}T12:00`);
  const last = new Date(`${e.until}T12:00`);
  const monday = startOfWeek(first, { weekStartsOn: 1 });
  let n = 0;
  for (let at = first; at <= last && n <= 1000; at = addDays(at, 1)) {
    const week = Math.floor((at.getTime() - monday.getTime()) / 86_400_000 / 7);
    const name = DAYS[(at.getDay() + 6) % 7];
    if (week % e.everyWeeks === 0 && name && e.days.includes(name)) n++;
  }
  return n;
}

/** A series of sessions from one form. */
export function SeriesDialog({
  groups,
  onClose,
  onAdded,
}: {
  groups: Calendar['groups'];
  onClose: () => void;
  onAdded: (first: number) => void;
}) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const notice = useNotice();
  const today = new Date();
  const [form, setForm] = useState<SeriesEdit>({
    name: '',
    days: [],
    time: '18:30',
    minutes: 120,
    everyWeeks: 1,
    from: format(today, 'yyyy-MM-dd'),
    until: format(addDays(today, 70), 'yyyy-MM-dd'),
  });
  const set = (part: Partial<SeriesEdit>) => setForm((now) => ({ ...now, ...part }));
  const add = useMutation({
    mutationFn: () =>
      body(
        api.POST('/api/courses/{course}/sessions', {
          params: { path: { course: course.id } },
          body: form,
        }),
      ),
    onSuccess: (added) => {
      void client.invalidateQueries({ queryKey: ['sessions', course.id] });
      notice({ tone: 'success', text: t('teach.sessionsAdded', { count: added.length }) });
      if (added[0]) onAdded(added[0].id);
      onClose();
    },
  });
  const wrong = add.error instanceof ApiError ? (add.error.problem.fields ?? {}) : {};
  const field = (name: keyof SeriesEdit) => ({
    error: name in wrong,
    helperText: wrong[name],
  });
  const n = count(form);
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs">
      <Box
        component="form"
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          add.mutate();
        }}
      >
        <DialogTitle>{t('teach.addSessions')}</DialogTitle>
        <DialogContent sx={{ display: 'grid', gap: 1.75 }}>
          {add.error && Object.keys(wrong).length === 0 && (
            <Alert severity="error">{add.error.message}</Alert>
          )}
          <TextField
            label={t('common.name')}
            placeholder={t('teach.sessionExample')}
            autoFocus
            value={form.name}
            onChange={(e) => set({ name: e.target.value })}
            sx={{ mt: 0.5 }}
            {...field('name')}
          />
          <GroupField groups={groups} value={form.group} onChange={(group) => set({ group })} />
          <div>
            <ToggleButtonGroup
              size="small"
              fullWidth
              value={form.days}
              onChange={(_, days) => set({ days })}
              aria-label={t('teach.weekdays')}
            >
              {DAYS.map((d) => (
                <ToggleButton key={d} value={d} aria-label={t(`days.${d}`)}>
                  {t(`days.${d}`).slice(0, 2)}
                </ToggleButton>
              ))}
            </ToggleButtonGroup>
            {wrong.days && (
              <Typography variant="caption" color="error">
                {wrong.days}
              </Typography>
            )}
          </div>
          <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr 1.2fr', gap: 1.5 }}>
            <TextField
              label={t('teach.time')}
              type="time"
              value={form.time}
              onChange={(e) => set({ time: e.target.value })}
              slotProps={{ inputLabel: { shrink: true } }}
              {...field('time')}
            />
            <TextField
              label={t('plan.minutes')}
              type="number"
              value={form.minutes}
              onChange={(e) => set({ minutes: Number(e.target.value) })}
              {...field('minutes')}
            />
            <TextField
              select
              label={t('teach.repeats')}
              value={form.everyWeeks}
              onChange={(e) => set({ everyWeeks: Number(e.target.value) })}
            >
              {[1, 2, 3, 4].map((weeks) => (
                <MenuItem key={weeks} value={weeks}>
                  {t('teach.everyWeeks', { count: weeks })}
                </MenuItem>
              ))}
            </TextField>
          </Box>
          <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5 }}>
            {(['from', 'until'] as const).map((name) => (
              <TextField
                key={name}
                label={t(`teach.${name}`)}
                type="date"
                value={form[name]}
                onChange={(e) => set({ [name]: e.target.value })}
                slotProps={{ inputLabel: { shrink: true } }}
                {...field(name)}
              />
            ))}
          </Box>
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>{t('common.cancel')}</Button>
          <Button
            type="submit"
            variant="contained"
            disabled={n === 0 || !form.name.trim() || add.isPending}
          >
            {t('teach.addCount', { count: n })}
          </Button>
        </DialogActions>
      </Box>
    </Dialog>
  );
}

export function GroupField({
  groups,
  value,
  onChange,
}: {
  groups: Calendar['groups'];
  value: number | undefined;
  onChange: (group: number | undefined) => void;
}) {
  const t = useTranslations();
  return (
    <TextField
      select
      label={t('plan.forWhom')}
      value={value ?? 0}
      onChange={(e) => onChange(Number(e.target.value) || undefined)}
    >
      <MenuItem value={0}>{t('plan.everyone')}</MenuItem>
      {groups.map((g) => (
        <MenuItem key={g.id} value={g.id}>
          {g.name}
        </MenuItem>
      ))}
    </TextField>
  );
}
