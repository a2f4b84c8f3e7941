import { useQueryClient } from '@tanstack/react-query';
import type { Sheet, StepPage } from '../../api/client';
import { queries } from '../../api/queries';
import { Discussion } from '../../discuss/Discussion';
import { useLearnersDoor } from '../../discuss/door';
import { useCourse } from '../../frame/course';
import { unsentKey } from '../../ui/unsent';
import { type WalkName, watching } from '../room';
import { WhatCounts } from './Assessed';

interface Props {
  page: StepPage;
  walk: WalkName;
  show: (page: StepPage) => void;
  rubric: Sheet | undefined;
  journal?: boolean;
}

/** What learners write for each other, or for staff alone. */
export function WrittenLearner({ page, walk, show, rubric, journal = false }: Props) {
  const course = useCourse();
  const me = useQueryClient().getQueryData(queries.me().queryKey);
  const door = useLearnersDoor(course.id, walk, page.id, show, watching(walk));
  return (
    <>
      <WhatCounts sheet={rubric} open={false} />
      <Discussion
        door={door}
        journal={journal}
        unsent={unsentKey(me?.person?.id ?? 0, course.id, walk, page.id)}
      />
    </>
  );
}
