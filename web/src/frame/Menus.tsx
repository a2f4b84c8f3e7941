import { Avatar, Box, Button, IconButton, Typography } from '@mui/material';
import { lazy, Suspense, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Me, MyCourse } from '../api/client';
import { useLine } from '../ui/useNames';
import type { About } from './AccountMenu';

// Menus are fetched when they are opened first: most of a visit needs none.
const CourseMenu = lazy(() => import('./CourseMenu'));
const AccountMenu = lazy(() => import('./AccountMenu'));

const PasswordDialog = lazy(() => import('../session/PasswordDialog'));
const SessionsDialog = lazy(() => import('../session/SessionsDialog'));
const NewCourseDialog = lazy(() => import('./NewCourseDialog'));
const NewFrameworkDialog = lazy(() => import('./NewFrameworkDialog'));

export function CourseSwitcher({ me, course }: { me: Me; course?: MyCourse | undefined }) {
  const t = useTranslations();
  const line = useLine();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [making, setMaking] = useState<'course' | 'framework' | null>(null);
  const part = (c: MyCourse) => {
    if (c.framework) return t('frame.framework');
    return c.role ? t(`frame.${c.role.toLowerCase()}`) : t('frame.learner');
  };
  const where = (c: MyCourse) =>
    c.cohort ? line(c.cohort, t('frame.week', { week: c.week, weeks: c.weeks })) : part(c);
  return (
    <>
      <Button
        color="inherit"
        onClick={(e) => setAnchor(e.currentTarget)}
        aria-haspopup="menu"
        title={t('frame.switch')}
        sx={{
          display: 'block',
          textAlign: 'left',
          borderLeft: 1,
          borderColor: 'tone.bandRaised',
          borderRadius: 0,
          py: 0.25,
          minWidth: 0,
          maxWidth: { xs: 118, sm: 330 },
        }}
      >
        <Box
          component="span"
          sx={{
            display: 'block',
            overflow: 'hidden',
            textOverflow: 'ellipsis',
            whiteSpace: 'nowrap',
            lineHeight: 1.25,
          }}
        >
          {course?.name ?? me.institution.name} ▾
        </Box>
        <Typography
          variant="caption"
          component="span"
          sx={{
            display: 'block',
            color: 'tone.bandSoft',
            lineHeight: 1.2,
            overflow: 'hidden',
            textOverflow: 'ellipsis',
            whiteSpace: 'nowrap',
          }}
        >
          {course ? where(course) : t('frame.institution')}
        </Typography>
      </Button>
      {anchor && (
        <Suspense fallback={null}>
          <CourseMenu
            me={me}
            course={course}
            anchor={anchor}
            part={part}
            onClose={() => setAnchor(null)}
            onMake={setMaking}
          />
        </Suspense>
      )}
      {making && (
        <Suspense fallback={null}>
          {making === 'course' ? (
            <NewCourseDialog onClose={() => setMaking(null)} />
          ) : (
            <NewFrameworkDialog onClose={() => setMaking(null)} />
          )}
        </Suspense>
      )}
    </>
  );
}

export function PersonMenu({ me }: { me: Me }) {
  const t = useTranslations();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [about, setAbout] = useState<About | null>(null);
  const person = me.person;
  if (!person) return null;
  const initials = person.name
    .split(' ')
    .map((p) => p.charAt(0))
    .slice(0, 2)
    .join('');
  return (
    <>
      <IconButton
        onClick={(e) => setAnchor(e.currentTarget)}
        aria-label={t('session.menu', { initials, name: person.name })}
        aria-haspopup="menu"
        size="small"
      >
        <Avatar
          sx={{
            width: 28,
            height: 28,
            typography: 'caption',
            fontWeight: 700,
            bgcolor: 'tone.bandRaised',
            color: 'tone.bandInk',
            border: 1,
            borderColor: 'tone.bandSoft',
          }}
        >
          {initials}
        </Avatar>
      </IconButton>
      {anchor && (
        <Suspense fallback={null}>
          <AccountMenu
            person={person}
            anchor={anchor}
            onAsk={(asked) => {
              setAnchor(null);
              setAbout(asked);
            }}
            onClose={() => setAnchor(null)}
          />
        </Suspense>
      )}
      {about && (
        <Suspense fallback={null}>
          {about === 'password' && <PasswordDialog onClose={() => setAbout(null)} />}
          {about === 'sessions' && <SessionsDialog onClose={() => setAbout(null)} />}
        </Suspense>
      )}
    </>
  );
}
