import { Box, Checkbox, Typography } from '@mui/material';
import { useVirtualizer } from '@tanstack/react-virtual';
import { memo, useMemo, useRef } from 'react';
import { useTranslations } from 'use-intl';
import type { LearnerRow, Progress } from '../api/client';
import { type BeadState, readThread } from '../ui/beads';
import { daysBetween, inPercent } from '../ui/format';
import { GAP, layThread, Thread, type ThreadSlot } from '../ui/Thread';
import { keysHere, upAndDown } from '../ui/useKeys';
import { Flags } from './Flags';

const ROW = 38;

interface Props {
  data: Progress;
  rows: LearnerRow[];
  sel: string | null;
  onSelect: (sel: string | null) => void;
  ticked: ReadonlySet<number>;
  onTick: (ticked: ReadonlySet<number>) => void;
}

const columnsOf = (thread: number) => ({
  gridTemplateColumns: `36px 138px 64px ${thread - 8}px 48px minmax(152px, 1fr)`,
  '& .more': { display: 'none' },
  // Beside an inspector flags stand before the thread, and the share gives way, which it tells too.
  '@container (max-width: 900px)': {
    gridTemplateColumns: `36px 130px 60px 112px ${thread}px`,
    '& > .share': { display: 'none' },
    '& > .thread': { order: 1 },
    '& > .flags': { whiteSpace: 'nowrap' },
    '& > .flags > span > span:nth-of-type(n + 2)': { display: 'none' },
    '& .more': { display: 'inline', color: 'tone.soft', ml: 0.5, fontSize: 12 },
  },
});

export function LearnerTable({ data, rows, sel, onSelect, ticked, onTick }: Props) {
  const t = useTranslations();
  const scroller = useRef<HTMLDivElement>(null);
  const { slots, width } = useMemo(() => layThread(data.steps), [data.steps]);
  const names = useMemo(() => data.steps.map((s) => s.name), [data.steps]);
  const columns = useMemo(() => columnsOf(width + 8), [width]);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 12,
  });
  const [enrolment, step] = (sel ?? '').split('-').map(Number);
  const at = rows.findIndex((r) => r.enrolment === enrolment);
  const go = (by: 1 | -1) => {
    const row = rows[Math.max(0, Math.min(rows.length - 1, at + by))];
    if (!row) return;
    onSelect(`${row.enrolment}`);
    virtual.scrollToIndex(rows.indexOf(row));
  };
  const keys = keysHere({
    ...upAndDown(go),
    Space: () => rows[at] && toggle(rows[at].enrolment),
    Escape: () => onSelect(null),
  });
  const toggle = (id: number) => {
    const next = new Set(ticked);
    if (!next.delete(id)) next.add(id);
    onTick(next);
  };
  const all = rows.length > 0 && rows.every((r) => ticked.has(r.enrolment));
  return (
    <Box
      sx={{
        bgcolor: 'tone.panel',
        border: 1,
        borderColor: 'divider',
        overflowX: 'auto',
        containerType: 'inline-size',
      }}
    >
      <div
        role="grid"
        aria-label={t('frame.progress')}
        aria-rowcount={rows.length + 1}
        {...(at >= 0 && { 'aria-activedescendant': `learner-${enrolment}` })}
        tabIndex={0}
        onKeyDown={keys}
        style={{ minWidth: 'max-content' }}
      >
        <Box
          role="row"
          sx={{
            display: 'grid',
            ...columns,
            alignItems: 'center',
            height: 34,
            borderBottom: 1,
            borderColor: 'divider',
            typography: 'h3',
            color: 'tone.soft',
          }}
        >
          <span role="columnheader">
            <Checkbox
              checked={all}
              indeterminate={!all && ticked.size > 0}
              onChange={() => onTick(all ? new Set() : new Set(rows.map((r) => r.enrolment)))}
              slotProps={{ input: { 'aria-label': t('watch.tickAll') } }}
            />
          </span>
          <span role="columnheader">{t('watch.learner')}</span>
          <span role="columnheader">{t('watch.last')}</span>
          <ModuleHeads data={data} slots={slots} />
          <span role="columnheader" className="share">
            {t('watch.done')}
          </span>
          <span role="columnheader" className="flags">
            {t('watch.flags')}
          </span>
        </Box>
        <div
          ref={scroller}
          style={{
            maxHeight: 'max(300px, calc(100dvh - 250px))',
            overflowY: 'auto',
            overflowX: 'hidden',
          }}
        >
          <div style={{ height: virtual.getTotalSize(), position: 'relative' }}>
            {virtual.getVirtualItems().map((item) => {
              const row = rows[item.index];
              return row ? (
                <Row
                  key={row.enrolment}
                  row={row}
                  top={item.start}
                  index={item.index}
                  now={data.now}
                  columns={columns}
                  slots={slots}
                  width={width}
                  names={names}
                  ticked={ticked.has(row.enrolment)}
                  chosen={row.enrolment === enrolment}
                  bead={
                    row.enrolment === enrolment && step
                      ? data.steps.findIndex((s) => s.id === step)
                      : undefined
                  }
                  steps={data.steps}
                  onTick={toggle}
                  onSelect={onSelect}
                />
              ) : null;
            })}
          </div>
        </div>
      </div>
    </Box>
  );
}

