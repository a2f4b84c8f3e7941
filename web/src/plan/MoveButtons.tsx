import { Button } from '@mui/material';
import equal from 'fast-deep-equal';
import { useTranslations } from 'use-intl';
import type { Design } from '../api/client';
import { orderOf, stepped } from './order';
import type { Draft } from './useDraft';

/** Puts a step or a module one place up or down, without dragging. */
export function MoveButtons({ of, design, draft }: { of: string; design: Design; draft: Draft }) {
  const t = useTranslations();
  const now = orderOf(design.modules);
  return ([-1, 1] as const).map((by) => {
    const next = stepped(design.modules, of, by);
    return (
      <Button
        key={by}
        variant="outlined"
        disabled={equal(next, now)}
        onClick={() => draft.order(design, next)}
      >
        {t(by < 0 ? 'plan.moveUp' : 'plan.moveDown')}
      </Button>
    );
  });
}
