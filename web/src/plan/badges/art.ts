import { getContrastRatio } from '@mui/material/styles';
import type { BadgeStudio, DesignBadge } from '../../api/client';

export type Art = DesignBadge['picture']['art'];
export type ColourName = Art['colour'];
export type Colours = BadgeStudio['colours'];

export const EDGES: Art['edge'][] = ['NONE', 'LINE', 'DOUBLE', 'DASHES', 'DOTS', 'STITCH'];
export const PATTERNS: Art['pattern'][] = ['NONE', 'RAYS', 'STRIPES', 'CHECKS', 'RINGS', 'SPOTS'];
export const WORDS_AT: Art['wordsAt'][] = ['NOWHERE', 'RIBBON', 'RIM'];

const plain: Art = {
  shape: 'ROUND',
  edge: 'LINE',
  pattern: 'NONE',
  sign: 'medal',
  signStyle: 'FILL',
  colour: 'LAGOON',
  signColour: 'PAPER',
  trimColour: 'STRAW',
  wordsColour: 'PAPER',
  words: '',
  wordsAt: 'NOWHERE',
};

/** What a badge is until somebody draws it. */
export const FIRST = plain;

/** Ways to begin: all can be read, and look like each other's family. */
export const BEGINNINGS: Art[] = [
  plain,
  { ...plain, shape: 'SHIELD', edge: 'STITCH', colour: 'INDIGO', sign: 'shield-star' },
  { ...plain, shape: 'SCALLOP', pattern: 'RAYS', colour: 'MADDER', sign: 'star' },
  { ...plain, shape: 'COG', edge: 'DOTS', colour: 'SLATE', trimColour: 'PAPER', sign: 'wrench' },
  { ...plain, shape: 'PEBBLE', edge: 'DOUBLE', colour: 'MOSS', trimColour: 'MINT', sign: 'plant' },
  { ...plain, shape: 'BANNER', edge: 'LINE', colour: 'RUST', sign: 'flag-banner' },
  {
    ...plain,
    shape: 'HEXAGON',
    edge: 'DASHES',
    colour: 'PLUM',
    trimColour: 'STRAW',
    sign: 'target',
    wordsAt: 'RIBBON',
    wordsColour: 'INK',
  },
  {
    ...plain,
    shape: 'OCTAGON',
    colour: 'STRAW',
    trimColour: 'INK',
    signColour: 'INK',
    wordsColour: 'INK',
    sign: 'trophy',
    wordsAt: 'RIM',
  },
];

/** A beginning that keeps the words and the sign that were chosen. */
export const beginWith = (beginning: Art, now: Art): Art => ({
  ...beginning,
  words: now.words,
  wordsAt: now.words
    ? beginning.wordsAt === 'NOWHERE'
      ? now.wordsAt
      : beginning.wordsAt
    : 'NOWHERE',
  ...(now.sign !== FIRST.sign && { sign: now.sign, signStyle: now.signStyle }),
});

export interface Seen {
  /** Of what on what, as part of a key. */
  of: 'sign' | 'words' | 'ribbon';
  ratio: number;
  enough: boolean;
}

/** How well what is on a badge stands out: 3 to 1 for signs and 4.5 to 1 for words (WCAG 2.2). */
export function contrasts(art: Art, colours: Colours): Seen[] {
  const hex = (name: ColourName) => colours[name] ?? '#000000';
  const seen: Seen[] = [];
  const look = (of: Seen['of'], front: ColourName, ground: ColourName, least: number) => {
    const ratio = getContrastRatio(hex(front), hex(ground));
    seen.push({ of, ratio, enough: ratio >= least });
  };
  if (art.sign) look('sign', art.signColour, art.colour, 3);
  if (art.words && art.wordsAt === 'RIM') look('words', art.wordsColour, art.colour, 4.5);
  if (art.words && art.wordsAt === 'RIBBON') {
    look('words', art.wordsColour, art.trimColour, 4.5);
    look('ribbon', art.trimColour, art.colour, 1.5);
  }
  return seen;
}
