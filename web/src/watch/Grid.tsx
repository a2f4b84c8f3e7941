import { Box, Button, Checkbox, Typography } from '@mui/material';
import { useVirtualizer } from '@tanstack/react-virtual';
import { type KeyboardEvent, type ReactNode, useEffect, useRef } from 'react';
import { useTranslation } from 'react-i18next';
import { usePrinting } from '../ui/usePrinting';
import { spans } from './groups';

export interface GridRow {
  enrolment: number;
  name: string;
}

export interface GridColumn {
  id: number;
  head: string;
  title: string;
  group: string;
}

/** A line above the learners about all of them, or about some. */
export interface Summary<C> {
  title: string;
  cell: (column: C) => ReactNode;
  /** What selecting one of its cells selects. */
  sel?: (column: C) => string;
}

interface Props<R, C> {
  label: string;
  rows: R[];
  columns: C[];
  /** Least width of a column in px; columns share the room that is left. */
  least: number;
  sel: string | null;
  select: (sel: string | null) => void;
  order: { by: number; strongest: boolean };
  onOrder: (column: number) => void;
  onFold?: (group: string) => void;
  ticks?: { ticked: ReadonlySet<number>; set: (ticked: ReadonlySet<number>) => void };
  summaries?: Summary<C>[];
  cell: (row: R, column: C) => ReactNode;
}

