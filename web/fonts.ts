import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import subset from 'subset-font';
import type { Plugin } from 'vite';

const file = (path: string) => fileURLToPath(new URL(path, import.meta.url));
const style = file('src/fonts/basic.css');

const FONTS = [
  {
    made: file('src/fonts/basic-text.woff2'),
    from: file(
      'node_modules/@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2',
    ),
    axes: { wght: { min: 400, max: 700 } },
  },
  {
    made: file('src/fonts/basic-display.woff2'),
    from: file(
      'node_modules/@fontsource/bricolage-grotesque/files/bricolage-grotesque-latin-600-normal.woff2',
    ),
    axes: {} as Record<string, { min: number; max: number }>,
  },
];

/** The letters of the ranges that the style sheet names. */
function letters(): string {
  const range = /unicode-range: ([^;]+);/.exec(readFileSync(style, 'utf8'))?.[1] ?? '';
  return range
    .split(',')
    .flatMap((part) => {
      const [from = 0, to = from] = part
        .trim()
        .slice(2)
        .split('-')
        .map((hex) => Number.parseInt(hex, 16));
      return Array.from({ length: to - from + 1 }, (_, n) => String.fromCodePoint(from + n));
    })
    .join('');
}

/** Makes the small fonts from the whole ones, once. */
export function smallFonts(): Plugin {
  return {
    name: 'small-fonts',
    async buildStart() {
      for (const { made, from, axes } of FONTS) {
        if (existsSync(made)) continue;
        const font = await subset(readFileSync(from), letters(), {
          targetFormat: 'woff2',
          variationAxes: axes,
        });
        writeFileSync(made, font);
      }
    },
  };
}
