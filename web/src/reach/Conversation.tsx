import { Alert, Box, Button, TextField, Typography } from '@mui/material';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useTranslations } from 'use-intl';
import { api, body, type OneLetter } from '../api/client';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { moment } from '../ui/format';
import { Loaded } from '../ui/Panel';
import { useActKey } from '../ui/useActKey';
import { keysInField } from '../ui/useKeys';
import { useLine } from '../ui/useNames';

/** All letters between oneself and one other, oldest first, with room for the next. */
export function Conversation({ person }: { person: number }) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const [text, setText] = useState('');
  const query = queries.conversation(course.id, person);
  const conversation = useQuery(query);
  const path = { course: course.id, person };
  const unread = conversation.data?.letters.some((l) => !l.mine && !l.read) ?? false;
  useEffect(() => {
    if (!unread) return;
    void api
      .POST('/api/courses/{course}/messages/{person}/reading', {
        params: { path: { course: course.id, person } },
      })
      .then(() => client.invalidateQueries({ queryKey: ['messages', course.id] }));
  }, [unread, course.id, person, client]);
  const once = useActKey();
  const write = useMutation({
    mutationFn: () =>
      body(
        api.POST('/api/courses/{course}/messages/{person}', {
          params: { path },
          headers: once.headers({ person, text }),
          body: { body: text },
        }),
      ),
    onSuccess: (now) => {
      once.renew();
      setText('');
      client.setQueryData(query.queryKey, now);
      void client.invalidateQueries({ queryKey: ['messages', course.id] });
    },
  });
  return (
    <Loaded query={conversation}>
      {(data) => (
        <Box sx={{ maxWidth: 760, display: 'grid', gap: 1.5 }}>
          <Typography variant="h1" component="h2">
            {data.name}
          </Typography>
          {data.letters.map((letter) => (
            <Letter key={letter.id} letter={letter} name={data.name} />
          ))}
          {data.mayWrite ? (
            <Box
              component="form"
              onSubmit={(e) => {
                e.preventDefault();
                if (text.trim()) write.mutate();
              }}
              sx={{ display: 'grid', gap: 1, mt: 1 }}
            >
              {write.error && <Alert severity="error">{write.error.message}</Alert>}
              <TextField
                label={t('reach.answer', { name: data.name })}
                multiline
                minRows={4}
                value={text}
                onChange={(e) => setText(e.target.value)}
                onKeyDown={keysInField({
                  'Control+Enter, Meta+Enter': () => text.trim() && write.mutate(),
                })}
              />
              <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center' }}>
                <Button
                  type="submit"
                  variant="contained"
                  disabled={!text.trim() || write.isPending}
                >
                  {t('reach.sendTo', { name: data.name.split(' ')[0] ?? '' })}
                </Button>
                <Typography variant="caption" color="textSecondary">
                  {t('reach.alsoMail')}
                </Typography>
              </Box>
            </Box>
          ) : (
            <Typography color="textSecondary">{t('reach.cannotWrite')}</Typography>
          )}
        </Box>
      )}
    </Loaded>
  );
}

function Letter({ letter, name }: { letter: OneLetter; name: string }) {
  const t = useTranslations();
  const line = useLine();
  return (
    <Box
      component="article"
      sx={{
        bgcolor: letter.mine ? 'tone.slateTint' : 'tone.panel',
        border: 1,
        borderColor: 'divider',
        borderRadius: 1,
        px: 2,
        py: 1.25,
      }}
    >
      <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap' }}>
        <Typography sx={{ fontWeight: 700, flex: 1, minWidth: 160 }}>{letter.subject}</Typography>
        <Typography variant="body2" color="textSecondary">
          {line(
            letter.mine ? t('reach.fromYou') : name,
            moment(letter.at),
            letter.mine && !letter.sent && t('watch.letterWaiting'),
          )}
        </Typography>
      </Box>
      <Typography sx={{ whiteSpace: 'pre-wrap', overflowWrap: 'anywhere', mt: 0.75 }}>
        {letter.body}
      </Typography>
    </Box>
  );
}
