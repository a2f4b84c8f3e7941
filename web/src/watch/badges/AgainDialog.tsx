import { Typography } from '@mui/material';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import * as z from 'zod/mini';
import { api, type RegisteredCertificate } from '../../api/client';
import { queries } from '../../api/queries';
import { useCourse } from '../../frame/course';
import { Field, FormDialog } from '../../ui/FormDialog';
import { useNotice } from '../../ui/Notice';
import { filled, useFields } from '../../ui/useFields';

const why = z.object({ reason: filled() });

/** Gives a certificate anew, in the name that its holder has now. */
export function AgainDialog({
  certificate,
  onClose,
}: {
  certificate: RegisteredCertificate;
  onClose: () => void;
}) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const notice = useNotice();
  const other = certificate.name !== certificate.learner;
  const fields = useFields(why, { reason: other ? t('certificates.anotherName') : '' });
  const names = { number: certificate.number, name: certificate.learner };
  const again = useMutation({
    mutationFn: (body: z.infer<typeof why>) =>
      api.POST('/api/courses/{course}/certificates/{certificate}/again', {
        params: { path: { course: course.id, certificate: certificate.id } },
        body,
      }),
    onSuccess: () => {
      notice({ tone: 'success', text: t('certificates.wasGivenAnew', names) });
      onClose();
    },
    onSettled: () =>
      client.invalidateQueries({ queryKey: queries.certificates(course.id).queryKey }),
  });
  return (
    <FormDialog
      title={t('certificates.againTitle', names)}
      fields={fields}
      send={again}
      button={t('certificates.againButton')}
      onClose={onClose}
      byEnter={false}
    >
      <Typography>{t('certificates.againHint', names)}</Typography>
      <Field of={fields} name="reason" label={t('certificates.why')} autoFocus required multiline />
    </FormDialog>
  );
}
