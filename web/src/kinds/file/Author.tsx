import { useRef } from 'react';
import { useTranslations } from 'use-intl';
import { useCourse } from '../../frame/course';
import { SentFiles } from '../../ui/editor/SentFiles';
import type { AuthorProps } from '../room';
import { useCourseFiles } from '../shared/useCourseFiles';
import { useOwn } from '../shared/useOwn';

/** The files of a step. */
export default function Author({ part, change }: AuthorProps<'file'>) {
  const t = useTranslations();
  const course = useCourse();
  const door = useCourseFiles(course.id);
  const [files, setOwn] = useOwn(part.files);
  // While one is sent, another one may be taken away.
  const latest = useRef(files);
  latest.current = files;
  return (
    <SentFiles
      files={files}
      door={door}
      empty={t('plan.noFiles')}
      ordered
      onChange={(becomes) => {
        const next = becomes(latest.current);
        latest.current = next;
        setOwn(next);
        change({ part: { is: 'file', files: next.map((f) => f.id) } });
      }}
    />
  );
}
