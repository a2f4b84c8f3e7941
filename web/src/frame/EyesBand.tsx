import { Box, Button, MenuItem, TextField, Typography } from '@mui/material';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useLocation, useNavigate } from 'react-router';
import { useTranslations } from 'use-intl';
import { api, body, type MyCourse } from '../api/client';
import { queries } from '../api/queries';
import type { Eyes } from '../api/schema';
import { type WalkName, walkBase, watching } from '../kinds/room';
import { fromLocalInput, toLocalInput } from '../ui/format';
import { useNotice } from '../ui/Notice';
import { SavedWhen } from '../ui/when/SavedWhen';

const DAY = 86_400;

/** Says through whose eyes one looks and as of when, changes both, and leads back. */
export default function EyesBand({ course, walk }: { course: MyCourse; walk: WalkName }) {
  const t = useTranslations();
  const eyes = useQuery({ ...queries.eyes(course.id, walk), retry: false }).data;
  const { start, wind, busy } = useWalk(course, walk, eyes);
  const looks = watching(walk);
  return (
    <Box
      role="status"
      sx={{
        display: 'flex',
        gap: 1,
        alignItems: 'center',
        flexWrap: 'wrap',
        px: 2,
        py: 0.75,
        bgcolor: looks ? 'tone.indigoTint' : 'tone.ochreTint',
        color: looks ? 'tone.ink' : 'tone.ochreInk',
      }}
    >
      <Typography sx={{ flex: 1, minWidth: 200 }}>
        {looks ? t('eyes.looking', { name: eyes?.learner ?? '…' }) : t('eyes.walking')}
      </Typography>
      {eyes && !looks && <GroupsOfWalk course={course} eyes={eyes} />}
      {eyes && (
        <>
          <SavedWhen
            label={t(eyes.ahead > 0 ? 'eyes.clockAhead' : 'eyes.clock')}
            kind="moment"
            usual="12:00"
            fullWidth={false}
            value={toLocalInput(eyes.at)}
            onSave={(value) => {
              const to = fromLocalInput(value);
              if (to) wind(eyes.ahead + (Date.parse(to) - Date.parse(eyes.at)) / 1000);
            }}
            sx={{ width: 240 }}
          />
          <Button variant="outlined" disabled={busy} onClick={() => wind(eyes.ahead + DAY)}>
            {t('eyes.dayOn')}
          </Button>
          <Button variant="outlined" disabled={busy} onClick={() => wind(eyes.ahead + 7 * DAY)}>
            {t('eyes.weekOn')}
          </Button>
        </>
      )}
      {(!looks || (eyes?.ahead ?? 0) > 0) && (
        <Button variant="outlined" disabled={busy} onClick={start}>
          {t(looks ? 'eyes.toNow' : 'frame.startOver')}
        </Button>
      )}
      <Button
        variant="outlined"
        component={Link}
        to={`/c/${course.id}/${course.role === 'DESIGNER' ? 'plan/route' : 'watch/progress'}`}
      >
        {t(course.role === 'DESIGNER' ? 'frame.back' : 'eyes.backToWatch')}
      </Button>
    </Box>
  );
}

/** Starts over, and winds the clock: of a made-up learner for good, else for whoever looks. */
function useWalk(course: MyCourse, walk: WalkName, eyes: Eyes | undefined) {
  const client = useQueryClient();
  const navigate = useNavigate();
  const notice = useNotice();
  const { pathname } = useLocation();
  const fresh = async (to: string) => {
    await client.invalidateQueries();
    void navigate(to, { replace: true, state: { wound: Date.now() } });
  };
  const path = { course: course.id, walk };
  const onError = (e: Error) => notice({ tone: 'error', text: e.message });
  const again = useMutation({
    mutationFn: () =>
      api.POST('/api/courses/{course}/walks/{walk}/fresh-start', { params: { path } }),
    onSuccess: () => fresh(`${walkBase(course.id, walk)}/route`),
    onError,
  });
  const clock = useMutation({
    mutationFn: (ahead: number) =>
      body(
        api.PUT('/api/courses/{course}/walks/{walk}/clock', { params: { path }, body: { ahead } }),
      ),
    onSuccess: () => fresh(pathname),
    onError,
  });
  const learner = walk.split('-at-')[0] ?? walk;
  const looked = (as: string) =>
    void navigate(pathname.replace(`/${walk}/`, `/${as}/`), { replace: true });
  return {
    busy: again.isPending || clock.isPending,
    start: () => (watching(walk) ? looked(learner) : again.mutate()),
    wind: (ahead: number) => {
      const seconds = Math.round(ahead);
      if (!watching(walk)) clock.mutate(seconds);
      else {
        const now = Date.parse(eyes?.at ?? '') / 1000 - (eyes?.ahead ?? 0);
        looked(seconds > 0 ? `${learner}-at-${Math.round(now + seconds)}` : learner);
      }
    },
  };
}

/** Which groups a made-up learner is in. */
function GroupsOfWalk({ course, eyes }: { course: MyCourse; eyes: Eyes }) {
  const t = useTranslations();
  const client = useQueryClient();
  const navigate = useNavigate();
  const notice = useNotice();
  const { pathname } = useLocation();
  const groups = useQuery(queries.groups(course.id)).data ?? [];
  const join = useMutation({
    mutationFn: (ids: number[]) =>
      body(
        api.PUT('/api/courses/{course}/walks/{walk}/groups', {
          params: { path: { course: course.id, walk: 'practice' } },
          body: { groups: ids },
        }),
      ),
    onSuccess: async () => {
      await client.invalidateQueries();
      void navigate(pathname, { replace: true, state: { wound: Date.now() } });
    },
    onError: (e) => notice({ tone: 'error', text: e.message }),
  });
  if (groups.length === 0) return null;
  const names = groups.filter((g) => eyes.groups.includes(g.id)).map((g) => g.name);
  return (
    <TextField
      select
      fullWidth={false}
      label={t('eyes.groups')}
      value={eyes.groups}
      disabled={join.isPending}
      slotProps={{
        inputLabel: { shrink: true },
        select: {
          multiple: true,
          displayEmpty: true,
          renderValue: () => (names.length > 0 ? names.join(', ') : t('eyes.noGroup')),
        },
      }}
      onChange={(e) => join.mutate(e.target.value as unknown as number[])}
      sx={{ width: 170 }}
    >
      {groups.map((g) => (
        <MenuItem key={g.id} value={g.id}>
          {g.name}
        </MenuItem>
      ))}
    </TextField>
  );
}
