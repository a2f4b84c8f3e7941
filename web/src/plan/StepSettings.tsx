import { Box, Button, FormControlLabel, FormHelperText, Switch } from '@mui/material';
import { lazy, Suspense, useState } from 'react';
import { useTranslations } from 'use-intl';
import { room } from '../kinds/rooms';
import { fromLocalInput, least, toLocalInput } from '../ui/format';
import { SavedField } from '../ui/SavedField';
import { SavedWhen } from '../ui/when/SavedWhen';
import { AllowanceFields } from './AllowanceFields';
import { AudienceField } from './AudienceField';
import { ShelveButton } from './copying/ShelveButton';
import { EvidenceFields } from './EvidenceFields';
import { MoveButtons } from './MoveButtons';
import { StepWords } from './StepWords';
import { authorProps, type StepPanelProps } from './stepPanel';

const SameAgainDialog = lazy(() => import('./SameAgainDialog'));
const DATES = ['opensAt', 'dueAt', 'lateUntil', 'closesAt'] as const;

export function StepSettings(props: StepPanelProps) {
  const { step, design, draft, onGone } = props;
  const t = useTranslations();
  const [again, setAgain] = useState(false);
  const { Settings } = room(step.kind);
  return (
    <Box sx={{ mt: 2, display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 1.75 }}>
      <EvidenceFields
        design={design}
        step={step}
        onChange={(evidenceFor) => draft.step(step, { evidenceFor })}
      />
      <AudienceField
        design={design}
        audience={step}
        onChange={(audience) => draft.step(step, audience)}
      />
      {DATES.map((field) => (
        <SavedWhen
          key={field}
          label={t(`plan.${field}`)}
          kind="moment"
          {...(field === 'opensAt' && { usual: '00:00' })}
          value={toLocalInput(step[field])}
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
      <AllowanceFields
        design={design}
        step={step}
        onChange={(allowances) => draft.step(step, { allowances })}
      />
      <StepWords {...props} />
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
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <MoveButtons of={`step-${step.id}`} design={design} draft={draft} />
        <Button variant="outlined" onClick={() => setAgain(true)}>
          {t('plan.againOpen')} …
        </Button>
        <ShelveButton thing={{ step: step.id }} name={step.name} />
        <Button
          variant="outlined"
          onClick={() => {
            draft.remove('steps', step.id, step.name);
            onGone();
          }}
        >
          {t('common.remove')}
        </Button>
      </Box>
      {again && (
        <Suspense fallback={null}>
          <SameAgainDialog
            design={design}
            step={step}
            draft={draft}
            onClose={() => setAgain(false)}
          />
        </Suspense>
      )}
    </Box>
  );
}
