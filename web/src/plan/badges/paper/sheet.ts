import type { CertificateSheetEdit } from '../../../api/client';

export type Sheet = CertificateSheetEdit;

export const TEMPLATES: Sheet['template'][] = ['THREAD', 'BAND', 'FRAME', 'PLAIN'];
export const PAPERS: Sheet['paper'][] = ['A4', 'LETTER'];

/** What can be printed, in the order in which it stands on the paper. */
export const FIELDS: Sheet['fields'][number][] = [
  'MARK',
  'BADGE',
  'DESCRIPTION',
  'OUTCOMES',
  'LEVELS',
  'NUMBER',
  'DAY',
  'END',
  'CODE',
];

export const MOST_SIGNATURES = 3;
export const MOST_HOURS = 10_000;

/** How a certificate begins, in these words. */
export const firstSheet = (words: Pick<Sheet, 'heading' | 'opening' | 'closing'>): Sheet => ({
  template: 'THREAD',
  paper: 'A4',
  upright: false,
  ...words,
  fields: FIELDS,
  signatures: [],
});

/** The same fields with one more or one less, in their order. */
export const withField = (sheet: Sheet, field: Sheet['fields'][number], on: boolean) =>
  FIELDS.filter((f) => (f === field ? on : sheet.fields.includes(f)));
