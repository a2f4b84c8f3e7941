/** One line of what was pasted, as it was understood. */
export interface PastedLine {
  /** Counted from 1, as it stands in the field. */
  line: number;
  name: string;
  email: string;
  /** What is wrong with it, a key of texts. */
  wrong?: 'noAddress' | 'severalAddresses' | 'wrongAddress' | 'twice';
}

const ADDRESS = /^[!-~]+@[!-~]+$/;
const LONGEST = 254;
/** What stands around names and addresses in letters and sheets. */
const BETWEEN = /[\s,;<>"()]+/;

const capital = (word: string) => word.charAt(0).toUpperCase() + word.slice(1);

/** "wren.castellane@..." is probably Wren Castellane. */
const nameOf = (email: string) =>
  (email.split('@')[0] ?? '')
    .split(/[._-]+/)
    .filter(Boolean)
    .map(capital)
    .join(' ');

/** "Castellane, Wren <...>" is Wren Castellane; in a sheet with commas the first name is first. */
function nameIn(line: string, email: string): string {
  const before = line.slice(0, line.indexOf('<')).replaceAll('"', '').split(',');
  const [last, first] = before;
  if (line.includes('<') && before.length === 2 && last?.trim() && first?.trim())
    return `${first.trim()} ${last.trim()}`;
  const words = line.split(BETWEEN).filter((word) => word && !word.includes('@'));
  return words.join(' ') || nameOf(email);
}

function read(text: string, line: number, seen: Set<string>): PastedLine {
  const addresses = text.split(BETWEEN).filter((word) => word.includes('@'));
  const email = addresses[0] ?? '';
  const name = nameIn(text, email);
  const wrong = () => {
    if (!email) return 'noAddress';
    if (addresses.length > 1) return 'severalAddresses';
    if (!ADDRESS.test(email) || email.length > LONGEST) return 'wrongAddress';
    return seen.has(email.toLowerCase()) ? 'twice' : undefined;
  };
  const found = wrong();
  seen.add(email.toLowerCase());
  return { line, name, email, ...(found && { wrong: found }) };
}

/** The heads of a sheet, which name no person. */
const isHead = (text: string) => !text.includes('@') && /mail/i.test(text);

/**
 * People as they were typed or pasted, one a line: from a sheet, from the line of recipients of a
 * letter, or addresses alone. Heads of columns are left out.
 */
export function readPasted(text: string): PastedLine[] {
  const seen = new Set<string>();
  return text
    .split(/\r?\n/)
    .map((line, n) => ({ line: line.trim(), n }))
    .filter(({ line, n }) => line !== '' && !(n === 0 && isHead(line)))
    .map(({ line, n }) => read(line, n + 1, seen));
}
