import { TextField, ToggleButton, ToggleButtonGroup } from '@mui/material';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { api } from '../../api/client';
import { useCourse } from '../../frame/course';
import type { MarkerProps } from '../room';
import { MarkingForm } from '../shared/MarkingForm';

const JUDGEMENTS = ['PASSED', 'AGAIN', 'FAILED'] as const;

/** Work that was handed in: its newest version is judged and gets points. */
export default function Marker({ work, onDone }: MarkerProps) {
  const t = useTranslations();
  const course = useCourse();
  const newest = work.versions[0];
  const [judgement, setJudgement] = useState<(typeof JUDGEMENTS)[number]>('PASSED');
  // With a rubric the points follow from it, so nothing stands there before it was gone through.
  const [points, setPoints] = useState(
    work.rubric && work.rubric.of > 0 ? '' : String(work.points),
  );
  const path = { course: course.id, enrolment: work.enrolment, step: work.step };
  return (
    <MarkingForm
      work={work}
      onDone={onDone}
      ready={newest !== undefined && (work.points === 0 || points !== '')}
      button={t('teach.mark', { name: work.learner })}
      sent={t('teach.done', { name: work.learner })}
      onScore={(share) => {
        if (work.points > 0) setPoints(String(Math.round(share * work.points * 100) / 100));
      }}
      send={(said) =>
        api.POST('/api/courses/{course}/marking/{enrolment}/{step}/marks', {
          params: { path },
          body: { version: newest?.version ?? 0, points: Number(points), judgement, ...said },
        })
      }
    >
      <ToggleButtonGroup
        exclusive
        fullWidth
        size="small"
        value={judgement}
        onChange={(_, next) => next && setJudgement(next)}
        aria-label={t('teach.judgement')}
      >
        {JUDGEMENTS.map((j) => (
          <ToggleButton key={j} value={j}>
            {t(`teach.judge.${j}`)}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      {work.points > 0 && (
        <TextField
          label={t('teach.points', { of: work.points })}
          type="number"
          value={points}
          onChange={(e) => setPoints(e.target.value)}
          slotProps={{ htmlInput: { min: 0, max: work.points, step: 0.5 } }}
        />
      )}
    </MarkingForm>
  );
}
