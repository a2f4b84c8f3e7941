import { type MouseEvent, memo } from 'react';
import type { BeadState } from './beads';
import { BeadShape, useBeadWords } from './Glyphs';
import { tone } from './tone';
import { keysHere } from './useKeys';

export interface ThreadSlot {
  index: number;
  x: number;
}

export const GAP = 14;
const MODULE_GAP = 7;

/** Where each shown step stands on a thread, with a gap between modules. */
export function layThread(steps: { module: number; published: boolean }[]): {
  slots: ThreadSlot[];
  width: number;
} {
  const slots: ThreadSlot[] = [];
  let x = 10;
  let before: number | undefined;
  steps.forEach((step, index) => {
    if (!step.published) return;
    if (before !== undefined && before !== step.module) x += MODULE_GAP;
    slots.push({ index, x });
    x += GAP;
    before = step.module;
  });
  return { slots, width: x };
}

interface Props {
  beads: BeadState[];
  slots: ThreadSlot[];
  width: number;
  label: string;
  names: string[];
  selected?: number | undefined;
  /** Beads that are not as they were before. */
  moved?: ReadonlySet<number>;
  onSelect: (index: number) => void;
}

/** A learner's row of beads; arrow keys move along it, Enter selects. */
export const Thread = memo(function Thread({
  beads,
  slots,
  width,
  label,
  names,
  selected,
  moved,
  onSelect,
}: Props) {
  const words = useBeadWords();
  const pick = (event: MouseEvent<HTMLDivElement>) => {
    const at = event.clientX - event.currentTarget.getBoundingClientRect().left;
    const near = slots.find((s) => Math.abs(s.x - at) <= GAP / 2);
    if (near) {
      event.stopPropagation();
      onSelect(near.index);
    }
  };
  const go = (by: 1 | -1) => (event: KeyboardEvent) => {
    event.stopPropagation();
    const now = slots.findIndex((s) => s.index === selected);
    const next = slots[Math.max(0, Math.min(slots.length - 1, now + by))];
    if (next) onSelect(next.index);
  };
  const move = keysHere({ ArrowRight: go(1), ArrowLeft: go(-1) });
  const chosen = slots.find((s) => s.index === selected);
  const bead = selected === undefined ? undefined : beads[selected];
  const said = chosen && bead ? `${label}; ${names[chosen.index] ?? ''}: ${words(bead)}` : label;
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-label={said}
      aria-valuemin={0}
      aria-valuemax={slots.length - 1}
      aria-valuenow={chosen ? slots.indexOf(chosen) : 0}
      aria-valuetext={said}
      onClick={pick}
      onKeyDown={move}
      style={{ width, height: 26, cursor: 'pointer' }}
    >
      <svg width={width} height={26} aria-hidden style={{ display: 'block' }}>
        <path d={`M6 13H${width - 10}`} stroke={tone('hairline')} strokeWidth={2} />
        {slots.map((slot) => {
          const b = beads[slot.index];
          return b ? (
            <g key={slot.index} transform={`translate(${slot.x} 13)`}>
              {slot.index === selected && (
                <rect
                  x={-7}
                  y={-12}
                  width={15.4}
                  height={24}
                  rx={3}
                  fill={tone('indigoTint')}
                  stroke={tone('indigo')}
                />
              )}
              {moved?.has(slot.index) && slot.index !== selected && (
                <rect x={-7} y={-10} width={14} height={20} rx={3} fill={tone('ochreTint')} />
              )}
              <g transform="scale(.88)">
                <BeadShape {...b} />
              </g>
            </g>
          ) : null;
        })}
      </svg>
    </div>
  );
});
