import { Box, Button, FormControlLabel, MenuItem, Switch, TextField } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { BadgeEdit, Design, DesignBadge } from '../../api/client';
import { BadgeDrawing } from '../../ui/BadgeDrawing';
import { NameField } from '../../ui/NameField';
import { Kicker } from '../../ui/Panel';
import { FindingsAt } from '../check/FindingsAt';
import { ShelveButton } from '../copying/ShelveButton';
import { RuleEditor } from '../RuleEditor';
import type { Draft } from '../useDraft';
import type { At } from './at';
import { LastingFields } from './LastingFields';
import { MeaningFields } from './MeaningFields';

export function BadgeInspector({
  badge,
  design,
  draft,
  at,
  onGo,
  onCopy,
  onGone,
}: {
  badge: DesignBadge;
  design: Design;
  draft: Draft;
  at: At;
  onGo: (at: At) => void;
  onCopy: () => void;
  onGone: () => void;
}) {
  const t = useTranslations();
  return (
    <Box sx={{ display: 'grid', gap: 1.5 }}>
      <Kicker>{t('frame.badges')}</Kicker>
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'center' }}>
        {at !== 'draw' && (
          <BadgeDrawing picture={badge.picture} label={badge.picture.alt} size={88} />
        )}
        <Box sx={{ flex: 1, display: 'grid', gap: 1, alignContent: 'start' }}>
          <NameField
            of={`badges-${badge.id}`}
            label={t('common.name')}
            value={badge.name}
            onSave={(name) => draft.badge(badge, { name })}
          />
          <Box sx={{ display: 'flex', gap: 1 }}>
            {at !== 'draw' && (
              <Button variant="outlined" onClick={() => onGo('draw')}>
                {t('badge.draw')}
              </Button>
            )}
            {at !== 'paper' && (
              <Button variant="outlined" onClick={() => onGo('paper')}>
                {t('paper.lay')}
              </Button>
            )}
          </Box>
        </Box>
      </Box>
      <FindingsAt part="BADGES" id={badge.id} design={design} draft={draft} />
      <RuleEditor
        title={t('plan.earnedWhen')}
        at={{ place: 'badge-earned', id: badge.id }}
        rule={badge.earnedWhen}
        usual={t('plan.byHand')}
        example={t('plan.examples.badge')}
        onChange={(rule) => draft.badge(badge, { earnedWhen: rule as BadgeEdit['earnedWhen'] })}
      />
      <MeaningFields badge={badge} design={design} draft={draft} />
      <LastingFields badge={badge} design={design} draft={draft} />
      <TextField
        select
        label={t('plan.belongsTo')}
        value={badge.module ?? 0}
        onChange={(e) => draft.badge(badge, { module: Number(e.target.value) || undefined })}
      >
        <MenuItem value={0}>–</MenuItem>
        {design.modules.map((m) => (
          <MenuItem key={m.id} value={m.id}>
            {m.name}
          </MenuItem>
        ))}
      </TextField>
      <FormControlLabel
        control={
          <Switch
            checked={badge.surprise}
            onChange={(_, surprise) => draft.badge(badge, { surprise })}
          />
        }
        label={t('plan.surprise')}
      />
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
        <Button variant="outlined" onClick={onCopy}>
          {t('badge.copy')}
        </Button>
        <ShelveButton thing={{ badge: badge.id }} name={badge.name} />
        <Button
          variant="outlined"
          onClick={() => {
            draft.remove('badges', badge.id, badge.name);
            onGone();
          }}
        >
          {t('common.remove')}
        </Button>
      </Box>
    </Box>
  );
}
