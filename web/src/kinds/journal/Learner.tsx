import type { LearnerProps } from '../room';
import { WrittenLearner } from '../shared/WrittenLearner';

export default function Learner({ page, walk, show, part }: LearnerProps<'journal'>) {
  return <WrittenLearner page={page} walk={walk} show={show} rubric={part.rubric} journal />;
}
