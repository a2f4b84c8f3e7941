import type { Design, DesignStep } from '../api/client';
import type { AuthorProps } from '../kinds/room';
import type { Draft } from './useDraft';

export interface StepPanelProps {
  step: DesignStep;
  design: Design;
  draft: Draft;
  onGone: () => void;
}

/** What the room of a step's kind gets. */
export function authorProps({ step, design, draft }: StepPanelProps) {
  const change: AuthorProps['change'] = (fields) => draft.step(step, fields);
  return { step, part: step.part, design, change } as unknown as AuthorProps<never>;
}
