import { Box, Button, MenuItem, TextField, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useVirtualizer } from '@tanstack/react-virtual';
import { type KeyboardEvent, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Mastery as MasteryData } from '../api/client';
import { queries } from '../api/queries';
import { Actions } from '../frame/Actions';
import { useCourse } from '../frame/course';
import { percent } from '../ui/format';
import { Wedge } from '../ui/Glyphs';
import { Empty, Loaded, WithInspector } from '../ui/Panel';
import { useLive } from '../ui/useLive';
import { useSelection } from '../ui/useSelection';
import { CellInspector } from './CellInspector';

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
  const course = useCourse();
  const groups = useQuery(queries.progress(course.id)).data?.groups ?? [];
  const [group, setGroup] = useState(0);
  const [by, setBy] = useState(0);
  const scroller = useRef<HTMLDivElement>(null);
  const level = (l: MasteryData['learners'][number], o: number) => l.levels[String(o)] ?? -1;
  const rows = data.learners
    .filter((l) => group === 0 || l.groups.includes(group))
    .sort((a, b) => (by ? level(a, by) - level(b, by) : 0) || a.name.localeCompare(b.name));
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 12,
  });
  const columns = `170px repeat(${data.outcomes.length}, minmax(64px, 1fr))`;
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
    if (!way) return;
    event.preventDefault();
    const [e, o] = (sel ?? '').split('-').map(Number);
    const r = Math.max(
      0,
      Math.min(rows.length - 1, rows.findIndex((l) => l.enrolment === e) + way[0]),
    );
    const c = Math.max(
      0,
      Math.min(data.outcomes.length - 1, data.outcomes.findIndex((x) => x.id === o) + way[1]),
    );
    select(`${rows[r]?.enrolment}-${data.outcomes[c]?.id}`);
    virtual.scrollToIndex(r);
  };
  return (
    <>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', mb: 1 }}>
        <Typography sx={{ fontWeight: 700 }}>
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
          {groups.map((g) => (
            <MenuItem key={g.id} value={g.id}>
              {g.name}
            </MenuItem>
          ))}
        </TextField>
      </Box>
      <Box sx={{ bgcolor: 'tone.panel', border: 1, borderColor: 'divider', overflowX: 'auto' }}>
        <div
          role="grid"
          aria-label={t('frame.mastery')}
          tabIndex={0}
          onKeyDown={move}
          style={{ minWidth: 170 + 64 * data.outcomes.length }}
        >
          <Box
            role="row"
            sx={{
              display: 'grid',
              gridTemplateColumns: columns,
              borderBottom: 1,
              borderColor: 'divider',
            }}
          >
            <Box role="columnheader" sx={{ p: 1, typography: 'h3', color: 'tone.soft' }}>
              {t('watch.learner')}
            </Box>
            {data.outcomes.map((o) => (
              <Box
                key={o.id}
                role="columnheader"
                title={o.name}
                aria-sort={by === o.id ? 'ascending' : 'none'}
              >
                <Button
                  size="small"
                  onClick={() => setBy(by === o.id ? 0 : o.id)}
                  sx={{
                    color: by === o.id ? 'tone.madder' : 'tone.indigo',
                    fontSize: 12,
                    width: '100%',
                  }}
                >
                  {o.code}
                </Button>
              </Box>
            ))}
          </Box>
          <Box
            role="row"
            sx={{
              display: 'grid',
              gridTemplateColumns: columns,
              alignItems: 'center',
              height: 30,
              bgcolor: 'tone.ground',
              borderBottom: 1,
              borderColor: 'divider',
            }}
          >
            <Typography role="rowheader" variant="caption" sx={{ pl: 1 }}>
              {t('watch.classRow')}
            </Typography>
            {data.outcomes.map((o) => (
              <Typography
                key={o.id}
                role="gridcell"
                variant="caption"
                sx={{ textAlign: 'center', fontWeight: 700 }}
              >
                {rows.length
                  ? percent(rows.filter((l) => level(l, o.id) >= o.mastery).length / rows.length)
                  : 0}{' '}
                %
              </Typography>
            ))}
          </Box>
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
                    {data.outcomes.map((o) => {
                      const at = level(l, o.id);
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
    </>
  );
}
