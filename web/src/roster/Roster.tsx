import { Box, Button, Menu, MenuItem, TextField, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { LearnerGroup, RosterLine } from '../api/client';
import { queries } from '../api/queries';
import { Actions } from '../frame/Actions';
import { useCourse } from '../frame/course';
import { ListAndMain } from '../ui/ListAndMain';
import { Empty, Loaded } from '../ui/Panel';
import { useLive } from '../ui/useLive';
import { useSelection } from '../ui/useSelection';
import { GroupHead } from './GroupHead';
import { GroupList } from './GroupList';
import { Held } from './Held';
import { RosterTable } from './RosterTable';
import { useGroups } from './useGroups';

const EnrolDialog = lazy(async () => {
  const { EnrolDialog: dialog } = await import('../watch/EnrolDialog');
  return { default: dialog };
});

const found = (lines: RosterLine[], find: string) => {
  const words = find.toLowerCase().split(/\s+/).filter(Boolean);
  return lines.filter((l) =>
    words.every((word) => `${l.name} ${l.email}`.toLowerCase().includes(word)),
  );
};

/** Who learns in the course, and the groups that staff make of them. */
export default function Roster() {
  const course = useCourse();
  useLive(course.id, ['roster', 'groups']);
  const roster = useQuery(queries.roster(course.id));
  const groups = useQuery(queries.groups(course.id));
  return (
    <Loaded query={roster}>
      {(lines) => <Loaded query={groups}>{(all) => <Shown lines={lines} groups={all} />}</Loaded>}
    </Loaded>
  );
}

function Shown({ lines, groups }: { lines: RosterLine[]; groups: LearnerGroup[] }) {
  const t = useTranslations();
  const course = useCourse();
  const mayEdit = course.role !== 'SUPPORT';
  const [sel, select] = useSelection();
  const [ticked, setTicked] = useState<ReadonlySet<number>>(new Set());
  const [find, setFind] = useState('');
  const [enrolling, setEnrolling] = useState(false);
  const does = useGroups();
  const group = groups.find((g) => `${g.id}` === sel);
  const own = group ? lines.filter((l) => l.groups.includes(group.id)) : lines;
  const shown = found(own, find);
  const chosen = lines.filter((l) => ticked.has(l.enrolment));
  const choose = (id: number | null) => {
    does.rename.reset();
    select(id === null ? null : `${id}`);
  };
  const step = (by: 1 | -1) => {
    const at = group ? groups.indexOf(group) : -1;
    const next = Math.max(-1, Math.min(groups.length - 1, at + by));
    choose(groups[next]?.id ?? null);
  };
  const none = lines.length === 0;
  return (
    <>
      <Actions>
        {chosen.length > 0 && (
          <Moves
            chosen={chosen}
            groups={groups}
            onMove={(to, out) => {
              const ids = chosen.map((l) => l.enrolment);
              does.move.mutate(
                { group: to, in: out ? [] : ids, out: out ? ids : [] },
                { onSuccess: () => setTicked(new Set()) },
              );
            }}
          />
        )}
        {course.role === 'DESIGNER' && (
          <Button variant="contained" onClick={() => setEnrolling(true)}>
            {t('watch.enrol')} …
          </Button>
        )}
      </Actions>
      <ListAndMain
        label={t('roster.groups')}
        width={260}
        onStep={step}
        list={
          <GroupList
            groups={groups}
            all={lines.length}
            chosen={group?.id ?? null}
            onSelect={choose}
            onMade={(made) => {
              setTicked(new Set());
              choose(made);
            }}
            make={mayEdit ? does.make : null}
            ticked={ticked}
          />
        }
      >
        {group && mayEdit && (
          <GroupHead
            key={group.id}
            group={group}
            others={lines.filter((l) => !l.groups.includes(group.id))}
            does={does}
            onEnded={() => choose(null)}
          />
        )}
        {!group && course.role === 'DESIGNER' && <Held />}
        {none ? (
          <Empty title={t('roster.nobody')} hint={t('roster.nobodyHint')} />
        ) : (
          <>
            <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, mb: 1.5 }}>
              <TextField
                type="search"
                label={t('roster.find')}
                value={find}
                onChange={(e) => setFind(e.target.value)}
                sx={{ width: 280 }}
              />
              <Typography color="textSecondary" role="status" noWrap>
                {t('roster.count', { count: shown.length })}
              </Typography>
            </Box>
            {shown.length > 0 ? (
              <RosterTable
                lines={shown}
                groups={groups}
                ticked={ticked}
                onTick={setTicked}
                mayTick={mayEdit}
              />
            ) : (
              <Empty title={t(find ? 'roster.notFound' : 'roster.emptyGroup')} />
            )}
          </>
        )}
      </ListAndMain>
      {enrolling && (
        <Suspense fallback={null}>
          <EnrolDialog onClose={() => setEnrolling(false)} />
        </Suspense>
      )}
    </>
  );
}

/** Puts those who are ticked into a group, or takes them out of one that any of them is in. */
function Moves({
  chosen,
  groups,
  onMove,
}: {
  chosen: RosterLine[];
  groups: LearnerGroup[];
  onMove: (group: LearnerGroup, out: boolean) => void;
}) {
  const t = useTranslations();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const within = (g: LearnerGroup) => chosen.filter((l) => l.groups.includes(g.id)).length;
  const item = (g: LearnerGroup, out: boolean) => (
    <MenuItem
      key={`${g.id} ${out}`}
      onClick={() => {
        setAnchor(null);
        onMove(g, out);
      }}
    >
      {t(out ? 'roster.takeOutOf' : 'roster.putInto', { group: g.name })}
    </MenuItem>
  );
  return (
    <>
      <Button
        variant="outlined"
        aria-haspopup="menu"
        onClick={(e) => setAnchor(e.currentTarget)}
        disabled={groups.length === 0}
      >
        {t('roster.move', { count: chosen.length })} ▾
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        {groups.filter((g) => within(g) < chosen.length).map((g) => item(g, false))}
        {groups.filter((g) => within(g) > 0).map((g) => item(g, true))}
      </Menu>
    </>
  );
}
