import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import { api, body } from '../api/client';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { day } from '../ui/format';
import { useLine } from '../ui/useNames';
import { ShelfList } from './ShelfList';

/** The institution's shelf of rubrics, to copy from. */
export function ShelfDialog({
  onClose,
  onTaken,
}: {
  onClose: () => void;
  onTaken: (id: number) => void;
}) {
  const t = useTranslations();
  const line = useLine();
  const course = useCourse();
  const client = useQueryClient();
  const shelf = useQuery(queries.shelf(course.id));
  const path = (id: number) => ({ params: { path: { course: course.id, id } } });
  const take = useMutation({
    mutationFn: (id: number) =>
      body(api.POST('/api/courses/{course}/design/shelf/rubrics/{id}/taking', path(id))),
    onSuccess: async (made) => {
      await client.invalidateQueries({ queryKey: ['rubrics', course.id] });
      onTaken(made.id);
      onClose();
    },
  });
  const remove = useMutation({
    mutationFn: (id: number) =>
      api.DELETE('/api/courses/{course}/design/shelf/rubrics/{id}', path(id)),
    onSettled: () => client.invalidateQueries({ queryKey: ['shelf', course.id] }),
  });
  return (
    <ShelfList
      title={t('rubric.shelf')}
      empty={t('rubric.shelfEmpty')}
      hint={t('rubric.shelfHint')}
      find={t('rubric.find')}
      take={t('rubric.take')}
      rows={shelf}
      shown={(r) => ({
        id: r.id,
        name: r.name,
        more: line(
          t('rubric.criteria', { count: r.criteria }),
          t('rubric.points', { count: r.of }),
          r.by,
          day(r.at),
        ),
        mayRemove: r.mayRemove,
      })}
      error={take.error ?? remove.error}
      onTake={(id) => take.mutate(id)}
      onRemove={(id) => remove.mutate(id)}
      onClose={onClose}
    />
  );
}
