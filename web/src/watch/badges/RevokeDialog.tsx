import { Typography } from '@mui/material';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import * as z from 'zod/mini';
import { api, type BadgeHeld, type BadgeHolder } from '../../api/client';
import { useCourse } from '../../frame/course';
import { Field, FormDialog } from '../../ui/FormDialog';
import { useNotice } from '../../ui/Notice';
import { filled, useFields } from '../../ui/useFields';

const why = z.object({ reason: filled() });

/** Takes a badge back; its holder reads the reason. */
export function RevokeDialog({
  badge,
  holder,
  onClose,
}: {
  badge: BadgeHeld;
  holder: BadgeHolder;
  onClose: () => void;
}) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const notice = useNotice();
  const fields = useFields(why, { reason: '' });
  const names = { name: holder.name, badge: badge.name };
  const revoke = useMutation({
    mutationFn: (body: z.infer<typeof why>) =>
      api.POST('/api/courses/{course}/learners/{enrolment}/badges/{badge}/revocation', {
        params: {
          path: { course: course.id, enrolment: holder.enrolment, badge: badge.badge },
        },
        body,
      }),
    onSuccess: () => {
      notice({ tone: 'success', text: t('held.wasRevoked', names) });
      void client.invalidateQueries({ queryKey: ['badges-held', course.id] });
      onClose();
    },
  });
  return (
    <FormDialog
      title={t('held.revokeTitle', names)}
      fields={fields}
      send={revoke}
      button={t('held.revokeButton')}
      onClose={onClose}
      byEnter={false}
    >
      <Typography>{t('held.revokeHint', names)}</Typography>
      <Field of={fields} name="reason" label={t('held.revokeWhy')} autoFocus required multiline />
    </FormDialog>
  );
}
