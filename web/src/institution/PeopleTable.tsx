import {
  Checkbox,
  Paper,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  Typography,
} from '@mui/material';
import { useTranslations } from 'use-intl';
import type { PersonLine } from '../api/schema';
import { day, daysBetween } from '../ui/format';
import { keysHere, upAndDown } from '../ui/useKeys';

/** People in lines, to be chosen, ticked and walked through by keys. */
export function PeopleTable({
  people,
  sel,
  onSelect,
  ticked,
  onTick,
}: {
  people: PersonLine[];
  sel: string | null;
  onSelect: (sel: string | null) => void;
  ticked: ReadonlySet<number>;
  onTick: (ticked: ReadonlySet<number>) => void;
}) {
  const t = useTranslations();
  const at = people.findIndex((p) => `${p.id}` === sel);
  const go = (by: 1 | -1) => {
    const next = people[Math.max(0, Math.min(people.length - 1, at + by))];
    if (next) onSelect(`${next.id}`);
  };
  const toggle = (id: number) => {
    const next = new Set(ticked);
    if (!next.delete(id)) next.add(id);
    onTick(next);
  };
  const all = people.every((p) => ticked.has(p.id));
  return (
    <Paper
      variant="outlined"
      tabIndex={0}
      aria-label={t('frame.people')}
      role="group"
      onKeyDown={keysHere({
        ...upAndDown(go),
        Space: () => people[at] && toggle(people[at].id),
        Escape: () => onSelect(null),
      })}
      sx={{ overflowX: 'auto' }}
    >
      <Table size="small">
        <TableHead>
          <TableRow>
            <TableCell padding="checkbox">
              <Checkbox
                checked={all}
                indeterminate={!all && ticked.size > 0}
                onChange={() => onTick(all ? new Set() : new Set(people.map((p) => p.id)))}
                slotProps={{ input: { 'aria-label': t('watch.tickAll') } }}
              />
            </TableCell>
            <TableCell>{t('institution.name')}</TableCell>
            <TableCell>{t('session.email')}</TableCell>
            <TableCell>{t('institution.entered')}</TableCell>
            <TableCell align="right">{t('institution.courses')}</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {people.map((p) => (
            <Row
              key={p.id}
              person={p}
              chosen={`${p.id}` === sel}
              ticked={ticked.has(p.id)}
              onSelect={() => onSelect(`${p.id}`)}
              onTick={() => toggle(p.id)}
            />
          ))}
        </TableBody>
      </Table>
    </Paper>
  );
}

function Row({
  person,
  chosen,
  ticked,
  onSelect,
  onTick,
}: {
  person: PersonLine;
  chosen: boolean;
  ticked: boolean;
  onSelect: () => void;
  onTick: () => void;
}) {
  const t = useTranslations();
  return (
    <TableRow
      hover
      selected={chosen}
      onClick={onSelect}
      ref={(row: HTMLElement | null) => {
        if (chosen) row?.scrollIntoView?.({ block: 'nearest' });
      }}
      sx={{ cursor: 'pointer' }}
    >
      <TableCell padding="checkbox">
        <Checkbox
          checked={ticked}
          onClick={(e) => e.stopPropagation()}
          onChange={onTick}
          slotProps={{ input: { 'aria-label': t('institution.tick', { name: person.name }) } }}
        />
      </TableCell>
      <TableCell>
        <Typography component="span" sx={{ fontWeight: 700 }}>
          {person.name}
        </Typography>
        {person.administrator && (
          <Typography component="span" color="textSecondary" sx={{ ml: 1 }}>
            {t('institution.administrator')}
          </Typography>
        )}
      </TableCell>
      <TableCell>{person.email}</TableCell>
      <TableCell>
        <Entered person={person} />
      </TableCell>
      <TableCell align="right">{person.courses}</TableCell>
    </TableRow>
  );
}

const now = () => new Date().toISOString();

/** Whether somebody has come in, or how it stands with the way in. */
export function Entered({ person }: { person: PersonLine }) {
  const t = useTranslations();
  if (person.lastSignedIn) return day(person.lastSignedIn);
  if (person.hasPassword)
    return t(daysBetween(person.added, now()) > 365 ? 'institution.notLately' : 'common.never');
  return (
    <Typography component="span" sx={{ color: 'tone.madder', fontWeight: 700 }}>
      {person.link
        ? t('institution.linkWaits', { date: day(person.link) })
        : t('institution.noPassword')}
    </Typography>
  );
}
