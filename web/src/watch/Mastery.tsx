import { Box, Button } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Mastery as MasteryData } from '../api/client';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { Wedge } from '../ui/Glyphs';
import { Empty, Loaded, WithInspector } from '../ui/Panel';
import { TickedBar } from '../ui/TickedBar';
import { useLive } from '../ui/useLive';
import { useSelection } from '../ui/useSelection';
import { CellInspector } from './CellInspector';
import { ClassInspector } from './ClassInspector';
import { ClassShare } from './ClassShare';
import { FilterBar } from './FilterBar';
import { arranged, nextOrder, type Order, useFilter } from './filter';
import { Grid } from './Grid';
import { GridActions } from './GridActions';
import { unfolded } from './groups';
import { LevelKey } from './LevelKey';
import { liveMastery } from './live';
import { RateDialog } from './RateDialog';
import { levelOf } from './spread';

/** The grid takes what its key leaves of the height, however many lines that has. */
const ABOVE_KEY = {
  display: 'flex',
  flexDirection: 'column',
  maxHeight: 'max(360px, calc(100dvh - 176px))',
  '& > [role=grid]': { maxHeight: 'none', flex: '0 1 auto', minHeight: 200 },
  '@media print': { display: 'block', maxHeight: 'none' },
} as const;

export default function Mastery() {
  const t = useTranslations();
  const course = useCourse();
  useLive(course.id, ['trend'], liveMastery);
  const [sel, select] = useSelection();
  const [filter] = useFilter();
  const mastery = useQuery(queries.mastery(course.id));
  const [what = '', of] = (sel ?? '').split('-');
  const aboutClass = what === 'class';
  return (
    <WithInspector
      inspector={
        aboutClass && mastery.data ? (
          <ClassInspector
            data={mastery.data}
            outcome={Number(of ?? 0)}
            group={filter.group}
            select={select}
          />
        ) : Number(what) && Number(of) ? (
          <CellInspector enrolment={Number(what)} outcome={Number(of)} />
        ) : null
      }
      onClose={() => select(null)}
    >
      <GridActions grid="mastery" other="grades">
        <Button
          variant="outlined"
          aria-pressed={aboutClass}
          onClick={() => select(aboutClass ? null : 'class')}
        >
          {t('watch.overTime')}
        </Button>
      </GridActions>
      <Loaded query={mastery}>
        {(data) =>
          data.learners.length === 0 ? (
            <Empty title={t('watch.empty')} hint={t('watch.emptyHint')} />
          ) : data.outcomes.length === 0 ? (
            <Empty title={t('watch.emptyMastery')} hint={t('watch.emptyMasteryHint')} />
          ) : (
            <Levels data={data} sel={sel} select={select} />
          )
        }
      </Loaded>
    </WithInspector>
  );
}

function Levels({
  data,
  sel,
  select,
}: {
  data: MasteryData;
  sel: string | null;
  select: (sel: string | null) => void;
}) {
  const t = useTranslations();
  const [filter, setFilter] = useFilter();
  const [order, setOrder] = useState<Order>({ by: 0, strongest: false });
  const [compared, setCompared] = useState(false);
  const [ticked, setTicked] = useState<ReadonlySet<number>>(new Set());
  const [rating, setRating] = useState(false);
  const [folded, setFolded] = useState<ReadonlySet<string>>(new Set());
  const heads = useMemo(
    () =>
      data.outcomes.map((outcome) => ({
        id: outcome.id,
        head: outcome.code,
        name: outcome.name,
        title: outcome.name,
        group: outcome.group[0] ?? '',
        outcome,
      })),
    [data.outcomes],
  );
  const columns = useMemo(() => unfolded(heads, folded), [heads, folded]);
  const { group, flagged, find } = filter;
  const rows = useMemo(
    () => arranged(data.learners, { group, flagged, find }, order, levelOf),
    [data.learners, group, flagged, find, order],
  );
  const fold = (name: string) => {
    const next = new Set(folded);
    if (!next.delete(name)) next.add(name);
    setFolded(next);
  };
  const summaries = useMemo(() => {
    const summary = (title: string, learners: MasteryData['learners']) => ({
      title,
      cell: (c: (typeof heads)[number]) => <ClassShare outcome={c.outcome} rows={learners} />,
      sel: (c: (typeof heads)[number]) => `class-${c.id}`,
    });
    const groups = compared ? data.groups : [];
    return [
      summary(t('watch.classRow'), rows),
      ...groups.map((g) =>
        summary(
          g.name,
          data.learners.filter((l) => l.groups.includes(g.id)),
        ),
      ),
    ];
  }, [rows, compared, data, t]);
  return (
    <>
      <FilterBar
        shown={rows.length}
        learners={data.learners}
        groups={data.groups}
        filter={filter}
        onFilter={setFilter}
      >
        {data.groups.length > 1 && (
          <Button
            variant={compared ? 'contained' : 'outlined'}
            color={compared ? 'secondary' : 'primary'}
            aria-pressed={compared}
            onClick={() => setCompared(!compared)}
          >
            {t('watch.compare')}
          </Button>
        )}
        {[...folded].map((name) => (
          <Button key={name} variant="outlined" aria-expanded={false} onClick={() => fold(name)}>
            ▸ {name} {heads.filter((c) => c.group === name).length}
          </Button>
        ))}
      </FilterBar>
      <Box sx={ABOVE_KEY}>
        <Grid
          label={t('frame.mastery')}
          rows={rows}
          columns={columns}
          least={64}
          sel={sel}
          select={select}
          order={order}
          onOrder={(column) => setOrder(nextOrder(order, column))}
          onFold={fold}
          ticks={{ ticked, set: setTicked }}
          summaries={summaries}
          cell={(row, { outcome }) => {
            const at = levelOf(row, outcome.id);
            return (
              <Wedge
                level={at}
                levels={outcome.levels.length}
                mastery={outcome.mastery}
                label={`${outcome.code}: ${outcome.levels[at] ?? t('learn.noEvidence')}`}
                size={22}
              />
            );
          }}
        />
        <LevelKey outcomes={data.outcomes} />
      </Box>
      <TickedBar count={ticked.size} onNone={() => setTicked(new Set())}>
        <Button variant="contained" onClick={() => setRating(true)}>
          {t('watch.rate', { count: ticked.size })}
        </Button>
      </TickedBar>
      {rating && (
        <RateDialog
          outcomes={data.outcomes}
          learners={data.learners.filter((l) => ticked.has(l.enrolment))}
          outcome={Number((sel ?? '').split('-')[1]) || undefined}
          onClose={() => {
            setRating(false);
            setTicked(new Set());
          }}
        />
      )}
    </>
  );
}
