import { Box, Button, Checkbox, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Follow } from '../api/client';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { day } from '../ui/format';
import { Empty, Loaded, WithInspector } from '../ui/Panel';
import { TickedBar } from '../ui/TickedBar';
import { useAsked } from '../ui/useAsked';
import { useLive } from '../ui/useLive';
import { useSelection } from '../ui/useSelection';
import { Flags } from '../watch/Flags';
import { LearnerInspector } from '../watch/LearnerInspector';
import { ReasonsWithRemedies } from '../watch/ReasonsWithRemedies';
import { Decisions } from './Decisions';
import { WriteDialog } from './WriteDialog';

export default function FollowUp() {
  const t = useTranslations();
  const course = useCourse();
  useLive(course.id, ['followUp', 'decisions']);
  const [sel, select] = useSelection();
  const follow = useQuery(queries.followUp(course.id));
  const [ticked, setTicked] = useState<ReadonlySet<number>>(new Set());
  const [writing, setWriting] = useState<number[] | null>(null);
  const enrolment = Number(sel ?? 0);
  const flagged = follow.data?.map((r) => r.enrolment) ?? [];
  useAsked({
    ...(flagged.length > 0 && {
      write: () => {
        setTicked(new Set(flagged));
        setWriting(flagged);
      },
    }),
  });
  const toggle = (id: number) => {
    const next = new Set(ticked);
    if (!next.delete(id)) next.add(id);
    setTicked(next);
  };
  return (
    <WithInspector
      inspector={
        enrolment ? (
          <LearnerInspector enrolment={enrolment} onWrite={() => setWriting([enrolment])} />
        ) : null
      }
      onClose={() => select(null)}
    >
      <Decisions onLearner={(id) => select(`${id}`)} />
      <Loaded query={follow}>
        {(rows) =>
          rows.length === 0 ? (
            <Empty title={t('reach.empty')} hint={t('reach.emptyHint')} />
          ) : (
            <>
              <Box sx={{ display: 'flex', alignItems: 'center', gap: 1.5, mb: 1, minHeight: 34 }}>
                <Checkbox
                  sx={{ ml: 0.25 }}
                  checked={ticked.size === rows.length}
                  indeterminate={ticked.size > 0 && ticked.size < rows.length}
                  onChange={() =>
                    setTicked(
                      ticked.size === rows.length
                        ? new Set()
                        : new Set(rows.map((r) => r.enrolment)),
                    )
                  }
                  slotProps={{ input: { 'aria-label': t('watch.tickAll') } }}
                />
                <Typography sx={{ fontWeight: 700 }}>
                  {t('watch.learners', { count: rows.length })}
                </Typography>
              </Box>
              <Box
                component="ul"
                sx={{
                  listStyle: 'none',
                  m: 0,
                  p: 0,
                  bgcolor: 'tone.panel',
                  border: 1,
                  borderColor: 'divider',
                }}
              >
                {rows.map((row) => (
                  <Row
                    key={row.enrolment}
                    row={row}
                    ticked={ticked.has(row.enrolment)}
                    chosen={row.enrolment === enrolment}
                    onTick={() => toggle(row.enrolment)}
                    onSelect={() => select(`${row.enrolment}`)}
                  />
                ))}
              </Box>
              <TickedBar count={ticked.size} onNone={() => setTicked(new Set())}>
                <Button variant="contained" onClick={() => setWriting([...ticked])}>
                  {t('watch.write', { count: ticked.size })}
                </Button>
              </TickedBar>
              {writing && (
                <WriteDialog
                  learners={rows.filter((r) => writing.includes(r.enrolment))}
                  onClose={() => setWriting(null)}
                  onSent={() => setTicked(new Set())}
                />
              )}
            </>
          )
        }
      </Loaded>
    </WithInspector>
  );
}

function Row({
  row,
  ticked,
  chosen,
  onTick,
  onSelect,
}: {
  row: Follow;
  ticked: boolean;
  chosen: boolean;
  onTick: () => void;
  onSelect: () => void;
}) {
  const t = useTranslations();
  const letter = row.letters[0];
  return (
    <Box
      component="li"
      sx={{
        display: 'flex',
        gap: 1,
        alignItems: 'flex-start',
        p: 1,
        borderBottom: 1,
        borderColor: 'divider',
        '&:last-child': { borderBottom: 0 },
        boxShadow: chosen ? 'inset 3px 0 0 var(--mui-palette-tone-indigo)' : 'none',
        bgcolor: chosen ? 'tone.indigoWash' : 'transparent',
      }}
    >
      <Checkbox
        checked={ticked}
        onChange={onTick}
        slotProps={{ input: { 'aria-label': t('watch.row', { name: row.name }) } }}
      />
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
          <Button onClick={onSelect} sx={{ p: 0, color: 'tone.ink', fontSize: 15 }}>
            {row.name}
          </Button>
          <Flags flags={row.flags} />
        </Box>
        {row.flags.map((f) => (
          <Typography key={f.name} variant="body2">
            <ReasonsWithRemedies reasons={f.reasons} learner={row} />{' '}
            <Box component="span" sx={{ color: 'tone.soft' }}>
              ({t('watch.since', { date: day(f.since) })})
            </Box>
          </Typography>
        ))}
      </Box>
      <Typography
        variant="body2"
        color="textSecondary"
        sx={{
          flex: 'none',
          textAlign: 'right',
          maxWidth: 210,
          display: { xs: 'none', sm: 'block' },
        }}
      >
        {letter?.answer
          ? t('reach.answered', { date: day(letter.at) })
          : letter
            ? t('reach.lastLetter', { date: day(letter.at), from: letter.from })
            : t('reach.noLetter')}
      </Typography>
    </Box>
  );
}
