import { useQuery } from '@tanstack/react-query';
import { Suspense } from 'react';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { room } from '../kinds/rooms';
import { Loaded } from '../ui/Panel';

interface Props {
  enrolment: number;
  step: number;
  /** Whether it comes after another one that was marked just now. */
  arrived?: boolean;
  onDone: () => void;
}

/** Somebody's work at a step, marked in the way of its kind. */
export function WorkPanel({ enrolment, step, arrived = false, onDone }: Props) {
  const course = useCourse();
  const work = useQuery({
    ...queries.work(course.id, enrolment, step),
    refetchOnWindowFocus: false,
  });
  return (
    <Loaded query={work}>
      {(data) => {
        const { Marker } = room(data.kind);
        return (
          <Suspense>{Marker && <Marker work={data} arrived={arrived} onDone={onDone} />}</Suspense>
        );
      }}
    </Loaded>
  );
}
