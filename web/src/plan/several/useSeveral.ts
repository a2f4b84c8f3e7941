import equal from 'fast-deep-equal';
import { useTranslations } from 'use-intl';
import { api, body, type DesignStep, type RuleNode, type StepEdit } from '../../api/client';
import { useNotice } from '../../ui/Notice';
import { plainRule, stepEdit } from '../edits';
import type { Draft } from '../useDraft';
import { fieldsOf } from '../useDraft';

interface Change {
  id: number;
  fields: { from: Record<string, unknown>; to: Record<string, unknown> };
}

const turned = ({ id, fields: { from, to } }: Change): Change => ({
  id,
  fields: { from: to, to: from },
});

export type RuleField = 'opensWhen' | 'doneWhen';

type Fields = (keyof StepEdit)[];
const DATES: Fields = ['opensAt', 'dueAt', 'lateUntil', 'closesAt'];

/** What is done to several steps of a draft at once, each with its way back. */
export function useSeveral(course: number, draft: Draft) {
  const t = useTranslations();
  const notice = useNotice();
  const path = { params: { path: { course } } };
  const change = (steps: Change[]) =>
    body(api.POST('/api/courses/{course}/design/steps/changes', { ...path, body: { steps } }));
  const said = (text: string) => notice({ tone: 'success', text, undo: () => void draft.undo() });

  /** What has become of some fields of steps. */
  const changes = (before: DesignStep[], after: DesignStep[], fields: Fields): Change[] =>
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
  const doing = async (
    steps: DesignStep[],
    fields: Fields,
    act: (seen: DesignStep[]) => Promise<DesignStep[]>,
  ) => {
    let done: Change[] = [];
    await draft.doing({
      act: async () => {
        const seen = steps.map((s) => draft.newest('steps', s));
        done = changes(seen, await act(seen), fields);
        return done.length === 0 ? undefined : done;
      },
      back: () => change(done.map(turned)),
    });
    said(t('plan.severalChanged', { count: done.length }));
  };

  const each = (steps: DesignStep[], fields: Fields, to: (s: DesignStep) => Partial<StepEdit>) =>
    doing(steps, fields, (seen) =>
      change(
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
    remove: async (steps: DesignStep[]) => {
      const ids = steps.map((s) => s.id);
      await draft.doing({
        act: () =>
          api.POST('/api/courses/{course}/design/steps/removal', {
            ...path,
            body: { steps: ids.map((id) => ({ id })) },
          }),
        back: () =>
          api.POST('/api/courses/{course}/design/steps/restoration', {
            ...path,
            body: { steps: ids },
          }),
      });
      said(t('plan.severalGone', { count: steps.length }));
    },
  };
}

export type Several = ReturnType<typeof useSeveral>;
