import { TextField, ToggleButton, ToggleButtonGroup } from '@mui/material';
import { type ReactNode, useState } from 'react';
import { useTranslations } from 'use-intl';
import { api } from '../../api/client';
import { useCourse } from '../../frame/course';
import type { MarkerProps } from '../room';
import { MarkingForm } from './MarkingForm';

const JUDGEMENTS = ['PASSED', 'AGAIN', 'FAILED'] as const;
type Judgement = (typeof JUDGEMENTS)[number];

interface Props extends MarkerProps {
  /** Which version is judged, 0 for all of it as it stands. */
  version: number;
  /** Whether there is something to judge. */
  ready: boolean;
  /** The work itself, where it has no versions. */
  shown?: ReactNode;
}

/** Work that is judged and gets points. */
export function JudgeForm({ work, arrived, onDone, version, ready, shown }: Props) {
  const t = useTranslations();
  const course = useCourse();
  const { mark } = work;
  const [judgement, setJudgement] = useState<Judgement | null>(mark?.judgement ?? null);
  // With a rubric the points follow from it, so nothing stands there before it was gone through.
  const [points, setPoints] = useState(
    work.rubric && work.rubric.of > 0 ? '' : String(mark?.points ?? ''),
  );
  const missing = !ready
    ? t('teach.nothingYet')
    : judgement === null
      ? t('teach.judgeFirst')
      : work.points > 0 && points === ''
        ? t('teach.pointsFirst')
        : undefined;
  const path = { course: course.id, enrolment: work.enrolment, step: work.step };
  return (
    <MarkingForm
      work={work}
      arrived={arrived}
      onDone={onDone}
      missing={missing}
      button={t('teach.mark', { name: work.learner })}
      sent={t('teach.done', { name: work.learner })}
      {...(shown !== undefined && { shown })}
      onScore={(share) => {
        if (work.points > 0) setPoints(String(Math.round(share * work.points * 100) / 100));
      }}
      // Nothing is sent as long as something is missing.
      send={(said) =>
        api.POST('/api/courses/{course}/marking/{enrolment}/{step}/marks', {
          params: { path },
          body: { version, points: Number(points), judgement: judgement as Judgement, ...said },
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
