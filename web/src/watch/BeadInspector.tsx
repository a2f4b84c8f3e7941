import { Box, Button, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { useTranslations } from 'use-intl';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { walkBase } from '../kinds/room';
import { day, moment } from '../ui/format';
import { Bead, useBeadWords } from '../ui/Glyphs';
import { Kicker, Loaded, Section } from '../ui/Panel';
import { RuleParts } from '../ui/Parts';
import { useLine } from '../ui/useNames';
import { Exceptions } from './Exceptions';
import { Happenings } from './Happenings';

interface Props {
  enrolment: number;
  step: number;
  onLearner: () => void;
}

/** How many of the things that would change a state are listed; they come one after the other. */
const MOST_LEFT = 12;

/** Why one step is in its state for one learner, whose turn it is, and what staff can do about it. */
export function BeadInspector({ enrolment, step, onLearner }: Props) {
  const t = useTranslations();
  const line = useLine();
  const course = useCourse();
  const words = useBeadWords();
  const bead = useQuery(queries.bead(course.id, enrolment, step));
  return (
    <Loaded query={bead}>
      {(data) => (
        <>
          <Kicker>
            {t(`kind.${data.kind}.name`)}
            <Button
              size="small"
              onClick={onLearner}
              sx={{ p: 0, ml: 1, verticalAlign: 'baseline' }}
            >
              {data.learner}
            </Button>
          </Kicker>
          <Typography variant="h1" component="h2">
            {data.name}
          </Typography>
          <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', mt: 1 }}>
            <Bead bead={data} silent size={22} />
            <Typography sx={{ fontWeight: 700 }}>{words(data)}</Typography>
          </Box>
          <Typography>
            {line(
              data.turn,
              data.due !== undefined &&
                data.state !== 'EXCUSED' &&
                data.state !== 'DONE' &&
                t('learn.due', { date: day(data.due) }),
              data.attemptsLeft >= 0 && t('watch.attemptsLeft', { count: data.attemptsLeft }),
            )}
          </Typography>
          <Button
            size="small"
            component={Link}
            to={`${walkBase(course.id, `as-${enrolment}`)}/steps/${step}`}
            sx={{ px: 0, mt: 0.5 }}
          >
            {t('eyes.seeAs', { name: data.learner })}
          </Button>
          <Exceptions bead={data} />
          {data.left.length > 0 && (
            <Section title={t('watch.wouldChange')}>
              <Box component="ul" sx={{ m: 0, pl: 2 }}>
                {data.left.slice(0, MOST_LEFT).map((left) => (
                  <Typography component="li" variant="body2" key={`${left.turn} ${left.says}`}>
                    {left.lost
                      ? t('watch.wouldComeOnlyByStaff')
                      : t('watch.wouldCome', { turn: left.turn, name: data.learner })}{' '}
                    <b>{left.says}</b>
                    {left.turn === 'CLOCK' && left.next && ` (${moment(left.next)})`}
                  </Typography>
                ))}
                {data.left.length > MOST_LEFT && (
                  <Typography component="li" variant="body2">
                    {t('common.more', { count: data.left.length - MOST_LEFT })}
                  </Typography>
                )}
              </Box>
            </Section>
          )}
          <Section title={t('watch.openRule')}>
            {data.opens.length === 0 ? (
              <Typography variant="body2">{t('watch.noRule')}</Typography>
            ) : (
              data.opens.map((p) => <RuleParts key={p.id} part={p} />)
            )}
          </Section>
          {data.done && (
            <Section title={t('watch.doneRule')}>
              <RuleParts part={data.done} />
            </Section>
          )}
          {data.happened.length > 0 && (
            <Section title={t('watch.happened')}>
              <Happenings list={data.happened} />
            </Section>
          )}
        </>
      )}
    </Loaded>
  );
}
