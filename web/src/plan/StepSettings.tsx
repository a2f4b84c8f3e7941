import {
  Autocomplete,
  Box,
  Button,
  FormControlLabel,
  FormHelperText,
  Switch,
  TextField,
} from '@mui/material';
import { Suspense } from 'react';
import { useTranslations } from 'use-intl';
import { room } from '../kinds/rooms';
import { fromLocalInput, least, toLocalInput } from '../ui/format';
import { SavedField } from '../ui/SavedField';
import { authorProps, type StepPanelProps } from './stepPanel';

const DATES = ['opensAt', 'dueAt', 'closesAt'] as const;

export function StepSettings(props: StepPanelProps) {
  const { step, design, draft, onGone } = props;
  const t = useTranslations();
  const { Settings } = room(step.kind);
  return (
    <Box sx={{ mt: 2, display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 1.75 }}>
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
                code: design.outcomes.find((o) => o.id === tie.outcome)?.code ?? '',
              })}
              type="number"
              value={`${tie.weight}`}
              onSave={(v) =>
                draft.step(step, {
                  evidenceFor: step.evidenceFor.map((other) =>
                    other.outcome === tie.outcome ? { ...tie, weight: least(v, 0) || 1 } : other,
                  ),
                })
              }
              sx={{ width: 130 }}
            />
          ))}
        </Box>
      )}
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
        onSave={(v) => draft.step(step, { minutes: least(v, 1) })}
      />
      {Settings && (
        <Suspense fallback={null}>
          <Settings {...authorProps(props)} />
        </Suspense>
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
