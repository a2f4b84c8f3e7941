import { Box, Chip, MenuItem, Typography } from '@mui/material';
import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { useWatch } from 'react-hook-form';
import { useTranslations } from 'use-intl';
import * as z from 'zod/mini';
import type { Design, DesignStep, SameAgain, StepCopy } from '../api/client';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { DAYS } from '../ui/days';
import { Choice, Field, FormDialog } from '../ui/FormDialog';
import { dayIn } from '../ui/format';
import { useActKey } from '../ui/useActKey';
import { useFields, whole } from '../ui/useFields';
import { isStandard } from '../ui/when/standard';
import { WhenField } from '../ui/when/WhenField';
import type { Draft } from './useDraft';

const again = z.object({
  every: whole(0, 366),
  unit: z.enum(['DAYS', 'WEEKS']),
  times: whole(1, 60),
  weekdaysOut: z.array(z.enum(DAYS)),
});

interface Props {
  design: Design;
  step: DesignStep;
  draft: Draft;
  onClose: () => void;
}

/** The same step again, so many days or weeks later each, with what it comes to shown before. */
export default function SameAgainDialog({ design, step, draft, onClose }: Props) {
  const t = useTranslations();
  const [daysOut, setDaysOut] = useState<string[]>([]);
  const fields = useFields(again, { every: 1, unit: 'WEEKS', times: 1, weekdaysOut: [] });
  const once = useActKey();
  const typed = again.safeParse(useWatch({ control: fields.control }));
  const asked = typed.success ? { ...typed.data, daysOut } : null;
  const make = useMutation({
    meta: { silent: true },
    mutationFn: (filled: z.infer<typeof again>) => {
      const wanted = { ...filled, daysOut };
      return draft.again(step, wanted, once.headers(wanted));
    },
    onSuccess: onClose,
  });
  return (
    <FormDialog
      title={t('plan.again', { step: step.name })}
      fields={fields}
      send={make}
      button={t('plan.againButton', { count: asked?.times ?? 0 })}
      onClose={onClose}
      width="sm"
    >
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr 1fr', gap: 1.5, mt: 0.5 }}>
        <Field of={fields} name="times" label={t('plan.againTimes')} type="number" autoFocus />
        <Field of={fields} name="every" label={t('plan.againEvery')} type="number" />
        <Field of={fields} name="unit" label={t('plan.againUnit')} select>
          <MenuItem value="DAYS">{t('plan.againDays')}</MenuItem>
          <MenuItem value="WEEKS">{t('plan.againWeeks')}</MenuItem>
        </Field>
      </Box>
      <div>
        <Typography variant="h3" component="h3" color="textSecondary" sx={{ mb: 0.5 }}>
          {t('plan.againWithout')}
        </Typography>
        <Choice
          of={fields}
          name="weekdaysOut"
          several
          label={t('plan.againWeekdays')}
          options={DAYS.map((d) => ({
            value: d,
            name: t(`days.${d}`),
            short: t(`days.${d}`).slice(0, 2),
          }))}
        />
        <DaysOut days={daysOut} onChange={setDaysOut} />
      </div>
      {asked && <Preview step={step} asked={asked} zone={design.zone} />}
    </FormDialog>
  );
}

/** Single days on which none falls. */
function DaysOut({ days, onChange }: { days: string[]; onChange: (days: string[]) => void }) {
  const t = useTranslations();
  const [typed, setTyped] = useState('');
  const add = (day: string) => {
    if (!isStandard(day, 'day')) return;
    if (!days.includes(day)) onChange([...days, day].sort());
    setTyped('');
  };
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center', mt: 1 }}>
      <WhenField
        label={t('plan.againDay')}
        kind="day"
        value={typed}
        onChange={setTyped}
        onBlur={() => add(typed)}
        onKeyDown={(e) => {
          if (e.key !== 'Enter') return;
          e.preventDefault();
          add(typed);
        }}
        sx={{ width: 220 }}
      />
      {days.map((day) => (
        <Chip
          key={day}
          sx={{ borderRadius: 1 }}
          label={dayIn(`${day}T12:00:00Z`, 'UTC')}
          onDelete={() => onChange(days.filter((d) => d !== day))}
        />
      ))}
    </Box>
  );
}

const SHOWN = 8;

function Preview({ step, asked, zone }: { step: DesignStep; asked: SameAgain; zone: string }) {
  const t = useTranslations();
  const course = useCourse();
  const copies = useQuery({
    ...queries.copies(course.id, step.id, useDeferredValue(asked)),
    placeholderData: keepPreviousData,
  });
  if (copies.error)
    return (
      <Typography role="alert" sx={{ color: 'tone.madder' }}>
        {copies.error.message}
      </Typography>
    );
  const all = copies.data ?? [];
  const when = (c: StepCopy) => {
    if (c.dueAt) return t('plan.againDue', { date: dayIn(c.dueAt, zone) });
    if (c.opensAt) return t('plan.againFrom', { date: dayIn(c.opensAt, zone) });
    return c.closesAt ? t('plan.againUntil', { date: dayIn(c.closesAt, zone) }) : '';
  };
  return (
    <div>
      <Typography variant="h3" component="h3" color="textSecondary">
        {t('plan.againPreview')}
      </Typography>
      {all.slice(0, SHOWN).map((c) => (
        <Box key={c.name} sx={{ display: 'grid', gridTemplateColumns: '1fr auto', gap: 2 }}>
          <Typography noWrap title={c.name} sx={{ fontWeight: 700 }}>
            {c.name}
          </Typography>
          <Typography color="textSecondary">{when(c) || t('plan.againNoDate')}</Typography>
        </Box>
      ))}
      {all.length > SHOWN && (
        <Typography color="textSecondary">
          {t('common.more', { count: all.length - SHOWN })}
        </Typography>
      )}
    </div>
  );
}
