import { describe, expect, it } from 'vitest';
import kindWords from '../../../words/en/kinds.properties';
import learner from '../../../words/en/learner.properties';
import staff from '../../../words/en/staff.properties';
import { kinds } from '../kinds/rooms';

type Group = { [key: string]: string | Group };

const keys = (group: Group, above = ''): string[] =>
  Object.entries(group).flatMap(([key, text]) =>
    typeof text === 'string' ? [above + key] : keys(text, `${above}${key}.`),
  );

const sources = import.meta.glob<string>(['../**/*.{ts,tsx}', '!../**/*.test.*'], {
  query: '?raw',
  import: 'default',
  eager: true,
});

describe('the catalogue', () => {
  const said = new Set([
    ...keys(learner as Group),
    ...keys(staff as Group),
    ...keys(kindWords as Group),
  ]);

  it('has every sentence that a part asks for', () => {
    const asked = Object.entries(sources).flatMap(([file, text]) =>
      [...text.matchAll(/\b(?:t|say)\(\s*'([^']+)'/g)].map((m) => [file, m[1] ?? '']),
    );
    expect(asked.length).toBeGreaterThan(400);
    expect(asked.filter(([, key]) => !said.has(key ?? ''))).toEqual([]);
  });

  it('names every kind of step and says how it is begun', () => {
    for (const kind of kinds)
      for (const what of ['name', 'begin']) expect(said).toContain(`kind.${kind}.${what}`);
  });

  it('has no sentence twice', () => {
    const both = keys(learner as Group).filter((key) => keys(staff as Group).includes(key));
    expect(both).toEqual([]);
  });

  it('has no sentence that no part asks for', () => {
    const all = Object.values(sources).join('\n');
    const left = [...said].filter((key) => {
      const last = key.split('.').at(-1) ?? key;
      return !new RegExp(`\\b${last}\\b`, 'i').test(all);
    });
    expect(left.filter((key) => !key.startsWith('jobs.'))).toEqual([]);
  });
});
