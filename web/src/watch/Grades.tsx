import { Box, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Grades as GradesData } from '../api/client';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { inPercent } from '../ui/format';
import { Empty, Loaded, WithInspector } from '../ui/Panel';
import { useLive } from '../ui/useLive';
import { useLine } from '../ui/useNames';
import { useSelection } from '../ui/useSelection';
import { BeadInspector } from './BeadInspector';
import { FilterBar } from './FilterBar';
import { arranged, nextOrder, type Order, useFilter } from './filter';
import { Grid } from './Grid';
import { GridActions } from './GridActions';
import { liveGrades } from './live';

type Row = GradesData['learners'][number];

/** The column of totals, which is no step. */
const TOTAL = -1;

/** The share that sorts a learner, below every score while there is none. */
export const shareOf = (row: Row, column: number) =>
  (column === TOTAL ? row.total : row.scores[String(column)]) ?? -1;

/** At most one decimal: 14, 13.5. */
const plain = (points: number) => `${Math.round(points * 10) / 10}`;

/** Points by learner and step, beside the grid of mastery. */
export default function Grades() {
  const t = useTranslations();
  const course = useCourse();
  useLive(course.id, [], liveGrades);
  const [sel, select] = useSelection();
  const grades = useQuery(queries.grades(course.id));
  const [enrolment, step] = (sel ?? '').split('-').map(Number);
  return (
    <WithInspector
      inspector={
        enrolment && step && step > 0 ? (
          <BeadInspector
            enrolment={enrolment}
            step={step}
            onLearner={() => select(`${enrolment}`)}
          />
        ) : null
      }
      onClose={() => select(null)}
    >
      <GridActions grid="grades" other="mastery" />
      <Loaded query={grades}>
        {(data) =>
          data.learners.length === 0 ? (
            <Empty title={t('watch.empty')} hint={t('watch.emptyHint')} />
          ) : data.steps.length === 0 ? (
            <Empty title={t('watch.emptyGrades')} hint={t('watch.emptyGradesHint')} />
          ) : (
            <Points data={data} sel={sel} select={select} />
          )
        }
      </Loaded>
    </WithInspector>
  );
}

function Points({
  data,
  sel,
  select,
}: {
  data: GradesData;
  sel: string | null;
  select: (sel: string | null) => void;
}) {
  const t = useTranslations();
  const line = useLine();
  const [filter, setFilter] = useFilter();
  const [order, setOrder] = useState<Order>({ by: 0, strongest: false });
  const columns = useMemo(
    () => [
      { id: TOTAL, head: t('watch.total'), title: t('watch.totalHint'), group: '', points: 0 },
      ...data.steps.map((s) => ({
        id: s.id,
        head: s.name,
        title: line(s.name, t('watch.ofPoints', { points: plain(s.points) })),
        group: s.module,
        points: s.points,
      })),
    ],
    [data.steps, t, line],
  );
  const { group, flagged, find } = filter;
  const rows = useMemo(
    () => arranged(data.learners, { group, flagged, find }, order, shareOf),
    [data.learners, group, flagged, find, order],
  );
  const mean = (column: (typeof columns)[number]) => {
    const shares = rows.map((r) => shareOf(r, column.id)).filter((s) => s >= 0);
    return shares.length === 0 ? -1 : shares.reduce((a, b) => a + b, 0) / shares.length;
  };
  const shown = (share: number, points: number) => {
    if (share < 0) return '–';
    return points > 0 ? plain(share * points) : inPercent(share);
  };
  return (
    <>
      <FilterBar
        shown={rows.length}
        learners={data.learners}
        groups={data.groups}
        filter={filter}
        onFilter={setFilter}
      >
        <Typography variant="caption" color="textSecondary">
          {t('watch.totalHint')}
        </Typography>
      </FilterBar>
      <Grid
        label={t('frame.grades')}
        rows={rows}
        columns={columns}
        least={92}
        sel={sel}
        select={select}
        order={order}
        onOrder={(column) => setOrder(nextOrder(order, column))}
        summaries={[
          {
            title: t('watch.ofMost'),
            cell: (c) => (
              <Typography variant="caption">{c.points > 0 ? plain(c.points) : '100 %'}</Typography>
            ),
          },
          {
            title: t('watch.meanOfShown'),
            cell: (c) => (
              <Typography variant="caption" sx={{ fontWeight: 700 }}>
                {shown(mean(c), c.points)}
              </Typography>
            ),
          },
        ]}
        cell={(row, column) => {
          const share = shareOf(row, column.id);
          return (
            <Box
              component="span"
              sx={{
                fontWeight: column.id === TOTAL ? 700 : 400,
                color: share < 0 ? 'tone.soft' : 'tone.ink',
              }}
            >
              {shown(share, column.points)}
            </Box>
          );
        }}
      />
    </>
  );
}
