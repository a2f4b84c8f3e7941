import { Button } from '@mui/material';
import { lazy, Suspense, useState } from 'react';
import { useTranslations } from 'use-intl';

const ShelveDialog = lazy(() => import('./ShelveDialog'));

interface Props {
  thing: { step: number } | { module: number } | { badge: number };
  name: string;
}

/** Opens the dialog that puts something on the shelf. */
export function ShelveButton(props: Props) {
  const t = useTranslations();
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button variant="outlined" onClick={() => setOpen(true)}>
        {t('copy.shelve')} …
      </Button>
      {open && (
        <Suspense fallback={null}>
          <ShelveDialog {...props} onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}
