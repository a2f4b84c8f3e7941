import { Box } from '@mui/material';
import { useTranslations } from 'use-intl';
import { Wedge } from '../ui/Glyphs';
import { SignKey } from '../ui/SignKey';
import type { OutcomeHead } from './spread';

/** The levels of the scales that stand in a grid, weakest first, each by its wedge. */
export function LevelKey({ outcomes }: { outcomes: OutcomeHead[] }) {
  const t = useTranslations();
  const scales = new Map(outcomes.map((o) => [`${o.levels.join()} ${o.mastery}`, o]));
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 4 }}>
      {[...scales].map(([key, { levels, mastery }], n) => (
        <SignKey
          key={key}
          signs={[
            ...levels.map((name, level) => ({
              sign: <Wedge level={level} levels={levels.length} mastery={mastery} label="" />,
              means: level === mastery ? `${name} = ${t('plan.mastery')}` : name,
            })),
            ...(n === scales.size - 1
              ? [
                  {
                    sign: <Wedge level={-1} levels={levels.length} mastery={mastery} label="" />,
                    means: t('learn.noEvidence'),
                  },
                ]
              : []),
          ]}
        />
      ))}
    </Box>
  );
}
