import { MenuItem, Typography } from '@mui/material';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useWatch } from 'react-hook-form';
import { useTranslations } from 'use-intl';
import * as z from 'zod/mini';
import { api, body } from '../api/client';
import { useCourse } from '../frame/course';
import { Choice, Field, FormDialog } from '../ui/FormDialog';
import { useNotice } from '../ui/Notice';
import { useActKey } from '../ui/useActKey';
import { chosen, useFields } from '../ui/useFields';
import { useNames } from '../ui/useNames';
import type { MasteryRow, OutcomeHead } from './spread';

/** How many are named. */
const NAMES = 6;

const rating = z.object({ outcome: z.number(), level: chosen(), note: z.string() });

interface Props {
  outcomes: OutcomeHead[];
  learners: MasteryRow[];
  /** The outcome to begin with, if one was chosen in the grid. */
  outcome: number | undefined;
  onClose: () => void;
}

/** One rating for every learner who is ticked, with a way back. */
export function RateDialog({ outcomes, learners, outcome, onClose }: Props) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const notice = useNotice();
  const rateable = outcomes.filter((o) => !o.composed && !o.retired);
  const fields = useFields(rating, {
    outcome: rateable.find((o) => o.id === outcome)?.id ?? rateable[0]?.id ?? 0,
    level: null,
    note: '',
  });
  const outcomeChosen = useWatch({ control: fields.control, name: 'outcome' });
  const on = rateable.find((o) => o.id === outcomeChosen);
  const fresh = () => {
    for (const key of ['mastery', 'cell', 'progress'])
      void client.invalidateQueries({ queryKey: [key, course.id] });
  };
  const path = { course: course.id };
  const once = useActKey();
  const rate = useMutation({
    mutationFn: (rated: z.output<typeof rating>) => {
      const given = { ...rated, learners: learners.map((l) => l.enrolment) };
      return body(
        api.POST('/api/courses/{course}/ratings', {
          params: { path },
          headers: once.headers(given),
          body: given,
        }),
      );
    },
    onSuccess: (given) => {
      once.renew();
      fresh();
      notice({
        tone: 'success',
        text: t('watch.rated', { count: given.length, code: on?.code ?? '' }),
        undo: () =>
          void api
            .POST('/api/courses/{course}/ratings/taken-back', {
              params: { path },
              body: { ratings: given, reason: t('watch.ratedBack') },
            })
            .then(fresh),
      });
      onClose();
    },
  });
  const names = learners.map((l) => l.name);
  const listed = useNames();
  return (
    <FormDialog
      title={t('watch.rateTitle', { count: learners.length })}
      fields={fields}
      send={rate}
      button={t('watch.rate', { count: learners.length })}
      onClose={onClose}
      width="sm"
    >
      <Typography variant="body2" color="textSecondary">
        {listed(names, NAMES)}
      </Typography>
      <Field
        of={fields}
        name="outcome"
        select
        label={t('watch.rateOutcome')}
        onChosen={() => fields.setValue('level', null)}
      >
        {rateable.map((o) => (
          <MenuItem key={o.id} value={o.id}>
            {o.code} {o.name}
          </MenuItem>
        ))}
      </Field>
      <Choice
        of={fields}
        name="level"
        label={t('watch.rateLevel')}
        options={(on?.levels ?? []).map((name, n) => ({
          value: n,
          name,
          strong: n >= (on?.mastery ?? 0),
        }))}
      />
      <Field of={fields} name="note" label={t('watch.rateNote')} multiline minRows={2} />
    </FormDialog>
  );
}
