import { Box, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { LearnerProps } from '../room';
import { FilledRubric, WhatCounts } from '../shared/Assessed';
import { PracticeMarks } from '../shared/PracticeMarks';

export default function Learner(props: LearnerProps<'practical'>) {
  const t = useTranslations();
  const { page, walk, part } = props;
  return (
    <Box sx={{ mt: 2, display: 'grid', gap: 1.5 }}>
      {part.assessed ? (
        <FilledRubric filled={part.assessed} />
      ) : (
        <WhatCounts sheet={part.rubric} open />
      )}
      {part.signedOff !== undefined ? (
        <Typography>
          <b>{t('learn.signedOff')}</b>
          {part.signedOff && `. ${part.signedOff}`}
        </Typography>
      ) : (
        <Typography>{t('learn.practical')}</Typography>
      )}
      {walk === 'practice' && page.state !== 'DONE' && (
        <PracticeMarks {...props} label={t('learn.practiceSignOff')} />
      )}
    </Box>
  );
}
