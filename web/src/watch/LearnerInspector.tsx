import { Box, Button, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { useTranslations } from 'use-intl';
import type { Learner } from '../api/client';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { walkBase } from '../kinds/room';
import { day } from '../ui/format';
import { Wedge } from '../ui/Glyphs';
import { Kicker, Loaded, Section } from '../ui/Panel';
import { useLine } from '../ui/useNames';
import { DayBars } from './DayBars';
import { Happenings } from './Happenings';
import { ReasonsWithRemedies } from './ReasonsWithRemedies';

export function LearnerInspector({
  enrolment,
  onWrite,
  steps,
}: {
  enrolment: number;
  onWrite: () => void;
  /** Their steps as a list, where a view has them. */
  steps?: ReactNode;
}) {
  const t = useTranslations();
  const line = useLine();
  const course = useCourse();
  const learner = useQuery(queries.learner(course.id, enrolment));
  return (
    <Loaded query={learner}>
      {(data) => (
        <>
          <Kicker>{line(t('watch.learner'), ...data.groups)}</Kicker>
          <Typography variant="h1" component="h2">
            {data.name}
          </Typography>
          <Typography variant="body2" color="textSecondary">
            {t('watch.stepsDone', { done: data.done, count: data.steps })}
          </Typography>
          {data.earlier !== undefined && (
            <Typography variant="body2" sx={{ color: 'tone.ochreInk' }}>
              {t('watch.earlier', { n: data.earlier })}
            </Typography>
          )}
          <Reasons flags={data.flags} learner={{ enrolment, name: data.name }} />
          <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', mt: 1 }}>
            <Button variant="contained" onClick={onWrite}>
              {t('watch.writeOne')}
            </Button>
            <Button
              variant="outlined"
              component={Link}
              to={`${walkBase(course.id, `as-${enrolment}`)}/route`}
            >
              {t('eyes.seeAs', { name: data.name })}
            </Button>
          </Box>
          {steps}
          <Section title={t('watch.mastery')}>
            {data.levels.map((l) => (
              <Box
                key={l.outcome}
                sx={{ display: 'flex', gap: 1.25, alignItems: 'center', py: 0.2 }}
              >
                <Wedge level={l.level} levels={l.levels} mastery={l.mastery} label={l.levelName} />
                <Typography sx={{ flex: 1, minWidth: 0 }}>{l.name}</Typography>
                <Typography
                  variant="body2"
                  color="textSecondary"
                  sx={{ flex: 'none', maxWidth: 110, textAlign: 'right' }}
                >
                  {l.levelName}
                </Typography>
              </Box>
            ))}
          </Section>
          <Section title={t('watch.time')}>
            <DayBars minutes={data.days} />
          </Section>
          {data.attendance && (
            <Section title={t('watch.attendance')}>
              <Typography variant="body2">
                {t('teach.attended', {
                  there: data.attendance.attended,
                  of: data.attendance.counted,
                })}
              </Typography>
            </Section>
          )}
          {data.badges.length > 0 && (
            <Section title={t('watch.badges')}>
              <Typography variant="body2">
                {line(
                  ...data.badges.map((b) => t('watch.badgeOn', { name: b.name, date: day(b.at) })),
                )}
              </Typography>
            </Section>
          )}
          {data.letters.length > 0 && (
            <Section title={t('watch.letters')}>
              {data.letters.map((l) => (
                <Typography key={l.at} variant="body2">
                  {t('watch.letterOn', { date: day(l.at), subject: l.subject })}
                  <Box component="span" sx={{ color: 'tone.soft', ml: 0.75 }}>
                    {line(
                      l.from,
                      t(
                        l.answer
                          ? 'watch.letterAnswer'
                          : l.sent
                            ? 'watch.letterSent'
                            : 'watch.letterWaiting',
                      ),
                    )}
                  </Box>
                </Typography>
              ))}
            </Section>
          )}
          <Section title={t('watch.happened')}>
            <Happenings list={data.happened} />
          </Section>
        </>
      )}
    </Loaded>
  );
}

export function Reasons({
  flags,
  learner,
}: {
  flags: Learner['flags'];
  learner: { enrolment: number; name: string };
}) {
  const t = useTranslations();
  return (
    <>
      {flags.map((f) => (
        <Box
          key={f.name}
          sx={{ borderLeft: '3px solid', borderColor: 'tone.madder', pl: 1.5, mt: 1.25 }}
        >
          <Typography>
            <b>{t('watch.flagSince', { flag: f.name, date: day(f.since) })}</b>{' '}
            <ReasonsWithRemedies reasons={f.reasons} learner={learner} />
          </Typography>
        </Box>
      ))}
    </>
  );
}
