import {
  Box,
  Button,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  ToggleButton,
  ToggleButtonGroup,
  Typography,
} from '@mui/material';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { DiscussionLine, Writer } from '../api/client';
import { queries } from '../api/queries';
import { Discussion } from '../discuss/Discussion';
import { useStaffsDoor } from '../discuss/door';
import { useCourse } from '../frame/course';
import { moment } from '../ui/format';
import { Bead } from '../ui/Glyphs';
import { ListAndMain, ListLine } from '../ui/ListAndMain';
import { EmptyView, Loaded } from '../ui/Panel';
import { unsentKey } from '../ui/unsent';
import { useLive } from '../ui/useLive';
import { useLine } from '../ui/useNames';
import { useSelection } from '../ui/useSelection';
import { WorkPanel } from './WorkPanel';

/** Discussions and journals: what is new in them, and who wrote how much. */
export default function Discussions() {
  const t = useTranslations();
  const course = useCourse();
  useLive(course.id, ['discussions', 'writers', 'discussion']);
  const [sel, select] = useSelection();
  const discussions = useQuery(queries.discussions(course.id));
  const lines = discussions.data ?? [];
  const [step, learner] = (sel ?? '').split('-').map(Number);
  const chosen = lines.find((l) => l.step === (step || lines[0]?.step));
  const go = (by: 1 | -1) => {
    const at = lines.findIndex((l) => l.step === chosen?.step);
    const next = lines[Math.max(0, Math.min(lines.length - 1, at + by))];
    if (next) select(`${next.step}`);
  };
  return (
    <Loaded query={discussions}>
      {(all) =>
        all.length === 0 ? (
          <EmptyView title={t('teach.noDiscussions')} hint={t('teach.noDiscussionsHint')} />
        ) : (
          <ListAndMain
            label={t('frame.discussions')}
            onStep={go}
            list={all.map((line) => (
              <Line
                key={line.step}
                line={line}
                chosen={line === chosen}
                onSelect={() => select(`${line.step}`)}
              />
            ))}
          >
            {chosen && (
              <One
                key={chosen.step}
                line={chosen}
                learner={learner || undefined}
                open={(id) => select(id ? `${chosen.step}-${id}` : `${chosen.step}`)}
              />
            )}
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
  line: DiscussionLine;
  chosen: boolean;
  onSelect: () => void;
}) {
  const t = useTranslations();
  const inLine = useLine();
  return (
    <ListLine chosen={chosen} onSelect={onSelect}>
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Typography noWrap sx={{ fontWeight: 700 }}>
          {line.name}
        </Typography>
        <Typography variant="body2" noWrap color="textSecondary">
          {inLine(t(`kind.${line.kind}.name`), line.module)}
        </Typography>
        <Typography
          variant="body2"
          color={line.unread > 0 ? 'textPrimary' : 'textSecondary'}
          sx={{ fontWeight: line.unread > 0 ? 700 : 400 }}
        >
          {inLine(
            t('discuss.posts', { count: line.posts }),
            line.unread > 0 && t('discuss.unread', { count: line.unread }),
            line.newest && moment(line.newest),
          )}
        </Typography>
      </Box>
    </ListLine>
  );
}

interface OneProps {
  line: DiscussionLine;
  learner: number | undefined;
  open: (learner: number | null) => void;
}

/** One discussion or journal: what was written, or who wrote how much. */
function One({ line, learner, open }: OneProps) {
  const t = useTranslations();
  const journal = line.kind === 'JOURNAL';
  const [people, setPeople] = useState(journal || learner !== undefined);
  return (
    <Box sx={{ maxWidth: learner ? 1080 : 760 }}>
      <Typography variant="body2" color="textSecondary">
        {line.module}
      </Typography>
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', flexWrap: 'wrap' }}>
        <Typography variant="h1" component="h2" sx={{ flex: 1 }}>
          {line.name}
        </Typography>
        {!journal && (
          <ToggleButtonGroup
            exclusive
            size="small"
            value={people ? 'people' : 'posts'}
            aria-label={t('teach.discussionShows')}
            onChange={(_, next) => {
              if (!next) return;
              setPeople(next === 'people');
              open(null);
            }}
          >
            <ToggleButton value="posts">{t('teach.posts')}</ToggleButton>
            <ToggleButton value="people">{t('teach.whoWrote')}</ToggleButton>
          </ToggleButtonGroup>
        )}
      </Box>
      {learner !== undefined ? (
        <OfLearner line={line} learner={learner} back={() => open(null)} />
      ) : people ? (
        <Writers line={line} open={open} />
      ) : (
        <Threads step={line.step} />
      )}
    </Box>
  );
}

function Threads({ step, journal }: { step: number; journal?: number }) {
  const course = useCourse();
  const me = useQueryClient().getQueryData(queries.me().queryKey);
  const door = useStaffsDoor(course.id, step, journal);
  return (
    <Discussion
      door={door}
      journal={journal !== undefined}
      unsent={unsentKey(me?.person?.id ?? 0, course.id, `staff-${journal ?? 0}`, step)}
    />
  );
}

/** What one learner wrote: their journal to be answered, and all of it to be marked. */
function OfLearner({
  line,
  learner,
  back,
}: {
  line: DiscussionLine;
  learner: number;
  back: () => void;
}) {
  const t = useTranslations();
  const course = useCourse();
  const [marking, setMarking] = useState(line.kind !== 'JOURNAL');
  const writers = useQuery(queries.writers(course.id, line.step));
  const name = writers.data?.find((w) => w.learner === learner)?.name ?? '';
  return (
    <>
      <Box sx={{ display: 'flex', gap: 1, my: 1 }}>
        <Button size="small" onClick={back} sx={{ px: 0 }}>
          ‹ {t('teach.allWriters')}
        </Button>
        {line.kind === 'JOURNAL' && (
          <Button size="small" onClick={() => setMarking(!marking)}>
            {t(marking ? 'teach.readJournal' : 'teach.markJournal')}
          </Button>
        )}
      </Box>
      {marking ? (
        <WorkPanel enrolment={learner} step={line.step} onDone={back} />
      ) : (
        <>
          <Typography variant="h2">{name}</Typography>
          <Threads step={line.step} journal={learner} />
        </>
      )}
    </>
  );
}

/** Whoever wrote something that was not read comes first; the others stay by name. */
const newsFirst = (a: Writer, b: Writer) => Number(b.unread > 0) - Number(a.unread > 0);

function Writers({ line, open }: { line: DiscussionLine; open: (learner: number) => void }) {
  const t = useTranslations();
  const course = useCourse();
  const writers = useQuery(queries.writers(course.id, line.step));
  const journal = line.kind === 'JOURNAL';
  return (
    <Loaded query={writers}>
      {(all) => (
        <Table size="small" sx={{ mt: 1.5, bgcolor: 'tone.panel' }}>
          <TableHead>
            <TableRow>
              <TableCell>{t('teach.learner')}</TableCell>
              <TableCell align="right">{t(journal ? 'teach.entries' : 'teach.posts')}</TableCell>
              {!journal && <TableCell align="right">{t('teach.replies')}</TableCell>}
              <TableCell>{t('teach.newest')}</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {[...all].sort(newsFirst).map((w) => (
              <WriterRow key={w.learner} writer={w} journal={journal} open={open} />
            ))}
          </TableBody>
        </Table>
      )}
    </Loaded>
  );
}

function WriterRow({
  writer,
  journal,
  open,
}: {
  writer: Writer;
  journal: boolean;
  open: (learner: number) => void;
}) {
  const t = useTranslations();
  return (
    <TableRow hover>
      <TableCell>
        <Button
          onClick={() => open(writer.learner)}
          sx={{ p: 0, gap: 1, justifyContent: 'start', textAlign: 'left' }}
        >
          <Bead
            bead={{ state: writer.state, overdue: false, outOfReach: false }}
            size={16}
            silent
          />
          {writer.name}
        </Button>
      </TableCell>
      <TableCell align="right">{writer.posts}</TableCell>
      {!journal && <TableCell align="right">{writer.replies}</TableCell>}
      <TableCell sx={{ fontWeight: writer.unread > 0 ? 700 : 400 }}>
        {writer.newest && moment(writer.newest)}
        {writer.unread > 0 && ` · ${t('discuss.unread', { count: writer.unread })}`}
      </TableCell>
    </TableRow>
  );
}
