import { Box, Button, TextField, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Met } from '../api/client';
import type { PracticalLearner, PracticalSheet } from '../api/schema';
import { useCourse } from '../frame/course';
import { Section } from '../ui/Panel';
import { RubricSheet } from '../ui/RubricSheet';
import { useNames } from '../ui/useNames';
import { useSignOffs } from './signOffs';

/** What is said of all who are ticked: levels, the rubric and a note. */
export function SignOffForm({
  sheet,
  chosen,
  onDone,
}: {
  sheet: PracticalSheet;
  chosen: PracticalLearner[];
  onDone: () => void;
}) {
  const t = useTranslations();
  const names = useNames();
  const course = useCourse();
  const { add } = useSignOffs(course.id);
  const [comment, setComment] = useState('');
  const [levels, setLevels] = useState<Record<string, number>>({});
  const [met, setMet] = useState<Met[]>([]);
  const byRubric = new Set(sheet.rubric?.criteria.map((c) => c.outcome));
  const signOff = () => {
    const seen = new Date().toISOString();
    add(
      chosen.map((l) => ({
        key: crypto.randomUUID(),
        enrolment: l.enrolment,
        learner: l.name,
        step: sheet.step,
        name: sheet.name,
        comment: comment.trim(),
        levels,
        ...(sheet.rubric && met.length > 0 && { rubric: met }),
        seen,
      })),
    );
    setComment('');
    setLevels({});
    setMet([]);
    onDone();
  };
  return (
    <Box
      component="form"
      onSubmit={(e) => {
        e.preventDefault();
        signOff();
      }}
      sx={{
        display: { xs: chosen.length > 0 ? 'grid' : 'none', lg: 'grid' },
        gridTemplateColumns: 'minmax(0, 1fr)',
        gap: 1.75,
        position: 'sticky',
        top: { lg: 0 },
        // On a tablet it comes up from below once somebody is ticked.
        bottom: { xs: 0, lg: 'auto' },
        zIndex: { xs: 5, lg: 'auto' },
        maxHeight: { xs: '60dvh', lg: 'none' },
        overflow: { xs: 'auto', lg: 'visible' },
        bgcolor: { xs: 'tone.panel', lg: 'transparent' },
        borderTop: { xs: 2, lg: 0 },
        borderColor: 'tone.indigo',
        mx: { xs: -1.5, lg: 0 },
        p: { xs: 1.5, lg: 0 },
      }}
    >
      <Typography color={chosen.length > 0 ? 'textPrimary' : 'textSecondary'}>
        {chosen.length > 0 ? names(chosen.map((l) => l.name)) : t('teach.tickThose')}
      </Typography>
      {sheet.rubric && (
        <Section title={sheet.rubric.name}>
          <RubricSheet sheet={sheet.rubric} met={met} onMet={setMet} />
        </Section>
      )}
      {sheet.outcomes
        .filter((o) => !byRubric.has(o.id))
        .map((o) => (
          <Box key={o.id}>
            <Typography variant="body2" sx={{ fontWeight: 700, mb: 0.5 }}>
              {o.name}
            </Typography>
            <ToggleButtonGroup
              exclusive
              value={levels[o.id] ?? null}
              aria-label={o.name}
              onChange={(_, next: number | null) =>
                setLevels((now) => {
                  const { [String(o.id)]: _was, ...rest } = now;
                  return next === null ? rest : { ...rest, [o.id]: next };
                })
              }
              sx={{ flexWrap: 'wrap' }}
            >
              {o.levels.map((level, n) => (
                <ToggleButton
                  key={level.name}
                  value={n}
                  title={level.description}
                  sx={{ minHeight: 40 }}
                >
                  {level.name}
                </ToggleButton>
              ))}
            </ToggleButtonGroup>
          </Box>
        ))}
      <TextField
        label={t('teach.note')}
        multiline
        minRows={2}
        value={comment}
        onChange={(e) => setComment(e.target.value)}
      />
      <Button
        type="submit"
        variant="contained"
        disabled={chosen.length === 0}
        sx={{ minHeight: 44 }}
      >
        {t('teach.signOffSome', { count: chosen.length })}
      </Button>
    </Box>
  );
}
