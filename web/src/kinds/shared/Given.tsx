import { Box, Button, Typography } from '@mui/material';
import type { Change } from 'diff';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { plainText } from '../../ui/html';

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
        color: 'tone.ink',
        fontWeight: 700,
        overflowWrap: 'anywhere',
        my: 1,
      }}
    >
      {link}
    </Typography>
  );
}

/** What changed between a formatted text and the one before it, word by word. */
export function Differences({ before, now }: { before: string | undefined; now: string }) {
  const t = useTranslations();
  const [parts, setParts] = useState<Change[] | null>(null);
  const words = [plainText(before ?? ''), plainText(now)] as const;
  if (!words[0] || !words[1] || words[0] === words[1]) return null;
  if (!parts)
    return (
      <Button
        size="small"
        onClick={() =>
          void import('diff').then(({ diffWordsWithSpace }) =>
            setParts(diffWordsWithSpace(...words)),
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
