import { Box, Button, Typography } from '@mui/material';
import type { Change } from 'diff';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Kept } from '../../api/client';
import { fileSize } from '../../ui/format';

/** A link that was handed in. */
export function GivenLink({ link }: { link: string }) {
  if (!link) return null;
  return (
    <Typography
      component="a"
      href={link}
      target="_blank"
      rel="noopener noreferrer nofollow"
      sx={{
        display: 'block',
        color: 'tone.madder',
        fontWeight: 700,
        overflowWrap: 'anywhere',
        my: 1,
      }}
    >
      {link}
    </Typography>
  );
}

/** Files that were handed in; pictures, sounds and films are shown at once. */
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
            sx={{ color: 'tone.madder', fontWeight: 700, overflowWrap: 'anywhere' }}
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
  const [picture, setPicture] = useState(true);
  return (
    // biome-ignore lint/a11y/useMediaCaption: recorded by learners, who write no captions
    <video
      controls
      preload="metadata"
      src={address}
      aria-label={file.name}
      onLoadedMetadata={(e) => setPicture(e.currentTarget.videoHeight > 0)}
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

/** What changed between a text and the one before it, word by word. */
export function Differences({ before, now }: { before: string | undefined; now: string }) {
  const t = useTranslations();
  const [parts, setParts] = useState<Change[] | null>(null);
  if (!before || !now || before === now) return null;
  if (!parts)
    return (
      <Button
        size="small"
        onClick={() =>
          void import('diff').then(({ diffWordsWithSpace }) =>
            setParts(diffWordsWithSpace(before, now)),
          )
        }
        sx={{ px: 0 }}
      >
        {t('learn.differences')}
      </Button>
    );
  return (
    <Box sx={{ my: 1 }}>
      <Button size="small" onClick={() => setParts(null)} sx={{ px: 0 }}>
        {t('learn.noDifferences')}
      </Button>
      <Typography
        component="div"
        sx={{
          whiteSpace: 'pre-wrap',
          overflowWrap: 'anywhere',
          '& ins': { bgcolor: 'tone.lagoonTint', textDecorationThickness: 2 },
          '& del': { color: 'tone.soft' },
        }}
      >
        {parts.map((p, n) => {
          // biome-ignore lint/suspicious/noArrayIndexKey: the parts of one comparison never move
          if (p.added) return <ins key={n}>{p.value}</ins>;
          // biome-ignore lint/suspicious/noArrayIndexKey: the parts of one comparison never move
          if (p.removed) return <del key={n}>{p.value}</del>;
          // biome-ignore lint/suspicious/noArrayIndexKey: the parts of one comparison never move
          return <span key={n}>{p.value}</span>;
        })}
      </Typography>
    </Box>
  );
}
