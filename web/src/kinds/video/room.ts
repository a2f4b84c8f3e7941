import { lazy } from 'react';
import type { StepRoom } from '../room';

export const video: StepRoom<'video'> = {
  text: 'body',
  ties: 'taught',
  Author: { at: 'above', Part: lazy(() => import('./FilmField')) },
  Above: lazy(() => import('./FilmPart')),
  saysWhenDone: true,
  empty: ({ film, elsewhere }) => !film && !elsewhere,
  edit: ({ film, elsewhere, captions }) => ({
    is: 'video',
    captions,
    ...(film && { film: { file: film.file, seconds: film.seconds } }),
    ...(elsewhere && { elsewhere }),
  }),
};
