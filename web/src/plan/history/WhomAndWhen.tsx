import { Box, FormControl, FormControlLabel, FormLabel, Radio, RadioGroup } from '@mui/material';
import { useTranslations } from 'use-intl';
import { WhenField } from '../../ui/when/WhenField';

/**
 * For whom something is published, and when.
 *
 * `at` is null for now, otherwise what stands in the field, which may be nothing yet.
 */
export interface ForWhom {
  later: boolean;
  at: string | null;
}

export function WhomAndWhen({ of, onChange }: { of: ForWhom; onChange: (next: ForWhom) => void }) {
  const t = useTranslations();
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 3, mt: 2 }}>
      <FormControl>
        <FormLabel>{t('plan.whom')}</FormLabel>
        <RadioGroup
          value={of.later ? 'later' : 'all'}
          onChange={(_, whom) => onChange({ ...of, later: whom === 'later' })}
        >
          <FormControlLabel value="all" control={<Radio size="small" />} label={t('plan.forAll')} />
          <FormControlLabel
            value="later"
            control={<Radio size="small" />}
            label={t('plan.forLater')}
          />
        </RadioGroup>
      </FormControl>
      <FormControl>
        <FormLabel>{t('plan.when')}</FormLabel>
        <RadioGroup
          value={of.at === null ? 'now' : 'then'}
          onChange={(_, when) => onChange({ ...of, at: when === 'now' ? null : '' })}
        >
          <FormControlLabel value="now" control={<Radio size="small" />} label={t('plan.atOnce')} />
          <FormControlLabel
            value="then"
            control={<Radio size="small" />}
            label={t('plan.atMoment')}
          />
        </RadioGroup>
        {of.at !== null && (
          <WhenField
            kind="moment"
            usual="08:00"
            size="small"
            autoFocus
            value={of.at}
            onChange={(at) => onChange({ ...of, at })}
            slotProps={{ htmlInput: { 'aria-label': t('plan.atMoment') } }}
          />
        )}
      </FormControl>
    </Box>
  );
}
