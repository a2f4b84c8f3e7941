import { Alert, Button } from '@mui/material';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import { api, type PlannedPublication } from '../../api/client';
import { queries } from '../../api/queries';
import { useCourse } from '../../frame/course';
import { moment } from '../../ui/format';
import { useNotice } from '../../ui/Notice';

/** What is to be published at a moment to come; it can be dropped. */
export function Planned({ planned }: { planned: PlannedPublication }) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const notice = useNotice();
  const drop = useMutation({
    mutationFn: () =>
      api.DELETE('/api/courses/{course}/publications/planned', {
        params: { path: { course: course.id } },
      }),
    onSuccess: () => {
      notice({ tone: 'success', text: t('plan.plannedDropped') });
      void client.invalidateQueries({ queryKey: queries.impact(course.id).queryKey });
      void client.invalidateQueries({ queryKey: queries.publications(course.id).queryKey });
    },
    onError: (e) => notice({ tone: 'error', text: e.message }),
  });
  return (
    <Alert
      role="status"
      severity="info"
      sx={{ mb: 1.5 }}
      action={
        <Button size="small" disabled={drop.isPending} onClick={() => drop.mutate()}>
          {t('plan.plannedDrop')}
        </Button>
      }
    >
      {t('plan.planned', {
        when: moment(planned.at),
        by: planned.by,
        whom: planned.later ? 'later' : 'all',
      })}
    </Alert>
  );
}
