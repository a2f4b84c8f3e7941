import {
  Box,
  FormControl,
  FormControlLabel,
  FormHelperText,
  MenuItem,
  Switch,
  TextField,
} from '@mui/material';
import { useTranslations } from 'use-intl';
import type { Review, Taking } from '../../api/client';
import { FieldGroup } from '../../ui/FieldGroup';
import { least } from '../../ui/format';
import { SavedField } from '../../ui/SavedField';
import type { AuthorProps } from '../room';
import { useOwn } from '../shared/useOwn';
import { BandFields } from './BandFields';
import { takenAs } from './takenAs';

const COUNTS = ['BEST', 'LATEST', 'FIRST', 'MEAN'] as const;
const PAGES = ['ALL', 'ONE', 'FORWARD'] as const;
const THEN = ['HANDED_IN', 'FINISHED', 'NOTHING'] as const;
const WHEN = ['AT_ONCE', 'AFTER_ATTEMPT', 'NOTHING_TO_GAIN', 'PASSED', 'CLOSED', 'NEVER'] as const;
const LOOKED_AT = ['own', 'marks', 'feedback', 'right'] as const;
const AT_ONCE: Review = { own: 'AT_ONCE', right: 'AT_ONCE', feedback: 'AT_ONCE', marks: 'AT_ONCE' };
const USUAL: Review = {
  own: 'AFTER_ATTEMPT',
  right: 'NOTHING_TO_GAIN',
  feedback: 'AFTER_ATTEMPT',
  marks: 'AFTER_ATTEMPT',
};
const MOST_WAIT = 44_640;

/** How a quiz is taken: attempts, time, pages, what is looked at again, what is said. */
export function TakingFields({ step, part, change }: AuthorProps<'quiz'>) {
  const t = useTranslations();
  const [taking, setOwn] = useOwn(part.taking);
  const save = (next: Taking) => {
    setOwn(next);
    change({ part: { ...part, taking: next } });
  };
  const set = (some: Partial<Taking>) => save({ ...taking, ...some });
  const check = (selfCheck: boolean) => {
    const next = { ...taking, selfCheck, review: selfCheck ? AT_ONCE : USUAL };
    setOwn(next);
    change(takenAs(step, { ...part, taking }, next));
  };
  const box = (label: string, on: boolean, toggle: (on: boolean) => void) => (
    <FormControlLabel
      control={<Switch checked={on} onChange={(_, now) => toggle(now)} />}
      label={label}
    />
  );
  const choose = <T extends string>(
    label: string,
    value: T,
    of: readonly { value: T; name: string }[],
    onChoose: (value: T) => void,
  ) => (
    <TextField
      select
      label={label}
      value={value}
      onChange={(e) => onChoose(e.target.value as T)}
      slotProps={{ inputLabel: { shrink: true } }}
    >
      {of.map((o) => (
        <MenuItem key={o.value} value={o.value}>
          {o.name}
        </MenuItem>
      ))}
    </TextField>
  );
  const named = <T extends string>(values: readonly T[], name: (value: T) => string) =>
    values.map((value) => ({ value, name: name(value) }));
  return (
    <>
      <FormControl component="fieldset" variant="standard">
        {box(t('quiz.selfCheck'), taking.selfCheck, check)}
        <FormHelperText sx={{ mt: -0.5 }}>{t('quiz.selfCheckHint')}</FormHelperText>
      </FormControl>
      <FieldGroup title={t('quiz.attempts')}>
        <Box sx={{ display: 'flex', gap: 1 }}>
          <SavedField
            label={t('plan.attempts')}
            type="number"
            value={`${step.attempts}`}
            onSave={(v) => change({ attempts: Math.round(least(v, 0)) })}
          />
          <SavedField
            label={t('quiz.wait')}
            type="number"
            value={`${taking.waitMinutes}`}
            onSave={(v) => set({ waitMinutes: Math.min(MOST_WAIT, Math.round(least(v, 0))) })}
          />
        </Box>
        {!taking.selfCheck &&
          step.attempts !== 1 &&
          choose(
            t('quiz.counts'),
            step.counts,
            named(COUNTS, (c) => t(`quiz.count.${c}`)),
            (counts) => change({ counts }),
          )}
        <SavedField
          label={t('quiz.word')}
          helperText={t('quiz.wordHint')}
          value={taking.word}
          onSave={(word) => set({ word })}
          slotProps={{ htmlInput: { maxLength: 100 } }}
        />
      </FieldGroup>
      <FieldGroup title={t('quiz.time')}>
        {box(t('quiz.limited'), taking.limit !== undefined, (on) => {
          const { limit: _, ...rest } = taking;
          save(
            on ? { ...rest, limit: { minutes: 20, timeUp: 'HANDED_IN', graceMinutes: 0 } } : rest,
          );
        })}
        {taking.limit && (
          <LimitFields limit={taking.limit} onChange={(limit) => set({ limit })} choose={choose} />
        )}
      </FieldGroup>
      <FieldGroup title={t('quiz.layout')}>
        {choose(
          t('quiz.pages'),
          taking.pages,
          named(PAGES, (p) => t(`quiz.page.${p}`)),
          (pages) => set({ pages }),
        )}
        <Box>
          {box(t('quiz.mixed'), taking.mixed, (mixed) => set({ mixed }))}
          {box(t('quiz.choicesMixed'), taking.choicesMixed, (choicesMixed) =>
            set({ choicesMixed }),
          )}
        </Box>
      </FieldGroup>
      <FieldGroup title={t('quiz.lookedAt')}>
        {LOOKED_AT.map((what) => (
          <Box key={what}>
            {choose(
              t(`quiz.look.${what}`),
              taking.review[what],
              named(WHEN, (w) => t(`quiz.when.${w}`)),
              (when) => set({ review: { ...taking.review, [what]: when } }),
            )}
          </Box>
        ))}
        <FormHelperText>{t('quiz.lookedAtHint')}</FormHelperText>
      </FieldGroup>
      <FieldGroup title={t('quiz.bands')}>
        <BandFields bands={taking.bands} onChange={(bands) => set({ bands })} />
      </FieldGroup>
    </>
  );
}

type Choose = <T extends string>(
  label: string,
  value: T,
  of: readonly { value: T; name: string }[],
  onChoose: (value: T) => void,
) => React.ReactNode;

function LimitFields({
  limit,
  onChange,
  choose,
}: {
  limit: NonNullable<Taking['limit']>;
  onChange: (limit: NonNullable<Taking['limit']>) => void;
  choose: Choose;
}) {
  const t = useTranslations();
  return (
    <>
      <SavedField
        label={t('quiz.minutes')}
        type="number"
        value={`${limit.minutes}`}
        onSave={(v) => onChange({ ...limit, minutes: Math.min(10_080, Math.round(least(v, 1))) })}
      />
      {choose(
        t('quiz.then'),
        limit.timeUp,
        THEN.map((value) => ({ value, name: t(`quiz.thenIs.${value}`) })),
        (timeUp) => onChange({ ...limit, timeUp, graceMinutes: timeUp === 'FINISHED' ? 5 : 0 }),
      )}
      {limit.timeUp === 'FINISHED' && (
        <SavedField
          label={t('quiz.grace')}
          type="number"
          value={`${limit.graceMinutes}`}
          onSave={(v) =>
            onChange({ ...limit, graceMinutes: Math.min(120, Math.round(least(v, 0))) })
          }
        />
      )}
    </>
  );
}
