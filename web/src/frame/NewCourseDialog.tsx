import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { useTranslations } from 'use-intl';
import * as z from 'zod/mini';
import { api, body } from '../api/client';
import { queries } from '../api/queries';
import { Field, FormDialog } from '../ui/FormDialog';
import { filled, useFields, whole } from '../ui/useFields';

const today = () => new Date().toISOString().slice(0, 10);

const course = z.object({
  name: filled(),
  cohort: z.string(),
  starts: filled(),
  weeks: whole(1, 520),
});

/** Makes an empty course and goes to plan it. */
export default function NewCourseDialog({ onClose }: { onClose: () => void }) {
  const t = useTranslations();
  const client = useQueryClient();
  const navigate = useNavigate();
  const fields = useFields(course, { name: '', cohort: '', starts: today(), weeks: '10' });
  const make = useMutation({
    mutationFn: (made: z.infer<typeof course>) => {
      const { timeZone: zone } = Intl.DateTimeFormat().resolvedOptions();
      return body(api.POST('/api/courses', { body: { ...made, zone } }));
    },
    onSuccess: async (made) => {
      await client.invalidateQueries({ queryKey: queries.me().queryKey });
      onClose();
      void navigate(`/c/${made.id}/plan/outcomes`);
    },
  });
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
      <Field of={fields} name="starts" label={t('frame.starts')} type="date" />
      <Field of={fields} name="weeks" label={t('frame.weeks')} type="number" />
    </FormDialog>
  );
}
