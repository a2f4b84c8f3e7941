import { Box, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Waiting } from '../api/client';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { day } from '../ui/format';
import { Bead } from '../ui/Glyphs';
import { ListAndMain, ListLine } from '../ui/ListAndMain';
import { Empty, Loaded } from '../ui/Panel';
import { useAsked } from '../ui/useAsked';
import { useLive } from '../ui/useLive';
import { useSelection } from '../ui/useSelection';
import { WorkPanel } from './WorkPanel';

export default function Marking() {
  const t = useTranslations();
  const course = useCourse();
  useLive(course.id, ['marking']);
  const [sel, select] = useSelection();
  const [arrived, setArrived] = useState(false);
  const queue = useQuery(queries.marking(course.id));
  const [enrolment, step] = (sel ?? '').split('-').map(Number);
  const all = [...(queue.data?.handedIn ?? []), ...(queue.data?.toSignOff ?? [])];
  const go = (by: 1 | -1) => {
    const at = all.findIndex((w) => key(w) === sel);
    const next = all[Math.max(0, Math.min(all.length - 1, at + by))];
    if (next) select(key(next));
  };
  const [first] = all;
  useAsked({
    ...(first && {
      mark: () => {
        setArrived(true);
        select(key(first));
      },
    }),
  });
  const after = (done: string) => {
    const data = queue.data?.handedIn ?? [];
    const rest = data.filter((w) => key(w) !== done);
    // The one that stood below it; at the end the first again.
    const below = data.findIndex((w) => key(w) === done);
    const next = rest[below] ?? rest[0];
    setArrived(true);
    select(next ? key(next) : null);
    if (!next) document.getElementById('main')?.focus();
  };
  return (
    <Loaded query={queue}>
      {(data) => (
        <ListAndMain
          label={t('frame.marking')}
          onStep={go}
          list={
            <>
              {all.length === 0 && <Empty title={t('teach.empty')} hint={t('teach.emptyHint')} />}
              <List
                title={t('teach.handedIn')}
                list={data.handedIn}
                sel={sel}
                select={select}
                state="WAITING"
              />
              <List
                title={t('teach.toSignOff')}
                list={data.toSignOff}
                sel={sel}
                select={select}
                state="OPEN"
              />
            </>
          }
        >
          {enrolment && step ? (
            <WorkPanel
              key={sel}
              enrolment={enrolment}
              step={step}
              arrived={arrived}
              onDone={() => after(sel ?? '')}
            />
          ) : (
            all.length > 0 && <Empty title={t('teach.pick')} />
          )}
        </ListAndMain>
      )}
    </Loaded>
  );
}

const key = (w: Waiting) => `${w.enrolment}-${w.step}`;

function List({
  title,
  list,
  sel,
  select,
  state,
}: {
  title: string;
  list: Waiting[];
  sel: string | null;
  select: (key: string) => void;
  state: 'WAITING' | 'OPEN';
}) {
  const t = useTranslations();
  if (list.length === 0) return null;
  return (
    <section>
      <Typography
        variant="h3"
        component="h2"
        color="textSecondary"
        sx={{ px: 2, pt: 1.5, pb: 0.5 }}
      >
        {title} · {list.length}
      </Typography>
      {list.map((w) => {
        const chosen = key(w) === sel;
        return (
          <ListLine key={key(w)} chosen={chosen} onSelect={() => select(key(w))}>
            <Bead bead={{ state, overdue: false, outOfReach: false }} silent />
            <Box sx={{ minWidth: 0 }}>
              <Typography sx={{ fontWeight: 700 }}>{w.learner}</Typography>
              <Typography variant="body2" color="textSecondary">
                {w.name}
                {w.version > 1 && `, ${t('teach.version', { n: w.version })}`}
                {w.since && ` · ${t('teach.since', { date: day(w.since) })}`}
                {w.late && ` · ${t('teach.late')}`}
                {w.heldBack && ` · ${t('teach.heldBack')}`}
              </Typography>
            </Box>
          </ListLine>
        );
      })}
    </section>
  );
}
