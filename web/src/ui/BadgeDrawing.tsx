import type { BadgePicture } from '../api/client';

/** Where a badge's picture is: drawn from its parts, or one that somebody sent. */
export function pictureUrl({ art, own }: Pick<BadgePicture, 'art' | 'own'>): string {
  if (own) return `/api/badges/pictures/${own}`;
  return `/api/badges/drawing?${new URLSearchParams({ ...art })}`;
}

/** A badge as its designer made it; grey and pale before it is earned. */
export function BadgeDrawing({
  picture,
  earned = true,
  size = 56,
  label,
}: {
  picture: Pick<BadgePicture, 'art' | 'own'>;
  earned?: boolean;
  size?: number;
  /** What it shows; empty where its name stands beside it. */
  label: string;
}) {
  return (
    <img
      src={pictureUrl(picture)}
      alt={label}
      width={size}
      height={size}
      draggable={false}
      style={{
        flex: 'none',
        display: 'block',
        ...(!earned && { filter: 'grayscale(1)', opacity: 0.4 }),
      }}
    />
  );
}
