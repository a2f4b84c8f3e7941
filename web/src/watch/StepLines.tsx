import { Box, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { BeadState } from '../ui/beads';
import { Bead, useBeadWords } from '../ui/Glyphs';

/** Steps line by line with the state of one learner in words, each leading to why it is so. */
export function StepLines({
  steps,
  beads,
  onStep,
}: {
  steps: { id: number; name: string; required?: boolean }[];
  beads: BeadState[];
  onStep: (step: number) => void;
}) {
  const t = useTranslations();
  const words = useBeadWords();
  return (
    <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
      {steps.map((step, n) => {
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
              <Bead bead={bead} silent />
              <span>{step.name}</span>
              {step.required === false && (
                <Typography component="span" variant="caption" color="textSecondary">
                  {t('learn.extra')}
                </Typography>
              )}
              <Typography
                component="span"
                variant="body2"
                color="textSecondary"
                sx={{ ml: 'auto', textAlign: 'right' }}
              >
                {words(bead)}
              </Typography>
            </Box>
          </Box>
        );
      })}
    </Box>
  );
}
