import { Box, Typography } from '@mui/material';
import { useMemo } from 'react';
import { useTranslations } from 'use-intl';
import type { LearnerRow, Progress } from '../api/client';
import { readThread } from '../ui/beads';
import { StepLines } from './StepLines';

/** A learner's thread as a list, for whoever cannot point at beads that stand close together. */
export function LearnerSteps({
  data,
  row,
  onStep,
}: {
  data: Progress;
  row: LearnerRow;
  onStep: (step: number) => void;
}) {
  const t = useTranslations();
  const beads = useMemo(() => readThread(row.thread), [row.thread]);
  const all = data.steps.map((step, n) => ({ step, bead: beads[n] }));
  return (
    <Box component="details" sx={{ mt: 2 }}>
      <Box component="summary" sx={{ typography: 'h3', color: 'tone.soft', cursor: 'pointer' }}>
        {t('watch.allSteps')}
      </Box>
      {data.modules.map((m) => {
        const own = all.filter(({ step }) => step.module === m.id);
        return (
          <Box key={m.id} sx={{ mt: 1 }}>
            <Typography sx={{ fontWeight: 700 }}>{m.name}</Typography>
            <StepLines
              steps={own.map(({ step }) => step)}
              beads={own.flatMap(({ bead }) => bead ?? [])}
              onStep={onStep}
            />
          </Box>
        );
      })}
    </Box>
  );
}
