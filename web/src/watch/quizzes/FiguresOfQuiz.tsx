import { Box, Button, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { QuizFigures } from '../../api/client';
import { queries } from '../../api/queries';
import { Actions } from '../../frame/Actions';
import { useCourse } from '../../frame/course';
import { inPercent } from '../../ui/format';
import { Empty, Loaded } from '../../ui/Panel';
import { CorrectionHistory } from './CorrectionHistory';
import { QuestionTable } from './QuestionTable';
import { ScoreBars } from './ScoreBars';

const percent = (share: number | undefined) => (share === undefined ? '–' : inPercent(share));

/** How one quiz went: its scores, and each of its questions. */
export function FiguresOfQuiz({ step }: { step: number }) {
  const t = useTranslations();
  const course = useCourse();
  const [first, setFirst] = useState(true);
  const figures = useQuery(queries.quizFigures(course.id, step, first));
  const formats = useQuery(queries.formats(course.id)).data ?? [];
  return (
    <>
      <Actions>
        {formats.map((f) => (
          <Button
            key={f.name}
            variant="outlined"
            href={`/api/courses/${course.id}/quizzes/${step}/results/${f.name}`}
          >
            {t('watch.exportAs', { format: f.title })}
          </Button>
        ))}
        <Button variant="outlined" onClick={() => window.print()}>
          {t('common.print')}
        </Button>
      </Actions>
      <Loaded query={figures}>
        {(data) => (
          <>
            <Box sx={{ display: 'flex', gap: 2, alignItems: 'baseline', flexWrap: 'wrap', mb: 2 }}>
              <Typography variant="h1" component="h2" sx={{ mr: 'auto' }}>
                {data.name}
              </Typography>
              <ToggleButtonGroup
                exclusive
                size="small"
                value={first}
                aria-label={t('figures.which')}
                onChange={(_, next) => next !== null && setFirst(next)}
              >
                <ToggleButton value={true}>{t('figures.first')}</ToggleButton>
                <ToggleButton value={false}>{t('figures.all')}</ToggleButton>
              </ToggleButtonGroup>
            </Box>
            {data.attempts === 0 ? (
              <Empty title={t('figures.nothingYet')} />
            ) : (
              <>
                <Whole figures={data} />
                <QuestionTable figures={data} />
              </>
            )}
            <CorrectionHistory figures={data} />
          </>
        )}
      </Loaded>
    </>
  );
}

function Whole({ figures: f }: { figures: QuizFigures }) {
  const t = useTranslations();
  const figures = [
    [t('figures.attempts'), `${f.attempts}`, ''],
    [t('figures.mean'), percent(f.mean), ''],
    [t('figures.median'), percent(f.median), ''],
    [t('figures.deviation'), percent(f.deviation), t('figures.deviationHint')],
    [
      t('figures.reliability'),
      f.reliability === undefined ? '–' : f.reliability.toFixed(2),
      t(f.reliability === undefined ? 'figures.noReliability' : 'figures.reliabilityHint'),
    ],
    [
      t('figures.minutes'),
      f.minutes === undefined ? '–' : t('figures.inMinutes', { n: Math.round(f.minutes) }),
      '',
    ],
  ] as const;
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', lg: 'minmax(0, 1fr) minmax(0, 1fr)' },
        gap: 3,
        mb: 3,
        bgcolor: 'tone.panel',
        border: 1,
        borderColor: 'divider',
        borderRadius: 1,
        p: 2,
      }}
    >
      <Box
        component="dl"
        sx={{ display: 'grid', gridTemplateColumns: 'repeat(3, minmax(0, 1fr))', gap: 2, m: 0 }}
      >
        {figures.map(([name, said, hint]) => (
          <Box key={name} title={hint}>
            <Typography component="dt" variant="body2" color="textSecondary">
              {name}
            </Typography>
            <Typography component="dd" variant="h1" sx={{ m: 0 }}>
              {said}
            </Typography>
            {hint && (
              <Typography variant="caption" color="textSecondary" component="dd" sx={{ m: 0 }}>
                {hint}
              </Typography>
            )}
          </Box>
        ))}
      </Box>
      <ScoreBars scores={f.scores} passMark={f.passMark} />
    </Box>
  );
}
