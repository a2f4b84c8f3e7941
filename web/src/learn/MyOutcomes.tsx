import { Box, Link, Typography } from '@mui/material';
import { Fragment } from 'react';
import { Link as RouterLink } from 'react-router';
import { useTranslations } from 'use-intl';
import { useCourse } from '../frame/course';
import { type WalkName, walkBase } from '../kinds/room';
import { day } from '../ui/format';
import { Wedge } from '../ui/Glyphs';
import { Empty, Loaded } from '../ui/Panel';
import { useRoute } from './useRoute';

export default function MyOutcomes({ walk }: { walk: WalkName }) {
  const t = useTranslations();
  const course = useCourse();
  const base = walkBase(course.id, walk);
  const route = useRoute(walk);
  return (
    <Box
      component="main"
      id="main"
      tabIndex={0}
      sx={{ p: { xs: 2, md: 3 }, overflow: 'auto', outline: 0 }}
    >
      <Loaded query={route}>
        {(data) =>
          data.outcomes.length === 0 ? (
            <Empty title={t('learn.none')} />
          ) : (
            <Box sx={{ display: 'grid', gap: 1.5, maxWidth: 820 }}>
              {data.outcomes.map((o) => (
                <Box
                  key={o.id}
                  component="section"
                  sx={{
                    bgcolor: 'tone.panel',
                    border: 1,
                    borderColor: 'divider',
                    borderRadius: 1,
                    p: 2,
                    display: 'flex',
                    gap: 2,
                  }}
                >
                  <Wedge
                    level={o.level}
                    levels={o.levels}
                    mastery={o.mastery}
                    label={o.levelName || t('learn.noEvidence')}
                    size={40}
                  />
                  <Box sx={{ minWidth: 0, flex: 1 }}>
                    <Typography variant="h2">{o.name}</Typography>
                    <Typography>
                      <b>{o.levelName || t('learn.noEvidence')}</b>
                      {o.level >= o.mastery && `, ${t('learn.atMastery')}`}
                      {o.levelMeans && `. ${o.levelMeans}`}
                    </Typography>
                    {o.evidence.map((e) => (
                      <Typography key={e.at + e.from} variant="body2" color="textSecondary">
                        {day(e.at)}: {e.level}, {e.from}
                        {e.words && `. “${e.words}”`}
                      </Typography>
                    ))}
                    {o.next && (
                      <Typography variant="body2" sx={{ mt: 0.75 }}>
                        {t('learn.nextLevel')} <b>{o.next.name}</b>
                        {o.next.means && `. ${o.next.means}`}
                      </Typography>
                    )}
                    {o.change.map((c) => (
                      <Typography key={c} variant="body2">
                        {c}
                      </Typography>
                    ))}
                    {o.next && o.shownIn.length > 0 && (
                      <Typography variant="body2">
                        {t('learn.shownIn')}{' '}
                        {o.shownIn.map((s, n) => (
                          <Fragment key={s.step}>
                            {n > 0 && ', '}
                            {s.open ? (
                              <Link component={RouterLink} to={`${base}/steps/${s.step}`}>
                                {s.name}
                              </Link>
                            ) : (
                              `${s.name} (${t('learn.stillClosed')})`
                            )}
                          </Fragment>
                        ))}
                      </Typography>
                    )}
                    {o.opensNext.length > 0 && (
                      <Typography variant="body2" sx={{ mt: 0.5 }}>
                        {t('learn.waitsForIt', { names: o.opensNext.join(', ') })}
                      </Typography>
                    )}
                  </Box>
                </Box>
              ))}
            </Box>
          )
        }
      </Loaded>
    </Box>
  );
}
