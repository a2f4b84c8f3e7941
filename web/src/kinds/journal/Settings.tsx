import type { AuthorProps } from '../room';
import { MinutesField } from '../shared/MinutesField';
import { PointsField } from '../shared/PointsField';
import { RubricField } from '../shared/RubricField';
import { useOwn } from '../shared/useOwn';

/** For how long entries can be changed, and with what they are assessed. */
export default function Settings({ step, part: saved, change }: AuthorProps<'journal'>) {
  const [part, setOwn] = useOwn(saved);
  const set = (next: typeof part, evidenceFor?: typeof step.evidenceFor) => {
    setOwn(next);
    change({ part: next, ...(evidenceFor && { evidenceFor }) });
  };
  return (
    <>
      <MinutesField minutes={part.minutes} onSave={(minutes) => set({ ...part, minutes })} />
      <RubricField
        step={step}
        rubric={part.rubric}
        onChoose={(rubric, evidenceFor) => {
          const { rubric: _, ...rest } = part;
          set(rubric === undefined ? rest : { ...rest, rubric }, evidenceFor);
        }}
      />
      <PointsField step={step} change={change} />
    </>
  );
}