const NAME = 206;
const ROW = 36;
const GROUPS = 30;
const HEAD = 38;
const SUMMARY = 40;
const WAYS: Record<string, [number, number]> = {
  ArrowRight: [0, 1],
  ArrowLeft: [0, -1],
  ArrowDown: [1, 0],
  ArrowUp: [-1, 0],
  j: [1, 0],
  k: [-1, 0],
};

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
  summaries = [],
  cell,
}: Props<R, C>) {
  const { t } = useTranslation();
  const scroller = useRef<HTMLDivElement>(null);
  const printing = usePrinting();
  const groups = spans(columns);
  const head = HEAD + (groups.length > 0 ? GROUPS : 0) + summaries.length * SUMMARY;
  const size = useRef(least);
  const across = useVirtualizer({
    horizontal: true,
    count: columns.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => size.current,
    paddingStart: NAME,
    scrollPaddingStart: NAME,
    overscan: 3,
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
    overscan: 12,
  });
  const seen = printing
    ? columns.map((column, index) => ({ column, index }))
    : across.getVirtualItems().flatMap(({ index }) => {
        const column = columns[index];
        return column ? [{ column, index }] : [];
      });
  const lines = printing
    ? rows.map((row, index) => ({ row, index, top: head + index * ROW }))
    : down.getVirtualItems().flatMap(({ index, start }) => {
        const row = rows[index];
        return row ? [{ row, index, top: start }] : [];
      });
  const total = NAME + width * columns.length;
  const place = (index: number, many = 1) => ({
    position: 'absolute' as const,
    left: NAME + index * width,
    width: many * width,
    top: 0,
    bottom: 0,
  });
  const all = ticks && rows.length > 0 && rows.every((r) => ticks.ticked.has(r.enrolment));
  const toggle = (id: number) => {
    if (!ticks) return;
    const next = new Set(ticks.ticked);
    if (!next.delete(id)) next.add(id);
    ticks.set(next);
  };
  const keys = (event: KeyboardEvent) => {
    if (event.key === 'Escape') select(null);
    const [chosen, column] = (sel ?? '').split('-').map(Number);
    if (event.key === ' ' && chosen && !(event.target instanceof HTMLInputElement)) {
      event.preventDefault();
      toggle(chosen);
    }
    const way = WAYS[event.key];
    if (!way) return;
    event.preventDefault();
    const to = (at: number, by: number, many: number) => Math.max(0, Math.min(many - 1, at + by));
    const r = to(
      rows.findIndex((l) => l.enrolment === chosen),
      way[0],
      rows.length,
    );
    const c = to(
      columns.findIndex((x) => x.id === column),
      way[1],
      columns.length,
    );
    select(`${rows[r]?.enrolment}-${columns[c]?.id}`);
    down.scrollToIndex(r);
    across.scrollToIndex(c);
  };
  return (
    <Box
      ref={scroller}
      role="grid"
      aria-label={label}
      aria-rowcount={rows.length + 1 + summaries.length}
      aria-colcount={columns.length + 1}
      tabIndex={0}
      onKeyDown={keys}
      sx={{
        bgcolor: 'tone.panel',
        border: 1,
        borderColor: 'divider',
        overflow: 'auto',
        maxHeight: 'max(300px, calc(100dvh - 178px))',
        '@media print': { maxHeight: 'none', overflow: 'visible' },
      }}
    >
      <Box
        sx={{
          position: 'relative',
          width: total,
          height: printing ? 'auto' : down.getTotalSize(),
        }}
      >
        <Box
          role="rowgroup"
          sx={{
            position: 'sticky',
            top: 0,
            zIndex: 2,
            bgcolor: 'tone.panel',
            '@media print': { position: 'static' },
          }}
        >
          {groups.length > 0 && (
            <Line height={GROUPS}>
              <Side />
              {groups.map((span) => (
                <Box
                  key={span.name}
                  role="columnheader"
                  aria-colspan={span.columns}
                  sx={{ ...place(span.from, span.columns), borderLeft: 1, borderColor: 'divider' }}
                >
                  {span.name && (
                    <Button
                      size="small"
                      {...(onFold && { 'aria-expanded': true })}
                      disabled={!onFold}
                      title={onFold ? t('watch.foldGroup', { name: span.name }) : span.name}
                      onClick={() => onFold?.(span.name)}
                      sx={{
                        position: 'sticky',
                        left: NAME,
                        maxWidth: '100%',
                        color: 'tone.soft',
                        fontSize: 12,
                        p: 0.25,
                        '&.Mui-disabled': { color: 'tone.soft' },
                      }}
                    >
                      <Box component="span" sx={CUT}>
                        {span.name}
                      </Box>
                    </Button>
                  )}
                </Box>
              ))}
            </Line>
          )}
          <Line height={HEAD}>
            <Side
              tick={
                ticks && (
                  <Checkbox
                    checked={all ?? false}
                    indeterminate={!all && ticks.ticked.size > 0}
                    onChange={() =>
                      ticks.set(all ? new Set() : new Set(rows.map((r) => r.enrolment)))
                    }
                    slotProps={{ input: { 'aria-label': t('watch.tickAll') } }}
                  />
                )
              }
            >
              <Typography role="columnheader" variant="h3" component="div" color="textSecondary">
                {t('watch.learner')}
              </Typography>
            </Side>
            {seen.map(({ column, index }) => {
              const on = order.by === column.id;
              return (
                <Box
                  key={column.id}
                  role="columnheader"
                  title={column.title}
                  aria-colindex={index + 2}
                  aria-sort={!on ? 'none' : order.strongest ? 'descending' : 'ascending'}
                  sx={{ ...place(index), display: 'grid' }}
                >
                  <Button
                    size="small"
                    onClick={() => onOrder(column.id)}
                    sx={{
                      color: on ? 'tone.madder' : 'tone.indigo',
                      fontSize: 12,
                      minWidth: 0,
                      px: 0.5,
                    }}
                  >
                    <Box component="span" sx={CUT}>
                      {column.head}
                      {on && (order.strongest ? ' ▾' : ' ▴')}
                    </Box>
                  </Button>
                </Box>
              );
            })}
          </Line>
          {summaries.map((s) => (
            <Line key={s.title} height={SUMMARY} ground>
              <Side ground>
                <Typography role="rowheader" variant="caption" noWrap>
                  {s.title}
                </Typography>
              </Side>
              {seen.map(({ column, index }) => (
                <Cell
                  key={column.id}
                  place={place(index)}
                  index={index}
                  chosen={s.sel !== undefined && s.sel(column) === sel}
                  {...(s.sel && { onClick: () => select(s.sel?.(column) ?? null) })}
                >
                  {s.cell(column)}
                </Cell>
              ))}
            </Line>
          ))}
        </Box>
        <div role="rowgroup">
          {lines.map(({ row, index, top }) => (
            <Line
              key={row.enrolment}
              height={ROW}
              {...(!printing && { top })}
              index={index + 2 + summaries.length}
            >
              <Side
                tick={
                  ticks && (
                    <Checkbox
                      checked={ticks.ticked.has(row.enrolment)}
                      onChange={() => toggle(row.enrolment)}
                      slotProps={{
                        input: { 'aria-label': t('watch.row', { name: row.name }) },
                      }}
                    />
                  )
                }
              >
                <Typography
                  role="rowheader"
                  noWrap
                  title={row.name}
                  sx={{
                    fontWeight: 700,
                    color: sel?.split('-')[0] === `${row.enrolment}` ? 'tone.madder' : undefined,
                  }}
                >
                  {row.name}
                </Typography>
              </Side>
              {seen.map(({ column, index: at }) => {
                const name = `${row.enrolment}-${column.id}`;
                return (
                  <Cell
                    key={column.id}
                    place={place(at)}
                    index={at}
                    chosen={sel === name}
                    onClick={() => select(name)}
                  >
                    {cell(row, column)}
                  </Cell>
                );
              })}
            </Line>
          ))}
        </div>
      </Box>
    </Box>
  );
}

