import equal from 'fast-deep-equal';
import { useTranslations } from 'use-intl';
import { api, body, type DesignStep, type RuleNode, type StepEdit } from '../../api/client';
import { plainRule, stepEdit } from '../edits';
import { type StepFields, sendSteps } from '../undo/way';
import type { Draft } from '../useDraft';
import { fieldsOf } from '../useDraft';

const turned = ({ id, fields: { from, to } }: StepFields): StepFields => ({
  id,
  fields: { from: to, to: from },
});

export type RuleField = 'opensWhen' | 'doneWhen';

type Fields = (keyof StepEdit)[];
const DATES: Fields = ['opensAt', 'dueAt', 'lateUntil', 'closesAt'];

/** What is done to several steps of a draft at once, each with its way back. */
export function useSeveral(course: number, draft: Draft) {
  const t = useTranslations();
  const path = { params: { path: { course } } };
  /** What has become of some fields of steps. */
  const changes = (before: DesignStep[], after: DesignStep[], fields: Fields): StepFields[] =>
    before.flatMap((old) => {
      const now = after.find((s) => s.id === old.id);
      if (!now) return [];
      const was = stepEdit(old);
      const is = stepEdit(now);
      const changed = fields.filter((f) => !equal(was[f], is[f]));
      return changed.length === 0
        ? []
        : [{ id: old.id, fields: { from: fieldsOf(was, changed), to: fieldsOf(is, changed) } }];
    });

  /** Does something, and undoes just what it came to. */
  const doing = (
    steps: DesignStep[],
    fields: Fields,
    act: (seen: DesignStep[]) => Promise<DesignStep[]>,
  ) =>
    draft.doing(
      async () => {
        const seen = steps.map((s) => draft.newest('steps', s));
        const now = await act(seen);
        draft.keepSteps(now);
        const made = changes(seen, now, fields);
        const changed = [
          ...new Set(
            made.flatMap((c) => Object.keys(c.fields.to).concat(Object.keys(c.fields.from))),
          ),
        ];
        return made.length === 0
          ? undefined
          : {
              made,
              did: {
                did: 'changed',
                part: 'steps',
                name: '',
                count: made.length,
                fields: changed,
              },
              back: { goes: 'steps', steps: made.map(turned) },
            };
      },
      (made) => t('plan.severalChanged', { count: made.length }),
    );

  const each = (steps: DesignStep[], fields: Fields, to: (s: DesignStep) => Partial<StepEdit>) =>
    doing(steps, fields, (seen) =>
      sendSteps(
        course,
        seen.map((s) => ({
          id: s.id,
          fields: { from: fieldsOf(stepEdit(s), fields), to: fieldsOf(to(s), fields) },
        })),
      ),
    );

  return {
    /** Gives them all the same fields; those that are undefined are emptied. */
    set: (steps: DesignStep[], to: Partial<StepEdit>) =>
      each(steps, Object.keys(to) as Fields, () => to),
    /** Gives each a rule; what it asks about the step for which it was made, it asks about each. */
    rule: async (steps: DesignStep[], field: RuleField, from: { id: number }, rule?: RuleNode) => {
      if (!rule) return each(steps, [field], () => ({ [field]: undefined }));
      const asked = await body(
        api.POST('/api/courses/{course}/design/rules/for-steps', {
          ...path,
          body: {
            done: field === 'doneWhen',
            from: from.id,
            rule: plainRule(rule),
            steps: steps.map((s) => s.id),
          },
        }),
      );
      return each(steps, [field], (s) => {
        const its = asked.find((a) => a.step === s.id)?.rule.root;
        return { [field]: its && plainRule(its) };
      });
    },
    later: (steps: DesignStep[], days: number) =>
      doing(steps, DATES, (seen) =>
        body(
          api.POST('/api/courses/{course}/design/steps/dates', {
            ...path,
            body: { steps: seen.map((s) => s.id), days },
          }),
        ),
      ),
    remove: (steps: DesignStep[]) => {
      const ids = steps.map((s) => s.id);
      return draft.doing(
        async () => {
          await api.POST('/api/courses/{course}/design/steps/removal', {
            ...path,
            body: { steps: ids.map((id) => ({ id })) },
          });
          return {
            made: ids,
            did: { did: 'removed', part: 'steps', name: '', count: ids.length },
            back: { goes: 'back', part: 'steps', ids },
          };
        },
        () => t('plan.severalGone', { count: ids.length }),
      );
    },
  };
}

export type Several = ReturnType<typeof useSeveral>;
