import { Box, Button, Typography } from '@mui/material';
import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { useWatch } from 'react-hook-form';
import { useTranslations } from 'use-intl';
import * as z from 'zod/mini';
import { api, body } from '../api/client';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { Field, FormDialog } from '../ui/FormDialog';
import { useNotice } from '../ui/Notice';
import { useActKey } from '../ui/useActKey';
import { type Fields, filled, useFields } from '../ui/useFields';
import { useNames } from '../ui/useNames';

/** How many are named. */
const NAMES = 6;

const writing = z.object({ subject: filled(), body: filled() });

interface Props {
  learners: { enrolment: number; name: string }[];
  onClose: () => void;
  onSent: () => void;
}

/** The letter as one of them gets it, as it is being written. */
function Preview({
  fields,
  learners,
}: {
  fields: Fields<z.infer<typeof writing>>;
  learners: Props['learners'];
}) {
  const t = useTranslations();
  const course = useCourse();
  const [at, setAt] = useState(0);
  const learner = learners[at];
  const [subject, body] = useDeferredValue(
    useWatch({ control: fields.control, name: ['subject', 'body'] }),
  );
  const filled = useQuery({
    ...queries.filledIn(course.id, learner?.enrolment ?? 0, subject, body),
    enabled: learner !== undefined,
    placeholderData: keepPreviousData,
  }).data;
  if (!filled) return null;
  return (
    <Box
      component="section"
      aria-label={t('reach.preview', { name: filled.to })}
      sx={{ border: 1, borderColor: 'divider', borderRadius: 1, bgcolor: 'tone.ground', p: 1.5 }}
    >
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, mb: 0.5 }}>
        <Typography variant="h3" component="h3" color="textSecondary" sx={{ flex: 1 }}>
          {t('reach.preview', { name: filled.to })}
        </Typography>
        {learners.length > 1 && (
          <Button size="small" onClick={() => setAt((at + 1) % learners.length)}>
            {t('reach.nextPreview')}
          </Button>
        )}
      </Box>
      <Typography sx={{ fontWeight: 700 }}>{filled.subject}</Typography>
      <Typography variant="body2" sx={{ whiteSpace: 'pre-wrap' }}>
        {filled.body}
      </Typography>
    </Box>
  );
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
        minRows={7}
      />
      <Preview fields={fields} learners={learners} />
    </FormDialog>
  );
}
