import type { BankEdit, BankQuestion } from '../../api/client';

/** A question of the course as it is sent. */
export const bankEdit = (q: BankQuestion): BankEdit => ({
  question: q.question,
  tags: q.tags,
  ...(q.difficulty && { difficulty: q.difficulty }),
});
