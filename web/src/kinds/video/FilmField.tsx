import { Alert, Box, Button, LinearProgress, Typography } from '@mui/material';
import { useMutation } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { api, body } from '../../api/client';
import { sendInPieces } from '../../api/files';
import { useCourse } from '../../frame/course';
import { ChooseFile } from '../../ui/ChooseFile';
import { clock } from '../../ui/format';
import { useLine } from '../../ui/useNames';
import type { AuthorProps } from '../room';
import { useOwn } from '../shared/useOwn';
import { CaptionsField } from './CaptionsField';
import { ElsewhereField } from './ElsewhereField';
import { lengthOf } from './lengthOf';
import { Player } from './Player';

/** The film of a step: looked at, chosen, replaced, taken away. */
export default function FilmField({
  part,
  change,
  measure = lengthOf,
}: Pick<AuthorProps<'video'>, 'part' | 'change'> & {
  measure?: (film: File | string) => Promise<number>;
}) {
  const { film, elsewhere } = part;
  const [captions, setCaptions] = useOwn(part.captions);
  const video = useRef<HTMLVideoElement>(null);
  const t = useTranslations();
  const line = useLine();
  const course = useCourse();
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
      {elsewhere && (
        <Player
          video={video}
          src={elsewhere.address}
          label={elsewhere.address}
          captions={captions}
        />
      )}
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
        !elsewhere && <Typography color="textSecondary">{t('plan.noFilm')}</Typography>
      )}
      {(film || elsewhere) && (
        <CaptionsField
          captions={captions}
          video={video}
          name={film?.name ?? 'film'}
          onChange={(next) => {
            setCaptions(next);
            change({
              part: {
                is: 'video',
                ...(film && { film: { file: film.file, seconds: film.seconds } }),
                ...(elsewhere && { elsewhere }),
                captions: next,
              },
            });
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
      <Box sx={{ display: 'flex', gap: 1 }}>
        <ChooseFile
          name={t('plan.filmFile')}
          accept="video/webm,video/mp4"
          variant={film || elsewhere ? 'outlined' : 'contained'}
          disabled={send.isPending}
          onChoose={(file) => send.mutate(file)}
        >
          {t(film || elsewhere ? 'plan.filmReplace' : 'plan.filmChoose')}
        </ChooseFile>
        {(film || elsewhere) && (
          <Button variant="outlined" onClick={() => change({ part: { is: 'video', captions } })}>
            {t('common.remove')}
          </Button>
        )}
      </Box>
      {!film && !elsewhere && (
        <ElsewhereField
          measure={measure}
          onTake={(it) => change({ part: { is: 'video', elsewhere: it, captions } })}
        />
      )}
    </Box>
  );
}
