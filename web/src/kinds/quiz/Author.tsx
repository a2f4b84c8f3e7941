import { useMemo } from 'react';
import type { AuthorProps } from '../room';
import { useCourseFiles } from '../shared/useCourseFiles';
import { QuizEditor } from './QuizEditor';
import { FilesOfQuestions } from './questions/filesOfQuestions';

export default function Author({ step, part, design, change }: AuthorProps<'quiz'>) {
  const door = useCourseFiles(design.course);
  const files = useMemo(() => ({ address: door.address, door }), [door]);
  return (
    <FilesOfQuestions value={files}>
      <QuizEditor
        questions={part.questions}
        outcomes={design.outcomes.filter((o) =>
          step.evidenceFor.some((tie) => tie.outcome === o.id),
        )}
        onSave={(questions) => change({ part: { ...part, questions } })}
        draws={part.draws}
        onDraws={(draws) => change({ part: { ...part, draws } })}
        course={design.course}
      />
    </FilesOfQuestions>
  );
}
