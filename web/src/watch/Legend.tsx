import type { BeadState } from '../ui/beads';
import { Bead, useBeadWords } from '../ui/Glyphs';
import { SignKey } from '../ui/SignKey';

const SHOWN: BeadState[] = (
  ['DONE', 'BEGUN', 'WAITING', 'AGAIN', 'OPEN', 'CLOSED', 'EXCUSED'] as const
).map((state) => ({ state, overdue: false, outOfReach: false }));
const MARKED: BeadState[] = [
  { state: 'OPEN', overdue: true, outOfReach: false },
  { state: 'CLOSED', overdue: false, outOfReach: true },
];

export function Legend() {
  const words = useBeadWords();
  return (
    <SignKey
      signs={[...SHOWN, ...MARKED].map((bead) => ({
        sign: <Bead bead={bead} silent />,
        means: words(bead),
      }))}
    />
  );
}
