import {
  Alert,
  Autocomplete,
  Box,
  Button,
  Checkbox,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  MenuItem,
  TextField,
  Typography,
} from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { CopyReport, Design, DesignBadge, ShelfThing } from '../../api/client';
import { queries } from '../../api/queries';
import { useCourse } from '../../frame/course';
import { BadgeDrawing } from '../../ui/BadgeDrawing';
import { day } from '../../ui/format';
import { Empty, Loaded } from '../../ui/Panel';
import { useLine } from '../../ui/useNames';
import type { Draft } from '../useDraft';
import { CopyReportView } from './CopyReportView';
import { type CopyDates, useCopying, useUnshelving } from './useCopying';

const DATES: CopyDates[] = ['WITH_COURSE', 'AS_THEY_ARE', 'NONE'];

interface Source {
  /** Nothing for the shelf. */
  course: number | null;
  name: string;
}

interface Props {
  design: Design;
  draft: Draft;
  /** The module that single steps go to, if one stands in it. */
  into: number | undefined;
  onClose: () => void;
}

/** Copies steps, modules and badges from the shelf or from another course of one's own. */
export default function CopyDialog({ design, draft, into, onClose }: Props) {
  const t = useTranslations();
  const me = useQuery(queries.me());
  const shelf: Source = { course: null, name: t('copy.shelf') };
  const own = (me.data?.courses ?? [])
    .filter((c) => c.role === 'DESIGNER' && !c.framework && c.id !== design.course)
    .map((c) => ({ course: c.id, name: c.cohort ? `${c.name}, ${c.cohort}` : c.name }));
  const [source, setSource] = useState<Source>(shelf);
  const [find, setFind] = useState('');
  const [dates, setDates] = useState<CopyDates>('WITH_COURSE');
  const [place, setPlace] = useState(into ?? 0);
  const [report, setReport] = useState<CopyReport | null>(null);
  const copying = useCopying(design.course, draft, (made) =>
    made.left.length > 0 ? setReport(made) : onClose(),
  );
  if (report) return <CopyReportView report={report} onClose={onClose} />;
  const options = { dates, ...(place && { into: place }) };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md">
      <DialogTitle>{t('copy.title')}</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1.75, '&&': { pt: 1 } }}>
        {copying.error && <Alert severity="error">{copying.error.message}</Alert>}
        <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' }, gap: 1.5 }}>
          <Autocomplete
            size="small"
            disableClearable
            options={[shelf, ...own]}
            value={source}
            getOptionLabel={(o) => o.name}
            getOptionKey={(o) => o.course ?? 'shelf'}
            isOptionEqualToValue={(a, b) => a.course === b.course}
            onChange={(_, chosen) => setSource(chosen)}
            renderInput={(params) => <TextField {...params} label={t('copy.from')} />}
          />
          <TextField
            type="search"
            label={t('copy.find')}
            value={find}
            onChange={(e) => setFind(e.target.value)}
          />
          <TextField
            select
            label={t('copy.dates')}
            value={dates}
            onChange={(e) => setDates(e.target.value as CopyDates)}
          >
            {DATES.map((d) => (
              <MenuItem key={d} value={d}>
                {t(`copy.dateOf.${d}`)}
              </MenuItem>
            ))}
          </TextField>
          <TextField
            select
            label={t('copy.into')}
            value={place}
            onChange={(e) => setPlace(Number(e.target.value))}
          >
            <MenuItem value={0}>{t('copy.ownModule')}</MenuItem>
            {design.modules.map((m, n) => (
              <MenuItem key={m.id} value={m.id}>
                {n + 1}. {m.name}
              </MenuItem>
            ))}
          </TextField>
        </Box>
        {source.course === null ? (
          <ShelfList
            find={find}
            busy={copying.isPending}
            onTake={(thing) => copying.take(thing, options)}
          />
        ) : (
          <CourseList
            key={source.course}
            course={source.course}
            find={find}
            busy={copying.isPending}
            onCopy={(chosen) =>
              copying.copy({ from: source.course as number, ...chosen, ...options })
            }
          />
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{t('common.close')}</Button>
      </DialogActions>
    </Dialog>
  );
}

const LIST = {
  border: 1,
  borderColor: 'divider',
  borderRadius: 1,
  maxHeight: 'max(200px, calc(100dvh - 430px))',
  overflowY: 'auto',
} as const;

