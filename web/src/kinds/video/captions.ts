import type { Caption } from '../../api/client';

const two = (n: number) => `${n}`.padStart(2, '0');

/** "1:02.5", as it is typed and shown. */
export function written(millis: number): string {
  const seconds = Math.floor(millis / 1000);
  const tenths = Math.round((millis % 1000) / 100);
  const carried = tenths === 10 ? { s: seconds + 1, t: 0 } : { s: seconds, t: tenths };
  const rest = carried.s % 60;
  const minutes = Math.floor(carried.s / 60);
  return `${minutes}:${two(rest)}${carried.t > 0 ? `.${carried.t}` : ''}`;
}

/** Milliseconds of "1:02.5", "62.5" or "1:02:03"; null where it is no time. */
export function read(text: string): number | null {
  const parts = text.trim().replace(',', '.').split(':');
  if (parts.length > 3 || parts.some((p) => !/^\d+(\.\d+)?$/.test(p))) return null;
  const seconds = parts.reduce((sum, p) => sum * 60 + Number(p), 0);
  return seconds <= 86_400 ? Math.round(seconds * 1000) : null;
}

const stamp = (millis: number) => {
  const s = Math.floor(millis / 1000);
  return `${two(Math.floor(s / 3600))}:${two(Math.floor(s / 60) % 60)}:${two(s % 60)}.${`${millis % 1000}`.padStart(3, '0')}`;
};

/** WebVTT (W3C), to be kept elsewhere. */
export const asWebVtt = (captions: Caption[]) =>
  [
    'WEBVTT',
    ...captions.map(
      (c) =>
        `${stamp(c.from)} --> ${stamp(c.to)}\n${c.text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;')}`,
    ),
  ].join('\n\n');

/** The captions of a file of WebVTT or SubRip; words keep their lines and lose their markup. */
export async function fromFile(name: string, text: string): Promise<Caption[]> {
  const { parseText } = await import('media-captions');
  const { cues } = await parseText(text, {
    type: /\.srt$/i.test(name) ? 'srt' : 'vtt',
  });
  return cues
    .map((cue) => ({
      from: Math.round(cue.startTime * 1000),
      to: Math.round(cue.endTime * 1000),
      text: asLines(cue.text),
    }))
    .filter((c) => c.to > c.from && c.text !== '');
}

function asLines(text: string): string {
  return text
    .split('\n')
    .map((line) => new DOMParser().parseFromString(line, 'text/html').body.textContent ?? '')
    .map((line) => line.trim())
    .filter((line) => line !== '')
    .join('\n')
    .slice(0, 500);
}
