import { Box, Button, Typography } from '@mui/material';
import { memo, type ReactNode } from 'react';
import { useTranslations } from 'use-intl';
import type { Order } from './filter';
import { place, type Seen } from './GridLine';
import { GROUPS, HEAD, NAME, SUMMARY } from './gridSizes';
import type { Span } from './groups';

export interface GridColumn {
  id: number;
  /** What stands there where columns are narrow, and what where there is room. */
  head: string;
  name?: string;
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

interface Props<C> {
  groups: Span[];
  seen: Seen<C>[];
  width: number;
  order: Order;
  onOrder: (column: number) => void;
  onFold: ((group: string) => void) | undefined;
  /** Whether all, some or none of the learners are ticked; none where nothing can be. */
  ticks: 'all' | 'some' | 'none' | undefined;
  onTickAll: () => void;
  summaries: Summary<C>[];
  sel: string | null;
  select: (sel: string) => void;
}

/** From this width on, in px, names are legible in two lines. */
const ROOMY = 84;

const TWO_LINES = {
  overflow: 'hidden',
  display: '-webkit-box',
  WebkitBoxOrient: 'vertical',
  WebkitLineClamp: 2,
  lineHeight: 1.2,
  overflowWrap: 'anywhere',
  whiteSpace: 'normal',
};

const CUT = { overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' };

/** What stays in sight above the learners: groups of columns, columns, and lines about all. */
function Head<C extends GridColumn>({
  groups,
  seen,
  width,
  order,
  onOrder,
  onFold,
  ticks,
  onTickAll,
  summaries,
  sel,
  select,
}: Props<C>) {
  const t = useTranslations();
  const named = groups.filter((span) => span.name);
  return (
    <div role="rowgroup" className="head">
      {groups.length > 0 && (
        <div role="row" className="line" style={{ height: GROUPS }}>
          <div className="side" />
          {named.map((span) => (
            <div
              key={`${span.from}`}
              role="columnheader"
              aria-colspan={span.columns}
              className="cell group"
              style={place(span.from, width, span.columns)}
            >
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
                  justifySelf: 'start',
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
            </div>
          ))}
        </div>
      )}
      <div role="row" className="line" style={{ height: HEAD }}>
        <div className="side">
          {ticks && (
            <span role="gridcell">
              <input
                type="checkbox"
                checked={ticks === 'all'}
                ref={(box) => {
                  if (box) box.indeterminate = ticks === 'some';
                }}
                onChange={onTickAll}
                aria-label={t('watch.tickAll')}
              />
            </span>
          )}
          <Typography role="columnheader" variant="h3" component="span" color="textSecondary">
            {t('watch.learner')}
          </Typography>
        </div>
        {seen.map(({ column, index }) => {
          const on = order.by === column.id;
          return (
            <div
              key={column.id}
              role="columnheader"
              title={column.title}
              aria-colindex={index + 2}
              aria-sort={!on ? 'none' : order.strongest ? 'descending' : 'ascending'}
              className="cell"
              style={place(index, width)}
            >
              <Button
                size="small"
                onClick={() => onOrder(column.id)}
                sx={{
                  color: on ? 'tone.indigo' : 'tone.ink',
                  fontSize: 12,
                  width: '100%',
                  minWidth: 0,
                  px: 0.5,
                  py: 0,
                  textDecoration: 'none',
                }}
              >
                <Box component="span" sx={TWO_LINES}>
                  {(width >= ROOMY && column.name) || column.head}
                  {on && (order.strongest ? ' ▾' : ' ▴')}
                </Box>
              </Button>
            </div>
          );
        })}
      </div>
      {summaries.map((s) => (
        <div key={s.title} role="row" className="line summary" style={{ height: SUMMARY }}>
          <div className="side">
            <Typography role="rowheader" variant="caption" noWrap>
              {s.title}
            </Typography>
          </div>
          {seen.map(({ column, index }) => {
            const name = s.sel?.(column);
            return (
              <div
                key={column.id}
                {...(name && { id: `cell-${name}` })}
                role="gridcell"
                aria-selected={name !== undefined && name === sel}
                aria-colindex={index + 2}
                className="cell"
                style={{ ...place(index, width), ...(!name && { cursor: 'default' }) }}
                {...(name && { onClick: () => select(name) })}
              >
                {s.cell(column)}
              </div>
            );
          })}
        </div>
      ))}
    </div>
  );
}

export const GridHead = memo(Head) as typeof Head;
