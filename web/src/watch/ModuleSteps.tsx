import { Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { CompletionCell, CompletionHead } from '../api/client';
import { readThread } from '../ui/beads';
import { day } from '../ui/format';
import { Kicker } from '../ui/Panel';
import { StepLines } from './StepLines';

/** The single steps of a module for one learner, each leading to why it stands as it does. */
export function ModuleSteps({
  name,
  module,
  cell,
  onStep,
}: {
  name: string;
  module: CompletionHead;
  cell: CompletionCell;
  onStep: (step: number) => void;
}) {
  const t = useTranslations();
  const beads = readThread(cell.thread);
  return (
    <>
      <Kicker>{name}</Kicker>
      <Typography variant="h2">{module.name}</Typography>
      <Typography color="textSecondary" sx={{ mb: 1 }}>
        {cell.at
          ? t('watch.doneOn', { date: day(cell.at) })
          : t('watch.stepsOf', { done: cell.done, count: cell.of })}
      </Typography>
      <StepLines steps={module.steps} beads={beads} onStep={onStep} />
    </>
  );
}
