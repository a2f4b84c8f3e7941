import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  Typography,
} from '@mui/material';
import { useEffect, useRef } from 'react';
import { useTranslations } from 'use-intl';
import { clock } from '../../ui/format';
import { LONGEST_SECONDS, type Medium, useRecorder } from './useRecorder';

interface Props {
  medium: Medium;
  onUse: (file: File) => void;
  onClose: () => void;
}

/** Records on the spot: a countdown, the recording, then looking at it, again or using it. */
export default function Recorder({ medium, onUse, onClose }: Props) {
  const t = useTranslations();
  const { state, begin, stop, drop } = useRecorder(medium);
  const close = () => {
    drop();
    onClose();
  };
  const live = state.is === 'counting' || state.is === 'running';
  return (
    <Dialog
      open
      fullWidth
      maxWidth="sm"
      onClose={(_, why) => {
        if (why !== 'backdropClick' || state.is === 'none') close();
      }}
    >
      <DialogTitle>{t(medium === 'film' ? 'record.film' : 'record.sound')}</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1.5, justifyItems: 'start' }}>
        {state.is === 'none' && (
          <Typography>{t('record.hint', { minutes: LONGEST_SECONDS / 60 })}</Typography>
        )}
        {state.is === 'asking' && <Typography>{t('record.asking')}</Typography>}
        {state.is === 'refused' && (
          <Alert severity="error">{t(`record.refused.${state.why}`)}</Alert>
        )}
        {live && medium === 'film' && <Live stream={state.stream} />}
        {state.is === 'counting' && (
          <Typography variant="h1" role="status" sx={{ fontSize: 40 }}>
            {state.left}
          </Typography>
        )}
        {state.is === 'running' && (
          <Typography role="status" sx={{ color: 'tone.madder', fontWeight: 700 }}>
            {t('record.running', { time: clock(state.seconds) })}
          </Typography>
        )}
        {state.is === 'done' &&
          (medium === 'film' ? (
            // biome-ignore lint/a11y/useMediaCaption: just recorded
            <video controls src={state.address} aria-label={t('record.look')} style={PICTURE} />
          ) : (
            // biome-ignore lint/a11y/useMediaCaption: just recorded
            <audio controls src={state.address} aria-label={t('record.look')} />
          ))}
      </DialogContent>
      <DialogActions>
        <Button onClick={close}>{t('common.cancel')}</Button>
        {(state.is === 'none' || state.is === 'refused') && (
          <Button variant="contained" onClick={() => void begin()}>
            {t('record.begin')}
          </Button>
        )}
        {state.is === 'running' && (
          <Button variant="contained" onClick={stop} autoFocus>
            {t('record.stop')}
          </Button>
        )}
        {state.is === 'done' && (
          <>
            <Button variant="outlined" onClick={() => void begin()}>
              {t('record.again')}
            </Button>
            <Button
              variant="contained"
              onClick={() => {
                onUse(state.file);
                close();
              }}
            >
              {t('record.use')}
            </Button>
          </>
        )}
      </DialogActions>
    </Dialog>
  );
}

const PICTURE = { width: '100%', maxHeight: 360, borderRadius: 4 } as const;

/** What the camera sees, as in a mirror. */
function Live({ stream }: { stream: MediaStream }) {
  const video = useRef<HTMLVideoElement>(null);
  useEffect(() => {
    if (video.current) video.current.srcObject = stream;
  }, [stream]);
  return (
    <Box sx={{ width: '100%' }}>
      <video
        ref={video}
        muted
        autoPlay
        playsInline
        style={{ ...PICTURE, transform: 'scaleX(-1)' }}
      />
    </Box>
  );
}
