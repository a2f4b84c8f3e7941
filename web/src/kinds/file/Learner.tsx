import { Box, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import { useCourse } from '../../frame/course';
import { fileSize } from '../../ui/format';
import type { LearnerProps } from '../room';

/** The files, each to be looked at or saved; a single picture is shown at once. */
export default function Learner({ part, page, walk }: LearnerProps<'file'>) {
  const t = useTranslations();
  const course = useCourse();
  const at = (file: number) =>
    `/api/courses/${course.id}/walks/${walk}/steps/${page.id}/files/${file}`;
  const [only] = part.files;
  if (!only) return <Typography sx={{ mt: 2 }}>{t('learn.noFiles')}</Typography>;
  return (
    <Box sx={{ mt: 2, display: 'grid', gap: 1.5 }}>
      {part.files.length === 1 && only.mediaType.startsWith('image/') && (
        <Box
          component="img"
          src={at(only.id)}
          alt={only.name}
          sx={{ maxWidth: '100%', borderRadius: 1, border: 1, borderColor: 'divider' }}
        />
      )}
      <Box
        component="ul"
        sx={{
          listStyle: 'none',
          m: 0,
          p: 0,
          bgcolor: 'tone.panel',
          border: 1,
          borderColor: 'divider',
          borderRadius: 1,
        }}
      >
        {part.files.map((f) => (
          <Box
            component="li"
            key={f.id}
            sx={{
              px: 2,
              py: 1.25,
              borderTop: 1,
              borderColor: 'divider',
              '&:first-of-type': { borderTop: 0 },
              display: 'flex',
              gap: 2,
              alignItems: 'baseline',
            }}
          >
            <Typography
              component="a"
              href={at(f.id)}
              sx={{ fontWeight: 700, color: 'tone.ink', overflowWrap: 'anywhere', flex: 1 }}
            >
              {f.name}
            </Typography>
            <Typography color="textSecondary" noWrap>
              {fileSize(f.bytes)}
            </Typography>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
