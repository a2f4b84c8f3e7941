import { Box, Checkbox, FormControlLabel, MenuItem, Typography } from '@mui/material';
import { useMutation } from '@tanstack/react-query';
import { useController, useWatch } from 'react-hook-form';
import { useTranslations } from 'use-intl';
import * as z from 'zod/mini';
import type { DesignStep, StepEdit } from '../../api/client';
import { Choice, Field, FormDialog } from '../../ui/FormDialog';
import { fromLocalInput } from '../../ui/format';
import { type Fields, useFields, whole } from '../../ui/useFields';
import { FormWhen } from '../../ui/when/FormWhen';
import { when } from '../../ui/when/schema';
import type { Several } from './useSeveral';

const NAMES = ['opensAt', 'dueAt', 'lateUntil', 'closesAt'] as const;
type Name = (typeof NAMES)[number];

const dates = z.object({
  how: z.enum(['move', 'set']),
  by: whole(1, 3653),
  unit: z.enum(['DAYS', 'WEEKS']),
  way: z.enum(['later', 'earlier']),
  opensAt: when('moment'),
  dueAt: when('moment'),
  lateUntil: when('moment'),
  closesAt: when('moment'),
  none: z.array(z.enum(NAMES)),
});
type Dates = z.infer<typeof dates>;
type Typed = z.input<typeof dates>;

interface Props {
  steps: DesignStep[];
  several: Several;
  onClose: () => void;
}

/** All dates of some steps so much later or earlier, or some of them the same for all. */
export default function DatesDialog({ steps, several, onClose }: Props) {
  const t = useTranslations();
  const fields = useFields<Typed, Dates>(dates, {
    how: 'move',
    by: 1,
    unit: 'WEEKS',
    way: 'later',
    opensAt: '',
    dueAt: '',
    lateUntil: '',
    closesAt: '',
    none: [],
  });
  const how = useWatch({ control: fields.control, name: 'how' });
  const send = useMutation({
    meta: { silent: true },
    mutationFn: async (filled: Dates) => {
      if (filled.how === 'set') return several.set(steps, chosen(filled));
      const days = filled.by * (filled.unit === 'WEEKS' ? 7 : 1);
      return several.later(steps, filled.way === 'later' ? days : -days);
    },
    onSuccess: onClose,
  });
  return (
    <FormDialog
      title={t('plan.severalDatesOf', { count: steps.length })}
      fields={fields}
      send={send}
      button={t(how === 'move' ? 'plan.severalMoveDates' : 'plan.severalSetDates')}
      onClose={onClose}
      width="sm"
    >
      <Choice
        of={fields}
        name="how"
        label={t('plan.severalDates')}
        options={[
          { value: 'move', name: t('plan.severalMoveDates') },
          { value: 'set', name: t('plan.severalSetDates') },
        ]}
      />
      {how === 'move' ? (
        <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr 1fr', gap: 1.5 }}>
          <Field of={fields} name="by" label={t('plan.severalBy')} type="number" autoFocus />
          <Field of={fields} name="unit" label={t('plan.againUnit')} select>
            <MenuItem value="DAYS">{t('plan.againDays')}</MenuItem>
            <MenuItem value="WEEKS">{t('plan.againWeeks')}</MenuItem>
          </Field>
          <Field of={fields} name="way" label={t('plan.severalWay')} select>
            <MenuItem value="later">{t('plan.severalLater')}</MenuItem>
            <MenuItem value="earlier">{t('plan.severalEarlier')}</MenuItem>
          </Field>
        </Box>
      ) : (
        <>
          {NAMES.map((name) => (
            <OneDate key={name} fields={fields} name={name} />
          ))}
          <Typography variant="body2" color="textSecondary">
            {t('plan.severalEmptyDate')}
          </Typography>
        </>
      )}
    </FormDialog>
  );
}

/** The dates that are typed, and those that are to go. */
function chosen(filled: Dates): Partial<StepEdit> {
  const to: Partial<Record<Name, string | undefined>> = {};
  for (const name of NAMES) {
    if (filled.none.includes(name)) to[name] = undefined;
    else if (filled[name]) to[name] = fromLocalInput(filled[name]);
  }
  return to as Partial<StepEdit>;
}

function OneDate({ fields, name }: { fields: Fields<Typed, Dates>; name: Name }) {
  const t = useTranslations();
  const { field } = useController<Typed, 'none', Dates>({ control: fields.control, name: 'none' });
  const none = field.value.includes(name);
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: '1fr auto', gap: 1, alignItems: 'center' }}>
      <FormWhen
        of={fields}
        name={name}
        label={t(`plan.${name}`)}
        kind="moment"
        {...(name === 'opensAt' && { usual: '00:00' })}
        disabled={none}
      />
      <FormControlLabel
        control={
          <Checkbox
            checked={none}
            onChange={(_, on) =>
              field.onChange(on ? [...field.value, name] : field.value.filter((n) => n !== name))
            }
          />
        }
        label={t('plan.severalNoDate')}
      />
    </Box>
  );
}
