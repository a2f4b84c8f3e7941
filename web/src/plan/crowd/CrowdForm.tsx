import { Box, Button, FormControlLabel, FormHelperText, Switch } from '@mui/material';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import { api, body, type CrowdEdit, type Crowds } from '../../api/client';
import { useCourse } from '../../frame/course';
import { FieldGroup } from '../../ui/FieldGroup';
import { Fault, Field, placeFaults } from '../../ui/FormDialog';
import { begun, isUnderWay, useJobs } from '../../ui/jobs';
import { useFields } from '../../ui/useFields';
import { crowdSchema, inPercents, inShares } from './crowdFields';

/** Who walks, and what is around them. */
export function CrowdForm({ crowds }: { crowds: Crowds }) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const walking = useJobs(course.id).some((job) => job.what === 'crowd' && isUnderWay(job));
  const asked = crowds.last?.asked ?? crowds.usual;
  const fields = useFields(crowdSchema, {
    ...inPercents(asked),
    asBefore: asked.asBefore && crowds.like > 0,
  });
  const walk = useMutation({
    mutationFn: (asked: CrowdEdit) =>
      body(
        api.POST('/api/courses/{course}/design/crowd', {
          params: { path: { course: course.id } },
          body: inShares(asked),
        }),
      ),
    onSuccess: (job) => begun(client, course.id, job),
    onError: (e) => placeFaults(e, fields),
  });
  const asBefore = fields.watch('asBefore');
  const typed = (name: Exclude<keyof CrowdEdit, 'asBefore'>, hint?: string) => (
    <Field
      of={fields}
      name={name}
      label={t(`crowd.${name}`)}
      helperText={hint}
      type="number"
      size="small"
    />
  );
  const pair = { display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1 };
  return (
    <Box
      component="form"
      noValidate
      aria-label={t('crowd.who')}
      onSubmit={fields.handleSubmit((asked) => walk.mutate(asked))}
      sx={{ display: 'grid', gap: 1.5, '@media print': { display: 'none' } }}
    >
      <Fault error={walk.error} fields={fields} />
      <Box sx={pair}>
        {typed('learners')}
        {typed('weeks')}
      </Box>
      <FieldGroup title={t('crowd.folk')}>
        {crowds.like > 0 && (
          <FormControlLabel
            control={
              <Switch
                size="small"
                checked={asBefore}
                onChange={(_, on) => fields.setValue('asBefore', on)}
              />
            }
            label={t('crowd.asBefore', { count: crowds.like })}
          />
        )}
        {fields.formState.errors.asBefore && (
          <FormHelperText error>{fields.formState.errors.asBefore.message}</FormHelperText>
        )}
        {!asBefore && (
          <>
            <Box sx={pair}>
              {typed('ability')}
              {typed('spread')}
            </Box>
            <Box sx={pair}>
              {typed('perWeek')}
              {typed('paceSpread')}
            </Box>
          </>
        )}
        {typed('stopping')}
        <Box sx={pair}>
          {typed('attendance')}
          {typed('staffDays')}
        </Box>
        {typed('seed', t('crowd.seedHint'))}
      </FieldGroup>
      <Button type="submit" variant="contained" disabled={walking || walk.isPending}>
        {t(walking ? 'crowd.walking' : 'crowd.walk')}
      </Button>
    </Box>
  );
}
