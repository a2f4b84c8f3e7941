import {
  Autocomplete,
  Box,
  Button,
  FormControlLabel,
  FormHelperText,
  MenuItem,
  Switch,
  TextField,
} from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { fromLocalInput, percent, toLocalInput } from '../ui/format';
import { CutFields } from './CutFields';
import { SavedField } from './SavedField';
import type { StepPanelProps } from './StepInspector';

const DATES = ['opensAt', 'dueAt', 'closesAt'] as const;

/** The rubric of a step; its outcomes become outcomes of the step. */
function RubricField({ step, draft }: Pick<StepPanelProps, 'step' | 'draft'>) {
  const { t } = useTranslation();
  const course = useCourse();
  const rubrics = useQuery(queries.rubrics(course.id)).data ?? [];
  const choose = (id: number) => {
    const chosen = rubrics.find((r) => r.id === id);
    const outcomes = new Set(chosen?.criteria.flatMap((c) => c.outcome ?? []));
    const tied = step.evidenceFor.map((tie) => tie.outcome);
    draft.step(step, {
      rubric: chosen?.id,
      evidenceFor: [
        ...step.evidenceFor,
        ...[...outcomes]
          .filter((outcome) => !tied.includes(outcome))
          .map((outcome) => ({ outcome, weight: 1 })),
      ],
    });
  };
  return (
    <TextField
      select
      label={t('rubric.ofStep')}
      value={rubrics.some((r) => r.id === step.rubric) ? step.rubric : 0}
      onChange={(e) => choose(Number(e.target.value))}
    >
      <MenuItem value={0}>{t('rubric.none')}</MenuItem>
      {rubrics.map((r) => (
        <MenuItem key={r.id} value={r.id}>
          {r.name}
        </MenuItem>
      ))}
    </TextField>
  );
}

export function StepSettings({ step, design, draft, onGone }: StepPanelProps) {
  const { t } = useTranslation();
  const number = (value: string, least: number) => Math.max(least, Number(value) || 0);
  return (
    <Box sx={{ mt: 2, display: 'grid', gap: 1.75 }}>
      <Autocomplete
        multiple
        size="small"
        options={design.outcomes.filter((o) => !o.madeOf && !o.retired).map((o) => o.id)}
        value={step.evidenceFor.map((tie) => tie.outcome)}
        getOptionLabel={(id) => {
          const outcome = design.outcomes.find((o) => o.id === id);
          return outcome ? `${outcome.code} ${outcome.name}` : '';
        }}
        onChange={(_, ids) =>
          draft.step(step, {
            evidenceFor: ids.map(
              (outcome) =>
                step.evidenceFor.find((tie) => tie.outcome === outcome) ?? { outcome, weight: 1 },
            ),
          })
        }
        renderInput={(params) => <TextField {...params} label={t('plan.evidenceFor')} />}
      />
      {step.evidenceFor.length > 0 && (
        <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
          {step.evidenceFor.map((tie) => (
            <SavedField
              key={tie.outcome}
              label={t('plan.tieWeight', {
                code: design.outcomes.find((o) => o.id === tie.outcome)?.code,
              })}
              type="number"
              value={`${tie.weight}`}
              onSave={(v) =>
                draft.step(step, {
                  evidenceFor: step.evidenceFor.map((other) =>
                    other.outcome === tie.outcome ? { ...tie, weight: number(v, 0) || 1 } : other,
                  ),
                })
              }
              sx={{ width: 130 }}
            />
          ))}
        </Box>
      )}
      {step.kind === 'QUIZ' &&
        step.evidenceFor.map((tie) => (
          <CutFields
            key={tie.outcome}
            tie={tie}
            design={design}
            onChange={(cuts) =>
              draft.step(step, {
                evidenceFor: step.evidenceFor.map((other) =>
                  other.outcome === tie.outcome
                    ? { outcome: tie.outcome, weight: tie.weight, ...(cuts && { cuts }) }
                    : other,
                ),
              })
            }
          />
        ))}
      <Autocomplete
        multiple
        size="small"
        options={design.groups.map((g) => g.id)}
        value={step.groups}
        getOptionLabel={(id) => design.groups.find((g) => g.id === id)?.name ?? ''}
        onChange={(_, groups) => draft.step(step, { groups })}
        renderInput={(params) => (
          <TextField
            {...params}
            label={t('plan.forWhom')}
            placeholder={step.groups.length === 0 ? t('plan.everyone') : ''}
          />
        )}
      />
      {DATES.map((field) => (
        <SavedField
          key={field}
          label={t(`plan.${field}`)}
          type="datetime-local"
          value={toLocalInput(step[field])}
          slotProps={{ inputLabel: { shrink: true } }}
          onSave={(value) => draft.step(step, { [field]: fromLocalInput(value) })}
        />
      ))}
      <SavedField
        label={t('plan.minutes')}
        type="number"
        value={`${step.minutes}`}
        onSave={(v) => draft.step(step, { minutes: number(v, 1) })}
      />
      {(step.kind === 'ASSIGNMENT' || step.kind === 'PRACTICAL') && (
        <RubricField step={step} draft={draft} />
      )}
      {(step.kind === 'ASSIGNMENT' || step.kind === 'PRACTICAL') && (
        <SavedField
          label={t('plan.points')}
          type="number"
          value={`${step.points}`}
          onSave={(v) => draft.step(step, { points: number(v, 0) })}
        />
      )}
      {step.kind === 'QUIZ' && (
        <>
          <SavedField
            label={t('plan.passMark')}
            type="number"
            value={`${percent(step.passMark)}`}
            onSave={(v) => draft.step(step, { passMark: Math.min(100, number(v, 0)) / 100 })}
          />
          <SavedField
            label={t('plan.attempts')}
            type="number"
            value={`${step.attempts}`}
            onSave={(v) => draft.step(step, { attempts: Math.round(number(v, 0)) })}
          />
        </>
      )}
      <div>
        <FormControlLabel
          control={
            <Switch
              checked={step.required}
              onChange={(_, required) => draft.step(step, { required })}
            />
          }
          label={t('plan.required')}
        />
        <FormHelperText sx={{ mt: 0 }}>{t('plan.requiredHint')}</FormHelperText>
      </div>
      <FormControlLabel
        control={
          <Switch
            checked={step.published}
            onChange={(_, published) => draft.step(step, { published })}
          />
        }
        label={t('plan.visible')}
      />
      <Button
        variant="outlined"
        sx={{ justifySelf: 'start' }}
        onClick={() => {
          draft.remove('steps', step.id, step.name);
          onGone();
        }}
      >
        {t('common.remove')}
      </Button>
    </Box>
  );
}
