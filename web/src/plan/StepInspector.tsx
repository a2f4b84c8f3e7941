import { Box, ToggleButton, ToggleButtonGroup } from '@mui/material';
import { lazy, Suspense, useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Design, DesignStep, StepEdit } from '../api/client';
import { Kicker } from '../ui/Panel';
import { FilmField } from './FilmField';
import { GateFields } from './GateFields';
import { QuizEditor } from './QuizEditor';
import { ReachNow } from './ReachNow';
import { RuleEditor } from './RuleEditor';
import { SavedField } from './SavedField';
import { StepSettings } from './StepSettings';
import type { Draft } from './useDraft';

const TextEditor = lazy(() => import('./TextEditor'));
const TABS = ['rules', 'content', 'settings'] as const;

export interface StepPanelProps {
  step: DesignStep;
  design: Design;
  draft: Draft;
  onGone: () => void;
}

export function StepInspector(props: StepPanelProps) {
  const { step, design, draft } = props;
  const { t } = useTranslation();
  const [tab, setTab] = useState<(typeof TABS)[number]>('rules');
  return (
    <>
      <Kicker>
        {t(`kind.${step.kind}`)} · {design.modules.find((m) => m.id === step.module)?.name}
      </Kicker>
      <SavedField
        label={t('common.name')}
        value={step.name}
        onSave={(name) => draft.step(step, { name })}
      />
      <ToggleButtonGroup
        exclusive
        size="small"
        value={tab}
        onChange={(_, next) => next && setTab(next)}
        sx={{ mt: 1.5 }}
      >
        {TABS.map((name) => (
          <ToggleButton key={name} value={name} sx={{ px: 2 }}>
            {t(`plan.${name}`)}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      {tab === 'rules' && (
        <>
          <RuleEditor
            title={t('plan.opensWhen')}
            at={{ place: 'step-opens', id: step.id }}
            rule={step.opensWhen}
            usual={t('plan.always')}
            example={t('plan.examples.opens')}
            onChange={(rule) => draft.step(step, { opensWhen: rule as StepEdit['opensWhen'] })}
          />
          <GateFields gate={step} onChange={(change) => draft.step(step, change)} />
          <RuleEditor
            title={t('plan.doneWhen')}
            at={{ place: 'step-done', id: step.id }}
            rule={step.doneWhen}
            usual=""
            needed
            example={t('plan.examples.done')}
            onChange={(rule) =>
              rule && draft.step(step, { doneWhen: rule as StepEdit['doneWhen'] })
            }
          />
          <ReachNow step={step.id} />
        </>
      )}
      {tab === 'content' && (
        <Box sx={{ mt: 2, display: 'grid', gap: 2 }}>
          {step.kind === 'VIDEO' && <FilmField step={step} draft={draft} />}
          {step.kind !== 'QUIZ' && (
            <Suspense fallback={null}>
              <TextEditor
                label={t(step.kind === 'PAGE' || step.kind === 'VIDEO' ? 'plan.body' : 'plan.task')}
                html={step.body}
                onSave={(body) => draft.step(step, { body })}
              />
            </Suspense>
          )}
          {step.kind === 'QUIZ' && (
            <QuizEditor
              questions={step.questions}
              outcomes={design.outcomes.filter((o) =>
                step.evidenceFor.some((tie) => tie.outcome === o.id),
              )}
              onSave={(questions) => draft.step(step, { questions })}
            />
          )}
        </Box>
      )}
      {tab === 'settings' && <StepSettings {...props} />}
    </>
  );
}
