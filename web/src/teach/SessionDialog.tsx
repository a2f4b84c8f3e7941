import { Button } from '@mui/material';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import * as z from 'zod/mini';
import { api, body, type Calendar, type Session } from '../api/client';
import { useCourse } from '../frame/course';
import { Field, FormDialog } from '../ui/FormDialog';
import { fromLocalInput, toLocalInput } from '../ui/format';
import { useNotice } from '../ui/Notice';
import { filled, useFields, whole } from '../ui/useFields';
import { FormWhen } from '../ui/when/FormWhen';
import { filledWhen } from '../ui/when/schema';
import { EVERYONE, GroupField } from './GroupField';

const changing = z.object({
  name: filled(),
  group: z.number(),
  startsAt: filledWhen('moment'),
  minutes: whole(5, 1440),
});

/** Changes one session, or takes it away. */
export function SessionDialog({
  session,
  groups,
  onClose,
  onGone,
}: {
  session: Session;
  groups: Calendar['groups'];
  onClose: () => void;
  onGone: () => void;
}) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const notice = useNotice();
  const fields = useFields(changing, {
    name: session.name,
    group: session.group ?? EVERYONE,
    startsAt: toLocalInput(session.startsAt),
    minutes: session.minutes,
  });
  const path = { course: course.id, session: session.id };
  const fresh = () => {
    void client.invalidateQueries({ queryKey: ['sessions', course.id] });
    void client.invalidateQueries({ queryKey: ['register', course.id, session.id] });
  };
  const save = useMutation({
    mutationFn: ({ name, group, startsAt, minutes }: z.output<typeof changing>) =>
      body(
        api.PUT('/api/courses/{course}/sessions/{session}', {
          params: { path, header: { 'If-Match': `"${session.version}"` } },
          body: {
            name,
            ...(group !== EVERYONE && { group }),
            startsAt: fromLocalInput(startsAt) ?? session.startsAt,
            minutes,
          },
        }),
      ),
    onSuccess: onClose,
    onSettled: fresh,
  });
  const remove = useMutation({
    mutationFn: () => api.DELETE('/api/courses/{course}/sessions/{session}', { params: { path } }),
    onSuccess: () => {
      notice({
        tone: 'success',
        text: t('common.gone', { name: session.name }),
        undo: () =>
          void api
            .POST('/api/courses/{course}/sessions/{session}/restoration', { params: { path } })
            .then(fresh),
      });
      onGone();
      onClose();
    },
    onSettled: fresh,
  });
  return (
    <FormDialog
      title={t('teach.changeSession')}
      fields={fields}
      send={{ ...save, error: save.error ?? remove.error }}
      button={t('common.save')}
      onClose={onClose}
      aside={
        <Button sx={{ mr: 'auto' }} onClick={() => remove.mutate()} disabled={remove.isPending}>
          {t('common.remove')}
        </Button>
      }
    >
      <Field of={fields} name="name" label={t('common.name')} sx={{ mt: 0.5 }} />
      <GroupField of={fields} name="group" groups={groups} />
      <FormWhen of={fields} name="startsAt" label={t('teach.starts')} kind="moment" usual="09:00" />
      <Field of={fields} name="minutes" label={t('plan.minutes')} type="number" />
    </FormDialog>
  );
}
