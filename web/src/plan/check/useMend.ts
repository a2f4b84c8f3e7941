import { useTranslations } from 'use-intl';
import type { Design, Mend } from '../../api/client';
import { useNotice } from '../../ui/Notice';
import type { Draft } from '../useDraft';

/** What a mend sets its field to. */
const SET = {
  OPENS_WHEN: (rule: Mend['rule']) => ({ opensWhen: rule }),
  DONE_WHEN: (rule: Mend['rule']) => ({ doneWhen: rule }),
  EARNED_WHEN: (rule: Mend['rule']) => ({ earnedWhen: rule }),
  COMPLETE_WHEN: (rule: Mend['rule']) => ({ completeWhen: rule }),
  FLAG_WHEN: (rule: Mend['rule']) => ({ flagWhen: rule }),
  PUBLISHED: () => ({ published: true }),
  ATTEMPTS: () => ({ attempts: 0 }),
  DUE_AT: () => ({ dueAt: undefined }),
} satisfies Record<Mend['field'], (rule: Mend['rule']) => object>;

const found = <T extends { id: number }>(all: T[], id: number) => all.find((x) => x.id === id);

/**
 * Takes mends as any other change of the draft, so that each is saved and undone like one; nothing
 * as long as the draft is not there.
 */
export function useMend(design: Design | undefined, draft: Draft) {
  const t = useTranslations();
  const notice = useNotice();
  if (!design) return undefined;
  const made = (mend: Mend) => {
    const { part, id } = mend.thing;
    const change = SET[mend.field](mend.rule) as object;
    const step = found(
      design.modules.flatMap((m) => m.steps),
      id,
    );
    const module = found(design.modules, id);
    const badge = found(design.badges, id);
    const flag = found(design.flags, id);
    if (part === 'STEPS' && step) return draft.step(step, change);
    if (part === 'MODULES' && module) return draft.module(module, change);
    if (part === 'BADGES' && badge) return draft.badge(badge, change);
    if (part === 'FLAGS' && flag) return draft.flag(flag, change);
    if (part === 'COMPLETION') return draft.rules(design.rules, change);
    return undefined;
  };
  return async (...mends: Mend[]) => {
    const edits = await Promise.all(mends.map(made));
    const all = edits.flatMap((edit, n) =>
      edit?.key ? [{ key: edit.key, says: mends[n]?.says ?? '' }] : [],
    );
    const [first] = all;
    if (!first) return;
    notice({
      tone: 'success',
      text: all.length === 1 ? first.says : t('plan.allTakenBack', { count: all.length }),
      undo: async () => {
        for (const { key } of all.reverse()) await draft.undo(key);
      },
    });
  };
}
