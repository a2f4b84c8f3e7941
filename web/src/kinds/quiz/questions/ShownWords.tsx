import { Prose } from '../../../ui/Prose';
import { useFilesOfQuestions } from './filesOfQuestions';

/** Words of a question or a choice as they look. */
export function ShownWords({ of }: { of: { text: string; formatted?: string } }) {
  const { address } = useFilesOfQuestions();
  if (!of.formatted) return of.text;
  return <Prose plain html={of.formatted} at={address} />;
}
