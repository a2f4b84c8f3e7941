import { Box, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { CompletionCell, CompletionHead } from '../api/client';
import { readThread } from '../ui/beads';
import { day } from '../ui/format';
import { Bead } from '../ui/Glyphs';
import { Kicker } from '../ui/Panel';

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
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {module.steps.map((step, n) => {
          const bead = beads[n];
          if (!bead || bead.state === 'NOT_FOR_THEM' || bead.state === 'UNPUBLISHED') return null;
          return (
            <Box component="li" key={step.id}>
              <Box
                component="button"
                type="button"
                onClick={() => onStep(step.id)}
                sx={{
                  display: 'flex',
                  gap: 1.25,
                  alignItems: 'center',
                  width: '100%',
                  minHeight: 34,
                  border: 0,
                  bgcolor: 'transparent',
                  color: 'inherit',
                  font: 'inherit',
                  textAlign: 'left',
                  cursor: 'pointer',
                  px: 0.5,
                  borderRadius: 1,
                  '&:hover': { bgcolor: 'tone.ground' },
                }}
              >
                <Bead bead={bead} />
                <span>{step.name}</span>
                {!step.required && (
                  <Typography component="span" variant="caption" color="textSecondary">
                    {t('learn.extra')}
                  </Typography>
                )}
              </Box>
            </Box>
          );
        })}
      </Box>
    </>
  );
}
