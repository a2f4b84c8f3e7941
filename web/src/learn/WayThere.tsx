import { Box, Button, Typography } from '@mui/material';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { LeftToCome } from '../api/client';
import { moment } from '../ui/format';

/** All that has to come before a step opens, one after the other; nothing where it is one thing. */
export function WayThere({ name, way }: { name: string; way: LeftToCome[] }) {
  const t = useTranslations();
  const [open, setOpen] = useState(false);
  if (way.length < 2 && !way[0]?.next) return null;
  return (
    <>
      <Button
        size="small"
        onClick={() => setOpen(!open)}
        aria-expanded={open}
        aria-label={t('learn.wayThereOf', { name })}
        sx={{ p: 0, minWidth: 0, fontSize: 12, '@media print': { display: 'none' } }}
      >
        {t('learn.wayThere')}
      </Button>
      {open && (
        <Box component="ol" aria-label={t('learn.wayThereOf', { name })} sx={{ m: 0, pl: 2.5 }}>
          {way.map((one) => (
            <Typography
              component="li"
              variant="caption"
              color="textSecondary"
              key={`${one.turn} ${one.says}`}
            >
              {one.lost
                ? t('learn.wayLost', { says: one.says })
                : t('learn.wayOne', { turn: one.turn, says: one.says })}
              {one.next && one.turn !== 'CLOCK' && ` (${moment(one.next)})`}
            </Typography>
          ))}
        </Box>
      )}
    </>
  );
}
