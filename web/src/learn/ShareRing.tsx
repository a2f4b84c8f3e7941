import { inPercent } from '../ui/format';
import { tone } from '../ui/tone';

/** The share of steps done as a ring with the figure in it. */
export function ShareRing({ done, steps }: { done: number; steps: number }) {
  const share = steps === 0 ? 0 : done / steps;
  const round = 2 * Math.PI * 32;
  return (
    <svg width={78} height={78} viewBox="0 0 78 78" aria-hidden style={{ flex: 'none' }}>
      <circle cx={39} cy={39} r={32} fill="none" stroke={tone('slateTint')} strokeWidth={8} />
      <circle
        cx={39}
        cy={39}
        r={32}
        fill="none"
        stroke={tone('lagoon')}
        strokeWidth={8}
        strokeDasharray={`${round * share} ${round}`}
        transform="rotate(-90 39 39)"
      />
      <text x={39} y={44} textAnchor="middle" fill={tone('ink')} fontSize={16} fontWeight={700}>
        {inPercent(share)}
      </text>
    </svg>
  );
}
