import type { AuthorProps } from '../room';
import { QuizEditor } from './QuizEditor';

export default function Author({ step, part, design, change }: AuthorProps<'quiz'>) {
  return (
    <QuizEditor
      questions={part.questions}
      outcomes={design.outcomes.filter((o) => step.evidenceFor.some((tie) => tie.outcome === o.id))}
      onSave={(questions) => change({ part: { is: 'quiz', questions, taking: part.taking } })}
    />
  );
}
