import type { BadgePicture } from '../api/client';
import type { Tone } from '../theme';
import { tone } from './tone';

export const SHAPES: Record<string, string> = {
  hexagon: 'M50 4L92 27V77L50 100L8 77V27Z',
  shield: 'M50 4L90 16V54C90 78 72 92 50 102C28 92 10 78 10 54V16Z',
  round: 'M50 5A47 47 0 1 1 49.9 5Z',
  cog: 'M50 4l9 12 14-6 4 15 15 3-3 15 11 11-11 10 4 15-15 4-3 15-15-3-10 11-10-11-15 3-4-15-15-3 4-15L1 54l11-11-4-15 15-4 3-15 15 5z',
};

export const SIGNS: Record<string, string> = {
  bench: 'M26 48h48M26 42h48v12H26zM34 54v18M66 54v18',
  disc: 'M50 32a20 20 0 1 1-.1 0zM50 47a5 5 0 1 1-.1 0z',
  peaks: 'M26 66l14-24 10 14 8-12 16 22',
  wheel: 'M50 32a20 20 0 1 1-.1 0zM50 32v40M30 52h40M36 38l28 28M64 38L36 66',
  speech: 'M28 36h44v26H50l-12 12V62H28z',
  star: 'M50 30l7 14 16 2-12 11 3 16-14-8-14 8 3-16-12-11 16-2z',
  sun: 'M50 40a12 12 0 1 1-.1 0zM50 26v8M50 70v8M24 52h8M68 52h8M32 34l5 5M63 65l5 5M68 34l-5 5M37 65l-5 5',
  spanner: 'M34 68l22-22m0 0a10 10 0 0 1 14-12l-8 8 4 4 8-8a10 10 0 0 1-12 14M34 68l-4 4',
};

export const COLOURS: Tone[] = ['lagoon', 'indigo', 'ochre', 'madder', 'ink'];

/** A badge as its designer drew it; dashed and empty before it is earned. */
export function BadgeDrawing({
  picture,
  earned = true,
  size = 56,
  label,
}: {
  picture: BadgePicture;
  earned?: boolean;
  size?: number;
  label: string;
}) {
  const colour = tone(
    (COLOURS as string[]).includes(picture.colour) ? (picture.colour as Tone) : 'lagoon',
  );
  const shape = SHAPES[picture.shape] ?? SHAPES.hexagon;
  const sign = SIGNS[picture.sign] ?? SIGNS.disc;
  return (
    <svg
      width={size}
      height={size}
      viewBox="-2 0 104 106"
      aria-hidden={!label}
      role="img"
      style={{ flex: 'none', display: 'block' }}
    >
      <title>{label}</title>
      <path
        d={shape}
        fill={earned ? colour : 'none'}
        stroke={earned ? colour : tone('slate')}
        strokeWidth={3}
        strokeDasharray={earned ? undefined : '7 6'}
      />
      <path
        d={sign}
        fill="none"
        stroke={earned ? tone('panel') : tone('slate')}
        strokeWidth={5}
        strokeLinejoin="round"
        strokeLinecap="round"
      />
    </svg>
  );
}
