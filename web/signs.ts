import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { icons } from '@phosphor-icons/core';
import type { Plugin } from 'vite';
import own from './signs.json';

const from = fileURLToPath(new URL('node_modules/@phosphor-icons/core/', import.meta.url));

/** The outlines of a pictogram in one weight, as one path. */
function outline(weight: string, file: string): string {
  const svg = readFileSync(`${from}assets/${weight}/${file}.svg`, 'utf8');
  return [...svg.matchAll(/<path d="([^"]+)"\/>/g)].map((path) => path[1]).join('');
}

/**
 * The signs that badges can bear, in one file that the badge studio and the server read: ours,
 * which are lines, and those of the package, filled and in lines.
 */
function signs(): string {
  const all = icons
    .filter((it) => !it.name.endsWith('-logo'))
    .map(({ name, tags }) => ({
      name,
      tags: tags.filter((tag) => !tag.startsWith('*')),
      fill: outline('fill', `${name}-fill`),
      bold: outline('bold', `${name}-bold`),
    }));
  return JSON.stringify([...own, ...all]);
}

export const signsOfBadges = (): Plugin => ({
  name: 'signs-of-badges',
  apply: 'build',
  generateBundle() {
    const source = signs();
    const hash = createHash('sha256').update(source).digest('hex').slice(0, 8);
    this.emitFile({ type: 'asset', fileName: `assets/signs-${hash}.json`, source });
    this.emitFile({
      type: 'asset',
      fileName: 'assets/signs-LICENSE.txt',
      source: readFileSync(`${from}LICENSE`, 'utf8'),
    });
  },
});
