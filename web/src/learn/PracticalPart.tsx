import { Box, Typography } from '@mui/material';
import { useTranslation } from 'react-i18next';
import { FilledRubric, WhatCounts } from './Assessed';
import { PracticeMarks } from './PracticeMarks';
import type { StepProps } from './StepView';

export function PracticalPart(props: StepProps) {
  const { t } = useTranslation();
  const { page, walk } = props;
  return (
    <Box sx={{ mt: 2, display: 'grid', gap: 1.5 }}>
      {page.assessed ? <FilledRubric filled={page.assessed} /> : <WhatCounts page={page} open />}
      {page.signedOff !== undefined ? (
        <Typography>
          <b>{t('learn.signedOff')}</b>
          {page.signedOff && `. ${page.signedOff}`}
        </Typography>
      ) : (
        <Typography>{t('learn.practical')}</Typography>
      )}
      {walk === 'practice' && page.state !== 'DONE' && <PracticeMarks {...props} />}
    </Box>
  );
}
