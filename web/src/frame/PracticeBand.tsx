import { Box, Button, Typography } from '@mui/material';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Link, useNavigate } from 'react-router';
import { useTranslations } from 'use-intl';
import { api, type MyCourse } from '../api/client';

/** Says that this is not real, and leads back. */
export function PracticeBand({ course }: { course: MyCourse }) {
  const t = useTranslations();
  const queries = useQueryClient();
  const navigate = useNavigate();
  const again = useMutation({
    mutationFn: () =>
      api.POST('/api/courses/{course}/walks/{walk}/fresh-start', {
        params: { path: { course: course.id, walk: 'practice' } },
      }),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ['route', course.id, 'practice'] });
      void navigate(`/c/${course.id}/practice/route`);
    },
  });
  return (
    <Box
      role="status"
      sx={{
        display: 'flex',
        gap: 1.5,
        alignItems: 'center',
        flexWrap: 'wrap',
        px: 2,
        py: 0.75,
        bgcolor: 'tone.ochreTint',
        color: 'tone.ochreInk',
      }}
    >
      <Typography sx={{ flex: 1, minWidth: 200 }}>{t('frame.practice')}</Typography>
      <Button variant="outlined" onClick={() => again.mutate()} disabled={again.isPending}>
        {t('frame.startOver')}
      </Button>
      <Button
        variant="outlined"
        component={Link}
        to={`/c/${course.id}/${course.role === 'DESIGNER' ? 'plan/route' : 'watch/progress'}`}
      >
        {t('frame.back')}
      </Button>
    </Box>
  );
}
