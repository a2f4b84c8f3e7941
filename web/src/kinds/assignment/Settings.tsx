import type { AuthorProps } from '../room';
import { PointsField } from '../shared/PointsField';
import { RubricField } from '../shared/RubricField';

export default function Settings({ step, part, change }: AuthorProps<'assignment'>) {
  return (
    <>
      <RubricField
        step={step}
        rubric={part.rubric}
        onChoose={(rubric, evidenceFor) =>
          change({
            part: { is: 'assignment', ...(rubric !== undefined && { rubric }) },
            evidenceFor,
          })
        }
      />
      <PointsField step={step} change={change} />
    </>
  );
}
