import { format } from 'date-fns';

/** "Sun 29 Nov". */
export const day = (iso: string | undefined) => (iso ? format(new Date(iso), 'EEE d MMM') : '');

/** "Sun 29 Nov, 18:30". */
export const moment = (iso: string) => format(new Date(iso), 'EEE d MMM, HH:mm');

/** Whole percent, rounded down so that nobody seems to have reached what they missed. */
export const percent = (share: number) => Math.floor(share * 100 + 1e-9);

export const daysBetween = (from: string, to: string) =>
  Math.floor((Date.parse(to) - Date.parse(from)) / 86_400_000);

/** For an input of type datetime-local, in the reader's own time zone. */
export const toLocalInput = (iso: string | undefined) =>
  iso ? format(new Date(iso), "yyyy-MM-dd'T'HH:mm") : '';
export const fromLocalInput = (text: string) => (text ? new Date(text).toISOString() : undefined);
