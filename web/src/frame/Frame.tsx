import { Box, Button, IconButton, Link as MuiLink, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { lazy, type ReactNode, Suspense, useState } from 'react';
import { Link, useLocation } from 'react-router';
import { useTranslations } from 'use-intl';
import type { Me, MyCourse } from '../api/client';
import { queries } from '../api/queries';
import type { WalkName } from '../kinds/room';
import { Unseen } from '../ui/Unseen';
import { useKeys, useKeysAnywhere } from '../ui/useKeys';
import { useLive } from '../ui/useLive';
import { usePageTitle } from '../ui/usePageTitle';
import { Boundary } from './Boundary';
import { Finding } from './find/Finding';
import type { Thing } from './find/found';
import { CourseSwitcher, PersonMenu } from './Menus';
import { nextPart } from './nextPart';
import { NotSaved, SavingState } from './SavingState';
import { OF_INSTITUTION, type Space, viewsOf } from './views';

const RunningJobs = lazy(async () => {
  const [loaded] = await Promise.all([import('./RunningJobs'), import('../i18n/staff')]);
  return loaded;
});
const EyesBand = lazy(async () => {
  const [loaded] = await Promise.all([import('./EyesBand'), import('../i18n/staff')]);
  return loaded;
});
const SeeAsDialog = lazy(async () => {
  const [loaded] = await Promise.all([import('./SeeAsDialog'), import('../i18n/staff')]);
  return loaded;
});
const NotSent = lazy(async () => {
  const [loaded] = await Promise.all([import('../teach/NotSent'), import('../i18n/staff')]);
  return loaded;
});
const UndoButton = lazy(async () => {
  const [loaded] = await Promise.all([import('../plan/undo/UndoButton'), import('../i18n/staff')]);
  return loaded;
});
const KeyList = lazy(() => import('./KeyList'));

const SPACES: Space[] = ['plan', 'teach', 'watch', 'reach'];
const LEARNER = ['route', 'outcomes', 'badges', 'calendar'] as const;

/** What a view of learners is called, a key of texts. */
const ownName = (view: string) => `frame.my${view.charAt(0).toUpperCase()}${view.slice(1)}`;

const doing = (id: string, name: string, go: () => void): Thing => ({ group: 'do', id, name, go });

export default function Frame({
  me,
  course,
  children,
}: {
  me: Me;
  course?: MyCourse;
  children: ReactNode;
}) {
  const t = useTranslations();
  const [keys, setKeys] = useState(false);
  const [finding, setFinding] = useState(false);
  const [seeing, setSeeing] = useState(false);
  const place = useLocation().pathname.split('/');
  const space = place[3] ?? '';
  const help = () => setKeys(true);
  useKeys({ '?': help, 'Shift+?': help });
  useKeysAnywhere({
    '$mod+k': () => setFinding(true),
    F6: () => nextPart(1),
    'Shift+F6': () => nextPart(-1),
  });
  const staffWalk = space === 'practice' || space.startsWith('as-');
  const walking = space === 'my' || staffWalk;
  const seeable = course?.role && !course.framework && !walking;
  usePageTitle('course', course?.name);
  const view = viewsBeside(course, place).find((v) => v.on)?.name;
  const own = walking ? LEARNER.find((name) => name === place[4]) : undefined;
  usePageTitle('view', view ? t(`frame.${view}`) : own && t(ownName(own)));
  // Route and calendar of learners have one that is seen.
  const ownList = own && own !== 'route' && own !== 'calendar' ? t(ownName(own)) : undefined;
  const letters = walking && place[4] === 'messages' ? t('frame.messages') : undefined;
  const heading = view ? t(`frame.${view}`) : (ownList ?? letters);
  return (
    <Box
      sx={{
        display: 'flex',
        flexDirection: 'column',
        height: '100dvh',
        bgcolor: 'tone.ground',
        '@media print': { height: 'auto' },
      }}
    >
      <MuiLink
        href="#main"
        sx={{
          position: 'absolute',
          left: -9999,
          '&:focus': { left: 8, top: 8, zIndex: 20, bgcolor: 'tone.panel', p: 1 },
        }}
      >
        {t('frame.skip')}
      </MuiLink>
      <Box
        component="header"
        sx={{
          display: 'flex',
          alignItems: 'center',
          gap: { xs: 1, lg: 2 },
          px: { xs: 1.25, lg: 2 },
          minHeight: 52,
          bgcolor: 'tone.band',
          color: 'tone.bandInk',
          flexWrap: 'wrap',
          '@media print': { display: 'none' },
        }}
      >
        {heading && <Unseen as="h1">{heading}</Unseen>}
        <Mark of={me.institution} />
        {(course || me.person?.administrator) && <CourseSwitcher me={me} course={course} />}
        <Box
          component="nav"
          aria-label={t('frame.workspaces')}
          sx={{
            flex: 1,
            display: 'flex',
            justifyContent: { xs: 'flex-start', md: 'center' },
            order: { xs: 3, md: 0 },
            flexBasis: { xs: '100%', md: 'auto' },
            pb: { xs: 0.75, md: 0 },
          }}
        >
          {course && !course.framework && (
            <Switch course={course} space={space} walking={walking} />
          )}
        </Box>
        <SavingState />
        {seeable && <SeeAs onAsk={() => setSeeing(true)} />}
        {course && !course.framework && !staffWalk && (
          <MessagesLink course={course} on={place[4] === 'messages'} />
        )}
        <Box sx={{ ml: 'auto', display: 'flex', alignItems: 'center' }}>
          <IconButton
            color="inherit"
            onClick={() => setFinding(true)}
            aria-label={t('find.title')}
            aria-keyshortcuts="Control+K"
            title={t('find.keys')}
          >
            <Glass />
          </IconButton>
          <PersonMenu me={me} />
        </Box>
      </Box>
      <NotSaved />
      <Suspense fallback={null}>
        {/* Of every course: what was signed off in one goes while somebody looks at another. */}
        {me.courses
          .filter((c) => c.role)
          .map((c) => (
            <NotSent key={c.id} course={c.id} />
          ))}
      </Suspense>
      {staffWalk && course && (
        <Suspense fallback={null}>
          <EyesBand course={course} walk={space as WalkName} />
        </Suspense>
      )}
      <ViewTabs course={course} place={place} />
      <Box
        sx={{
          flex: 1,
          minHeight: 0,
          display: 'flex',
          flexDirection: 'column',
          '@media print': { display: 'block' },
        }}
      >
        <Boundary>{children}</Boundary>
      </Box>
      {course?.role && (
        <Suspense fallback={null}>
          <RunningJobs course={course} />
        </Suspense>
      )}
      {seeing && course && (
        <Suspense fallback={null}>
          <SeeAsDialog course={course} onClose={() => setSeeing(false)} />
        </Suspense>
      )}
      {finding && (
        <Finding
          me={me}
          course={course}
          acts={[
            ...(seeable ? [doing('see', t('frame.seeAsLearner'), () => setSeeing(true))] : []),
            doing('keys', t('frame.keys'), help),
          ]}
          onClose={() => setFinding(false)}
        />
      )}
      {keys && (
        <Suspense fallback={null}>
          <KeyList onClose={() => setKeys(false)} />
        </Suspense>
      )}
    </Box>
  );
}

function Glass() {
  return (
    <svg width={20} height={20} viewBox="0 0 20 20" aria-hidden>
      <circle cx={8.5} cy={8.5} r={5.5} fill="none" stroke="currentColor" strokeWidth={2.2} />
      <path d="M12.8 12.8 18 18" stroke="currentColor" strokeWidth={2.6} strokeLinecap="round" />
    </svg>
  );
}

/** Asks through whose eyes one wants to look. */
function SeeAs({ onAsk }: { onAsk: () => void }) {
  const t = useTranslations();
  return (
    <Button color="inherit" onClick={onAsk} sx={{ display: { xs: 'none', sm: 'inline-flex' } }}>
      {t('frame.seeAsLearner')}
    </Button>
  );
}

/** One's own letters, with how many were not read. */
function MessagesLink({ course, on }: { course: MyCourse; on: boolean }) {
  const t = useTranslations();
  useLive(course.id, ['messages']);
  const unread = useQuery(queries.messages(course.id)).data?.unread ?? 0;
  return (
    <Button
      component={Link}
      to={`/c/${course.id}/${course.role ? 'reach' : 'my'}/messages`}
      color="inherit"
      aria-current={on ? 'page' : undefined}
      sx={{ textDecoration: on ? 'underline' : 'none', textUnderlineOffset: 6 }}
    >
      {unread > 0 ? t('frame.messagesUnread', { count: unread }) : t('frame.messages')}
    </Button>
  );
}

function Mark({ of }: { of: Me['institution'] }) {
  return (
    <Box
      component={Link}
      to="/"
      aria-label="yendrik"
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 1,
        color: 'inherit',
        textDecoration: 'none',
      }}
    >
      {of.picture && (
        <Box
          component="img"
          src={`/api/institution/picture/${of.picture}`}
          alt={of.name}
          sx={{ height: 28, maxWidth: 120, objectFit: 'contain' }}
        />
      )}
      <svg width={28} height={16} viewBox="0 0 28 16" aria-hidden>
        <path d="M5 8h18" stroke="currentColor" strokeWidth={2} />
        <circle cx={6} cy={8} r={5} fill="currentColor" />
        <circle
          cx={21}
          cy={8}
          r={4.4}
          fill="var(--mui-palette-tone-band)"
          stroke="currentColor"
          strokeWidth={2.2}
        />
      </svg>
      <Typography
        variant="h1"
        component="span"
        sx={{ fontSize: 20, display: { xs: 'none', sm: 'block' } }}
      >
        yendrik
      </Typography>
    </Box>
  );
}

