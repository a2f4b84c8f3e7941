import { describe, expect, it } from 'vitest';
import { asWebVtt, fromFile, read, written } from './captions';

describe('captions', () => {
  it('have times that are read as they are written', () => {
    for (const millis of [0, 500, 5000, 62_500, 3_599_900, 3_723_000])
      expect(read(written(millis))).toBe(millis);
    expect(read('1:02:03')).toBe(3_723_000);
    expect(read('12,5')).toBe(12_500);
    for (const none of ['', 'x', '1:x', '1:2:3:4', '-1', '999999:00'])
      expect(read(none)).toBeNull();
  });

  it('come back from WebVTT as they went', async () => {
    const captions = [
      { from: 0, to: 4000, text: 'Loosen <the> nut & wait.' },
      { from: 3_600_250, to: 3_601_000, text: 'Two\nlines' },
    ];
    expect(await fromFile('x.vtt', asWebVtt(captions))).toEqual(captions);
  });

  it('are read from SubRip', async () => {
    const text =
      '1\n00:00:01,000 --> 00:00:02,500\nHello\n\n2\n00:00:03,000 --> 00:00:04,000\nAgain\n';
    expect(await fromFile('x.srt', text)).toEqual([
      { from: 1000, to: 2500, text: 'Hello' },
      { from: 3000, to: 4000, text: 'Again' },
    ]);
  });
});
