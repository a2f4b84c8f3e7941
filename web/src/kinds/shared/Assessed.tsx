import { Box, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { Filled, Sheet } from '../../api/client';
import { RubricSheet } from '../../ui/RubricSheet';

/** The rubric of a step before anything is assessed: what counts. */
export function WhatCounts({ sheet, open }: { sheet: Sheet | undefined; open: boolean }) {
  const t = useTranslations();
  if (!sheet) return null;
  return (
    <Box component="details" open={open}>
      <Typography component="summary" variant="h2" sx={{ cursor: 'pointer', mb: 1 }}>
        {t('rubric.whatCounts')}
      </Typography>
      <RubricSheet sheet={sheet} />
    </Box>
  );
}

/** A rubric gone through: what was met. */
export function FilledRubric({ filled }: { filled: Filled }) {
  const t = useTranslations();
  const { rubric, met, points } = filled;
  return (
    <Box sx={{ my: 1 }}>
      <Typography variant="h3" component="h2" color="textSecondary" sx={{ mb: 0.5 }}>
        {rubric.of > 0
          ? t('rubric.titlePoints', { name: rubric.name, points, of: rubric.of })
          : rubric.name}
      </Typography>
      <RubricSheet sheet={rubric} met={met} />
    </Box>
  );
}
