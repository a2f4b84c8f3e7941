import { Box, Typography } from '@mui/material';
import { useQueryClient } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { useTranslations } from 'use-intl';
import { queries } from '../api/queries';
import { usePageTitle } from '../ui/usePageTitle';

/** A page for anybody, signed in or not. */
export function OpenPage({ title, children }: { title: string; children: ReactNode }) {
  const t = useTranslations();
  usePageTitle('view', title);
  const institution = useQueryClient().getQueryData(queries.me().queryKey)?.institution;
  return (
    <Box sx={{ minHeight: '100dvh', bgcolor: 'tone.ground' }}>
      <Box
        component="header"
        sx={{
          bgcolor: 'tone.band',
          color: 'tone.bandInk',
          px: 2,
          minHeight: 52,
          display: 'flex',
          alignItems: 'center',
          gap: 2,
        }}
      >
        <Typography sx={{ fontWeight: 700, flex: 1 }}>{institution?.name ?? 'yendrik'}</Typography>
        <Box component={Link} to="/check" sx={{ color: 'inherit' }}>
          {t('check.title')}
        </Box>
        <Box component={Link} to="/" sx={{ color: 'inherit' }}>
          {t('check.home')}
        </Box>
      </Box>
      <Box
        component="main"
        id="main"
        sx={{ maxWidth: 760, mx: 'auto', p: { xs: 2, md: 4 }, display: 'grid', gap: 2.5 }}
      >
        <Typography variant="h1" sx={{ fontSize: 26 }}>
          {title}
        </Typography>
        {children}
      </Box>
    </Box>
  );
}
