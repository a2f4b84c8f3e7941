import { Button } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import type { Report } from '../api/client';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';

/** A report as a file in every format that the server has, and on paper. */
export function ReportActions({ report }: { report: Report['is'] }) {
  const t = useTranslations();
  const course = useCourse();
  const formats = useQuery(queries.formats(course.id)).data ?? [];
  return (
    <>
      {formats.map((f) => (
        <Button
          key={f.name}
          variant="outlined"
          href={`/api/courses/${course.id}/reports/${report}/${f.name}`}
        >
          {t('watch.exportAs', { format: f.title })}
        </Button>
      ))}
      <Button variant="outlined" onClick={() => window.print()}>
        {t('common.print')}
      </Button>
    </>
  );
}
