import { Box } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { useTranslations } from 'use-intl';
import { queries } from '../../api/queries';
import { useCourse } from '../../frame/course';
import { Empty, Loaded, WithInspector } from '../../ui/Panel';
import { CrowdForm } from './CrowdForm';
import { CrowdOutcome } from './CrowdOutcome';

/** Many made-up learners at once: who they are at the left, what became of them at the right. */
export default function Crowd({ actions }: { actions: ReactNode }) {
  const t = useTranslations();
  const course = useCourse();
  const crowds = useQuery(queries.crowd(course.id));
  const design = useQuery(queries.design(course.id));
  return (
    <WithInspector inspector={null} onClose={() => {}}>
      {actions}
      <Loaded query={crowds}>
        {(data) => (
          <Box
            sx={{
              display: 'grid',
              gridTemplateColumns: { xs: '1fr', md: '250px minmax(0, 1fr)' },
              gap: 2.5,
              alignItems: 'start',
            }}
          >
            <CrowdForm crowds={data} />
            {data.last && design.data ? (
              <CrowdOutcome crowd={data.last} startsAt={design.data.startsAt} />
            ) : (
              <Empty title={t('crowd.empty')} hint={t('crowd.emptyHint')} />
            )}
          </Box>
        )}
      </Loaded>
    </WithInspector>
  );
}
