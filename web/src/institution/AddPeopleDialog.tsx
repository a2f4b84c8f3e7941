import { Alert, Box, Typography } from '@mui/material';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useWatch } from 'react-hook-form';
import { useTranslations } from 'use-intl';
import * as z from 'zod/mini';
import { ApiError, api, body } from '../api/client';
import { Field, FormDialog } from '../ui/FormDialog';
import { useActKey } from '../ui/useActKey';
import { filled, useFields } from '../ui/useFields';
import { useNames } from '../ui/useNames';
import { type PastedLine, readPasted } from './pasted';

const pasted = z.object({ people: filled() });
const MOST = 2000;

/** Adds people, one or many, and shows beside what was typed how it was understood. */
export default function AddPeopleDialog({ onClose }: { onClose: () => void }) {
  const t = useTranslations();
  const client = useQueryClient();
  const listed = useNames();
  const once = useActKey();
  const fields = useFields(pasted, { people: '' });
  const lines = readPasted(useWatch({ control: fields.control, name: 'people' }));
  const fine = lines.filter((l) => !l.wrong);
  const wrong = lines.filter((l) => l.wrong);
  const add = useMutation({
    mutationFn: async (_: z.infer<typeof pasted>) => {
      if (wrong[0]) throw refusal(says(wrong[0]));
      if (fine.length > MOST) throw refusal(t('institution.tooMany', { most: MOST }));
      const people = fine.map(({ name, email }) => ({ name, email }));
      try {
        return await body(
          api.POST('/api/people', { headers: once.headers(people), body: { people } }),
        );
      } catch (e) {
        throw atLine(e, fine, (line, why) => t('institution.lineWhy', { line, why }));
      }
    },
    onSuccess: () => {
      once.renew();
      fields.reset({ people: '' });
      void client.invalidateQueries({ queryKey: ['people'] });
    },
  });
  const says = (l: PastedLine) =>
    t('institution.lineWhy', { line: l.line, why: t(`institution.${l.wrong}`) });
  return (
    <FormDialog
      title={t('institution.add')}
      fields={fields}
      send={add}
      button={t('institution.addButton', { count: fine.length })}
      leave={t('common.close')}
      onClose={onClose}
      width="sm"
      byEnter={false}
    >
      {add.data && (
        <Alert severity={add.data.there.length > 0 ? 'warning' : 'success'}>
          <div>{t('institution.added', { count: add.data.added })}</div>
          {add.data.there.length > 0 && (
            <div>{t('institution.there', { names: listed(add.data.there, 10) })}</div>
          )}
        </Alert>
      )}
      <Field
        of={fields}
        name="people"
        label={t('institution.people')}
        helperText={t('institution.peopleHint')}
        multiline
        minRows={5}
        maxRows={12}
        autoFocus
        sx={{ mt: 0.5 }}
      />
      {wrong.length > 0 && (
        <Box role="status" sx={{ color: 'tone.madder' }}>
          {wrong.slice(0, 5).map((l) => (
            <div key={l.line}>{says(l)}</div>
          ))}
          {wrong.length > 5 && <div>{t('institution.more', { count: wrong.length - 5 })}</div>}
        </Box>
      )}
      {fine.length > 0 && <Understood lines={fine} />}
    </FormDialog>
  );
}

/** The first few as they will stand in the list. */
function Understood({ lines }: { lines: PastedLine[] }) {
  const t = useTranslations();
  return (
    <div>
      <Typography variant="h3" component="h3" color="textSecondary">
        {t('institution.understood')}
      </Typography>
      {lines.slice(0, 5).map((l) => (
        <Box key={l.line} sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1 }}>
          <Typography noWrap title={l.name} sx={{ fontWeight: 700 }}>
            {l.name}
          </Typography>
          <Typography noWrap title={l.email} color="textSecondary">
            {l.email}
          </Typography>
        </Box>
      ))}
      {lines.length > 5 && (
        <Typography color="textSecondary">
          {t('institution.more', { count: lines.length - 5 })}
        </Typography>
      )}
    </div>
  );
}

const refusal = (why: string) =>
  new ApiError({ detail: why, status: 422, fields: { people: why } });

/** What the server found wrong with one of the people, as it stands in the field. */
function atLine(
  error: unknown,
  lines: PastedLine[],
  say: (line: number, why: string) => string,
): unknown {
  if (!(error instanceof ApiError)) return error;
  for (const [field, why] of Object.entries(error.problem.fields ?? {})) {
    const line = lines[Number(/^people\[(\d+)]/.exec(field)?.[1])]?.line;
    if (line) return refusal(say(line, why));
  }
  return error;
}
