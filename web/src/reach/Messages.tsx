import { Box, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { type KeyboardEvent, useRef } from 'react';
import { useTranslation } from 'react-i18next';
import type { ConversationLine } from '../api/client';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { day } from '../ui/format';
import { Empty, Loaded } from '../ui/Panel';
import { tone } from '../ui/tone';
import { useLive } from '../ui/useLive';
import { useSelection } from '../ui/useSelection';
import { Conversation } from './Conversation';

/** One's own letters in the course, one conversation for each person. */
export default function Messages() {
  const { t } = useTranslation();
  const course = useCourse();
  useLive(course.id, ['messages', 'conversation']);
  const [sel, select] = useSelection();
  const messages = useQuery(queries.messages(course.id));
  const lines = messages.data?.conversations ?? [];
  // What was newest at first stays open, whatever comes in while somebody writes.
  const first = useRef(0);
  if (first.current === 0) first.current = lines[0]?.person ?? 0;
  const person = Number(sel ?? first.current);
  const move = (event: KeyboardEvent) => {
    const way = { j: 1, ArrowDown: 1, k: -1, ArrowUp: -1 }[event.key];
    if (!way) return;
    event.preventDefault();
    const at = lines.findIndex((l) => l.person === person);
    const next = lines[Math.max(0, Math.min(lines.length - 1, at + way))];
    if (next) select(`${next.person}`);
  };
  return (
    <Loaded query={messages}>
      {(data) =>
        data.conversations.length === 0 && !sel ? (
          <Box component="main" id="main">
            <Empty
              title={t('reach.noMessages')}
              hint={t(course.role ? 'reach.noMessagesStaff' : 'reach.noMessagesLearner')}
            />
          </Box>
        ) : (
          <Box
            sx={{
              display: 'flex',
              flex: 1,
              minHeight: 0,
              flexDirection: { xs: 'column', md: 'row' },
              overflow: { xs: 'auto', md: 'hidden' },
            }}
          >
            <Box
              component="nav"
              aria-label={t('frame.messages')}
              tabIndex={0}
              onKeyDown={move}
              sx={{
                width: { md: 340 },
                flex: 'none',
                overflow: 'auto',
                maxHeight: { xs: 220, md: 'none' },
                bgcolor: 'tone.panel',
                borderRight: { md: `1px solid ${tone('hairline')}` },
                borderBottom: { xs: `1px solid ${tone('hairline')}`, md: 0 },
              }}
            >
              {data.conversations.map((line) => (
                <Line
                  key={line.person}
                  line={line}
                  chosen={line.person === person}
                  onSelect={() => select(`${line.person}`)}
                />
              ))}
            </Box>
            <Box
              component="main"
              id="main"
              tabIndex={0}
              sx={{ flex: 1, minWidth: 0, overflow: { md: 'auto' }, p: 2.5, outline: 0 }}
            >
              {person > 0 && <Conversation key={person} person={person} />}
            </Box>
          </Box>
        )
      }
    </Loaded>
  );
}

function Line({
  line,
  chosen,
  onSelect,
}: {
  line: ConversationLine;
  chosen: boolean;
  onSelect: () => void;
}) {
  const { t } = useTranslation();
  return (
    <Box
      component="button"
      type="button"
      aria-pressed={chosen}
      onClick={onSelect}
      sx={{
        display: 'block',
        width: '100%',
        textAlign: 'left',
        font: 'inherit',
        color: 'inherit',
        border: 0,
        borderBottom: '1px solid',
        borderColor: 'divider',
        px: 2,
        py: 1,
        cursor: 'pointer',
        bgcolor: chosen ? 'tone.madderWash' : 'transparent',
        boxShadow: chosen ? 'inset 3px 0 0 var(--mui-palette-tone-madder)' : 'none',
        '&:hover': { bgcolor: chosen ? undefined : 'tone.ground' },
      }}
    >
      <Box sx={{ display: 'flex', gap: 1 }}>
        <Typography noWrap sx={{ flex: 1, fontWeight: 700 }}>
          {line.name}
        </Typography>
        <Typography variant="body2" color="textSecondary">
          {day(line.at)}
        </Typography>
      </Box>
      <Typography variant="body2" noWrap>
        {line.subject}
      </Typography>
      <Typography
        variant="body2"
        noWrap
        color={line.unread > 0 ? 'primary' : 'textSecondary'}
        sx={{ fontWeight: line.unread > 0 ? 700 : 400 }}
      >
        {line.unread > 0
          ? t('reach.unread', { count: line.unread })
          : line.mine
            ? t('reach.you', { begins: line.begins })
            : line.begins}
      </Typography>
    </Box>
  );
}
