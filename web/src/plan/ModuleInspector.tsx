import { Box, Button, FormControlLabel, FormHelperText, Switch } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { Design, DesignModule, ModuleEdit } from '../api/client';
import { Kicker } from '../ui/Panel';
import { SavedField } from '../ui/SavedField';
import { FindingsAt } from './check/FindingsAt';
import { ShelveButton } from './copying/ShelveButton';
import { GateFields } from './GateFields';
import { MoveButtons } from './MoveButtons';
import { RuleEditor } from './RuleEditor';
import type { Draft } from './useDraft';

export function ModuleInspector({
  module,
  design,
  draft,
  onGone,
}: {
  module: DesignModule;
  design: Design;
  draft: Draft;
  onGone: () => void;
}) {
  const t = useTranslations();
  return (
    <>
      <Kicker>{t('plan.belongsTo')}</Kicker>
      <SavedField
        label={t('common.name')}
        value={module.name}
        onSave={(name) => draft.module(module, { name })}
      />
      <FindingsAt part="MODULES" id={module.id} design={design} draft={draft} />
      <RuleEditor
        title={t('plan.opensWhen')}
        at={{ place: 'module-opens', id: module.id }}
        rule={module.opensWhen}
        usual={t('plan.always')}
        example={t('plan.examples.opens')}
        onChange={(rule) => draft.module(module, { opensWhen: rule as ModuleEdit['opensWhen'] })}
      />
      <GateFields gate={module} onChange={(change) => draft.module(module, change)} />
      <RuleEditor
        title={t('plan.doneWhen')}
        at={{ place: 'module-done', id: module.id }}
        rule={module.doneWhen}
        usual={t('plan.moduleUsual')}
        example={t('plan.examples.moduleDone')}
        onChange={(rule) => draft.module(module, { doneWhen: rule as ModuleEdit['doneWhen'] })}
      />
      <FormControlLabel
        sx={{ mt: 1.5, display: 'flex' }}
        control={
          <Switch
            checked={module.strictOrder || design.rules.strictOrder}
            disabled={design.rules.strictOrder}
            onChange={(_, strictOrder) => draft.module(module, { strictOrder })}
          />
        }
        label={t('plan.strict')}
      />
      <FormHelperText sx={{ mt: 0 }}>
        {t(design.rules.strictOrder ? 'plan.strictByCourse' : 'plan.strictHint')}
      </FormHelperText>
      <FormControlLabel
        sx={{ display: 'flex' }}
        control={
          <Switch
            checked={module.published}
            onChange={(_, published) => draft.module(module, { published })}
          />
        }
        label={t('plan.visible')}
      />
      <Box sx={{ display: 'flex', gap: 1, mt: 2, flexWrap: 'wrap' }}>
        <MoveButtons of={`module-${module.id}`} design={design} draft={draft} />
        <ShelveButton thing={{ module: module.id }} name={module.name} />
        <Button
          variant="outlined"
          onClick={() => {
            draft.remove('modules', module.id, module.name);
            onGone();
          }}
        >
          {t('common.remove')}
        </Button>
      </Box>
    </>
  );
}
