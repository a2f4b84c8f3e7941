import { useMutation } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import * as z from 'zod/mini';
import { api } from '../api/client';
import { Field, FormDialog } from '../ui/FormDialog';
import { useNotice } from '../ui/Notice';
import { useFields } from '../ui/useFields';

const password = () => z.string().check(z.minLength(1), z.maxLength(200));
const change = z.object({ now: password(), next: password() });

/** Changes one's own password. */
export default function PasswordDialog({ onClose }: { onClose: () => void }) {
  const t = useTranslations();
  const notice = useNotice();
  const fields = useFields(change, { now: '', next: '' });
  const send = useMutation({
    mutationFn: (edit: z.infer<typeof change>) => api.PUT('/api/account/password', { body: edit }),
    onSuccess: () => {
      notice({ tone: 'success', text: t('session.passwordChanged') });
      onClose();
    },
  });
  return (
    <FormDialog
      title={t('session.changePassword')}
      fields={fields}
      send={send}
      button={t('session.setPassword')}
      onClose={onClose}
    >
      <Field
        of={fields}
        name="now"
        label={t('session.passwordNow')}
        type="password"
        autoComplete="current-password"
        autoFocus
      />
      <Field
        of={fields}
        name="next"
        label={t('session.newPassword')}
        type="password"
        autoComplete="new-password"
        helperText={t('session.passwordHint')}
      />
    </FormDialog>
  );
}
