import { Alert, Box, Button, Typography } from '@mui/material';
import { useCallback, useEffect, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { api, body, type MyFilm } from '../../api/client';
import { useCourse } from '../../frame/course';
import { clock, percent } from '../../ui/format';
import { type LearnerProps, type StepProps, watching } from '../room';
import { Player } from './Player';
import { firstMissing, played, type Stretch, whole } from './stretches';

const EVERY = 10;

export default function Learner(props: LearnerProps<'video'>) {
  const { film } = props.part;
  return film ? <FilmPart {...props} film={film} /> : null;
}

/** A film with what was watched of it; what plays is told to the server stretch by stretch. */
export function FilmPart({ page, walk, show, film }: StepProps & { film: MyFilm }) {
  const t = useTranslations();
  const course = useCourse();
  const video = useRef<HTMLVideoElement>(null);
  const stretch = useRef<Stretch | null>(null);
  const [failed, setFailed] = useState(false);
  const path = { course: course.id, walk, step: page.id };
  const { seconds } = film;

  const tell = useCallback(
    (ended: Stretch | null, keepalive = false) => {
      const part = ended && whole(ended, seconds);
      if (!part || watching(walk)) return;
      body(
        api.POST('/api/courses/{course}/walks/{walk}/steps/{step}/played', {
          params: { path: { course: course.id, walk, step: page.id } },
          body: part,
          keepalive,
        }),
      )
        .then((next) => {
          setFailed(false);
          if (!keepalive) show(next);
        })
        .catch(() => setFailed(true));
    },
    [course.id, walk, page.id, seconds, show],
  );

  const end = useCallback(
    (keepalive = false) => {
      tell(stretch.current, keepalive);
      stretch.current = null;
    },
    [tell],
  );
  const look = () => {
    const film = video.current;
    if (!film || film.seeking) return;
    // Nobody sees what plays in a hidden tab.
    if (document.visibilityState !== 'visible') {
      end();
      return;
    }
    const { now, ended } = played(stretch.current, film.currentTime, film.playbackRate);
    tell(ended);
    stretch.current = now;
    if (now.to - now.from >= EVERY) {
      tell(now);
      stretch.current = { from: now.to, to: now.to };
    }
  };
  useEffect(() => {
    const leave = () => end(true);
    window.addEventListener('pagehide', leave);
    return () => {
      window.removeEventListener('pagehide', leave);
      leave();
    };
  }, [end]);

  const missing = firstMissing(film.parts, seconds);
  const goOn = () => {
    if (!video.current) return;
    video.current.currentTime = missing;
    void video.current.play();
  };
  return (
    <Box sx={{ display: 'grid', gap: 1, mb: 2 }}>
      <Player
        video={video}
        src={
          film.address ?? `/api/courses/${path.course}/walks/${path.walk}/steps/${path.step}/film`
        }
        label={page.name}
        captions={film.captions}
        onTimeUpdate={look}
        onPause={() => {
          look();
          end();
        }}
        onSeeking={() => end()}
      />
      <WatchedBar film={film} />
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', minHeight: 32 }}>
        <Typography variant="body2" color="textSecondary">
          {t('learn.watched', { percent: percent(film.watched), length: clock(seconds) })}
        </Typography>
        {film.watched > 0 && film.watched < 1 && (
          <Button variant="outlined" onClick={goOn}>
            {t('learn.goOnAt', { time: clock(missing) })}
          </Button>
        )}
      </Box>
      {failed && <Alert severity="warning">{t('learn.watchedNotKept')}</Alert>}
    </Box>
  );
}

/** Which parts of a film were played. */
export function WatchedBar({ film }: { film: Pick<MyFilm, 'parts' | 'seconds' | 'watched'> }) {
  const t = useTranslations();
  const stretches: Stretch[] = [];
  for (let i = 0; i + 1 < film.parts.length; i += 2)
    stretches.push({ from: film.parts[i] ?? 0, to: film.parts[i + 1] ?? 0 });
  return (
    <Box
      role="img"
      aria-label={t('learn.watchedShare', { percent: percent(film.watched) })}
      sx={{ position: 'relative', height: 8, bgcolor: 'tone.slateTint', borderRadius: '2px' }}
    >
      {stretches.map((s) => (
        <Box
          key={s.from}
          sx={{
            position: 'absolute',
            top: 0,
            bottom: 0,
            left: `${(s.from / film.seconds) * 100}%`,
            width: `${((s.to - s.from) / film.seconds) * 100}%`,
            bgcolor: 'tone.lagoon',
          }}
        />
      ))}
    </Box>
  );
}
