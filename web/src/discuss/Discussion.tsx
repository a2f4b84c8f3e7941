import { Alert, Box, Button, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import {
  keepPreviousData,
  useInfiniteQuery,
  useMutation,
  useQueryClient,
} from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Post, PostText } from '../api/client';
import { useNotice } from '../ui/Notice';
import { useActKey } from '../ui/useActKey';
import { Composer } from './Composer';
import { among, type Group, type PostDoor } from './door';
import { ThreadCard } from './ThreadCard';
import { useFresh } from './useFresh';

/** How often one looks for what others have written. */
const LOOK_AGAIN = 6000;

interface Props {
  door: PostDoor;
  /** Where texts are kept in this browser until they are sent. */
  unsent: string;
  /** Whether it is a journal, whose posts are called entries. */
  journal?: boolean;
}

/** The threads of a discussion or a journal, the newest first, with room to write. */
export function Discussion({ door, unsent, journal = false }: Props) {
  const t = useTranslations();
  const client = useQueryClient();
  const notice = useNotice();
  const [group, setGroup] = useState<Group | undefined>();
  const [writing, setWriting] = useState(false);
  const once = useActKey();
  const pages = useInfiniteQuery({
    queryKey: [...door.key, 'threads', group ?? 0],
    queryFn: ({ pageParam }) => door.read(group, pageParam),
    initialPageParam: undefined as number | undefined,
    getNextPageParam: (last) => last.more,
    refetchInterval: LOOK_AGAIN,
    placeholderData: keepPreviousData,
  });
  const first = pages.data?.pages[0];
  const threads = pages.data?.pages.flatMap((p) => p.threads) ?? [];
  const isFresh = useFresh(threads, door);
  const changed = () => void client.invalidateQueries({ queryKey: door.key });
  const restoring = useMutation({
    mutationFn: (post: Post) => door.restore?.(post.id) ?? Promise.resolve(),
    onSuccess: changed,
  });
  const removing = useMutation({
    mutationFn: (post: Post) => door.remove(post.id),
    onSuccess: (_, post) => {
      changed();
      notice({
        tone: 'success',
        text: t('discuss.removed'),
        ...(door.restore && { undo: () => restoring.mutate(post) }),
      });
    },
  });
  // What was read stays, and so does what is being written, when one cannot look again.
  const lost = pages.error && <Alert severity="error">{pages.error.message}</Alert>;
  if (!first) return lost;
  const here: Group | undefined = first.groups.length > 1 ? (first.group ?? 'none') : first.group;
  const write = async (text: PostText) => {
    const sent = { post: text, ...among(here) };
    await door.write(sent, once.headers(sent));
    once.renew();
  };
  return (
    <Box sx={{ display: 'grid', gap: 1.5, mt: 2, gridTemplateColumns: 'minmax(0, 1fr)' }}>
      {lost}
      {first.groups.length > 1 && (
        <ToggleButtonGroup
          exclusive
          size="small"
          value={here}
          aria-label={t('discuss.groups')}
          onChange={(_, next: Group | null) => next !== null && setGroup(next)}
          sx={{ flexWrap: 'wrap' }}
        >
          {first.groups.map((g) => (
            <ToggleButton key={g.group ?? 'none'} value={g.group ?? 'none'}>
              {g.name || t('discuss.noGroup')}
              {g.unread > 0 && ` (${t('discuss.unread', { count: g.unread })})`}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
      )}
      {first.mayWrite &&
        (writing ? (
          <Composer
            label={t(journal ? 'discuss.entry' : 'discuss.post')}
            button={t('discuss.send')}
            keep={door.keep}
            file={door.file}
            unsent={unsent}
            send={write}
            onDone={() => {
              setWriting(false);
              changed();
            }}
          />
        ) : (
          <Button
            variant="contained"
            sx={{ justifySelf: 'start' }}
            onClick={() => setWriting(true)}
          >
            {t(journal ? 'discuss.newEntry' : 'discuss.newPost')} …
          </Button>
        ))}
      {first.writesFirst && (
        <Alert role="status" severity="info">
          {t('discuss.writesFirst')}
        </Alert>
      )}
      {!first.mayWrite && <Typography color="textSecondary">{t('discuss.over')}</Typography>}
      {threads.length === 0 && !first.writesFirst && (
        <Typography color="textSecondary">
          {t(journal ? 'discuss.noEntries' : 'discuss.nothingYet')}
        </Typography>
      )}
      {threads.map((thread) => (
        <ThreadCard
          key={thread.post.id}
          thread={thread}
          door={door}
          mayWrite={first.mayWrite}
          isFresh={isFresh}
          unsent={unsent}
          remove={(post) => removing.mutate(post)}
          restore={(post) => restoring.mutate(post)}
          changed={changed}
        />
      ))}
      {pages.hasNextPage && (
        <Button
          variant="outlined"
          sx={{ justifySelf: 'center' }}
          disabled={pages.isFetchingNextPage}
          onClick={() => void pages.fetchNextPage()}
        >
          {t('discuss.more')}
        </Button>
      )}
    </Box>
  );
}
