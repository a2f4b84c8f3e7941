import { Box } from '@mui/material';
import { useTranslations } from 'use-intl';
import { inPercent } from '../../../../ui/format';
import type { ReviewProps } from '../room';
import { areaStyle, Picture, Pin } from './Picture';

export function Review({ part: { picture, described, given, right } }: ReviewProps<'place'>) {
  const t = useTranslations();
  return (
    <>
      {t('learn.yours', {
        text: given
          ? t('attempt.place', { across: inPercent(given.x), down: inPercent(given.y) })
          : t('learn.noAnswer'),
      })}
      {right.length > 0 &&
        `. ${t('learn.rightIs', { text: right.map((a) => a.called).join(', ') })}`}
      {picture !== undefined && (
        <Box sx={{ mt: 1 }}>
          <Picture file={picture} described={described}>
            {right.map((area) => (
              <Box key={area.id} component="span" aria-hidden sx={areaStyle(area)} />
            ))}
            {given && <Pin at={given} />}
          </Picture>
        </Box>
      )}
    </>
  );
}
