import { useTranslations } from 'use-intl';
import type { BeadState } from './beads';
import { tone } from './tone';
import { useLine } from './useNames';

/** The drawing of a bead around (0, 0), six units in radius. Shape alone tells states apart. */
export function BeadShape({ state, overdue, outOfReach }: BeadState) {
  return (
    <g>
      {outOfReach && <circle r={7.6} fill="none" stroke={tone('madder')} strokeWidth={1.4} />}
      <g transform={outOfReach ? 'scale(.78)' : undefined}>
        <Mark state={state} />
      </g>
      {overdue && <path d="M-3 9.5h6" stroke={tone('madder')} strokeWidth={2} />}
    </g>
  );
}

function Mark({ state }: { state: BeadState['state'] }) {
  const ring = { r: 5.2, fill: tone('panel'), strokeWidth: 1.8 };
  switch (state) {
    case 'DONE':
      return <circle r={6} fill={tone('lagoon')} />;
    case 'OPEN':
      return <circle {...ring} stroke={tone('ink')} />;
    case 'BEGUN':
      return (
        <>
          <circle {...ring} stroke={tone('ochre')} />
          <path d="M0 -5.2a5.2 5.2 0 0 0 0 10.4z" fill={tone('ochre')} />
        </>
      );
    case 'WAITING':
      return (
        <>
          <circle {...ring} stroke={tone('indigo')} />
          <circle r={2.2} fill={tone('indigo')} />
        </>
      );
    case 'AGAIN':
      return (
        <>
          <circle {...ring} stroke={tone('madder')} strokeDasharray="4.2 3.97" />
          <circle r={1.9} fill={tone('madder')} />
        </>
      );
    case 'MISSED':
      return (
        <>
          <circle {...ring} stroke={tone('ink')} />
          <path d="M-5 5L5 -5" stroke={tone('ink')} strokeWidth={1.8} />
        </>
      );
    case 'EXCUSED':
      return <rect x={-3.6} y={-3.6} width={7.2} height={7.2} rx={1} fill={tone('slate')} />;
    case 'NOT_FOR_THEM':
    case 'UNPUBLISHED':
      return <circle r={1.4} fill={tone('slate')} />;
    case 'CLOSED':
      return (
        <>
          <circle r={5.4} fill={tone('panel')} stroke={tone('line')} strokeWidth={1.4} />
          <path d="M-2.6 0h5.2" stroke={tone('line')} strokeWidth={1.6} />
        </>
      );
  }
}

export function useBeadWords() {
  const t = useTranslations();
  const line = useLine();
  return (bead: BeadState) =>
    line(
      t(`state.${bead.state}`),
      bead.overdue && t('state.overdue'),
      bead.outOfReach && t('state.outOfReach'),
    );
}

export function Bead({
  bead,
  size = 18,
  silent = false,
}: {
  bead: BeadState;
  size?: number;
  silent?: boolean;
}) {
  const words = useBeadWords();
  const name = words(bead);
  const drawn = {
    width: size,
    height: size,
    viewBox: '-11 -11 22 22',
    style: { flex: 'none', display: 'block' },
  };
  if (silent)
    return (
      <svg {...drawn} aria-hidden="true">
        <BeadShape {...bead} />
      </svg>
    );
  return (
    <svg {...drawn}>
      <title>{name}</title>
      <BeadShape {...bead} />
    </svg>
  );
}

/** A gate in the route: a diamond where a rule holds. */
export function Knot({ size = 18, filled = true }: { size?: number; filled?: boolean }) {
  return (
    <svg
      width={size}
      height={size}
      viewBox="-11 -11 22 22"
      aria-hidden
      style={{ flex: 'none', display: 'block' }}
    >
      <path d="M0 -9L9 0L0 9L-9 0Z" fill={tone('panel')} stroke={tone('ink')} strokeWidth={1.6} />
      {filled && <path d="M0 -4L4 0L0 4L-4 0Z" fill={tone('ink')} />}
    </svg>
  );
}

/**
 * The level of an outcome: the filled part of a disc, and a notch ring from mastery upward.
 * level is -1 without evidence.
 */
export function Wedge({
  level,
  levels,
  mastery,
  label,
  size = 20,
}: {
  level: number;
  levels: number;
  mastery: number;
  label: string;
  size?: number;
}) {
  if (level < 0)
    return (
      <svg
        width={size}
        height={size}
        viewBox="-11 -11 22 22"
        aria-hidden={!label}
        role="img"
        style={{ flex: 'none', display: 'block' }}
      >
        <title>{label}</title>
        <path d="M-3.5 0h7" stroke={tone('slate')} strokeWidth={2} />
      </svg>
    );
  const share = (level + 1) / levels;
  const angle = 2 * Math.PI * share;
  const end = `${(7 * Math.sin(angle)).toFixed(2)} ${(-7 * Math.cos(angle)).toFixed(2)}`;
  const fill =
    share >= 1 ? <circle r={7} /> : <path d={`M0 0L0 -7A7 7 0 ${share > 0.5 ? 1 : 0} 1 ${end}Z`} />;
  return (
    <svg
      width={size}
      height={size}
      viewBox="-11 -11 22 22"
      aria-hidden={!label}
      role="img"
      style={{ flex: 'none', display: 'block' }}
    >
      <title>{label}</title>
      <circle r={7} fill={tone('indigoTint')} />
      <g fill={tone('indigo')} opacity={0.45 + 0.55 * share}>
        {fill}
      </g>
      {level >= mastery && (
        <circle
          r={9.6}
          fill="none"
          stroke={tone('indigo')}
          strokeWidth={1.3}
          strokeDasharray="6.5 1.04"
        />
      )}
    </svg>
  );
}
