import { FormControlLabel, MenuItem, Switch } from '@mui/material';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense, useState } from 'react';
import { useNavigate } from 'react-router';
import { useTranslations } from 'use-intl';
import * as z from 'zod/mini';
import { api, body, type CopyReport } from '../api/client';
import { queries } from '../api/queries';
import { Field, FormDialog } from '../ui/FormDialog';
import { filled, useFields, whole } from '../ui/useFields';
import { useLine } from '../ui/useNames';
import { FormWhen } from '../ui/when/FormWhen';
import { filledWhen } from '../ui/when/schema';

const CopyReportView = lazy(async () => {
  const { CopyReportView: view } = await import('../plan/copying/CopyReportView');
  return { default: view };
});

const today = () => new Date().toISOString().slice(0, 10);

const course = z.object({
  name: filled(),
  cohort: z.string(),
  starts: filledWhen('day'),
  weeks: whole(1, 520),
  from: z.number(),
  practice: z.boolean(),
});

/** Makes a course, empty or a copy of another one, and goes to plan it. */
export default function NewCourseDialog({ onClose }: { onClose: () => void }) {
  const t = useTranslations();
  const client = useQueryClient();
  const navigate = useNavigate();
  const line = useLine();
  const fields = useFields(course, {
    name: '',
    cohort: '',
    starts: today(),
    weeks: '10',
    from: 0,
    practice: false,
  });
  const [report, setReport] = useState<CopyReport | null>(null);
  const me = useQuery(queries.me());
  const own = (me.data?.courses ?? []).filter((c) => c.role === 'DESIGNER' && !c.framework);
  const make = useMutation({
    mutationFn: ({ from, ...made }: z.infer<typeof course>) => {
      const { timeZone: zone } = Intl.DateTimeFormat().resolvedOptions();
      return body(api.POST('/api/courses', { body: { ...made, zone, ...(from && { from }) } }));
    },
    onSuccess: async (made) => {
      await client.invalidateQueries({ queryKey: queries.me().queryKey });
      void navigate(`/c/${made.id}/plan/${made.copied ? 'route' : 'outcomes'}`);
      if (made.copied && made.copied.left.length > 0) setReport(made.copied);
      else onClose();
    },
  });
  if (report)
    return (
      <Suspense fallback={null}>
        <CopyReportView report={report} onClose={onClose} />
      </Suspense>
    );
  return (
    <FormDialog
      title={t('frame.newCourse')}
      fields={fields}
      send={make}
      button={t('frame.makeCourse')}
      onClose={onClose}
    >
      <Field of={fields} name="name" label={t('common.name')} autoFocus sx={{ mt: 0.75 }} />
      <Field of={fields} name="cohort" label={t('frame.cohort')} />
      {own.length > 0 && (
        <Field of={fields} name="from" label={t('frame.beginWith')} select>
          <MenuItem value={0}>{t('frame.beginEmpty')}</MenuItem>
          {own.map((c) => (
            <MenuItem key={c.id} value={c.id}>
              {t('frame.beginCopy', { course: line(c.name, c.cohort) })}
            </MenuItem>
          ))}
        </Field>
      )}
      <FormWhen of={fields} name="starts" label={t('frame.starts')} kind="day" />
      <Field of={fields} name="weeks" label={t('frame.weeks')} type="number" />
      <FormControlLabel
        control={<Switch {...fields.register('practice')} />}
        label={t('frame.practiceCourse')}
      />
    </FormDialog>
  );
}
