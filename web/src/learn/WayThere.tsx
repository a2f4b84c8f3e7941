import { Box, Button, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import type { WalkName } from '../kinds/room';
import { moment } from '../ui/format';

/** How many things are listed; whoever is that far from a step begins with the first. */
const MOST = 12;

/** All that has to come before a step opens, one after the other, when it is asked for. */
export function WayThere({ walk, step, name }: { walk: WalkName; step: number; name: string }) {
  const t = useTranslations();
  const course = useCourse();
  const [open, setOpen] = useState(false);
  const way = useQuery({ ...queries.way(course.id, walk, step), enabled: open }).data ?? [];
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
      {open && way.length > 0 && (
        <Box component="ol" aria-label={t('learn.wayThereOf', { name })} sx={{ m: 0, pl: 2.5 }}>
          {way.slice(0, MOST).map((one) => (
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
          {way.length > MOST && (
            <Typography variant="caption" color="textSecondary" component="li">
              {t('common.more', { count: way.length - MOST })}
            </Typography>
          )}
        </Box>
      )}
    </>
  );
}
