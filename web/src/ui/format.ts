const part = (at: Date, options: Intl.DateTimeFormatOptions) =>
  // Rules are worded with three letters a month.
  new Intl.DateTimeFormat('en-GB', options).format(at).replace('Sept', 'Sep');
const two = (n: number) => `${n}`.padStart(2, '0');
const time = (at: Date) => `${two(at.getHours())}:${two(at.getMinutes())}`;

/** "Sun 29 Nov", "Fri 8 Jan 2027": with the year unless it is this one. */
export const day = (iso: string | undefined) => {
  if (!iso) return '';
  const at = new Date(iso);
  const date = part(at, { weekday: 'short', day: 'numeric', month: 'short' }).replace(',', '');
  return at.getFullYear() === new Date().getFullYear() ? date : `${date} ${at.getFullYear()}`;
};

/** "18:30". */
export const timeOf = (iso: string) => time(new Date(iso));

/** "Sun 29 Nov, 18:30". */
export const moment = (iso: string) => `${day(iso)}, ${time(new Date(iso))}`;

/** "0:46", "1:02:05": how long, or where in a film. */
export function clock(seconds: number): string {
  const hours = Math.floor(seconds / 3600);
  const minutes = Math.floor(seconds / 60) % 60;
  const rest = two(Math.floor(seconds) % 60);
  return hours > 0 ? `${hours}:${two(minutes)}:${rest}` : `${minutes}:${rest}`;
}

const inZone = (iso: string, timeZone: string, options: Intl.DateTimeFormatOptions) =>
  part(new Date(iso), { ...options, timeZone });

/** "Sat 21 Nov", where the course is; with the year unless it is this one. */
export const dayIn = (iso: string, zone: string) => {
  const year = inZone(iso, zone, { year: 'numeric' });
  const thisYear = year === inZone(new Date().toISOString(), zone, { year: 'numeric' });
  const date = inZone(iso, zone, { weekday: 'short', day: 'numeric', month: 'short' });
  return date.replace(',', '') + (thisYear ? '' : ` ${year}`);
};

/** "10:00 to 13:00", where the course is. */
export function spanIn(iso: string, minutes: number, zone: string): string {
  const hours = { hour: '2-digit', minute: '2-digit' } as const;
  const end = new Date(Date.parse(iso) + minutes * 60_000).toISOString();
  return `${inZone(iso, zone, hours)} to ${inZone(end, zone, hours)}`;
}

/** Whole percent, rounded down so that nobody seems to have reached what they missed. */
export const percent = (share: number) => Math.floor(share * 100 + 1e-9);

/** The same with its sign. */
export const inPercent = (share: number) => `${percent(share)} %`;

export const daysBetween = (from: string, to: string) =>
  Math.floor((Date.parse(to) - Date.parse(from)) / 86_400_000);

/** As fields of dates hand it on, in the reader's own time zone. */
export function toLocalInput(iso: string | undefined): string {
  if (!iso) return '';
  const at = new Date(iso);
  const date = [at.getFullYear(), two(at.getMonth() + 1), two(at.getDate())].join('-');
  return `${date}T${time(at)}`;
}
export const fromLocalInput = (text: string) => (text ? new Date(text).toISOString() : undefined);

/**
 * A number as it is typed in a language, with its comma or point; nothing where it is none. Groups
 * of three may be parted as that language does.
 */
export function readNumber(text: string, locale: string): number | undefined {
  const parts = new Intl.NumberFormat(locale).formatToParts(-12345.5);
  const sign = (type: string) => parts.find((p) => p.type === type)?.value ?? '';
  const group = sign('group').trim() === '' ? ' ' : sign('group');
  const typed = text
    .trim()
    .replace(/[\u00a0\u202f]/g, ' ')
    .replace(/^[−–]/, '-');
  const [whole = '', fraction, ...more] = typed.split(sign('decimal'));
  const grouped = new RegExp(`^[-+]?\\d{1,3}(?:\\${group}\\d{3})+$`).test(whole);
  const plain = `${grouped ? whole.replaceAll(group, '') : whole}${fraction === undefined ? '' : `.${fraction}`}`;
  if (more.length > 0 || !/^[-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d{1,3})?$/i.test(plain))
    return undefined;
  const number = Number(plain);
  return Number.isFinite(number) ? number : undefined;
}

/** A typed number, no less than this; what is no number is nothing. */
export const least = (value: string, bound: number) => Math.max(bound, Number(value) || 0);

/** "14 kB", "3.2 MB": how large a file is. */
export function fileSize(bytes: number): string {
  const units = ['B', 'kB', 'MB', 'GB'];
  let size = bytes;
  let unit = 0;
  while (size >= 1000 && unit < units.length - 1) {
    size /= 1000;
    unit++;
  }
  const shown = size < 10 && unit > 1 ? Math.round(size * 10) / 10 : Math.round(size);
  return `${shown} ${units[unit]}`;
}
