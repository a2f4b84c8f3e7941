import type { AuthorProps } from '../room';
import { PointsField } from '../shared/PointsField';
import { RubricField } from '../shared/RubricField';

/** What is set where staff assess the work: with what, and for how many points. */
export default function Settings({ step, part, change }: AuthorProps<'practical'>) {
  return (
    <>
      <RubricField
        step={step}
        rubric={part.rubric}
        onChoose={(rubric, evidenceFor) =>
          change({
            part: { is: 'practical', ...(rubric !== undefined && { rubric }) },
            evidenceFor,
          })
        }
      />
      <PointsField step={step} change={change} />
    </>
  );
}