function Switch({ course, space, walking }: { course: MyCourse; space: string; walking: boolean }) {
  const t = useTranslations();
  const place = useLocation().pathname.split('/');
  const base = `/c/${course.id}`;
  const views = viewsOf(course);
  const items = walking
    ? LEARNER.map((view) => ({
        to: `${base}/${space}/${view}`,
        label: t(ownName(view)),
        on: place[4] === view,
      }))
    : SPACES.flatMap((w) => {
        const own = views.filter((v) => v.space === w);
        const first = own.find((v) => v.begins) ?? own[0];
        return first
          ? [{ to: `${base}/${w}/${first.path}`, label: t(`frame.${w}`), on: space === w }]
          : [];
      });
  return (
    <Box
      sx={{
        display: 'flex',
        flexWrap: { xs: 'wrap', md: 'nowrap' },
        bgcolor: 'tone.bandRaised',
        borderRadius: 1,
        p: 0.4,
      }}
    >
      {items.map((item) => (
        <Box
          key={item.to}
          component={Link}
          to={item.to}
          aria-current={item.on ? 'page' : undefined}
          sx={{
            px: { xs: 1.25, lg: 2.2 },
            py: 0.6,
            borderRadius: '3px',
            typography: 'button',
            textDecoration: 'none',
            whiteSpace: 'nowrap',
            color: item.on ? 'tone.band' : 'tone.bandSoft',
            bgcolor: item.on ? 'tone.bandInk' : 'transparent',
            '&:hover': { color: item.on ? undefined : 'tone.bandInk' },
          }}
        >
          {item.label}
        </Box>
      ))}
    </Box>
  );
}

