import { Autocomplete, Box, Button, MenuItem, TextField, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { Design, DesignOutcome } from '../api/client';
import { Kicker } from '../ui/Panel';
import { SavedField } from '../ui/SavedField';
import { AdoptedOutcome } from './Adopted';
import { FindingsAt } from './check/FindingsAt';
import { EvidenceFrom } from './EvidenceFrom';
import { pathKey, readPath, swapped } from './grouping';
import { LevelRuleFields } from './LevelRuleFields';
import { MadeOfFields } from './MadeOfFields';
import type { Draft } from './useDraft';

/** The group of an outcome, "Wheels / Truing"; what is typed first makes a new one. */
function GroupField({
  outcome,
  design,
  draft,
}: {
  outcome: DesignOutcome;
  design: Design;
  draft: Draft;
}) {
  const t = useTranslations();
  const known = [...new Set(design.outcomes.map((o) => pathKey(o.group)).filter(Boolean))];
  return (
    <Autocomplete
      freeSolo
      size="small"
      options={known}
      value={pathKey(outcome.group)}
      onChange={(_, next) => draft.outcome(outcome, { group: readPath(next ?? '') })}
      onBlur={(e) => {
        const typed = readPath((e.target as HTMLInputElement).value);
        if (pathKey(typed) !== pathKey(outcome.group)) draft.outcome(outcome, { group: typed });
      }}
      renderInput={(params) => (
        <TextField {...params} label={t('plan.group')} placeholder={t('plan.groupExample')} />
      )}
    />
  );
}

/** Everything about one outcome, saved as it is changed. */
export function OutcomeInspector({
  outcome,
  design,
  draft,
  onGone,
}: {
  outcome: DesignOutcome;
  design: Design;
  draft: Draft;
  onGone: () => void;
}) {
  const t = useTranslations();
  const scale = design.scales.find((s) => s.id === outcome.scale);
  const held = outcome.adopted !== undefined;
  return (
    <Box sx={{ display: 'grid', gap: 1.75 }}>
      <Kicker>{t('frame.outcomes')}</Kicker>
      <AdoptedOutcome outcome={outcome} />
      <FindingsAt part="OUTCOMES" id={outcome.id} design={design} draft={draft} />
      <SavedField
        disabled={held}
        label={t('plan.code')}
        value={outcome.code}
        onSave={(code) => draft.outcome(outcome, { code })}
      />
      <SavedField
        disabled={held}
        label={t('common.name')}
        value={outcome.name}
        onSave={(name) => draft.outcome(outcome, { name })}
      />
      <SavedField
        disabled={held}
        label={t('common.description')}
        multiline
        minRows={3}
        value={outcome.description}
        onSave={(description) => draft.outcome(outcome, { description })}
      />
      <GroupField outcome={outcome} design={design} draft={draft} />
      <TextField
        select
        label={t('plan.scale')}
        value={outcome.scale}
        onChange={(e) => draft.outcome(outcome, { scale: Number(e.target.value) })}
      >
        {design.scales.map((s) => (
          <MenuItem key={s.id} value={s.id}>
            {s.name}
          </MenuItem>
        ))}
      </TextField>
      {scale && (
        <Box component="ol" sx={{ m: 0, pl: 2.5 }}>
          {scale.levels.map((l, n) => (
            <Typography
              component="li"
              key={l.name}
              variant="body2"
              sx={{ fontWeight: n === scale.mastery ? 700 : 400 }}
            >
              {l.name}
              {n === scale.mastery && ` = ${t('plan.mastery')}`}
              {l.description && (
                <Box component="span" sx={{ color: 'tone.soft', fontWeight: 400 }}>
                  {' '}
                  {l.description}
                </Box>
              )}
            </Typography>
          ))}
        </Box>
      )}
      {!outcome.madeOf && (
        <LevelRuleFields
          rule={outcome.levelRule}
          onChange={(levelRule) => draft.outcome(outcome, { levelRule })}
        />
      )}
      {!outcome.madeOf && design.modules.length > 0 && (
        <EvidenceFrom outcome={outcome} design={design} draft={draft} />
      )}
      <MadeOfFields outcome={outcome} design={design} draft={draft} />
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        {([-1, 1] as const).map((way) => (
          <Button
            key={way}
            variant="outlined"
            onClick={() => draft.orderOutcomes(design, swapped(design.outcomes, outcome.id, way))}
          >
            {t(way < 0 ? 'plan.moveUp' : 'plan.moveDown')}
          </Button>
        ))}
        <Button
          variant="outlined"
          onClick={() => draft.outcome(outcome, { retired: !outcome.retired })}
        >
          {t(outcome.retired ? 'plan.bringBack' : 'plan.retire')}
        </Button>
        <Button
          variant="outlined"
          onClick={() => {
            draft.remove('outcomes', outcome.id, outcome.name);
            onGone();
          }}
        >
          {t('common.remove')}
        </Button>
      </Box>
      <Typography variant="caption" color="textSecondary">
        {t('plan.retireHint')}
      </Typography>
    </Box>
  );
}
