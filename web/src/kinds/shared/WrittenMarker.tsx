import { Box, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import type { Post } from '../../api/client';
import { queries } from '../../api/queries';
import { useCourse } from '../../frame/course';
import { moment } from '../../ui/format';
import { GivenFiles } from '../../ui/GivenFiles';
import { Section } from '../../ui/Panel';
import { Prose } from '../../ui/Prose';
import type { MarkerProps } from '../room';
import { JudgeForm } from './JudgeForm';
import { EarlierMark } from './MarkingForm';

/** All that somebody wrote at a step, judged as it stands. */
export default function WrittenMarker(props: MarkerProps) {
  const { work } = props;
  const t = useTranslations();
  const course = useCourse();
  const written = useQuery(queries.writtenBy(course.id, work.step, work.enrolment));
  const posts = (written.data ?? []).filter((p) => !p.gone);
  const { mark } = work;
  return (
    <JudgeForm
      {...props}
      version={0}
      ready={posts.length > 0}
      shown={
        <Section title={t('teach.written', { count: posts.length })}>
          {mark && <EarlierMark mark={mark} />}
          {posts.length === 0 && (
            <Typography color="textSecondary">{t('teach.wroteNothing')}</Typography>
          )}
          {posts.map((post) => (
            <Written key={post.id} post={post} step={work.step} course={course.id} />
          ))}
        </Section>
      }
    />
  );
}

function Written({ post, step, course }: { post: Post; step: number; course: number }) {
  const at = (file: number) =>
    `/api/courses/${course}/discussions/${step}/posts/${post.id}/files/${file}`;
  return (
    <Box
      component="article"
      sx={{
        bgcolor: 'tone.panel',
        border: 1,
        borderColor: 'divider',
        borderRadius: 1,
        px: 2,
        py: 1,
        mb: 1,
      }}
    >
      <Typography variant="body2" color="textSecondary">
        {moment(post.at)}
      </Typography>
      {post.text && <Prose plain html={post.text} at={at} />}
      <GivenFiles files={post.files} at={at} />
    </Box>
  );
}
