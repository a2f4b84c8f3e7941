import { Box, MenuItem } from '@mui/material';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { addDays, format, startOfWeek } from 'date-fns';
import { useWatch } from 'react-hook-form';
import { useTranslations } from 'use-intl';
import * as z from 'zod/mini';
import { api, body, type Calendar, type SeriesEdit } from '../api/client';
import { useCourse } from '../frame/course';
import { DAYS } from '../ui/days';
import { Choice, Field, FormDialog } from '../ui/FormDialog';
import { useNotice } from '../ui/Notice';
import { filled, useFields, whole } from '../ui/useFields';
import { FormWhen } from '../ui/when/FormWhen';
import { filledWhen } from '../ui/when/schema';
import { EVERYONE, GroupField } from './GroupField';

const series = z.object({
  name: filled(),
  group: z.number(),
  days: z.array(z.enum(DAYS)).check(z.minLength(1)),
  time: filledWhen('time'),
  minutes: whole(5, 1440),
  everyWeeks: z.number(),
  from: filledWhen('day'),
  until: filledWhen('day'),
});

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
  const fields = useFields(series, {
    name: '',
    group: EVERYONE,
    days: [],
    time: '18:30',
    minutes: 120,
    everyWeeks: 1,
    from: format(today, 'yyyy-MM-dd'),
    until: format(addDays(today, 70), 'yyyy-MM-dd'),
  });
  const add = useMutation({
    mutationFn: ({ group, ...filled }: z.output<typeof series>) =>
      body(
        api.POST('/api/courses/{course}/sessions', {
          params: { path: { course: course.id } },
          body: { ...filled, ...(group !== EVERYONE && { group }) },
        }),
      ),
    onSuccess: (added) => {
      void client.invalidateQueries({ queryKey: ['sessions', course.id] });
      notice({ tone: 'success', text: t('teach.sessionsAdded', { count: added.length }) });
      if (added[0]) onAdded(added[0].id);
      onClose();
    },
  });
  const [days, from, until, everyWeeks] = useWatch({
    control: fields.control,
    name: ['days', 'from', 'until', 'everyWeeks'],
  });
  return (
    <FormDialog
      title={t('teach.addSessions')}
      fields={fields}
      send={add}
      button={t('teach.addCount', { count: count({ days, from, until, everyWeeks }) })}
      onClose={onClose}
    >
      <Field
        of={fields}
        name="name"
        label={t('common.name')}
        placeholder={t('teach.sessionExample')}
        autoFocus
        sx={{ mt: 0.5 }}
      />
      <GroupField of={fields} name="group" groups={groups} />
      <Choice
        of={fields}
        name="days"
        several
        label={t('teach.weekdays')}
        options={DAYS.map((d) => ({
          value: d,
          name: t(`days.${d}`),
          short: t(`days.${d}`).slice(0, 2),
        }))}
      />
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr 1.2fr', gap: 1.5 }}>
        <FormWhen of={fields} name="time" label={t('teach.time')} kind="time" />
        <Field of={fields} name="minutes" label={t('plan.minutes')} type="number" />
        <Field of={fields} name="everyWeeks" label={t('teach.repeats')} select>
          {[1, 2, 3, 4].map((weeks) => (
            <MenuItem key={weeks} value={weeks}>
              {t('teach.everyWeeks', { count: weeks })}
            </MenuItem>
          ))}
        </Field>
      </Box>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5 }}>
        <FormWhen of={fields} name="from" label={t('teach.from')} kind="day" />
        <FormWhen of={fields} name="until" label={t('teach.until')} kind="day" />
      </Box>
    </FormDialog>
  );
}
