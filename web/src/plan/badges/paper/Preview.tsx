import { Alert, Box, LinearProgress, TextField } from '@mui/material';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { DesignBadge } from '../../../api/client';
import { queries } from '../../../api/queries';
import { useCourse } from '../../../frame/course';

/** A certificate as it will print, with any name on it. */
export function Preview({ badge }: { badge: DesignBadge }) {
  const t = useTranslations();
  const course = useCourse();
  const [name, setName] = useState('');
  const shown = useDeferredValue(name);
  const page = useQuery({
    ...queries.sheetPicture(course.id, badge.id, badge.version, shown),
    placeholderData: keepPreviousData,
  });
  return (
    <Box sx={{ display: 'grid', gap: 1.5 }}>
      <TextField
        label={t('paper.sampleName')}
        placeholder={t('paper.sampleExample')}
        value={name}
        onChange={(e) => setName(e.target.value)}
        slotProps={{ htmlInput: { maxLength: 200 }, inputLabel: { shrink: true } }}
        sx={{ maxWidth: 360 }}
      />
      {page.error && <Alert severity="warning">{page.error.message}</Alert>}
      <Box
        sx={{
          position: 'relative',
          border: 1,
          borderColor: 'divider',
          bgcolor: 'common.white',
          aspectRatio: ratio(badge),
          maxWidth: badge.sheet?.upright ? 560 : 900,
          opacity: page.error ? 0.4 : 1,
        }}
      >
        {page.isFetching && (
          <LinearProgress
            aria-label={t('common.loading')}
            sx={{ position: 'absolute', top: 0, left: 0, right: 0, zIndex: 1 }}
          />
        )}
        {page.data && (
          <Box
            component="img"
            src={page.data}
            alt={t('paper.previewOf', { name: badge.name })}
            sx={{ display: 'block', width: '100%' }}
          />
        )}
      </Box>
    </Box>
  );
}

function ratio(badge: DesignBadge): string {
  const [short, long] = badge.sheet?.paper === 'LETTER' ? [215.9, 279.4] : [210, 297];
  return badge.sheet?.upright ? `${short} / ${long}` : `${long} / ${short}`;
}
