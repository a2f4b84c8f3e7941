import { Alert, Autocomplete, Box, TextField } from '@mui/material';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import * as z from 'zod/mini';
import { api, type BadgeHeld, body } from '../../api/client';
import { queries } from '../../api/queries';
import { useCourse } from '../../frame/course';
import { Field, FormDialog } from '../../ui/FormDialog';
import { useNotice } from '../../ui/Notice';
import { useActKey } from '../../ui/useActKey';
import { filled, useFields } from '../../ui/useFields';

const given = z.object({ reason: filled(), evidence: z.string() });

/** Gives a badge by hand to one or several, with a reason and what shows it. */
export function GiveDialog({
  badge,
  to,
  onClose,
}: {
  badge: BadgeHeld;
  to: number[];
  onClose: () => void;
}) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const notice = useNotice();
  const rows = useQuery(queries.progress(course.id)).data?.learners ?? [];
  const [chosen, setChosen] = useState(to);
  const fields = useFields(given, { reason: '', evidence: '' });
  const once = useActKey();
  const give = useMutation({
    mutationFn: ({ reason, evidence }: z.infer<typeof given>) => {
      const sent = { learners: chosen, reason, ...(evidence.trim() && { evidence }) };
      return body(
        api.POST('/api/courses/{course}/badges/{badge}/awards', {
          params: { path: { course: course.id, badge: badge.badge } },
          headers: once.headers(sent),
          body: sent,
        }),
      );
    },
    onSuccess: (done) => {
      once.renew();
      void client.invalidateQueries({ queryKey: ['badges-held', course.id] });
      if (done.given > 0)
        notice({ tone: 'success', text: t('held.wasGiven', { count: done.given }) });
      if (done.left.length === 0) onClose();
      else setChosen(done.left.map((l) => l.enrolment));
    },
  });
  return (
    <FormDialog
      title={t('held.giveTitle', { badge: badge.name })}
      fields={fields}
      send={give}
      button={t('held.giveButton', { count: chosen.length })}
      onClose={onClose}
      width="sm"
      byEnter={false}
    >
      {give.data && give.data.left.length > 0 && (
        <Alert severity="warning">
          {give.data.left.map((l) => (
            <div key={l.enrolment}>{l.why}</div>
          ))}
        </Alert>
      )}
      <Box>
        <Autocomplete
          multiple
          size="small"
          options={rows}
          value={rows.filter((r) => chosen.includes(r.enrolment))}
          getOptionLabel={(r) => r.name}
          getOptionKey={(r) => r.enrolment}
          isOptionEqualToValue={(a, b) => a.enrolment === b.enrolment}
          onChange={(_, now) => setChosen(now.map((r) => r.enrolment))}
          renderInput={(params) => (
            <TextField {...params} label={t('held.toWhom')} autoFocus={to.length === 0} />
          )}
        />
      </Box>
      <Field
        of={fields}
        name="reason"
        label={t('held.why')}
        helperText={t('held.whyHint')}
        required
        multiline
        minRows={2}
      />
      <Field
        of={fields}
        name="evidence"
        label={t('held.evidenceAddress')}
        helperText={t('held.evidenceHint')}
      />
    </FormDialog>
  );
}
