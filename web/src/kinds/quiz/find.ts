import type { BankQuestion } from '../../api/client';

export interface Wanted {
  text: string;
  tags: string[];
  /** Only those that no quiz asks or may draw. */
  unused: boolean;
}

export const ANY: Wanted = { text: '', tags: [], unused: false };

/** Whether a question has all words that are looked for, and all tags. */
export function isFound(q: BankQuestion, { text, tags, unused }: Wanted) {
  const said = [q.question.text, q.question.feedback, ...q.tags].join(' ').toLowerCase();
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  return (
    words.every((word) => said.includes(word)) &&
    tags.every((tag) => q.tags.includes(tag)) &&
    !(unused && q.usedIn.length + q.drawnIn.length > 0)
  );
}

/** The tags of some questions, each with how many have it, in the order of the alphabet. */
export function tagsOf(questions: BankQuestion[]): { tag: string; count: number }[] {
  const counts = new Map<string, number>();
  for (const tag of questions.flatMap((q) => q.tags)) counts.set(tag, (counts.get(tag) ?? 0) + 1);
  return [...counts]
    .map(([tag, count]) => ({ tag, count }))
    .sort((a, b) => a.tag.localeCompare(b.tag));
}

/** The tags that most questions have, and those that are looked for, in the order of the alphabet. */
export function tagsToOffer(questions: BankQuestion[], most: number, wanted: string[]) {
  const tags = tagsOf(questions);
  const often = new Set([...tags].sort((a, b) => b.count - a.count).slice(0, most));
  return tags.filter((known) => often.has(known) || wanted.includes(known.tag));
}