function ShelfList({
  find,
  busy,
  onTake,
}: {
  find: string;
  busy: boolean;
  onTake: (thing: ShelfThing) => void;
}) {
  const t = useTranslations();
  const line = useLine();
  const course = useCourse();
  const things = useQuery(queries.shelfThings(course.id, useDeferredValue(find)));
  const unshelve = useUnshelving(course.id);
  const what = (thing: ShelfThing) => {
    if (thing.what === 'BADGE') return t('copy.badge');
    return thing.kind ? t(`kind.${thing.kind}.name`) : t('copy.moduleOf', { count: thing.count });
  };
  return (
    <Loaded query={things}>
      {(found) =>
        found.length === 0 ? (
          <Empty
            title={t(find ? 'copy.nothingFound' : 'copy.shelfEmpty')}
            hint={find ? '' : t('copy.shelfHint')}
          />
        ) : (
          <Box role="list" aria-label={t('copy.shelf')} sx={LIST}>
            {found.map((thing) => (
              <Box
                key={thing.id}
                role="listitem"
                sx={{
                  display: 'flex',
                  gap: 1.5,
                  alignItems: 'center',
                  px: 1.5,
                  py: 1,
                  borderBottom: 1,
                  borderColor: 'divider',
                }}
              >
                {thing.picture && <BadgeDrawing picture={thing.picture} size={40} label="" />}
                <Box sx={{ flex: 1, minWidth: 0 }}>
                  <Typography sx={{ fontWeight: 700 }}>{thing.name}</Typography>
                  <Typography variant="body2" color="textSecondary">
                    {line(
                      what(thing),
                      thing.summary,
                      t('copy.by', { name: thing.by, date: day(thing.at) }),
                    )}
                  </Typography>
                  {thing.what === 'MODULE' && (
                    <Typography variant="body2" color="textSecondary" noWrap>
                      {thing.steps.join(', ')}
                    </Typography>
                  )}
                </Box>
                {thing.mayRemove && (
                  <Button size="small" onClick={() => unshelve.mutate(thing.id)}>
                    {t('common.remove')}
                  </Button>
                )}
                <Button
                  size="small"
                  variant="contained"
                  disabled={busy}
                  aria-label={t('copy.takeNamed', { name: thing.name })}
                  onClick={() => onTake(thing)}
                >
                  {t('copy.take')}
                </Button>
              </Box>
            ))}
          </Box>
        )
      }
    </Loaded>
  );
}

function CourseList({
  course,
  find,
  busy,
  onCopy,
}: {
  course: number;
  find: string;
  busy: boolean;
  onCopy: (chosen: { modules: number[]; steps: number[]; badges: number[] }) => void;
}) {
  const t = useTranslations();
  const design = useQuery(queries.design(course));
  const [modules, setModules] = useState<ReadonlySet<number>>(new Set());
  const [steps, setSteps] = useState<ReadonlySet<number>>(new Set());
  const [badges, setBadges] = useState<ReadonlySet<number>>(new Set());
  const words = find.toLowerCase().split(/\s+/).filter(Boolean);
  const has = (name: string) => words.every((w) => name.toLowerCase().includes(w));
  const toggled = (of: ReadonlySet<number>, id: number) => {
    const next = new Set(of);
    if (!next.delete(id)) next.add(id);
    return next;
  };
  const single = [...steps];
  return (
    <Loaded query={design}>
      {(data) => {
        const shown = data.modules
          .map((m) => ({ ...m, steps: has(m.name) ? m.steps : m.steps.filter((s) => has(s.name)) }))
          .filter((m) => m.steps.length > 0 || has(m.name));
        const alone = single.filter(
          (id) => !data.modules.some((m) => modules.has(m.id) && m.steps.some((s) => s.id === id)),
        );
        const shownBadges = data.badges.filter((b) => has(b.name));
        const withModule = (b: DesignBadge) => b.module !== undefined && modules.has(b.module);
        const badgesAlone = data.badges.filter((b) => badges.has(b.id) && !withModule(b));
        const count = modules.size + alone.length + badgesAlone.length;
        return shown.length + shownBadges.length === 0 ? (
          <Empty title={t(find ? 'copy.nothingFound' : 'copy.courseEmpty')} />
        ) : (
          <>
            <Box role="list" aria-label={data.name} sx={LIST}>
              {shown.map((m) => (
                <Box key={m.id} role="listitem">
                  <Line
                    name={m.name}
                    strong
                    on={modules.has(m.id)}
                    onToggle={() => setModules(toggled(modules, m.id))}
                  />
                  {m.steps.map((s) => (
                    <Line
                      key={s.id}
                      name={s.name}
                      kind={t(`kind.${s.kind}.name`)}
                      on={modules.has(m.id) || steps.has(s.id)}
                      disabled={modules.has(m.id)}
                      onToggle={() => setSteps(toggled(steps, s.id))}
                    />
                  ))}
                </Box>
              ))}
              {shownBadges.map((b) => (
                <Box key={b.id} role="listitem">
                  <Line
                    name={b.name}
                    kind={t('copy.badge')}
                    on={badges.has(b.id) || withModule(b)}
                    disabled={withModule(b)}
                    onToggle={() => setBadges(toggled(badges, b.id))}
                  />
                </Box>
              ))}
            </Box>
            <Button
              variant="contained"
              disabled={busy || count === 0}
              onClick={() =>
                onCopy({
                  modules: [...modules],
                  steps: alone,
                  badges: badgesAlone.map((b) => b.id),
                })
              }
              sx={{ justifySelf: 'end' }}
            >
              {t('copy.copyThese', { count })}
            </Button>
          </>
        );
      }}
    </Loaded>
  );
}

function Line({
  name,
  kind,
  strong = false,
  on,
  disabled = false,
  onToggle,
}: {
  name: string;
  kind?: string;
  strong?: boolean;
  on: boolean;
  disabled?: boolean;
  onToggle: () => void;
}) {
  return (
    <Box
      component="label"
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 1,
        pl: strong ? 0.5 : 4,
        pr: 1.5,
        minHeight: 34,
        cursor: 'pointer',
        bgcolor: strong ? 'tone.ground' : 'tone.panel',
      }}
    >
      <Checkbox size="small" checked={on} disabled={disabled} onChange={onToggle} />
      {kind && (
        <Typography component="span" variant="body2" color="textSecondary" sx={{ width: 80 }}>
          {kind}
        </Typography>
      )}
      <Typography component="span" noWrap sx={{ fontWeight: strong ? 700 : 400 }}>
        {name}
      </Typography>
    </Box>
  );
}
