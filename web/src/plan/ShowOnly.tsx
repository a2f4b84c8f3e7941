import { Box, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { Filter } from './shown';

interface Props {
  filter: Filter;
  /** What is selected; a way is followed from it. */
  of: string | null;
  nameOf: (key: string) => string | undefined;
  shown: number | undefined;
  onFilter: (filter: Filter) => void;
}

/** Shows all of the route, only rules that are not the usual ones, or the way of what is selected. */
export function ShowOnly({ filter, of, nameOf, shown, onFilter }: Props) {
  const t = useTranslations();
  const about = 'of' in filter ? filter.of : of;
  const name = about ? nameOf(about) : undefined;
  const choose = (show: Filter['show']) => {
    if (show === 'all' || show === 'unusual') onFilter({ show });
    else if (of) onFilter({ show, of });
  };
  return (
    <Box
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        alignItems: 'center',
        gap: 1,
        mb: 1,
        '@media print': { display: 'none' },
      }}
    >
      <ToggleButtonGroup
        exclusive
        size="small"
        value={filter.show}
        aria-label={t('plan.show')}
        onChange={(_, next: Filter['show'] | null) => next && choose(next)}
      >
        <ToggleButton value="all" sx={{ py: 0.25 }}>
          {t('plan.showAll')}
        </ToggleButton>
        <ToggleButton value="unusual" sx={{ py: 0.25 }}>
          {t('plan.showUnusual')}
        </ToggleButton>
        <ToggleButton value="before" disabled={!of} sx={{ py: 0.25 }}>
          {t('plan.showBefore')}
        </ToggleButton>
        <ToggleButton value="after" disabled={!of} sx={{ py: 0.25 }}>
          {t('plan.showAfter')}
        </ToggleButton>
      </ToggleButtonGroup>
      <Typography variant="body2" color="textSecondary" role="status">
        {filter.show !== 'unusual' && name && t('plan.showHint', { name })}{' '}
        {shown === 0 && t('plan.showNothing')}
      </Typography>
    </Box>
  );
}
