import { Box, FormControlLabel, Switch, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Completion as Report } from '../api/client';
import { queries } from '../api/queries';
import { Actions } from '../frame/Actions';
import { useCourse } from '../frame/course';
import { WriteDialog } from '../reach/WriteDialog';
import { day, inPercent } from '../ui/format';
import { Empty, Loaded, WithInspector } from '../ui/Panel';
import { useLive } from '../ui/useLive';
import { useSelection } from '../ui/useSelection';
import { BeadInspector } from './BeadInspector';
import { CompletedMark } from './CompletedMark';
import { FilterBar } from './FilterBar';
import { arranged, nextOrder, type Order, useFilter } from './filter';
import { Grid } from './Grid';
import { LearnerInspector } from './LearnerInspector';
import { liveCompletion } from './live';
import { ModuleSteps } from './ModuleSteps';
import { ReportActions } from './ReportActions';

type Row = Report['learners'][number];

/** The column of the whole course, which is no module. */
const COURSE = -1;

/** What sorts a learner: how much is done, and above all else that it is done altogether. */
export function farAt(row: Row, column: number): number {
  if (column === COURSE) return row.completedAt ? 2 : 1 / (row.missing + 1);
  const cell = row.modules[String(column)];
  if (!cell) return -1;
  if (cell.at) return 2;
  return cell.of === 0 ? 0 : cell.done / cell.of;
}

/** A learner, a module or the whole course, and a step of it. */
function chosen(sel: string | null) {
  const found = /^(\d+)-(-?\d+)(?:-(\d+))?$/.exec(sel ?? '');
  return (found?.slice(1) ?? []).map(Number);
}

/** Learners by modules: who has completed what and when, and who is one step short. */
export default function Completion() {
  const t = useTranslations();
  const course = useCourse();
  useLive(course.id, [], liveCompletion);
  const [sel, select] = useSelection();
  const report = useQuery(queries.completion(course.id));
  const [enrolment, module, step] = chosen(sel);
  const [writing, setWriting] = useState(false);
  const row = report.data?.learners.find((l) => l.enrolment === enrolment);
  const head = report.data?.modules.find((m) => m.id === module);
  const cell = row && head && row.modules[String(head.id)];
  return (
    <WithInspector
      inspector={
        enrolment && step ? (
          <BeadInspector
            enrolment={enrolment}
            step={step}
            onLearner={() => select(`${enrolment}-${module}`)}
          />
        ) : row && module === COURSE ? (
          <LearnerInspector enrolment={row.enrolment} onWrite={() => setWriting(true)} />
        ) : row && head && cell ? (
          <ModuleSteps
            name={row.name}
            module={head}
            cell={cell}
            onStep={(of) => select(`${enrolment}-${module}-${of}`)}
          />
        ) : null
      }
      onClose={() => select(null)}
    >
      <Actions>
        <ReportActions report="completion" />
      </Actions>
      {writing && row && (
        <WriteDialog learners={[row]} onClose={() => setWriting(false)} onSent={() => {}} />
      )}
      <Loaded query={report}>
        {(data) =>
          data.learners.length === 0 ? (
            <Empty title={t('watch.empty')} hint={t('watch.emptyHint')} />
          ) : (
            <Modules data={data} sel={sel} select={select} />
          )
        }
      </Loaded>
    </WithInspector>
  );
}

function Modules({
  data,
  sel,
  select,
}: {
  data: Report;
  sel: string | null;
  select: (sel: string | null) => void;
}) {
  const t = useTranslations();
  const [filter, setFilter] = useFilter();
  const [order, setOrder] = useState<Order>({ by: COURSE, strongest: true });
  const [short, setShort] = useState(false);
  const columns = useMemo(
    () => [
      { id: COURSE, head: t('watch.courseHead'), title: t('watch.wholeCourse'), group: '' },
      ...data.modules.map((m) => ({ id: m.id, head: m.name, title: m.name, group: '' })),
    ],
    [data.modules, t],
  );
  const { group, flagged, find } = filter;
  const rows = useMemo(() => {
    const there = short ? data.learners.filter((l) => l.missing === 1) : data.learners;
    return arranged(there, { group, flagged, find }, order, farAt);
  }, [data.learners, short, group, flagged, find, order]);
  const complete = rows.filter((r) => r.completedAt).length;
  const share = (column: number) =>
    rows.length === 0 ? 0 : rows.filter((r) => farAt(r, column) === 2).length / rows.length;
  return (
    <>
      <Typography color="textSecondary" sx={{ mb: 1 }}>
        {t('plan.completeWhenLine', { rule: data.rule || t('plan.courseUsual') })}.{' '}
        <Box component="b" sx={{ color: 'tone.ink' }}>
          {t('watch.haveCompleted', { n: complete, count: rows.length })}
        </Box>
      </Typography>
      <FilterBar
        shown={rows.length}
        learners={data.learners}
        groups={data.groups}
        filter={filter}
        onFilter={setFilter}
      >
        <FormControlLabel
          sx={{ ml: 0 }}
          control={<Switch size="small" checked={short} onChange={(_, on) => setShort(on)} />}
          label={t('watch.oneShort', {
            count: data.learners.filter((l) => l.missing === 1).length,
          })}
        />
      </FilterBar>
      <Grid
        label={t('frame.completion')}
        rows={rows}
        columns={columns}
        least={112}
        sel={sel}
        select={select}
        order={order}
        onOrder={(column) => setOrder(nextOrder(order, column))}
        summaries={[
          {
            title: t('watch.completedShare'),
            cell: (c) => (
              <Typography variant="caption" sx={{ fontWeight: 700 }}>
                {inPercent(share(c.id))}
              </Typography>
            ),
          },
        ]}
        cell={(row, column) =>
          column.id === COURSE ? <WholeCourse row={row} /> : <OfModule row={row} id={column.id} />
        }
      />
    </>
  );
}

function WholeCourse({ row }: { row: Row }) {
  const t = useTranslations();
  if (row.completedAt) return <CompletedMark at={day(row.completedAt)} />;
  return (
    <Box component="span" sx={{ color: row.missing === 1 ? 'tone.ochreInk' : 'tone.soft' }}>
      {row.left ? t('watch.leftCourse') : t('watch.stillMissing', { count: row.missing })}
    </Box>
  );
}

function OfModule({ row, id }: { row: Row; id: number }) {
  const cell = row.modules[String(id)];
  if (!cell) return <span>–</span>;
  if (cell.at) return <CompletedMark at={day(cell.at)} />;
  return (
    <Box component="span" sx={{ color: cell.done > 0 ? 'tone.ink' : 'tone.soft' }}>
      {cell.done}/{cell.of}
    </Box>
  );
}
