import type { CriterionEdit, DesignRubric, DesignScale, RubricEdit } from '../api/client';
import type { Say } from '../i18n';

/** A rubric as it is sent: what follows from it is left out. */
export const rubricEdit = (r: DesignRubric): RubricEdit => ({
  name: r.name,
  criteria: r.criteria.map(({ outcomeName: _, ...criterion }) => criterion),
});

export const newCriterion = (t: Say): CriterionEdit => ({
  name: t('rubric.newCriterion'),
  description: '',
  counts: true,
  levels: [
    { name: t('rubric.notMet'), description: '', points: 0 },
    { name: t('rubric.met'), description: '', points: 1 },
  ],
});

/** The levels of a scale as the levels of a criterion, each standing for itself. */
export const levelsOf = (scale: DesignScale): CriterionEdit['levels'] =>
  scale.levels.map((l) => ({
    name: l.name,
    description: l.description,
    points: l.points,
    standsFor: l.key,
  }));

/** Puts one changed criterion in the place of another; null takes it away. */
export function withCriterion(
  edit: RubricEdit,
  at: number,
  criterion: CriterionEdit | null,
): RubricEdit {
  const criteria = [...edit.criteria];
  if (criterion) criteria[at] = criterion;
  else criteria.splice(at, 1);
  return { ...edit, criteria };
}

/** Moves a criterion up (-1) or down (1). */
export function moved(edit: RubricEdit, at: number, way: -1 | 1): RubricEdit {
  const to = at + way;
  const criteria = [...edit.criteria];
  const [it] = criteria.splice(at, 1);
  if (!it || to < 0 || to > criteria.length) return edit;
  criteria.splice(to, 0, it);
  return { ...edit, criteria };
}
