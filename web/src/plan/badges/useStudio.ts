import { useQuery } from '@tanstack/react-query';
import { queries } from '../../api/queries';
import type { Sign } from '../../api/signs';

/** What there is to draw with. */
export const useStudio = () => useQuery(queries.badgeStudio()).data;

/** All signs; a large file, which is fetched where one is chosen only. */
export function useSigns(): Sign[] | undefined {
  const from = useStudio()?.signs;
  return useQuery({ ...queries.signs(from ?? ''), enabled: !!from }).data;
}

/** Those that a word is about, those whose name it begins first. */
export function signsFor(signs: Sign[], text: string): Sign[] {
  const words = text.trim().toLowerCase().split(/\s+/).filter(Boolean);
  const fits = (sign: Sign, word: string) =>
    sign.name.includes(word) || sign.tags.some((tag) => tag.startsWith(word));
  const found = signs.filter((sign) => words.every((word) => fits(sign, word)));
  const first = words[0] ?? '';
  return found.sort((a, b) => Number(b.name.startsWith(first)) - Number(a.name.startsWith(first)));
}
