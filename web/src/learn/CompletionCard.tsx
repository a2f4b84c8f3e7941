import { Box, Button, Typography } from '@mui/material';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import { api, body, type Route } from '../api/client';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { type WalkName, watching } from '../kinds/room';
import { Section } from '../ui/Panel';
import { useNeeds } from '../ui/Parts';

/** What the course's completion asks for, and the learner's own word where it asks for that. */
export function CompletionCard({ route, walk }: { route: Route; walk: WalkName }) {
  const t = useTranslations();
  const needs = useNeeds();
  const course = useCourse();
  const client = useQueryClient();
  const say = useMutation({
    mutationFn: (said: boolean) =>
      body(
        api.PUT('/api/courses/{course}/walks/{walk}/own-word', {
          params: { path: { course: course.id, walk } },
          body: { said },
        }),
      ),
    onSuccess: (now) => client.setQueryData(queries.route(course.id, walk).queryKey, now),
  });
  if (!route.completion) return null;
  return (
    <Section title={t('learn.completion')}>
      <Typography variant="body2">
        {route.complete
          ? t('learn.completeNow')
          : t('learn.completeWhen', { needs: needs(route.completion) })}
      </Typography>
      {route.ownWord !== undefined && (
        <Box sx={{ mt: 1, display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
          {route.ownWord ? (
            <>
              <Typography variant="body2" sx={{ fontWeight: 700, color: 'tone.lagoon' }}>
                {t('learn.ownWordSaid')}
              </Typography>
              {!watching(walk) && (
                <Button size="small" disabled={say.isPending} onClick={() => say.mutate(false)}>
                  {t('learn.ownWordBack')}
                </Button>
              )}
            </>
          ) : (
            !watching(walk) && (
              <Button variant="outlined" disabled={say.isPending} onClick={() => say.mutate(true)}>
                {t('learn.ownWord')}
              </Button>
            )
          )}
        </Box>
      )}
    </Section>
  );
}
