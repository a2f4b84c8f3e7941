import { Box } from '@mui/material';
import type { BeadState } from './beads';
import { BeadShape } from './Glyphs';
import { tone } from './tone';

const GAP = 13;
const HEIGHT = 18;

/** Beads on a short piece of thread, one for each step, beside the words that say the same. */
function Piece({ beads }: { beads: BeadState[] }) {
  const width = beads.length * GAP + 4;
  return (
    <svg width={width} height={HEIGHT} aria-hidden style={{ flex: 'none', display: 'block' }}>
      <path d={`M0 9H${width}`} stroke={tone('line')} strokeWidth={1.6} />
      {beads.map((bead, n) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a bead is its place on the thread
        <g key={n} transform={`translate(${n * GAP + 8} 9) scale(.8)`}>
          <BeadShape {...bead} />
        </g>
      ))}
    </svg>
  );
}

/** A way as one thread, with a gap between its parts; it goes on in the next line. */
export function ThreadString({ parts }: { parts: BeadState[][] }) {
  return (
    <Box component="span" sx={{ display: 'inline-flex', flexWrap: 'wrap', rowGap: 0.25 }}>
      {parts.map((beads, n) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a part is its place on the thread
        <Piece key={n} beads={beads} />
      ))}
    </Box>
  );
}
