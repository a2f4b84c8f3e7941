import { parse } from 'dot-properties';
import type { Plugin } from 'vite';

type Messages = { [key: string]: string | Messages };

/** Sentences by key, a group for each part of a key before a dot. */
function grouped(flat: Record<string, string>): Messages {
  const all: Messages = {};
  for (const [key, text] of Object.entries(flat)) {
    const groups = key.split('.');
    const last = groups.pop() ?? key;
    let at = all;
    for (const group of groups) {
      at[group] ??= {};
      const next = at[group];
      if (typeof next === 'string') throw new Error(`${key} stands within the sentence ${group}`);
      at = next;
    }
    at[last] = text;
  }
  return all;
}

/** Lets a part of the catalogue of sentences be imported. */
export const words = (): Plugin => ({
  name: 'words',
  transform: (code, id) =>
    id.endsWith('.properties')
      ? {
          code: `export default ${JSON.stringify(grouped(parse(code) as Record<string, string>))}`,
          map: null,
        }
      : undefined,
});
