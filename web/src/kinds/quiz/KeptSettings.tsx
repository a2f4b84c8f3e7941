import { Alert, Box, Button, MenuItem, TextField } from '@mui/material';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import equal from 'fast-deep-equal';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { api, type QuizSettings } from '../../api/client';
import { queries } from '../../api/queries';
import { useCourse } from '../../frame/course';
import { FieldGroup } from '../../ui/FieldGroup';
import type { AuthorProps } from '../room';
import { takenAs } from './takenAs';

const NAME = 60;

/** Sets of settings of one's own: used with one choice, kept under a name. */
export function KeptSettings({ step, part, change }: AuthorProps<'quiz'>) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const [naming, setNaming] = useState<string>();
  const kept = useQuery(queries.quizSettings(course.id)).data ?? [];
  const params = { path: { course: course.id } };
  const seen = () => client.invalidateQueries({ queryKey: ['quizSettings'] });
  const keep = useMutation({
    mutationFn: (set: QuizSettings) =>
      api.PUT('/api/courses/{course}/design/quiz-settings', { params, body: set }),
    onSuccess: () => {
      setNaming(undefined);
      void seen();
    },
  });
  const remove = useMutation({
    mutationFn: (name: string) =>
      api.POST('/api/courses/{course}/design/quiz-settings/removal', { params, body: { name } }),
    onSuccess: seen,
  });
  const { attempts, counts, passMark } = step;
  // The word that is said in the room is this quiz's own.
  const now = { taking: { ...part.taking, word: '' }, attempts, counts, passMark };
  const same = kept.find(({ name: _, ...set }) => equal(set, now));
  const use = (name: string) => {
    const set = kept.find((k) => k.name === name);
    if (!set) return;
    const taking = { ...set.taking, word: part.taking.word };
    change({
      attempts: set.attempts,
      counts: set.counts,
      passMark: set.passMark,
      ...takenAs(step, part, taking),
    });
  };
  const name = naming?.trim() ?? '';
  return (
    <FieldGroup title={t('quiz.settingsKept')}>
      {kept.length > 0 && (
        <TextField
          select
          label={t('quiz.settingsAs')}
          value={same?.name ?? ''}
          onChange={(e) => use(e.target.value)}
          slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
        >
          {!same && (
            <MenuItem value="" disabled>
              {t('quiz.settingsOwn')}
            </MenuItem>
          )}
          {kept.map((set) => (
            <MenuItem key={set.name} value={set.name}>
              {set.name}
            </MenuItem>
          ))}
        </TextField>
      )}
      {naming !== undefined && (
        <Box
          component="form"
          onSubmit={(e) => {
            e.preventDefault();
            if (name) keep.mutate({ name, ...now });
          }}
          sx={{ display: 'flex', gap: 1, alignItems: 'start' }}
        >
          <TextField
            autoFocus
            label={t('quiz.settingsName')}
            value={naming}
            helperText={kept.some((k) => k.name === name) ? t('quiz.settingsInPlace') : undefined}
            onChange={(e) => setNaming(e.target.value)}
            slotProps={{ htmlInput: { maxLength: NAME } }}
          />
          <Button type="submit" variant="contained" disabled={!name || keep.isPending}>
            {t('quiz.settingsKeep')}
          </Button>
        </Box>
      )}
      {(keep.error ?? remove.error) && (
        <Alert severity="error">{(keep.error ?? remove.error)?.message}</Alert>
      )}
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        {naming === undefined && !same && (
          <Button size="small" onClick={() => setNaming('')}>
            {t('quiz.settingsKeepAs')} …
          </Button>
        )}
        {naming !== undefined && (
          <Button size="small" onClick={() => setNaming(undefined)}>
            {t('common.cancel')}
          </Button>
        )}
        {same && (
          <Button size="small" onClick={() => remove.mutate(same.name)}>
            {t('quiz.settingsGone', { name: same.name })}
          </Button>
        )}
      </Box>
    </FieldGroup>
  );
}
