import { ButtonBase, Typography } from '@mui/material';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { inPercent } from '../../../../ui/format';
import type { AskProps } from '../room';
import { Picture, Pin } from './Picture';
import { moved, type Place, placeOf, stepOf } from './places';

const MIDDLE = { x: 0.5, y: 0.5 };

/** A picture that is pointed at, with a pointer, a finger or the arrow keys. */
export function Ask({ part, labelledBy, given, answer }: AskProps<'place'>) {
  const t = useTranslations();
  const [moving, setMoving] = useState<Place>();
  const at = moving ?? given;
  const settle = (place: Place) => {
    setMoving(undefined);
    answer({ is: 'place', ...place });
  };
  if (part.picture === undefined) return null;
  return (
    <>
      <ButtonBase
        component="div"
        disableRipple
        aria-labelledby={labelledBy}
        aria-describedby={`${labelledBy}-shows ${labelledBy}-place`}
        onClick={(e) => {
          // a key that presses a button points nowhere
          if (e.detail !== 0) settle(placeOf(e, e.currentTarget));
        }}
        onKeyDown={(e) => {
          const step = stepOf(e);
          if (!step) return;
          e.preventDefault();
          setMoving(moved(at ?? MIDDLE, step));
        }}
        onKeyUp={() => moving && settle(moving)}
        onBlur={() => moving && settle(moving)}
        sx={{ mt: 1, cursor: 'crosshair', maxWidth: '100%', display: 'inline-block' }}
      >
        <Picture file={part.picture} described={part.described}>
          {at && <Pin at={at} />}
        </Picture>
      </ButtonBase>
      <span hidden id={`${labelledBy}-shows`}>
        {part.described}
      </span>
      <Typography
        id={`${labelledBy}-place`}
        variant="body2"
        color="textSecondary"
        role="status"
        sx={{ mt: 0.5 }}
      >
        {at
          ? t('attempt.pointed', { across: inPercent(at.x), down: inPercent(at.y) })
          : t('attempt.pointAt')}
      </Typography>
    </>
  );
}
