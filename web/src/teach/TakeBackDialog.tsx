import { Typography } from '@mui/material';
import { useMutation } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import * as z from 'zod/mini';
import { type ApprovalGiven, api } from '../api/client';
import { useCourse } from '../frame/course';
import { Field, FormDialog } from '../ui/FormDialog';
import { useNotice } from '../ui/Notice';
import { filled, useFields } from '../ui/useFields';

const back = z.object({ reason: filled() });

/** Takes an approval back, with the reason that stays in the learner's history. */
export function TakeBackDialog({
  of,
  onClose,
  onDone,
}: {
  of: ApprovalGiven;
  onClose: () => void;
  onDone: () => void;
}) {
  const t = useTranslations();
  const course = useCourse();
  const notice = useNotice();
  const fields = useFields(back, { reason: '' });
  const take = useMutation({
    mutationFn: (sent: z.infer<typeof back>) =>
      api.POST('/api/courses/{course}/approvals/{enrolment}/taking-back', {
        params: { path: { course: course.id, enrolment: of.enrolment } },
        body: sent,
      }),
    onSuccess: () => {
      notice({ tone: 'success', text: t('teach.approvalGone', { name: of.name }) });
      onDone();
    },
  });
  return (
    <FormDialog
      title={t('teach.takeBackApproval', { name: of.name })}
      fields={fields}
      send={take}
      button={t('teach.takeBack')}
      onClose={onClose}
      byEnter={false}
    >
      <Typography>{t('teach.takeBackHint')}</Typography>
      <Field of={fields} name="reason" label={t('teach.takeBackWhy')} autoFocus required />
    </FormDialog>
  );
}
