import { Button } from '@mui/material';
import { lazy, Suspense, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Design } from '../../api/client';
import type { Draft } from '../useDraft';

const CopyDialog = lazy(() => import('./CopyDialog'));

interface Props {
  design: Design | undefined;
  draft: Draft;
  /** The module that single steps go to, if one stands in it. */
  into?: number | undefined;
}

/** Opens the dialog that copies from the shelf or from another course. */
export function CopyIn({ design, draft, into }: Props) {
  const t = useTranslations();
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button variant="outlined" disabled={!design} onClick={() => setOpen(true)}>
        {t('copy.open')} …
      </Button>
      {open && design && (
        <Suspense fallback={null}>
          <CopyDialog design={design} draft={draft} into={into} onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}
