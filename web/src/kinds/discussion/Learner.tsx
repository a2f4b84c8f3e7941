import type { LearnerProps } from '../room';
import { WrittenLearner } from '../shared/WrittenLearner';

export default function Learner({ page, walk, show, part }: LearnerProps<'discussion'>) {
  return <WrittenLearner page={page} walk={walk} show={show} rubric={part.rubric} />;
}
