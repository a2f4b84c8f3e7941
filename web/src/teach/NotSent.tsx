import { Box, Button, Typography } from '@mui/material';
import { useEffect, useState } from 'react';
import { useTranslations } from 'use-intl';
import { useNames } from '../ui/useNames';
import { useSending, useSignOffs } from './signOffs';

/** A moment in which what is sent is on its way and nobody needs to be told. */
const SOON = 1500;

/** Sends sign-offs that wait, and says of those that cannot be sent that they are not. */
export default function NotSent({ course }: { course: number }) {
  const t = useTranslations();
  const names = useNames();
  const { waiting, drop } = useSignOffs(course);
  const send = useSending(course);
  const [late, setLate] = useState(false);
  const some = waiting.length > 0;
  useEffect(() => {
    if (!some) {
      setLate(false);
      return undefined;
    }
    const timer = setTimeout(() => setLate(true), SOON);
    return () => clearTimeout(timer);
  }, [some]);
  const open = waiting.filter((s) => !s.refused);
  const refused = waiting.filter((s) => s.refused);
  if (!late || !some) return null;
  return (
    <Box
      role="status"
      sx={{
        px: 2,
        py: 1,
        bgcolor: 'tone.ochreTint',
        color: 'tone.ochreInk',
        display: 'grid',
        gap: 1,
      }}
    >
      {open.length > 0 && (
        <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
          <Typography sx={{ flex: 1, minWidth: 220 }}>
            {t('teach.notSent', {
              count: open.length,
              names: names(open.map((s) => s.learner)),
            })}
          </Typography>
          <Button variant="outlined" onClick={() => void send()}>
            {t('common.retry')}
          </Button>
        </Box>
      )}
      {refused.map((s) => (
        <Box key={s.key} sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
          <Typography sx={{ flex: 1, minWidth: 220 }}>
            {t('teach.signOffRefused', {
              learner: s.learner,
              name: s.name,
              why: s.refused ?? '',
            })}
          </Typography>
          <Button variant="outlined" onClick={() => drop(s.key)}>
            {t('common.leaveIt')}
          </Button>
        </Box>
      ))}
    </Box>
  );
}
