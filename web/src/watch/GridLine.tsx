import { type CSSProperties, memo, type ReactNode } from 'react';
import { useTranslations } from 'use-intl';
import { NAME, ROW } from './gridSizes';

export interface GridRow {
  enrolment: number;
  name: string;
}

/** A column that is in sight, with its place among all. */
export interface Seen<C> {
  column: C;
  index: number;
}

/** Where a column, or several side by side, stand in a line. */
export const place = (index: number, width: number, many = 1): CSSProperties => ({
  left: NAME + index * width,
  width: many * width,
});

interface Props<R, C> {
  row: R;
  /** Counted from 1, heads and summaries before it. */
  number: number;
  /** From the top of the grid in px; none on paper, where lines follow each other. */
  top: number | undefined;
  seen: Seen<C>[];
  width: number;
  /** What is selected, if it is in this line. */
  sel: string | null;
  select: (sel: string) => void;
  ticked: boolean | undefined;
  onTick: (enrolment: number) => void;
  cell: (row: R, column: C) => ReactNode;
}

/** One learner. Plain elements and drawn anew only when needed, since there are thousands. */
function Line<R extends GridRow, C extends { id: number }>({
  row,
  number,
  top,
  seen,
  width,
  sel,
  select,
  ticked,
  onTick,
  cell,
}: Props<R, C>) {
  const t = useTranslations();
  return (
    <div
      role="row"
      aria-rowindex={number}
      className={top === undefined ? 'line' : 'line afloat'}
      style={{ height: ROW, ...(top !== undefined && { top }) }}
    >
      <div className="side">
        {ticked !== undefined && (
          <span role="gridcell">
            <input
              type="checkbox"
              checked={ticked}
              onChange={() => onTick(row.enrolment)}
              aria-label={t('watch.row', { name: row.name })}
            />
          </span>
        )}
        <span role="rowheader" className={sel ? 'name chosen' : 'name'} title={row.name}>
          {row.name}
        </span>
      </div>
      {seen.map(({ column, index }) => {
        const name = `${row.enrolment}-${column.id}`;
        return (
          // biome-ignore lint/a11y/useKeyWithClickEvents: the grid takes the keys for its cells
          <div
            key={column.id}
            id={`cell-${name}`}
            role="gridcell"
            aria-selected={sel === name}
            aria-colindex={index + 2}
            className="cell"
            style={place(index, width)}
            onClick={() => select(name)}
          >
            {cell(row, column)}
          </div>
        );
      })}
    </div>
  );
}

export const GridLine = memo(Line) as typeof Line;
