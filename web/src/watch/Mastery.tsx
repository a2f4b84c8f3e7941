import { Box, Button, Checkbox, MenuItem, TextField, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useVirtualizer } from '@tanstack/react-virtual';
import { type KeyboardEvent, useMemo, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Mastery as MasteryData } from '../api/client';
import { queries } from '../api/queries';
import { Actions } from '../frame/Actions';
import { useCourse } from '../frame/course';
import { Wedge } from '../ui/Glyphs';
import { Empty, Loaded, WithInspector } from '../ui/Panel';
import { useLive } from '../ui/useLive';
import { useSelection } from '../ui/useSelection';
import { CellInspector } from './CellInspector';
import { ClassRow } from './ClassRow';
import { GroupHeads } from './GroupHeads';
import { unfolded } from './groups';
import { RateDialog } from './RateDialog';
import { arrangeGrid, levelOf } from './spread';

const ROW = 36;

export default function Mastery() {
  const { t } = useTranslation();
  const course = useCourse();
  useLive(course.id, ['mastery', 'cell']);
  const [sel, select] = useSelection();
  const mastery = useQuery(queries.mastery(course.id));
  const [enrolment, outcome] = (sel ?? '').split('-').map(Number);
  return (
    <WithInspector
      inspector={
        enrolment && outcome ? <CellInspector enrolment={enrolment} outcome={outcome} /> : null
      }
      onClose={() => select(null)}
    >
      <Actions>
        <Button variant="outlined" href={`/api/courses/${course.id}/mastery.csv`}>
          {t('common.export')}
        </Button>
        <Button variant="outlined" href={`/api/courses/${course.id}/mastery.xlsx`}>
          {t('watch.workbook')}
        </Button>
        <Button variant="outlined" onClick={() => window.print()}>
          {t('common.print')}
        </Button>
      </Actions>
      <Loaded query={mastery}>
        {(data) =>
          data.learners.length === 0 || data.outcomes.length === 0 ? (
            <Empty title={t('watch.empty')} hint={t('watch.emptyHint')} />
          ) : (
            <Grid data={data} sel={sel} select={select} />
          )
        }
      </Loaded>
    </WithInspector>
  );
}

