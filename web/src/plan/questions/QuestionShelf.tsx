import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { api, body } from '../../api/client';
import { queries } from '../../api/queries';
import { useCourse } from '../../frame/course';
import { day } from '../../ui/format';
import { useLine } from '../../ui/useNames';
import { ShelfList } from '../ShelfList';

/** The institution's shelf of questions, to copy from. */
export function QuestionShelf({ onClose }: { onClose: () => void }) {
  const t = useTranslations();
  const line = useLine();
  const course = useCourse();
  const client = useQueryClient();
  const [taken, setTaken] = useState<number[]>([]);
  const shelf = useQuery(queries.questionShelf(course.id));
  const path = (id: number) => ({ params: { path: { course: course.id, id } } });
  const take = useMutation({
    mutationFn: (id: number) =>
      body(api.POST('/api/courses/{course}/design/shelf/questions/{id}/taking', path(id))),
    onSuccess: (_, id) => {
      setTaken([...taken, id]);
      return client.invalidateQueries({ queryKey: ['questions', course.id] });
    },
  });
  const remove = useMutation({
    mutationFn: (id: number) =>
      api.DELETE('/api/courses/{course}/design/shelf/questions/{id}', path(id)),
    onSettled: () => client.invalidateQueries({ queryKey: ['question-shelf', course.id] }),
  });
  return (
    <ShelfList
      title={t('bank.shelf')}
      empty={t('bank.shelfEmpty')}
      hint={t('bank.shelfHint')}
      find={t('bank.find')}
      take={t('bank.copy')}
      rows={shelf}
      shown={(r) => ({
        id: r.id,
        name: r.question.text,
        more: line(t(`question.${r.question.part.is}`), r.tags.join(', '), r.by, day(r.at)),
        mayRemove: r.mayRemove,
        taken: taken.includes(r.id),
      })}
      error={take.error ?? remove.error}
      onTake={(id) => take.mutate(id)}
      onRemove={(id) => remove.mutate(id)}
      onClose={onClose}
    />
  );
}
