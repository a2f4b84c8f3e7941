import { Alert, Box, ToggleButton, ToggleButtonGroup } from '@mui/material';
import { useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense } from 'react';
import { useTranslations } from 'use-intl';
import type { StepEdit } from '../api/client';
import { queries } from '../api/queries';
import { room } from '../kinds/rooms';
import { useCourseFiles } from '../kinds/shared/useCourseFiles';
import { Kicker } from '../ui/Panel';
import { SavedField } from '../ui/SavedField';
import { unsentKey } from '../ui/unsent';
import { FindingsAt } from './check/FindingsAt';
import { GateFields } from './GateFields';
import { ReachNow } from './ReachNow';
import { RuleEditor } from './RuleEditor';
import { StepSettings } from './StepSettings';
import { authorProps, type StepPanelProps } from './stepPanel';
import { UsualRow } from './usual/UsualRow';

const TextEditor = lazy(() => import('../ui/editor/TextEditor'));
const TABS = ['rules', 'content', 'settings'] as const;

/** A tab stays open from step to step: whoever writes content goes on with the next one's. */
export type Tab = (typeof TABS)[number];

export function StepInspector(props: StepPanelProps & { tab: Tab; setTab: (tab: Tab) => void }) {
  const { step, design, draft, tab, setTab } = props;
  const t = useTranslations();
  const { text, Author } = room(step.kind);
  const its = authorProps(props);
  const files = useCourseFiles(design.course);
  const me = useQueryClient().getQueryData(queries.me().queryKey);
  return (
    <>
      <Kicker>
        {t(`kind.${step.kind}.name`)} · {design.modules.find((m) => m.id === step.module)?.name}
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
          <FindingsAt part="STEPS" id={step.id} design={design} draft={draft} />
          <RuleEditor
            title={t('plan.opensWhen')}
            at={{ place: 'step-opens', id: step.id }}
            rule={step.opensWhen}
            usual={t('plan.always')}
            example={t('plan.examples.opens')}
            onChange={(rule) => draft.step(step, { opensWhen: rule as StepEdit['opensWhen'] })}
          />
          <UsualRow field="opensWhen" step={step} design={design} draft={draft} />
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
          <UsualRow field="doneWhen" step={step} design={design} draft={draft} />
          <ReachNow step={step.id} />
        </>
      )}
      {tab === 'content' && (
        <Box sx={{ mt: 2, display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 2 }}>
          {step.lacks.length > 0 && (
            <Alert severity="info" role="status">
              {t('plan.lacks')}
              <Box component="ul" sx={{ pl: 2, m: 0 }}>
                {step.lacks.map((lack) => (
                  <li key={lack}>{lack}</li>
                ))}
              </Box>
            </Alert>
          )}
          <Suspense fallback={null}>
            {Author?.at === 'above' && <Author.Part {...its} />}
            {text && (
              <TextEditor
                label={t(`plan.${text}`)}
                html={step.body}
                files={files}
                keep={unsentKey(me?.person?.id ?? 0, design.course, 'design', step.id)}
                onSave={(body) => draft.step(step, { body })}
              />
            )}
            {Author?.at === 'below' && <Author.Part {...its} />}
          </Suspense>
        </Box>
      )}
      {tab === 'settings' && <StepSettings {...props} />}
    </>
  );
}
