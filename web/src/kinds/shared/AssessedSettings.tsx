import type { AuthorPart } from '../../api/client';
import type { AuthorProps } from '../room';
import { PointsField } from './PointsField';
import { RubricField } from './RubricField';

/** A kind of step whose work is assessed with a rubric. */
type Assessed = Extract<AuthorPart, { rubric?: number }>;

/** What is set where staff assess the work: with what, and for how many points. */
export default function AssessedSettings({
  step,
  part,
  change,
}: Pick<AuthorProps, 'step' | 'change'> & { part: Assessed }) {
  return (
    <>
      <RubricField
        step={step}
        rubric={part.rubric}
        onChoose={(rubric, evidenceFor) =>
          change({ part: { is: part.is, ...(rubric !== undefined && { rubric }) }, evidenceFor })
        }
      />
      <PointsField step={step} change={change} />
    </>
  );
}
