import { Box, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { Impact } from '../api/client';
import { useNames } from './useNames';

const NAMES = 5;

/** What something does to learners, each consequence with their names. */
export function Changes({
  title,
  changes,
  tone,
}: {
  title: string;
  changes: Impact['changes'];
  tone: string;
}) {
  const t = useTranslations();
  const listed = useNames();
  if (changes.length === 0) return null;
  return (
    <Box sx={{ borderLeft: 3, borderColor: tone, pl: 1.5, mb: 1.5 }}>
      <Typography sx={{ fontWeight: 700 }}>{title}</Typography>
      <Box component="ul" sx={{ pl: 2, m: 0 }}>
        {changes.map((c) => (
          <Typography component="li" key={c.what}>
            {t('plan.impactFor', { what: c.what, names: listed(c.learners, NAMES) })}
          </Typography>
        ))}
      </Box>
    </Box>
  );
}
