import { Box, Typography } from '@mui/material';
import { useRef, useState } from 'react';
import type { Kept } from '../api/client';
import { fileSize } from './format';
import { useLength } from './useLength';

/** Files that somebody sent; pictures, sounds and films are shown at once. */
export function GivenFiles({ files, at }: { files: Kept[]; at: (file: number) => string }) {
  if (files.length === 0) return null;
  return (
    <Box sx={{ display: 'grid', gap: 1, my: 1 }}>
      {files.map((f) => (
        <Box key={f.id} sx={{ minWidth: 0 }}>
          <Shown file={f} address={at(f.id)} />
          <Typography
            component="a"
            href={at(f.id)}
            sx={{ color: 'tone.ink', fontWeight: 700, overflowWrap: 'anywhere' }}
          >
            {f.name}
          </Typography>{' '}
          <Typography component="span" variant="body2" color="textSecondary">
            {fileSize(f.bytes)}
          </Typography>
        </Box>
      ))}
    </Box>
  );
}

function Shown({ file, address }: { file: Kept; address: string }) {
  const type = file.mediaType.split('/')[0];
  if (type === 'image')
    return (
      <Box
        component="img"
        src={address}
        alt={file.name}
        sx={{ maxWidth: '100%', maxHeight: 420, display: 'block', borderRadius: 1 }}
      />
    );
  if (type === 'video') return <Film file={file} address={address} />;
  if (type === 'audio')
    return (
      // biome-ignore lint/a11y/useMediaCaption: recorded by learners, who write no captions
      <audio controls preload="metadata" src={address} aria-label={file.name} />
    );
  return null;
}

/** A film; one that is sound only takes no room for a picture. */
function Film({ file, address }: { file: Kept; address: string }) {
  const film = useRef<HTMLVideoElement>(null);
  const [picture, setPicture] = useState(true);
  useLength(film, (it) => setPicture(it.videoHeight > 0));
  return (
    // biome-ignore lint/a11y/useMediaCaption: recorded by learners, who write no captions
    <video
      ref={film}
      controls
      preload="metadata"
      src={address}
      aria-label={file.name}
      style={{
        width: picture ? undefined : '100%',
        height: picture ? undefined : 54,
        maxWidth: '100%',
        maxHeight: 420,
        display: 'block',
        borderRadius: 4,
      }}
    />
  );
}
