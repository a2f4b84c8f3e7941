import type { Tone } from '../theme';

/** A colour of the theme as a CSS variable, for drawings. */
export const tone = (name: Tone) => `var(--mui-palette-tone-${name})`;