const CUT = { overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' };

function Line({
  height,
  top,
  index,
  ground,
  children,
}: {
  height: number;
  top?: number;
  index?: number;
  ground?: boolean;
  children: ReactNode;
}) {
  return (
    <Box
      role="row"
      {...(index && { 'aria-rowindex': index })}
      sx={{
        position: top === undefined ? 'relative' : 'absolute',
        ...(top !== undefined && { top, left: 0, right: 0 }),
        height,
        boxSizing: 'border-box',
        borderBottom: 1,
        borderColor: 'divider',
        bgcolor: ground ? 'tone.ground' : undefined,
        breakInside: 'avoid',
      }}
    >
      {children}
    </Box>
  );
}

/** The left end of a line, which stays in sight. */
function Side({
  tick,
  ground,
  children,
}: {
  tick?: ReactNode;
  ground?: boolean;
  children?: ReactNode;
}) {
  return (
    <Box
      sx={{
        position: 'sticky',
        left: 0,
        zIndex: 1,
        width: NAME,
        height: '100%',
        display: 'flex',
        alignItems: 'center',
        gap: 1,
        pl: tick ? 0 : 5,
        pr: 1,
        bgcolor: ground ? 'tone.ground' : 'tone.panel',
        '@media print': { position: 'relative' },
      }}
    >
      {tick && <span role="gridcell">{tick}</span>}
      {children}
    </Box>
  );
}

function Cell({
  place,
  index,
  chosen,
  onClick,
  children,
}: {
  place: object;
  index: number;
  chosen: boolean;
  onClick?: () => void;
  children: ReactNode;
}) {
  return (
    <Box
      role="gridcell"
      aria-selected={chosen}
      aria-colindex={index + 2}
      onClick={onClick}
      sx={{
        ...place,
        display: 'grid',
        placeItems: 'center',
        cursor: onClick ? 'pointer' : 'default',
        bgcolor: chosen ? 'tone.madderTint' : 'transparent',
        outline: chosen ? '1px solid' : 0,
        outlineColor: 'tone.madder',
        outlineOffset: -1,
        '&:hover': { bgcolor: chosen || !onClick ? undefined : 'tone.ground' },
      }}
    >
      {children}
    </Box>
  );
}
