import { Button } from '@mui/material';
import { type ReactNode, useEffect } from 'react';
import { ErrorBoundary, type FallbackProps } from 'react-error-boundary';
import { useLocation } from 'react-router';
import { useTranslations } from 'use-intl';
import { Empty } from '../ui/Panel';

/** A part of the application that could not be fetched, as browsers say it. */
const missing = (error: unknown) =>
  /dynamically imported module|module script|preload/i.test(String((error as Error)?.message));

function Broken({ error, resetErrorBoundary }: FallbackProps) {
  const t = useTranslations();
  const gone = missing(error);
  // A module that was not there once is not asked for again by the same page.
  const again = gone ? () => window.location.reload() : resetErrorBoundary;
  useEffect(() => {
    if (!gone) return;
    const back = () => window.location.reload();
    window.addEventListener('online', back);
    return () => window.removeEventListener('online', back);
  }, [gone]);
  return (
    <main id="main">
      <Empty
        title={t('common.error')}
        hint={t(gone ? 'common.partMissing' : 'common.broken')}
        action={
          <Button variant="outlined" onClick={again}>
            {t('common.retry')}
          </Button>
        }
      />
    </main>
  );
}

/** Keeps a view that fails from taking the frame with it; another view is another try. */
export function Boundary({ children }: { children: ReactNode }) {
  const place = useLocation().pathname;
  return (
    <ErrorBoundary FallbackComponent={Broken} resetKeys={[place]}>
      {children}
    </ErrorBoundary>
  );
}