function Grid({
  data,
  sel,
  select,
}: {
  data: MasteryData;
  sel: string | null;
  select: (sel: string | null) => void;
}) {
  const { t } = useTranslation();
  const [group, setGroup] = useState(0);
  const [flagged, setFlagged] = useState(false);
  const [find, setFind] = useState('');
  const [[by, strongest], setBy] = useState<[number, boolean]>([0, false]);
  const [compared, setCompared] = useState(false);
  const [ticked, setTicked] = useState<ReadonlySet<number>>(new Set());
  const [rating, setRating] = useState(false);
  const [folded, setFolded] = useState<ReadonlySet<string>>(new Set());
  const outcomes = useMemo(() => unfolded(data.outcomes, folded), [data.outcomes, folded]);
  const fold = (name: string) => {
    const next = new Set(folded);
    if (!next.delete(name)) next.add(name);
    setFolded(next);
  };
  const scroller = useRef<HTMLDivElement>(null);
  const rows = useMemo(
    () => arrangeGrid(data.learners, { group, flagged, find, by, strongest }),
    [data.learners, group, flagged, find, by, strongest],
  );
  const toggle = (id: number) => {
    const next = new Set(ticked);
    if (!next.delete(id)) next.add(id);
    setTicked(next);
  };
  const all = rows.length > 0 && rows.every((r) => ticked.has(r.enrolment));
  /** Weakest first, then strongest first, then by name again. */
  const sortBy = (o: number) => setBy(by !== o ? [o, false] : strongest ? [0, false] : [o, true]);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 12,
  });
  const columns = `36px 170px repeat(${outcomes.length}, minmax(64px, 1fr))`;
  const move = (event: KeyboardEvent) => {
    const ways: Record<string, [number, number]> = {
      ArrowRight: [0, 1],
      ArrowLeft: [0, -1],
      ArrowDown: [1, 0],
      ArrowUp: [-1, 0],
      j: [1, 0],
      k: [-1, 0],
    };
    const way = ways[event.key];
    if (event.key === 'Escape') select(null);
    const [e, o] = (sel ?? '').split('-').map(Number);
    if (event.key === ' ' && e && !(event.target instanceof HTMLInputElement)) {
      event.preventDefault();
      toggle(e);
    }
    if (!way) return;
    event.preventDefault();
    const r = Math.max(
      0,
      Math.min(rows.length - 1, rows.findIndex((l) => l.enrolment === e) + way[0]),
    );
    const c = Math.max(
      0,
      Math.min(outcomes.length - 1, outcomes.findIndex((x) => x.id === o) + way[1]),
    );
    select(`${rows[r]?.enrolment}-${outcomes[c]?.id}`);
    virtual.scrollToIndex(r);
  };
  return (
    <>
      <Box
        sx={{
          display: 'flex',
          gap: 1,
          alignItems: 'center',
          mb: 1,
          flexWrap: 'wrap',
          '@media print': { display: 'none' },
        }}
      >
        <Typography sx={{ fontWeight: 700 }} role="status">
          {t('watch.learners', { count: rows.length })}
        </Typography>
        <TextField
          select
          value={group}
          onChange={(e) => setGroup(Number(e.target.value))}
          slotProps={{ htmlInput: { 'aria-label': t('watch.group') } }}
          sx={{ width: 150, bgcolor: 'tone.panel' }}
        >
          <MenuItem value={0}>
            {t('watch.group')}: {t('watch.allGroups')}
          </MenuItem>
          {data.groups.map((g) => (
            <MenuItem key={g.id} value={g.id}>
              {g.name}
            </MenuItem>
          ))}
        </TextField>
        <Button
          variant={flagged ? 'contained' : 'outlined'}
          color={flagged ? 'secondary' : 'primary'}
          aria-pressed={flagged}
          onClick={() => setFlagged(!flagged)}
        >
          {t('watch.onlyFlagged', { count: data.learners.filter((l) => l.flagged).length })}
        </Button>
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
        <TextField
          type="search"
          placeholder={t('watch.find')}
          value={find}
          onChange={(e) => setFind(e.target.value)}
          slotProps={{ htmlInput: { 'aria-label': t('watch.find') } }}
          sx={{ width: 150, bgcolor: 'tone.panel' }}
        />
        {[...folded].map((name) => (
          <Button key={name} variant="outlined" aria-expanded={false} onClick={() => fold(name)}>
            ▸ {name} {data.outcomes.filter((o) => o.group[0] === name).length}
          </Button>
        ))}
        {ticked.size > 0 && (
          <Button variant="contained" sx={{ ml: 'auto' }} onClick={() => setRating(true)}>
            {t('watch.rate', { count: ticked.size })}
          </Button>
        )}
      </Box>
      <Box sx={{ bgcolor: 'tone.panel', border: 1, borderColor: 'divider', overflowX: 'auto' }}>
        <div
          role="grid"
          aria-label={t('frame.mastery')}
          tabIndex={0}
          onKeyDown={move}
          style={{ minWidth: 206 + 64 * outcomes.length }}
        >
          <GroupHeads outcomes={outcomes} columns={columns} onFold={fold} />
          <Box
            role="row"
            sx={{
              display: 'grid',
              gridTemplateColumns: columns,
              borderBottom: 1,
              borderColor: 'divider',
            }}
          >
            <span role="columnheader">
              <Checkbox
                checked={all}
                indeterminate={!all && ticked.size > 0}
                onChange={() => setTicked(all ? new Set() : new Set(rows.map((r) => r.enrolment)))}
                slotProps={{ input: { 'aria-label': t('watch.tickAll') } }}
              />
            </span>
            <Box role="columnheader" sx={{ p: 1, typography: 'h3', color: 'tone.soft' }}>
              {t('watch.learner')}
            </Box>
            {outcomes.map((o) => (
              <Box
                key={o.id}
                role="columnheader"
                title={o.name}
                aria-sort={by !== o.id ? 'none' : strongest ? 'descending' : 'ascending'}
              >
                <Button
                  size="small"
                  onClick={() => sortBy(o.id)}
                  sx={{
                    color: by === o.id ? 'tone.madder' : 'tone.indigo',
                    fontSize: 12,
                    width: '100%',
                  }}
                >
                  {o.code}
                  {by === o.id && (strongest ? ' ▾' : ' ▴')}
                </Button>
              </Box>
            ))}
          </Box>
          <ClassRow title={t('watch.classRow')} rows={rows} outcomes={outcomes} columns={columns} />
          {compared &&
            data.groups.map((g) => (
              <ClassRow
                key={g.id}
                title={g.name}
                rows={data.learners.filter((l) => l.groups.includes(g.id))}
                outcomes={outcomes}
                columns={columns}
              />
            ))}
          <Box
            ref={scroller}
            role="rowgroup"
            tabIndex={0}
            sx={{
              maxHeight: 'max(300px, calc(100dvh - 270px))',
              overflowY: 'auto',
              overflowX: 'hidden',
            }}
          >
            <div style={{ height: virtual.getTotalSize(), position: 'relative' }}>
              {virtual.getVirtualItems().map((item) => {
                const l = rows[item.index];
                if (!l) return null;
                return (
                  <Box
                    key={l.enrolment}
                    role="row"
                    sx={{
                      position: 'absolute',
                      left: 0,
                      right: 0,
                      top: item.start,
                      height: ROW,
                      display: 'grid',
                      gridTemplateColumns: columns,
                      alignItems: 'stretch',
                      borderBottom: 1,
                      borderColor: 'divider',
                    }}
                  >
                    <span role="gridcell" style={{ alignSelf: 'center' }}>
                      <Checkbox
                        checked={ticked.has(l.enrolment)}
                        onChange={() => toggle(l.enrolment)}
                        slotProps={{ input: { 'aria-label': t('watch.row', { name: l.name }) } }}
                      />
                    </span>
                    <Typography
                      role="rowheader"
                      sx={{
                        pl: 1,
                        alignSelf: 'center',
                        fontWeight: 700,
                        overflow: 'hidden',
                        textOverflow: 'ellipsis',
                        whiteSpace: 'nowrap',
                      }}
                    >
                      {l.name}
                    </Typography>
                    {outcomes.map((o) => {
                      const at = levelOf(l, o.id);
                      const chosen = sel === `${l.enrolment}-${o.id}`;
                      return (
                        <Box
                          key={o.id}
                          role="gridcell"
                          aria-selected={chosen}
                          onClick={() => select(`${l.enrolment}-${o.id}`)}
                          sx={{
                            display: 'grid',
                            placeItems: 'center',
                            cursor: 'pointer',
                            bgcolor: chosen ? 'tone.madderTint' : 'transparent',
                            outline: chosen ? '1px solid' : 0,
                            outlineColor: 'tone.madder',
                            outlineOffset: -1,
                            '&:hover': { bgcolor: chosen ? undefined : 'tone.ground' },
                          }}
                        >
                          <Wedge
                            level={at}
                            levels={o.levels.length}
                            mastery={o.mastery}
                            label={`${o.code}: ${o.levels[at] ?? t('learn.noEvidence')}`}
                            size={22}
                          />
                        </Box>
                      );
                    })}
                  </Box>
                );
              })}
            </div>
          </Box>
        </div>
      </Box>
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
