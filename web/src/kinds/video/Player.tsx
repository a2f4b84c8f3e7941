import { Box, Button, MenuItem, Slider, TextField, Typography } from '@mui/material';
import { type RefObject, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Caption } from '../../api/client';
import { clock } from '../../ui/format';
import { keysHere } from '../../ui/useKeys';
import { useLength } from '../../ui/useLength';

const SPEEDS = [0.75, 1, 1.25, 1.5, 2];
const STEP = 5;

/** How one likes films to be shown, as long as the page is open. */
const liked = { captions: true, speed: 1 };

interface Props {
  video: RefObject<HTMLVideoElement | null>;
  src: string;
  label: string;
  captions: Caption[];
  /** Are told of what happens to the film. */
  onTimeUpdate?: () => void;
  onPause?: () => void;
  onSeeking?: () => void;
}

/** A film with its captions, its speed and its keys. */
export function Player({ video, src, label, captions, ...on }: Props) {
  const t = useTranslations();
  const all = useRef<HTMLDivElement>(null);
  const [at, setAt] = useState(0);
  const [length, setLength] = useState(0);
  const [playing, setPlaying] = useState(false);
  const [muted, setMuted] = useState(false);
  const [speed, setSpeed] = useState(liked.speed);
  const [shown, setShown] = useState(liked.captions);
  useLength(video, (it) => {
    // A film as a browser records it says nothing of its end.
    setLength(Number.isFinite(it.duration) ? it.duration : 0);
    it.playbackRate = speed;
  });
  const film = () => video.current;
  const toggle = () => {
    const it = film();
    if (it) void (it.paused ? it.play() : it.pause());
  };
  const go = (seconds: number) => {
    const it = film();
    if (it) it.currentTime = Math.max(0, Math.min(length || seconds, seconds));
    setAt(seconds);
  };
  const fast = (next: number) => {
    liked.speed = next;
    setSpeed(next);
    const it = film();
    if (it) it.playbackRate = next;
  };
  const faster = (by: 1 | -1) =>
    fast(SPEEDS[Math.max(0, Math.min(SPEEDS.length - 1, SPEEDS.indexOf(speed) + by))] ?? 1);
  const loud = (by: number) => {
    const it = film();
    if (it) it.volume = Math.max(0, Math.min(1, it.volume + by));
  };
  const mute = () => {
    const it = film();
    if (it) it.muted = !muted;
    setMuted(!muted);
  };
  const caption = () => {
    liked.captions = !shown;
    setShown(!shown);
  };
  const large = () => {
    if (document.fullscreenElement) void document.exitFullscreen();
    else void all.current?.requestFullscreen();
  };
  const keys = keysHere({
    'Space, k': toggle,
    ArrowLeft: () => go((film()?.currentTime ?? 0) - STEP),
    ArrowRight: () => go((film()?.currentTime ?? 0) + STEP),
    ArrowUp: () => loud(0.1),
    ArrowDown: () => loud(-0.1),
    m: mute,
    c: caption,
    f: large,
    '+, Shift++': () => faster(1),
    '-': () => faster(-1),
  });
  const now = shown ? captions.filter((c) => at * 1000 >= c.from && at * 1000 < c.to) : [];
  return (
    <Box
      ref={all}
      role="group"
      aria-label={t('film.player')}
      sx={{
        display: 'flex',
        flexDirection: 'column',
        bgcolor: 'tone.panel',
        containerType: 'inline-size',
      }}
    >
      <Box
        tabIndex={0}
        aria-keyshortcuts="k ArrowLeft ArrowRight ArrowUp ArrowDown m c f + -"
        title={t('film.keys')}
        onKeyDown={keys}
        sx={{ position: 'relative', flex: 1, minHeight: 0, display: 'flex', bgcolor: 'tone.band' }}
      >
        {/* biome-ignore lint/a11y/useMediaCaption: captions are shown below the picture by the player */}
        <video
          ref={video}
          playsInline
          preload="metadata"
          src={src}
          aria-label={label}
          onClick={toggle}
          onTimeUpdate={(e) => {
            setAt(e.currentTarget.currentTime);
            on.onTimeUpdate?.();
          }}
          onPlay={() => setPlaying(true)}
          onPause={() => {
            setPlaying(false);
            on.onPause?.();
          }}
          onSeeking={() => on.onSeeking?.()}
          style={{ width: '100%', display: 'block' }}
        />
        {now.length > 0 && (
          <Typography
            aria-live="off"
            sx={{
              position: 'absolute',
              left: 0,
              right: 0,
              bottom: 12,
              textAlign: 'center',
              pointerEvents: 'none',
              whiteSpace: 'pre-line',
              px: 2,
              '& span': {
                bgcolor: 'tone.band',
                color: 'tone.bandInk',
                px: 1,
                py: 0.25,
                boxDecorationBreak: 'clone',
                borderRadius: '2px',
                fontSize: 'clamp(12px, 3cqw, 17px)',
              },
            }}
          >
            <span>{now.map((c) => c.text).join('\n')}</span>
          </Typography>
        )}
      </Box>
      <Box
        sx={{
          display: 'flex',
          columnGap: 1,
          alignItems: 'center',
          flexWrap: 'wrap',
          '& .MuiButton-root': { minWidth: 0, px: 1 },
          border: 1,
          borderColor: 'divider',
          px: 1,
          py: 0.25,
        }}
      >
        <Button size="small" onClick={toggle}>
          {t(playing ? 'film.pause' : 'film.play')}
        </Button>
        <Slider
          size="small"
          value={at}
          min={0}
          max={length || 1}
          step={1}
          onChange={(_, next) => go(next)}
          aria-label={t('film.place')}
          getAriaValueText={clock}
          sx={{ flex: '1 1 120px', minWidth: 90, color: 'tone.indigo' }}
        />
        <Typography variant="body2" color="textSecondary" noWrap>
          {clock(at)} / {clock(length)}
        </Typography>
        {captions.length > 0 && (
          <Button size="small" aria-pressed={shown} onClick={caption}>
            {t(shown ? 'film.captionsOff' : 'film.captionsOn')}
          </Button>
        )}
        <TextField
          select
          size="small"
          variant="standard"
          fullWidth={false}
          value={speed}
          onChange={(e) => fast(Number(e.target.value))}
          slotProps={{
            htmlInput: { 'aria-label': t('film.speed') },
            input: { disableUnderline: true },
          }}
          sx={{ width: 64 }}
        >
          {SPEEDS.map((s) => (
            <MenuItem key={s} value={s}>
              {t('film.times', { speed: s })}
            </MenuItem>
          ))}
        </TextField>
        <Button size="small" aria-pressed={muted} onClick={mute}>
          {t(muted ? 'film.sound' : 'film.mute')}
        </Button>
        <Button size="small" onClick={large}>
          {t('film.large')}
        </Button>
      </Box>
    </Box>
  );
}
