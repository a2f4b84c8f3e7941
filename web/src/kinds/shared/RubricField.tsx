import { useTranslations } from 'use-intl';
import type { DesignRubric, DesignStep, StepEdit } from '../../api/client';
import { RubricSelect } from './RubricSelect';

/** The rubric of a step; its outcomes become outcomes of the step. */
export function RubricField({
  step,
  rubric,
  onChoose,
}: {
  step: DesignStep;
  rubric: number | undefined;
  onChoose: (rubric: number | undefined, evidenceFor: StepEdit['evidenceFor']) => void;
}) {
  const t = useTranslations();
  const choose = (chosen: DesignRubric | undefined) => {
    const outcomes = new Set(chosen?.criteria.flatMap((c) => c.outcome ?? []));
    const tied = step.evidenceFor.map((tie) => tie.outcome);
    onChoose(chosen?.id, [
      ...step.evidenceFor,
      ...[...outcomes]
        .filter((outcome) => !tied.includes(outcome))
        .map((outcome) => ({ outcome, weight: 1 })),
    ]);
  };
  return <RubricSelect label={t('rubric.ofStep')} rubric={rubric} onChoose={choose} />;
}
