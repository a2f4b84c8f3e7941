import { useTranslations } from 'use-intl';
import { api } from '../../api/client';
import { useCourse } from '../../frame/course';
import type { MarkerProps } from '../room';
import { MarkingForm } from '../shared/MarkingForm';

/** What was seen at the bench is signed off. */
export default function Marker({ work, arrived, onDone }: MarkerProps) {
  const t = useTranslations();
  const course = useCourse();
  const path = { course: course.id, enrolment: work.enrolment, step: work.step };
  return (
    <MarkingForm
      work={work}
      arrived={arrived}
      onDone={onDone}
      button={t('teach.signOff', { name: work.learner })}
      sent={t('teach.signedOff', { name: work.learner })}
      send={(said) =>
        api.POST('/api/courses/{course}/marking/{enrolment}/{step}/sign-offs', {
          params: { path },
          body: said,
        })
      }
    />
  );
}
