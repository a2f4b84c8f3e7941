import { Box, Button, MenuItem, TextField, Typography } from '@mui/material';
import type { ReactNode } from 'react';
import { useTranslations } from 'use-intl';
import type { Filter } from './filter';

/** How many learners are shown, and which. */
export function FilterBar({
  shown,
  learners,
  groups,
  filter,
  onFilter,
  children,
}: {
  shown: number;
  learners: { flagged: boolean }[];
  groups: { id: number; name: string }[];
  filter: Filter;
  onFilter: (change: Partial<Filter>) => void;
  children?: ReactNode;
}) {
  const t = useTranslations();
  return (
    <Box
      sx={{
        display: 'flex',
        gap: 1,
        alignItems: 'center',
        mb: 1,
        flexWrap: 'wrap',
        '@media print': { display: 'none' },
      }}
    >
      <Typography sx={{ fontWeight: 700 }} role="status">
        {t('watch.learners', { count: shown })}
      </Typography>
      <TextField
        select
        value={groups.some((g) => g.id === filter.group) ? filter.group : 0}
        onChange={(e) => onFilter({ group: Number(e.target.value) })}
        slotProps={{ htmlInput: { 'aria-label': t('watch.group') } }}
        sx={{ width: 150, bgcolor: 'tone.panel' }}
      >
        <MenuItem value={0}>
          {t('watch.group')}: {t('watch.allGroups')}
        </MenuItem>
        {groups.map((g) => (
          <MenuItem key={g.id} value={g.id}>
            {g.name}
          </MenuItem>
        ))}
      </TextField>
      <Button
        variant={filter.flagged ? 'contained' : 'outlined'}
        color={filter.flagged ? 'secondary' : 'primary'}
        aria-pressed={filter.flagged}
        onClick={() => onFilter({ flagged: !filter.flagged })}
      >
        {t('watch.onlyFlagged', { count: learners.filter((l) => l.flagged).length })}
      </Button>
      <TextField
        type="search"
        placeholder={t('watch.find')}
        value={filter.find}
        onChange={(e) => onFilter({ find: e.target.value })}
        slotProps={{ htmlInput: { 'aria-label': t('watch.find') } }}
        sx={{ width: 150, bgcolor: 'tone.panel' }}
      />
      {children}
    </Box>
  );
}
