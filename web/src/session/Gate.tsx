import { Box, Typography } from '@mui/material';
import { useQueryClient } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { useTranslations } from 'use-intl';
import { queries } from '../api/queries';

/** The page before one is in, with a form. */
export function Gate({ onSubmit, children }: { onSubmit: () => void; children: ReactNode }) {
  const t = useTranslations();
  const institution = useQueryClient().getQueryData(queries.me().queryKey)?.institution;
  return (
    <Box
      component="main"
      id="main"
      sx={{
        minHeight: '100dvh',
        display: 'grid',
        placeItems: 'center',
        bgcolor: 'tone.ground',
        p: 2,
      }}
    >
      <Box
        component="form"
        onSubmit={(event) => {
          event.preventDefault();
          onSubmit();
        }}
        sx={{
          width: '100%',
          maxWidth: 360,
          bgcolor: 'tone.panel',
          border: 1,
          borderColor: 'divider',
          borderTop: '4px solid',
          borderTopColor: 'tone.madder',
          p: 3.5,
          display: 'grid',
          gap: 2,
        }}
      >
        <div>
          {institution?.picture && (
            <Box
              component="img"
              src={`/api/institution/picture/${institution.picture}`}
              alt=""
              sx={{ maxHeight: 64, maxWidth: '100%', display: 'block', mb: 1.5 }}
            />
          )}
          <Typography variant="h1" sx={{ fontSize: 28 }}>
            yendrik
          </Typography>
          <Typography color="textSecondary">{institution?.name ?? t('session.welcome')}</Typography>
        </div>
        {children}
      </Box>
    </Box>
  );
}
