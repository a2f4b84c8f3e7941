import { Box, Button, Typography } from '@mui/material';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Post } from '../api/client';
import { moment } from '../ui/format';
import { GivenFiles } from '../ui/GivenFiles';
import { Prose } from '../ui/Prose';
import { useLine } from '../ui/useNames';
import { Composer } from './Composer';
import type { PostDoor } from './door';

/** There at every post, so that it stays in the background. */
const ACT = { color: 'text.secondary', fontWeight: 400, py: 0 };

interface Props {
  post: Post;
  door: PostDoor;
  /** Whether it was not read before this visit. */
  fresh: boolean;
  unsent: string;
  remove: (post: Post) => void;
  restore: (post: Post) => void;
  changed: () => void;
}

/** What somebody wrote, with what one may do about it. */
export function PostCard({ post, door, fresh, unsent, remove, restore, changed }: Props) {
  const t = useTranslations();
  const line = useLine();
  const [changing, setChanging] = useState(false);
  if (post.gone)
    return (
      <Typography component="article" color="textSecondary" sx={{ fontStyle: 'italic' }}>
        {t('discuss.gone')}
      </Typography>
    );
  const at = (file: number) => door.file(file, post.id);
  const removed = post.removed !== undefined;
  return (
    <Box component="article" aria-label={line(t('discuss.by', { name: post.by }), moment(post.at))}>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'baseline', flexWrap: 'wrap' }}>
        <Typography sx={{ fontWeight: 700 }}>{post.mine ? t('discuss.you') : post.by}</Typography>
        {post.staff && (
          <Typography variant="caption" sx={{ color: 'tone.indigo', fontWeight: 700 }}>
            {t('discuss.staff')}
          </Typography>
        )}
        <Typography variant="body2" color="textSecondary">
          {line(
            moment(post.at),
            post.changed && t('discuss.changed'),
            removed && t('discuss.removedBy', { name: post.removed ?? '' }),
          )}
        </Typography>
        {fresh && (
          <Typography variant="caption" sx={{ color: 'tone.madder', fontWeight: 700 }}>
            {t('discuss.new')}
          </Typography>
        )}
        <Box sx={{ ml: 'auto', display: 'flex' }}>
          {post.mayChange && !changing && (
            <Button size="small" sx={ACT} onClick={() => setChanging(true)}>
              {t('discuss.change')}
            </Button>
          )}
          {post.mayRemove && !changing && (
            <Button
              size="small"
              sx={ACT}
              aria-label={t('discuss.removeOf', { name: post.by })}
              onClick={() => remove(post)}
            >
              {t('common.remove')}
            </Button>
          )}
          {removed && door.restore && (
            <Button size="small" onClick={() => restore(post)}>
              {t('discuss.restore')}
            </Button>
          )}
        </Box>
      </Box>
      {changing ? (
        <Composer
          label={t('discuss.change')}
          button={t('common.save')}
          was={post}
          keep={door.keep}
          file={door.file}
          unsent={`${unsent}:change-${post.id}`}
          send={(text) => door.change(post.id, text)}
          onDone={() => {
            setChanging(false);
            changed();
          }}
        />
      ) : (
        <Box sx={removed ? { opacity: 0.6, textDecoration: 'line-through' } : undefined}>
          {post.text && <Prose plain html={post.text} at={at} />}
          <GivenFiles files={post.files} at={at} />
        </Box>
      )}
    </Box>
  );
}
