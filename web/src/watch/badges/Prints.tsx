import { Alert, Button } from '@mui/material';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import { api, body, type RegisteredCertificate } from '../../api/client';
import { useCourse } from '../../frame/course';
import { begun, isUnderWay, useJobs } from '../../ui/jobs';

/** Prints certificates as one file, as work under way. */
export function PrintButton({ certificates }: { certificates: RegisteredCertificate[] }) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const printing = useJobs(course.id).some((j) => j.what === 'certificates' && isUnderWay(j));
  const print = useMutation({
    mutationFn: () =>
      body(
        api.POST('/api/courses/{course}/certificates/prints', {
          params: { path: { course: course.id } },
          body: { certificates: certificates.map((c) => c.id) },
        }),
      ),
    onSuccess: (job) => begun(client, course.id, job),
  });
  return (
    <Button
      variant="contained"
      disabled={printing || print.isPending || certificates.length === 0}
      onClick={() => print.mutate()}
    >
      {t('certificates.print', { count: certificates.length })}
    </Button>
  );
}

/** What was printed at once last, to be had. */
export function Printed() {
  const t = useTranslations();
  const course = useCourse();
  const last = useJobs(course.id).find((j) => j.what === 'certificates' && j.state === 'DONE');
  if (last?.result?.is !== 'printed') return null;
  return (
    <Alert
      severity="success"
      sx={{ mb: 2 }}
      action={
        <Button
          size="small"
          color="inherit"
          href={`/api/courses/${course.id}/certificates/prints/${last.result.file}`}
        >
          {t('certificates.download')}
        </Button>
      }
    >
      {t('certificates.printed', { count: last.result.certificates })}
    </Alert>
  );
}
