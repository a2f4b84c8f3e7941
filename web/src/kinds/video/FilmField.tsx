import { Alert, Box, Button, LinearProgress, Typography } from '@mui/material';
import { useMutation } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { api, body } from '../../api/client';
import { sendInPieces } from '../../api/files';
import { useCourse } from '../../frame/course';
import { clock } from '../../ui/format';
import { useLine } from '../../ui/useNames';
import type { AuthorProps } from '../room';
import { useOwn } from '../shared/useOwn';
import { CaptionsField } from './CaptionsField';
import { Player } from './Player';

/** How long a film is, as the browser that plays it says. */
export function lengthOf(file: File): Promise<number> {
  return new Promise((resolve, reject) => {
    const probe = document.createElement('video');
    const url = URL.createObjectURL(file);
    const done = (seconds: number) => {
      URL.revokeObjectURL(url);
      if (Number.isFinite(seconds) && seconds >= 1) resolve(Math.floor(seconds));
      else reject(new Error('no length'));
    };
    probe.preload = 'metadata';
    probe.onloadedmetadata = () => done(probe.duration);
    probe.onerror = () => done(Number.NaN);
    probe.src = url;
  });
}

/** The film of a step: looked at, chosen, replaced, taken away. */
export default function FilmField({
  part,
  change,
  measure = lengthOf,
}: Pick<AuthorProps<'video'>, 'part' | 'change'> & {
  measure?: (file: File) => Promise<number>;
}) {
  const { film } = part;
  const [captions, setCaptions] = useOwn(part.captions);
  const video = useRef<HTMLVideoElement>(null);
  const t = useTranslations();
  const line = useLine();
  const course = useCourse();
  const input = useRef<HTMLInputElement>(null);
  const [share, setShare] = useState(0);
  const send = useMutation({
    mutationFn: async (file: File) => {
      setShare(0);
      const seconds = await measure(file).catch(() => {
        throw new Error(t('plan.filmUnreadable', { name: file.name }));
      });
      const upload = await sendInPieces(file, setShare);
      const kept = await body(
        api.POST('/api/courses/{course}/design/files', {
          params: { path: { course: course.id } },
          body: { upload, use: 'FILM' },
        }),
      );
      return { file: kept.id, seconds };
    },
    onSuccess: (sent) => change({ part: { is: 'video', film: sent, captions } }),
  });
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 1 }}>
      {film ? (
        <>
          <Player
            key={film.file}
            video={video}
            src={`/api/courses/${course.id}/design/files/${film.file}`}
            label={film.name}
            captions={captions}
          />
          <Typography variant="body2" color="textSecondary">
            {line(film.name, clock(film.seconds))}
          </Typography>
        </>
      ) : (
        <Typography color="textSecondary">{t('plan.noFilm')}</Typography>
      )}
      {film && (
        <CaptionsField
          captions={captions}
          video={video}
          name={film.name}
          onChange={(next) => {
            setCaptions(next);
            const { file, seconds } = film;
            change({ part: { is: 'video', film: { file, seconds }, captions: next } });
          }}
        />
      )}
      {send.isPending && (
        <LinearProgress
          variant="determinate"
          value={share * 100}
          aria-label={t('plan.filmSending')}
        />
      )}
      {send.error && <Alert severity="error">{send.error.message}</Alert>}
      <input
        ref={input}
        type="file"
        accept="video/webm,video/mp4"
        hidden
        aria-label={t('plan.filmFile')}
        onChange={(e) => {
          const file = e.target.files?.[0];
          e.target.value = '';
          if (file) send.mutate(file);
        }}
      />
      <Box sx={{ display: 'flex', gap: 1 }}>
        <Button
          variant={film ? 'outlined' : 'contained'}
          disabled={send.isPending}
          onClick={() => input.current?.click()}
        >
          {t(film ? 'plan.filmReplace' : 'plan.filmChoose')}
        </Button>
        {film && (
          <Button variant="outlined" onClick={() => change({ part: { is: 'video', captions } })}>
            {t('common.remove')}
          </Button>
        )}
      </Box>
    </Box>
  );
}
