import { Box } from '@mui/material';
import type { ReactNode } from 'react';
import type { WrittenArea } from '../../../../api/client';
import { tone } from '../../../../ui/tone';
import { useFilesOfQuestions } from '../filesOfQuestions';
import type { Place } from './places';

interface Props {
  file: number;
  described: string;
  /** What lies on the picture. */
  children?: ReactNode;
}

/** A picture with something on it; it is never larger than its room. */
export function Picture({ file, described, children }: Props) {
  const { address } = useFilesOfQuestions();
  return (
    <Box component="span" sx={{ position: 'relative', display: 'inline-block', maxWidth: '100%' }}>
      <Box
        component="img"
        src={address(file)}
        alt={described}
        draggable={false}
        sx={{ display: 'block', maxWidth: '100%', maxHeight: 460, borderRadius: 0.5 }}
      />
      {children}
    </Box>
  );
}

/** Seen on dark pictures and on light ones. */
const EDGE = `0 0 0 2px ${tone('panel')}`;

const percent = (n: number) => `${n * 100}%`;

/** Where something was pointed at. */
export function Pin({ at }: { at: Place }) {
  return (
    <Box
      component="span"
      aria-hidden
      sx={{
        position: 'absolute',
        left: percent(at.x),
        top: percent(at.y),
        width: 22,
        height: 22,
        ml: '-11px',
        mt: '-11px',
        borderRadius: '50%',
        border: '3px solid',
        borderColor: 'tone.panel',
        boxShadow: `0 0 0 2px ${tone('ink')}, inset 0 0 0 2px ${tone('ink')}`,
        pointerEvents: 'none',
      }}
    />
  );
}

/** How an area lies on its picture. */
export const areaStyle = (area: Pick<WrittenArea, 'left' | 'top' | 'width' | 'height' | 'round'>) =>
  ({
    position: 'absolute',
    left: percent(area.left),
    top: percent(area.top),
    width: percent(area.width),
    height: percent(area.height),
    borderRadius: area.round ? '50%' : 0.5,
    border: '2px dashed',
    borderColor: 'tone.lagoon',
    boxShadow: EDGE,
  }) as const;
