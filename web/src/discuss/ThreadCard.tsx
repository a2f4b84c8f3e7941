import { Box, Button } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Post, PostText, PostThread } from '../api/client';
import { useActKey } from '../ui/useActKey';
import { Composer } from './Composer';
import type { PostDoor } from './door';
import { PostCard } from './PostCard';

interface Props {
  thread: PostThread;
  door: PostDoor;
  mayWrite: boolean;
  isFresh: (post: Post) => boolean;
  unsent: string;
  remove: (post: Post) => void;
  restore: (post: Post) => void;
  changed: () => void;
}

/** A post, what was replied to it, and room for one's own reply. */
export function ThreadCard({ thread, door, mayWrite, isFresh, unsent, ...acts }: Props) {
  const t = useTranslations();
  const [whole, setWhole] = useState(false);
  const [replying, setReplying] = useState(false);
  const once = useActKey();
  const earlier = useQuery({
    queryKey: [...door.key, 'thread', thread.post.id],
    queryFn: () => door.thread(thread.post.id),
    enabled: whole,
  });
  const replies = (whole && earlier.data?.last) || thread.last;
  const hidden = thread.replies - replies.length;
  const { post } = thread;
  const target = post.gone || post.removed ? replies.find((r) => !r.removed) : post;
  const key = `${unsent}:reply-${post.id}`;
  const one = (p: Post) => (
    <PostCard
      key={p.id}
      post={p}
      door={door}
      fresh={isFresh(p)}
      unsent={unsent}
      remove={acts.remove}
      restore={acts.restore}
      changed={acts.changed}
    />
  );
  const reply = async (text: PostText) => {
    const sent = { post: text, inReplyTo: target?.id ?? post.id };
    await door.write(sent, once.headers(sent));
    once.renew();
  };
  return (
    <Box
      component="section"
      sx={{ bgcolor: 'tone.panel', border: 1, borderColor: 'divider', borderRadius: 1, p: 2 }}
    >
      {one(post)}
      <Box
        sx={{
          display: 'grid',
          gap: 1.5,
          mt: 1,
          ml: { xs: 0.5, sm: 2 },
          pl: { xs: 1.25, sm: 2 },
          borderLeft: '2px solid',
          borderColor: 'divider',
        }}
      >
        {hidden > 0 && (
          <Button size="small" onClick={() => setWhole(true)} sx={{ justifySelf: 'start', px: 0 }}>
            {t('discuss.earlier', { count: hidden })}
          </Button>
        )}
        {replies.map(one)}
        {mayWrite && !replying && target && (
          <Button
            size="small"
            onClick={() => setReplying(true)}
            sx={{ justifySelf: 'start', px: 0 }}
            aria-label={t('discuss.replyTo', { name: post.by })}
          >
            {t('discuss.reply')}
          </Button>
        )}
        {replying && (
          <Composer
            label={t('discuss.replyTo', { name: post.by })}
            button={t('discuss.reply')}
            keep={door.keep}
            file={door.file}
            unsent={key}
            send={reply}
            onDone={() => {
              setReplying(false);
              acts.changed();
            }}
          />
        )}
      </Box>
    </Box>
  );
}
