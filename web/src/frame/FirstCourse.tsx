import { Button } from '@mui/material';
import { lazy, Suspense, useState } from 'react';
import { useTranslations } from 'use-intl';
import { EmptyView } from '../ui/Panel';

const NewCourseDialog = lazy(() => import('./NewCourseDialog'));

/** What an administrator finds where there is no course yet. */
export default function FirstCourse() {
  const t = useTranslations();
  const [making, setMaking] = useState(false);
  return (
    <>
      <EmptyView
        named
        title={t('frame.noCourses')}
        hint={t('frame.noCoursesHint')}
        action={
          <Button variant="contained" onClick={() => setMaking(true)}>
            {t('frame.newCourse')}
          </Button>
        }
      />
      {making && (
        <Suspense fallback={null}>
          <NewCourseDialog onClose={() => setMaking(false)} />
        </Suspense>
      )}
    </>
  );
}