const LETTER = 7.6;

/** As much of a module's first word as there is room for; nothing rather than a stump. */
function headFor(name: string, room: number): string {
  const word = name.split(' ')[0] ?? '';
  return (word.length + 2) * LETTER <= room ? word : '';
}

function ModuleHeads({ data, slots }: { data: Progress; slots: ThreadSlot[] }) {
  return (
    <Box
      component="span"
      role="columnheader"
      className="thread"
      sx={{ position: 'relative', height: 16 }}
    >
      {data.modules.map((m, n) => {
        const own = slots.filter((s) => data.steps[s.index]?.module === m.id);
        const first = own[0];
        if (!first) return null;
        const room = own.length * GAP;
        return (
          <Box
            key={m.id}
            component="span"
            title={m.name}
            sx={{
              position: 'absolute',
              left: first.x - 6,
              width: room,
              overflow: 'hidden',
              whiteSpace: 'nowrap',
              textOverflow: 'clip',
            }}
          >
            {n + 1} {headFor(m.name, room)}
          </Box>
        );
      })}
    </Box>
  );
}

interface RowProps {
  row: LearnerRow;
  top: number;
  index: number;
  now: string;
  columns: ReturnType<typeof columnsOf>;
  slots: ThreadSlot[];
  width: number;
  names: string[];
  ticked: boolean;
  chosen: boolean;
  bead: number | undefined;
  steps: Progress['steps'];
  onTick: (enrolment: number) => void;
  onSelect: (sel: string) => void;
}

const Row = memo(function Row({
  row,
  top,
  index,
  now,
  columns,
  slots,
  width,
  names,
  ticked,
  chosen,
  bead,
  steps,
  onTick,
  onSelect,
}: RowProps) {
  const t = useTranslations();
  const beads: BeadState[] = useMemo(() => readThread(row.thread), [row.thread]);
  const away = row.lastHere ? daysBetween(row.lastHere, now) : undefined;
  const late = away === undefined || away >= 7;
  const last =
    away === undefined
      ? t('common.never')
      : away === 0
        ? t('common.today')
        : t('common.daysAgo', { count: away });
  return (
    <Box
      role="row"
      id={`learner-${row.enrolment}`}
      aria-rowindex={index + 2}
      aria-selected={chosen}
      onClick={() => onSelect(`${row.enrolment}`)}
      sx={{
        position: 'absolute',
        left: 0,
        right: 0,
        top,
        height: ROW,
        display: 'grid',
        ...columns,
        alignItems: 'center',
        borderBottom: 1,
        borderColor: 'divider',
        cursor: 'pointer',
        boxShadow: chosen ? 'inset 3px 0 0 var(--mui-palette-tone-indigo)' : 'none',
        bgcolor: chosen ? 'tone.indigoWash' : 'transparent',
        '&:hover': { bgcolor: chosen ? 'tone.indigoWash' : 'tone.ground' },
      }}
    >
      <span role="gridcell">
        <Checkbox
          checked={ticked}
          onClick={(e) => e.stopPropagation()}
          onChange={() => onTick(row.enrolment)}
          slotProps={{ input: { 'aria-label': t('watch.row', { name: row.name }) } }}
        />
      </span>
      <Typography
        role="gridcell"
        sx={{
          fontWeight: 700,
          overflow: 'hidden',
          textOverflow: 'ellipsis',
          whiteSpace: 'nowrap',
          pr: 1,
        }}
        title={row.name}
      >
        {row.name}
      </Typography>
      <Typography
        role="gridcell"
        sx={{ color: late ? 'tone.madder' : 'tone.soft', fontWeight: late ? 700 : 400 }}
      >
        {last}
      </Typography>
      <span role="gridcell" className="thread">
        <Thread
          beads={beads}
          slots={slots}
          width={width}
          names={names}
          label={t('watch.threadLabel', { name: row.name, summary: inPercent(row.share) })}
          selected={bead}
          onSelect={(i) => onSelect(`${row.enrolment}-${steps[i]?.id}`)}
        />
      </span>
      <Typography role="gridcell" className="share">
        {inPercent(row.share)}
      </Typography>
      <span role="gridcell" className="flags" title={row.flags.map((f) => f.name).join(', ')}>
        <Flags flags={row.flags} overdue={row.overdue} />
        {row.flags.length > 1 && <span className="more">+{row.flags.length - 1}</span>}
      </span>
    </Box>
  );
});
