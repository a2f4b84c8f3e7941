import { Alert, Autocomplete, Box, Button, TextField } from '@mui/material';
import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { useWatch } from 'react-hook-form';
import { useTranslations } from 'use-intl';
import * as z from 'zod/mini';
import { api, body, type Candidate, type Enrolled } from '../api/client';
import { queries } from '../api/queries';
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
    mutationFn: (filled: z.infer<typeof typed> & { anyway?: boolean }) => {
      const sent = { emails: addresses(filled.emails), anyway: filled.anyway ?? false };
      return body(
        api.POST('/api/courses/{course}/roster', {
          params: { path: { course: course.id } },
          headers: once.headers(sent),
          body: sent,
        }),
      );
    },
    onSuccess: (done) => {
      once.renew();
      fields.reset({ emails: done.unknown.join('\n') });
      for (const key of ['progress', 'roster', 'groups', 'held'])
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
        <Alert severity={done.unknown.length + done.refused.length > 0 ? 'warning' : 'success'}>
          <div>{t('watch.enrolled', { count: done.enrolled })}</div>
          {done.there.length > 0 && (
            <div>{t('watch.enrolledThere', { names: listed(done.there) })}</div>
          )}
          {done.unknown.length > 0 && (
            <div>{t('watch.enrolledUnknown', { names: listed(done.unknown) })}</div>
          )}
          {done.held.length > 0 && (
            <KeptOut says={t('watch.enrolledHeld', { count: done.held.length })} who={done.held} />
          )}
          {done.refused.length > 0 && (
            <>
              <KeptOut
                says={t('watch.enrolledRefused', { count: done.refused.length })}
                who={done.refused}
              />
              <Button
                size="small"
                disabled={enrol.isPending}
                onClick={() =>
                  enrol.mutate({
                    emails: done.refused.map((r) => r.email).join('\n'),
                    anyway: true,
                  })
                }
              >
                {t('watch.enrolAnyway', { count: done.refused.length })}
              </Button>
            </>
          )}
        </Alert>
      )}
      <FindPeople
        onTake={(email) => {
          const others = addresses(fields.getValues('emails')).filter((e) => e !== email);
          fields.setValue('emails', [...others, email].join('\n'), { shouldDirty: true });
        }}
      />
      <Field
        of={fields}
        name="emails"
        label={t('watch.enrolEmails')}
        helperText={t('watch.enrolHint')}
        multiline
        minRows={4}
      />
    </FormDialog>
  );
}

/** Finds people by part of a name; Enter takes the first. */
function FindPeople({ onTake }: { onTake: (email: string) => void }) {
  const t = useTranslations();
  const course = useCourse();
  const [text, setText] = useState('');
  const asked = useDeferredValue(text);
  const found = useQuery({
    ...queries.candidates(course.id, asked),
    placeholderData: keepPreviousData,
  });
  const options = text.trim().length > 1 ? (found.data ?? []) : [];
  return (
    <Autocomplete<Candidate, false, true, false>
      autoHighlight
      disableClearable
      forcePopupIcon={false}
      value={null as unknown as Candidate}
      inputValue={text}
      options={options}
      filterOptions={(all) => all}
      getOptionLabel={(p) => p.name}
      getOptionKey={(p) => p.person}
      open={text.trim().length > 1 && !found.isFetching}
      noOptionsText={t('watch.nobodyFound', { text })}
      onInputChange={(_, next, why) => why !== 'reset' && setText(next)}
      onChange={(_, p) => {
        onTake(p.email);
        setText('');
      }}
      renderOption={({ key, ...line }, p) => (
        <Box component="li" key={key} {...line} sx={{ display: 'flex', gap: 1 }}>
          <span>{p.name}</span>
          <Box component="span" sx={{ color: 'tone.soft', ml: 'auto' }}>
            {p.email}
          </Box>
        </Box>
      )}
      renderInput={(params) => <TextField {...params} autoFocus label={t('watch.enrolFind')} />}
    />
  );
}

/** Whom the prerequisites keep out, each with what is missing. */
function KeptOut({ says, who }: { says: string; who: Enrolled['held'] }) {
  const listed = useNames();
  return (
    <div>
      {says}
      <Box component="ul" sx={{ my: 0, pl: 2 }}>
        {who.map((one) => (
          <li key={one.email}>
            {one.email} ({listed(one.missing)})
          </li>
        ))}
      </Box>
    </div>
  );
}
