import { describe, expect, it } from 'vitest';
import { readPasted } from './pasted';

const one = (text: string) => {
  const [{ name, email, wrong } = { name: '', email: '', wrong: undefined }] = readPasted(text);
  return wrong ?? `${name}: ${email}`;
};

describe('pasted people', () => {
  it.each([
    ['Wren Castellane <wren@hollowlane.example>'],
    ['"Castellane, Wren" <wren@hollowlane.example>,'],
    ['Castellane, Wren <wren@hollowlane.example>'],
    ['Wren Castellane\twren@hollowlane.example'],
    ['Wren\tCastellane\twren@hollowlane.example'],
    ['Wren,Castellane,wren@hollowlane.example'],
    ['wren@hollowlane.example;Wren Castellane'],
  ])('are understood as they stand in %s', (text) => {
    expect(one(text)).toBe('Wren Castellane: wren@hollowlane.example');
  });

  it('who are addresses alone get a name from them', () => {
    expect(one('wren.castellane@hollowlane.example')).toBe(
      'Wren Castellane: wren.castellane@hollowlane.example',
    );
  });

  it('are named by line where they are not understood', () => {
    const lines = readPasted(
      'Name;E-mail\nWren;wren@x.example\n\nDov\nWREN@x.example\na@x b@x\nümlaut@x.example',
    );
    expect(lines.map((l) => [l.line, l.wrong])).toEqual([
      [2, undefined],
      [4, 'noAddress'],
      [5, 'twice'],
      [6, 'severalAddresses'],
      [7, 'wrongAddress'],
    ]);
  });
});