/** The views beside the one that is open: of a workspace of the course, or of the institution. */
function viewsBeside(course: MyCourse | undefined, place: string[]) {
  if (place[1] === 'institution')
    return OF_INSTITUTION.map((v) => ({
      ...v,
      to: `/institution/${v.path}`,
      on: place[2] === v.path,
    }));
  if (!course) return [];
  return viewsOf(course)
    .filter((v) => v.space === place[3])
    .map((v) => ({ ...v, to: `/c/${course.id}/${v.space}/${v.path}`, on: place[4] === v.path }));
}

function ViewTabs({ course, place }: { course: MyCourse | undefined; place: string[] }) {
  const t = useTranslations();
  const views = viewsBeside(course, place);
  if (views.length === 0) return null;
  return (
    <Box
      component="nav"
      aria-label={t('frame.views')}
      sx={{
        display: 'flex',
        alignItems: 'stretch',
        flexWrap: { xs: 'wrap', lg: 'nowrap' },
        columnGap: 2.5,
        px: 2,
        minHeight: 44,
        bgcolor: 'tone.panel',
        borderBottom: 1,
        borderColor: 'divider',
        '@media print': { display: 'none' },
      }}
    >
      {views.map((v) => (
        <Box
          key={v.path}
          component={Link}
          to={v.to}
          aria-current={v.on ? 'page' : undefined}
          sx={{
            display: 'flex',
            alignItems: 'center',
            typography: 'button',
            textDecoration: 'none',
            pt: '3px',
            minHeight: { xs: 44, md: 0 },
            color: v.on ? 'tone.ink' : 'tone.soft',
            borderBottom: '3px solid',
            borderColor: v.on ? 'tone.indigo' : 'transparent',
            '&:hover': { color: 'tone.ink' },
          }}
        >
          {t(`frame.${v.name}`)}
        </Box>
      ))}
      <Box sx={{ ml: { lg: 'auto' }, display: 'flex', minWidth: 0 }}>
        {place[3] === 'plan' && course && (
          <Suspense fallback={null}>
            <UndoButton key={course.id} course={course.id} />
          </Suspense>
        )}
      </Box>
      <Box
        id="view-actions"
        sx={{
          display: 'flex',
          flexWrap: { xs: 'wrap', lg: 'nowrap' },
          alignItems: 'center',
          gap: 1,
          // air below once they stand under the names of the views
          '&:not(:empty)': { pb: { xs: 1, lg: 0 } },
          '& > *': { whiteSpace: 'nowrap' },
        }}
      />
    </Box>
  );
}
