import { Box } from '@mui/material';
import { useVirtualizer } from '@tanstack/react-virtual';
import { type ReactNode, useEffect, useMemo, useRef } from 'react';
import { keysHere } from '../ui/useKeys';
import { usePrinting } from '../ui/usePrinting';
import type { Order } from './filter';
import { type GridColumn, GridHead, type Summary } from './GridHead';
import { GridLine, type GridRow } from './GridLine';
import { GROUPS, HEAD, NAME, ROW, SUMMARY } from './gridSizes';
import { spans } from './groups';

interface Props<R, C> {
  label: string;
  rows: R[];
  columns: C[];
  /** Least width of a column in px; columns share the room that is left. */
  least: number;
  sel: string | null;
  select: (sel: string | null) => void;
  order: Order;
  onOrder: (column: number) => void;
  onFold?: (group: string) => void;
  ticks?: { ticked: ReadonlySet<number>; set: (ticked: ReadonlySet<number>) => void };
  summaries?: Summary<C>[];
  cell: (row: R, column: C) => ReactNode;
}

const NO_SUMMARIES: never[] = [];
/** The same function for good, which does what the newest one does. */
function useSteady<A extends unknown[]>(act: (...args: A) => void): (...args: A) => void {
  const newest = useRef(act);
  useEffect(() => {
    newest.current = act;
  });
  return useMemo(
    () =>
      (...args: A) =>
        newest.current(...args),
    [],
  );
}

/**
 * Learners by anything that has columns. Of thousands by hundreds only what is in sight is drawn;
 * names and heads stay in place. On paper all of it stands.
 */
export function Grid<R extends GridRow, C extends GridColumn>({
  label,
  rows,
  columns,
  least,
  sel,
  select,
  order,
  onOrder,
  onFold,
  ticks,
  summaries = NO_SUMMARIES,
  cell,
}: Props<R, C>) {
  const scroller = useRef<HTMLDivElement>(null);
  const printing = usePrinting();
  const groups = useMemo(() => spans(columns), [columns]);
  const head = HEAD + (groups.length > 0 ? GROUPS : 0) + summaries.length * SUMMARY;
  const size = useRef(least);
  const across = useVirtualizer({
    horizontal: true,
    count: columns.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => size.current,
    paddingStart: NAME,
    scrollPaddingStart: NAME,
    overscan: 2,
  });
  const room = (across.scrollRect?.width ?? 0) - NAME;
  const width = Math.max(least, Math.floor(room / Math.max(1, columns.length)));
  useEffect(() => {
    size.current = width;
    across.measure();
  }, [across, width]);
  const down = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    paddingStart: head,
    scrollPaddingStart: head,
    overscan: 8,
  });
  const inSight = across.getVirtualItems();
  const first = printing ? 0 : (inSight[0]?.index ?? 0);
  const end = printing ? columns.length : (inSight.at(-1)?.index ?? -1) + 1;
  const seen = useMemo(
    () => columns.slice(first, end).map((column, n) => ({ column, index: first + n })),
    [columns, first, end],
  );
  const lines = printing
    ? rows.map((row, index) => ({ row, index, top: undefined }))
    : down.getVirtualItems().flatMap(({ index, start }) => {
        const row = rows[index];
        return row ? [{ row, index, top: start }] : [];
      });
  const all = ticks && rows.length > 0 && rows.every((r) => ticks.ticked.has(r.enrolment));
  const toggle = useSteady((id: number) => {
    if (!ticks) return;
    const next = new Set(ticks.ticked);
    if (!next.delete(id)) next.add(id);
    ticks.set(next);
  });
  const choose = useSteady((name: string) => select(name));
  const tickAll = useSteady(() =>
    ticks?.set(all ? new Set() : new Set(rows.map((r) => r.enrolment))),
  );
  const sort = useSteady(onOrder);
  const some = ticks && ticks.ticked.size > 0 ? 'some' : 'none';
  const go = (by: number, aside: number) => () => {
    const [chosen, column] = (sel ?? '').split('-').map(Number);
    const to = (at: number, by: number, many: number) => Math.max(0, Math.min(many - 1, at + by));
    const r = to(
      rows.findIndex((l) => l.enrolment === chosen),
      by,
      rows.length,
    );
    const c = to(
      columns.findIndex((x) => x.id === column),
      aside,
      columns.length,
    );
    select(`${rows[r]?.enrolment}-${columns[c]?.id}`);
    down.scrollToIndex(r);
    across.scrollToIndex(c);
  };
  const keys = keysHere({
    ArrowRight: go(0, 1),
    ArrowLeft: go(0, -1),
    'ArrowDown, j': go(1, 0),
    'ArrowUp, k': go(-1, 0),
    Space: () => {
      const chosen = Number((sel ?? '').split('-')[0]);
      if (chosen) toggle(chosen);
    },
    Escape: () => select(null),
  });
  const [inRow] = (sel ?? '').split('-');
  return (
    <Box
      ref={scroller}
      role="grid"
      aria-label={label}
      aria-rowcount={rows.length + 1 + summaries.length}
      aria-colcount={columns.length + 1}
      {...(inRow && sel?.includes('-') && { 'aria-activedescendant': `cell-${sel}` })}
      tabIndex={0}
      onKeyDown={keys}
      sx={LOOK}
    >
      <div
        style={{
          position: 'relative',
          width: NAME + width * columns.length,
          height: printing ? 'auto' : down.getTotalSize(),
        }}
      >
        <GridHead
          groups={groups}
          seen={seen}
          width={width}
          order={order}
          onOrder={sort}
          onFold={onFold}
          ticks={ticks && (all ? 'all' : some)}
          onTickAll={tickAll}
          summaries={summaries}
          sel={inRow === 'class' ? sel : null}
          select={choose}
        />
        <div role="rowgroup">
          {lines.map(({ row, index, top }) => (
            <GridLine
              key={row.enrolment}
              row={row}
              number={index + 2 + summaries.length}
              top={top}
              seen={seen}
              width={width}
              sel={inRow === `${row.enrolment}` ? sel : null}
              select={choose}
              ticked={ticks?.ticked.has(row.enrolment)}
              onTick={toggle}
              cell={cell}
            />
          ))}
        </div>
      </div>
    </Box>
  );
}

