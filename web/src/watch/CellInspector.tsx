import { Box, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { day, percent } from '../ui/format';
import { Wedge } from '../ui/Glyphs';
import { Kicker, Loaded, Section } from '../ui/Panel';
import { useLine } from '../ui/useNames';
import { LevelMoves, LevelSteps } from './LevelSteps';

/** The evidence behind a learner's level on an outcome. */
export function CellInspector({ enrolment, outcome }: { enrolment: number; outcome: number }) {
  const t = useTranslations();
  const line = useLine();
  const course = useCourse();
  const cell = useQuery(queries.cell(course.id, enrolment, outcome));
  return (
    <Loaded query={cell}>
      {(data) => (
        <>
          <Kicker>{line(data.code, data.learner)}</Kicker>
          <Typography variant="h1" component="h2">
            {data.outcome}
          </Typography>
          <Box sx={{ display: 'flex', gap: 1.25, alignItems: 'center', mt: 1.25 }}>
            <Wedge
              level={data.level}
              levels={data.levels.length}
              mastery={data.mastery}
              label=""
              size={30}
            />
            <Typography sx={{ fontWeight: 700 }}>
              {data.levels[data.level] ?? t('learn.noEvidence')}
            </Typography>
          </Box>
          {data.moves.length > 0 && (
            <Section title={t('watch.moved')}>
              <LevelSteps cell={data} />
              <LevelMoves cell={data} />
            </Section>
          )}
          <Section title={t('watch.method')}>
            <Typography>{data.method}</Typography>
            {data.sum && (
              <Typography variant="body2" sx={{ mt: 0.5, fontWeight: 700 }}>
                {data.sum}
              </Typography>
            )}
          </Section>
          <Section title={t('watch.change')}>
            {data.change.map((c) => (
              <Typography key={c}>{c}</Typography>
            ))}
          </Section>
          {data.parts.length > 0 && (
            <Section title={t('watch.parts')}>
              {data.parts.map((p) => (
                <Box key={p.outcome} sx={{ display: 'flex', gap: 1.25, py: 0.4 }}>
                  <Wedge level={p.level} levels={p.levels} mastery={p.mastery} label="" />
                  <Typography>
                    <b>{p.code}</b> {p.levelName}
                  </Typography>
                </Box>
              ))}
            </Section>
          )}
          {data.parts.length === 0 && (
            <Section title={t('watch.evidence')}>
              {data.evidence.length === 0 && <Typography>{t('watch.noEvidence')}</Typography>}
              {data.evidence.map((e, n) => (
                <Box
                  // biome-ignore lint/suspicious/noArrayIndexKey: evidence has no id and is drawn whole
                  key={n}
                  sx={{
                    display: 'flex',
                    gap: 1.25,
                    py: 0.5,
                    // Paler, and said in words: what is soft already would be illegible.
                    '& > svg': { opacity: e.use === 'COUNTED' ? 1 : 0.5 },
                  }}
                >
                  <Wedge
                    level={e.level}
                    levels={data.levels.length}
                    mastery={data.mastery}
                    label={e.levelName}
                  />
                  <Box>
                    <Typography>
                      <b>{e.levelName}</b>, {e.from}
                    </Typography>
                    {e.note && <Typography variant="body2">“{e.note}”</Typography>}
                    <Typography variant="caption" color="textSecondary">
                      {line(
                        day(e.at),
                        e.by,
                        e.weight !== 1 && t('watch.weight', { n: e.weight }),
                        e.use !== 'COUNTED' && t(`watch.use.${e.use}`),
                        e.use === 'COUNTED' &&
                          e.share < 1 &&
                          t('watch.ofResult', { percent: percent(e.share) }),
                      )}
                    </Typography>
                  </Box>
                </Box>
              ))}
            </Section>
          )}
        </>
      )}
    </Loaded>
  );
}
