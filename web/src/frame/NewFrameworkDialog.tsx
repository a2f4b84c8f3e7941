import { Typography } from '@mui/material';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { useTranslations } from 'use-intl';
import * as z from 'zod/mini';
import { api, body } from '../api/client';
import { queries } from '../api/queries';
import { Field, FormDialog } from '../ui/FormDialog';
import { filled, useFields } from '../ui/useFields';

const framework = z.object({ name: filled() });

/** Makes an empty framework of the institution and goes to write its outcomes. */
export default function NewFrameworkDialog({ onClose }: { onClose: () => void }) {
  const t = useTranslations();
  const client = useQueryClient();
  const navigate = useNavigate();
  const fields = useFields(framework, { name: '' });
  const make = useMutation({
    mutationFn: (made: z.infer<typeof framework>) =>
      body(api.POST('/api/frameworks', { body: made })),
    onSuccess: async (made) => {
      await client.invalidateQueries({ queryKey: queries.me().queryKey });
      onClose();
      void navigate(`/c/${made.id}/plan/outcomes`);
    },
  });
  return (
    <FormDialog
      title={t('frame.newFramework')}
      fields={fields}
      send={make}
      button={t('frame.makeFramework')}
      onClose={onClose}
    >
      <Typography color="textSecondary">{t('frame.frameworkHint')}</Typography>
      <Field of={fields} name="name" label={t('common.name')} autoFocus />
    </FormDialog>
  );
}
