import { Button } from '@mui/material';
import { lazy, Suspense, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { WalkName } from '../kinds/room';

const AskDialog = lazy(() => import('./AskDialog'));

/** Asks staff; a made-up learner asks nobody. */
export function AskButton({ walk, step }: { walk: WalkName; step?: number }) {
  const t = useTranslations();
  const [asking, setAsking] = useState(false);
  if (walk !== 'mine') return null;
  return (
    <>
      <Button onClick={() => setAsking(true)}>{t('learn.ask')} …</Button>
      {asking && (
        <Suspense fallback={null}>
          <AskDialog
            walk={walk}
            {...(step !== undefined && { step })}
            onClose={() => setAsking(false)}
          />
        </Suspense>
      )}
    </>
  );
}
