import { Alert } from '@mui/material';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useWatch } from 'react-hook-form';
import { useTranslations } from 'use-intl';
import * as z from 'zod/mini';
import { api, body } from '../api/client';
import { useCourse } from '../frame/course';
import { Field, FormDialog } from '../ui/FormDialog';
import { useActKey } from '../ui/useActKey';
import { filled, useFields } from '../ui/useFields';
import { useNames } from '../ui/useNames';

const typed = z.object({ emails: filled() });

const addresses = (text: string) => text.split(/[\s,;]+/).filter(Boolean);

/** Enrols people by e-mail address; says who was taken, who was there and who is unknown. */
export function EnrolDialog({ onClose }: { onClose: () => void }) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const listed = useNames();
  const fields = useFields(typed, { emails: '' });
  const count = addresses(useWatch({ control: fields.control, name: 'emails' })).length;
  const once = useActKey();
  const enrol = useMutation({
    mutationFn: (filled: z.infer<typeof typed>) => {
      const emails = addresses(filled.emails);
      return body(
        api.POST('/api/courses/{course}/roster', {
          params: { path: { course: course.id } },
          headers: once.headers(emails),
          body: { emails },
        }),
      );
    },
    onSuccess: (done) => {
      once.renew();
      fields.reset({ emails: done.unknown.join('\n') });
      for (const key of ['progress', 'roster', 'groups'])
        void client.invalidateQueries({ queryKey: [key, course.id] });
    },
  });
  const done = enrol.data;
  return (
    <FormDialog
      title={t('watch.enrol')}
      fields={fields}
      send={enrol}
      button={t('watch.enrolButton', { count })}
      leave={t('common.close')}
      onClose={onClose}
    >
      {done && (
        <Alert severity={done.unknown.length > 0 ? 'warning' : 'success'}>
          <div>{t('watch.enrolled', { count: done.enrolled })}</div>
          {done.there.length > 0 && (
            <div>{t('watch.enrolledThere', { names: listed(done.there) })}</div>
          )}
          {done.unknown.length > 0 && (
            <div>{t('watch.enrolledUnknown', { names: listed(done.unknown) })}</div>
          )}
        </Alert>
      )}
      <Field
        of={fields}
        name="emails"
        label={t('watch.enrolEmails')}
        helperText={t('watch.enrolHint')}
        multiline
        minRows={4}
        autoFocus
        sx={{ mt: 0.5 }}
      />
    </FormDialog>
  );
}
