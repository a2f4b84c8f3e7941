import { Typography } from '@mui/material';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import * as z from 'zod/mini';
import { api, body } from '../api/client';
import { useCourse } from '../frame/course';
import { Field, FormDialog } from '../ui/FormDialog';
import { useNotice } from '../ui/Notice';
import { useActKey } from '../ui/useActKey';
import { filled, useFields } from '../ui/useFields';
import { useNames } from '../ui/useNames';

/** How many are named. */
const NAMES = 6;

const writing = z.object({ subject: filled(), body: filled() });

interface Props {
  learners: { enrolment: number; name: string }[];
  onClose: () => void;
  onSent: () => void;
}

/** One text, a letter for each learner. */
export function WriteDialog({ learners, onClose, onSent }: Props) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const notice = useNotice();
  const fields = useFields(writing, {
    subject: t('reach.defaultSubject'),
    body: t('reach.defaultBody'),
  });
  const once = useActKey();
  const send = useMutation({
    mutationFn: (written: z.infer<typeof writing>) => {
      const letter = { learners: learners.map((l) => l.enrolment), ...written };
      return body(
        api.POST('/api/courses/{course}/letters', {
          params: { path: { course: course.id } },
          headers: once.headers(letter),
          body: letter,
        }),
      );
    },
    onSuccess: (done) => {
      once.renew();
      notice({ tone: 'success', text: t('reach.sent', { count: done.letters }) });
      for (const key of ['followUp', 'learner'])
        void client.invalidateQueries({ queryKey: [key, course.id] });
      onSent();
      onClose();
    },
  });
  const names = learners.map((l) => l.name);
  const shown = useNames()(names, NAMES);
  return (
    <FormDialog
      title={t('reach.title', { count: learners.length })}
      fields={fields}
      send={send}
      button={t('reach.send', { count: learners.length })}
      onClose={onClose}
      width="sm"
      byEnter={false}
    >
      <Typography variant="body2">{t('reach.to', { names: shown })}</Typography>
      <Field of={fields} name="subject" label={t('reach.subject')} sx={{ mt: 0.5 }} />
      <Field
        of={fields}
        name="body"
        label={t('reach.body')}
        helperText={t('reach.hint')}
        multiline
        minRows={9}
      />
    </FormDialog>
  );
}
