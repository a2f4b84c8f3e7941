import { Box, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useRef } from 'react';
import { useTranslations } from 'use-intl';
import type { ConversationLine } from '../api/client';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { day } from '../ui/format';
import { ListAndMain, ListLine } from '../ui/ListAndMain';
import { EmptyView, Loaded } from '../ui/Panel';
import { useLive } from '../ui/useLive';
import { useSelection } from '../ui/useSelection';
import { Conversation } from './Conversation';

/** One's own letters in the course, one conversation for each person. */
export default function Messages() {
  const t = useTranslations();
  const course = useCourse();
  useLive(course.id, ['messages', 'conversation']);
  const [sel, select] = useSelection();
  const messages = useQuery(queries.messages(course.id));
  const lines = messages.data?.conversations ?? [];
  // What was newest at first stays open, whatever comes in while somebody writes.
  const first = useRef(0);
  if (first.current === 0) first.current = lines[0]?.person ?? 0;
  const person = Number(sel ?? first.current);
  const step = (by: 1 | -1) => {
    const at = lines.findIndex((l) => l.person === person);
    const next = lines[Math.max(0, Math.min(lines.length - 1, at + by))];
    if (next) select(`${next.person}`);
  };
  return (
    <Loaded query={messages}>
      {(data) =>
        data.conversations.length === 0 && !sel ? (
          <EmptyView
            title={t('reach.noMessages')}
            hint={t(course.role ? 'reach.noMessagesStaff' : 'reach.noMessagesLearner')}
          />
        ) : (
          <ListAndMain
            label={t('frame.messages')}
            onStep={step}
            list={data.conversations.map((line) => (
              <Line
                key={line.person}
                line={line}
                chosen={line.person === person}
                onSelect={() => select(`${line.person}`)}
              />
            ))}
          >
            {person > 0 && <Conversation key={person} person={person} />}
          </ListAndMain>
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
  const t = useTranslations();
  return (
    <ListLine chosen={chosen} onSelect={onSelect}>
      <Box sx={{ flex: 1, minWidth: 0 }}>
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
          color={line.unread > 0 ? 'textPrimary' : 'textSecondary'}
          sx={{ fontWeight: line.unread > 0 ? 700 : 400 }}
        >
          {line.unread > 0
            ? t('reach.unread', { count: line.unread })
            : line.mine
              ? t('reach.you', { begins: line.begins })
              : line.begins}
        </Typography>
      </Box>
    </ListLine>
  );
}
