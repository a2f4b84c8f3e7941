import { Box, Button, IconButton, Typography } from '@mui/material';
import type { UseQueryResult } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { useTranslations } from 'use-intl';
import { ApiError } from '../api/client';

/** The main area with the inspector at its right; on a phone the inspector lies over it. */
export function WithInspector({
  children,
  inspector,
  onClose,
}: {
  children: ReactNode;
  inspector: ReactNode | null;
  onClose: () => void;
}) {
  const t = useTranslations();
  return (
    <Box sx={{ display: 'flex', flex: 1, minHeight: 0 }}>
      <Box
        component="main"
        id="main"
        tabIndex={0}
        sx={{
          flex: 1,
          minWidth: 0,
          overflow: 'auto',
          p: 2,
          '&:focus-visible': { outlineOffset: -2 },
          '@media print': { overflow: 'visible' },
        }}
      >
        {children}
      </Box>
      {inspector && (
        <Box
          component="aside"
          aria-label={t('frame.inspector')}
          sx={{
            width: 360,
            flex: 'none',
            resize: 'horizontal',
            direction: 'rtl',
            minWidth: 300,
            maxWidth: '60vw',
            overflow: 'auto',
            bgcolor: 'tone.panel',
            borderLeft: 1,
            borderColor: 'divider',
            '&:focus-visible': { outlineOffset: -2 },
            '@media (max-width: 899px)': {
              position: 'fixed',
              inset: 0,
              width: 'auto',
              maxWidth: 'none',
              zIndex: 10,
            },
            '@media print': { display: 'none' },
          }}
        >
          <Box sx={{ direction: 'ltr', p: 2.25, position: 'relative' }}>
            <IconButton
              size="small"
              title={t('frame.closeInspector')}
              onClick={onClose}
              aria-label={t('frame.closeInspector')}
              sx={{ position: 'absolute', right: 8, top: 8 }}
            >
              ×
            </IconButton>
            {inspector}
          </Box>
        </Box>
      )}
    </Box>
  );
}

export function Kicker({ children }: { children: ReactNode }) {
  return (
    <Typography variant="caption" color="textSecondary" component="p" sx={{ mb: 1, pr: 4 }}>
      {children}
    </Typography>
  );
}

export function Section({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box sx={{ mt: 2 }}>
      <Typography variant="h3" color="textSecondary" component="h2" sx={{ mb: 0.6 }}>
        {title}
      </Typography>
      {children}
    </Box>
  );
}

interface EmptyProps {
  title: string;
  hint?: string;
  action?: ReactNode;
  /** Whether nothing else names the page. */
  named?: boolean;
}

export function Empty({ title, hint, action, named = false }: EmptyProps) {
  return (
    <Box sx={{ py: 6, px: 2, textAlign: 'center', maxWidth: 460, mx: 'auto' }}>
      <Typography variant="h2" component={named ? 'h1' : 'p'}>
        {title}
      </Typography>
      {hint && (
        <Typography color="textSecondary" sx={{ mt: 0.75 }}>
          {hint}
        </Typography>
      )}
      {action && <Box sx={{ mt: 2 }}>{action}</Box>}
    </Box>
  );
}

/** A view in which there is nothing but this to say. */
export const EmptyView = (props: EmptyProps) => (
  <Box component="main" id="main">
    <Empty {...props} />
  </Box>
);

/** Shows what a query brought, or that it is on its way, or why it did not come. */
export function Loaded<T>({
  query,
  children,
}: {
  query: UseQueryResult<T>;
  children: (data: T) => ReactNode;
}) {
  const t = useTranslations();
  if (query.data !== undefined) return <>{children(query.data)}</>;
  if (query.error) {
    const detail =
      query.error instanceof ApiError ? query.error.problem.detail : String(query.error.message);
    return (
      <Empty
        title={t('common.error')}
        hint={detail}
        action={
          <Button variant="outlined" onClick={() => query.refetch()}>
            {t('common.retry')}
          </Button>
        }
      />
    );
  }
  return (
    <Typography color="textSecondary" role="status" sx={{ p: 2 }}>
      {t('common.loading')} …
    </Typography>
  );
}
