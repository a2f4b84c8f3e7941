import {
  Autocomplete,
  Box,
  FormControlLabel,
  FormHelperText,
  Switch,
  TextField,
  ToggleButton,
  ToggleButtonGroup,
} from '@mui/material';
import { addYears, format } from 'date-fns';
import { useTranslations } from 'use-intl';
import type { Design, DesignBadge, RenewalEdit } from '../../api/client';
import { Section } from '../../ui/Panel';
import { SavedField } from '../../ui/SavedField';
import { SavedWhen } from '../../ui/when/SavedWhen';
import { badgeEdit } from '../edits';
import { RuleEditor } from '../RuleEditor';
import type { Draft } from '../useDraft';

const LASTINGS = ['ALWAYS', 'MONTHS', 'UNTIL'] as const;
const MOST_MONTHS = 120;
const MOST_DAYS = 365;

const within = (text: string, most: number) =>
  Math.min(most, Math.max(1, Math.round(Number(text)) || 1));

/** How long a badge is valid, and how it is earned again. */
export function LastingFields({
  badge,
  design,
  draft,
}: {
  badge: DesignBadge;
  design: Design;
  draft: Draft;
}) {
  const t = useTranslations();
  const { lasting, renewal } = badge;
  const last = (is: (typeof LASTINGS)[number]) => {
    if (is === 'MONTHS') draft.badge(badge, { lasting: { is, months: lasting.months ?? 36 } });
    else if (is === 'UNTIL')
      draft.badge(badge, { lasting: { is, day: format(addYears(new Date(), 1), 'yyyy-MM-dd') } });
    else draft.badge(badge, { lasting: { is }, renewal: undefined });
  };
  const renew = (change: Partial<RenewalEdit>) =>
    draft.badge(badge, {
      renewal: { anew: [], ...badgeEdit(badge).renewal, ...change },
    });
  const steps = design.modules.flatMap((m) => m.steps);
  return (
    <Section title={t('badge.lasts')}>
      <ToggleButtonGroup
        exclusive
        size="small"
        value={lasting.is}
        aria-label={t('badge.lasts')}
        onChange={(_, is) => is && last(is)}
      >
        {LASTINGS.map((is) => (
          <ToggleButton key={is} value={is} sx={{ px: 1.5 }}>
            {t(`badge.lasting.${is}`)}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      {lasting.is !== 'ALWAYS' && (
        <Box sx={{ display: 'flex', gap: 1, mt: 1.25 }}>
          {lasting.is === 'MONTHS' ? (
            <SavedField
              label={t('badge.months')}
              type="number"
              value={`${lasting.months ?? ''}`}
              onSave={(text) =>
                draft.badge(badge, { lasting: { is: 'MONTHS', months: within(text, MOST_MONTHS) } })
              }
              sx={{ flex: 1 }}
            />
          ) : (
            <SavedWhen
              label={t('badge.lastDay')}
              kind="day"
              value={lasting.day ?? ''}
              onSave={(day) => day && draft.badge(badge, { lasting: { is: 'UNTIL', day } })}
              sx={{ flex: 1 }}
            />
          )}
          <SavedField
            label={t('badge.soonDays')}
            type="number"
            value={`${badge.soonDays}`}
            onSave={(text) => draft.badge(badge, { soonDays: within(text, MOST_DAYS) })}
            sx={{ flex: 1 }}
          />
        </Box>
      )}
      {lasting.is !== 'ALWAYS' && (
        <>
          <FormControlLabel
            sx={{ mt: 0.5 }}
            control={
              <Switch
                checked={renewal !== undefined}
                onChange={(_, on) => (on ? renew({}) : draft.badge(badge, { renewal: undefined }))}
              />
            }
            label={t('badge.canBeRenewed')}
          />
          <FormHelperText sx={{ mt: 0 }}>
            {t(renewal ? 'badge.renewalHint' : 'badge.noRenewalHint')}
          </FormHelperText>
        </>
      )}
      {renewal && (
        <>
          <Autocomplete
            multiple
            size="small"
            sx={{ mt: 1.25 }}
            options={steps}
            value={steps.filter((s) => renewal.anew.includes(s.id))}
            getOptionLabel={(s) => s.name}
            getOptionKey={(s) => s.id}
            isOptionEqualToValue={(a, b) => a.id === b.id}
            onChange={(_, chosen) => renew({ anew: chosen.map((s) => s.id) })}
            renderInput={(params) => <TextField {...params} label={t('badge.anew')} />}
          />
          <RuleEditor
            title={t('badge.renewedWhen')}
            at={{ place: 'badge-renewed', id: badge.id }}
            rule={renewal.when}
            usual={t('badge.asTheFirstTime')}
            example={t('plan.examples.badge')}
            onChange={(rule) => renew({ when: rule as RenewalEdit['when'] })}
          />
        </>
      )}
    </Section>
  );
}
