import { Button, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { LearnerProps } from '../room';

/** The way to a page elsewhere, which opens beside this one. */
export default function Learner({ part }: LearnerProps<'link'>) {
  const t = useTranslations();
  if (!part.address) return <Typography sx={{ mt: 2 }}>{t('learn.noLink')}</Typography>;
  return (
    <Button
      variant="contained"
      component="a"
      href={part.address}
      target="_blank"
      rel="noopener noreferrer nofollow"
      sx={{ mt: 2, textAlign: 'left' }}
    >
      {t('learn.openLink', { host: part.host })}
    </Button>
  );
}