const LOOK = {
  bgcolor: 'tone.panel',
  border: 1,
  borderColor: 'divider',
  overflow: 'auto',
  maxHeight: 'max(300px, calc(100dvh - 212px))',
  '& .head': { position: 'sticky', top: 0, zIndex: 2, bgcolor: 'tone.panel' },
  '& .line': {
    position: 'relative',
    boxSizing: 'border-box',
    borderBottom: 1,
    borderColor: 'divider',
    breakInside: 'avoid',
  },
  '& .line.afloat': { position: 'absolute', left: 0, right: 0 },
  '& .side': {
    position: 'sticky',
    left: 0,
    zIndex: 1,
    width: NAME,
    height: '100%',
    boxSizing: 'border-box',
    display: 'flex',
    alignItems: 'center',
    gap: 1.25,
    px: 1.5,
    bgcolor: 'tone.panel',
  },
  '& .summary, & .summary .side': { bgcolor: 'tone.ground' },
  '& .side input': { width: 16, height: 16, m: 0, accentColor: 'currentColor', display: 'block' },
  '& .name': {
    fontWeight: 700,
    overflow: 'hidden',
    textOverflow: 'ellipsis',
    whiteSpace: 'nowrap',
  },
  '& .name.chosen': { color: 'tone.indigo' },
  '& .cell': {
    position: 'absolute',
    top: 0,
    bottom: 0,
    display: 'grid',
    placeItems: 'center',
    cursor: 'pointer',
  },
  '& .cell.group': { borderLeft: 1, borderColor: 'divider', placeItems: 'center start' },
  '& [role=gridcell].cell:hover': { bgcolor: 'tone.ground' },
  '& .cell[aria-selected=true]': {
    bgcolor: 'tone.indigoTint',
    outline: '1px solid',
    outlineColor: 'tone.indigo',
    outlineOffset: -1,
  },
  '@media print': {
    maxHeight: 'none',
    overflow: 'visible',
    '& .head, & .side': { position: 'relative' },
  },
};
