import {
  Avatar,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  Divider,
  IconButton,
  ListItemText,
  ListSubheader,
  Menu,
  MenuItem,
  Typography,
} from '@mui/material';
import { useColorScheme } from '@mui/material/styles';
import { useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useNavigate } from 'react-router';
import { api, type Me, type MyCourse } from '../api/client';
import { queries as resources } from '../api/queries';
import { endSession } from '../ui/session';
import { forgetUnsent, hasUnsent } from '../ui/unsent';

const NewCourseDialog = lazy(() => import('./NewCourseDialog'));
const NewFrameworkDialog = lazy(() => import('./NewFrameworkDialog'));

export function CourseSwitcher({ me, course }: { me: Me; course: MyCourse }) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [making, setMaking] = useState<'course' | 'framework' | null>(null);
  const part = (c: MyCourse) => {
    if (c.framework) return t('frame.framework');
    return c.role ? t(`frame.${c.role.toLowerCase()}`) : t('frame.learner');
  };
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
          maxWidth: { xs: 165, sm: 330 },
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
          {course.name} ▾
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
          {course.cohort
            ? `${course.cohort} · ${t('frame.week', { week: course.week, weeks: course.weeks })}`
            : part(course)}
        </Typography>
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        {me.courses.map((c, n) => [
          c.framework && !me.courses[n - 1]?.framework && (
            <ListSubheader key="institution">{t('frame.institution')}</ListSubheader>
          ),
          <MenuItem
            key={c.id}
            selected={c.id === course.id}
            onClick={() => {
              setAnchor(null);
              void navigate(`/c/${c.id}`);
            }}
          >
            <ListItemText
              primary={c.name}
              secondary={[c.cohort, part(c)].filter(Boolean).join(' · ')}
            />
          </MenuItem>,
        ])}
        {me.person?.administrator && [
          <Divider key="line" />,
          <MenuItem
            key="new"
            onClick={() => {
              setAnchor(null);
              setMaking('course');
            }}
          >
            {t('frame.newCourse')} …
          </MenuItem>,
          <MenuItem
            key="framework"
            onClick={() => {
              setAnchor(null);
              setMaking('framework');
            }}
          >
            {t('frame.newFramework')} …
          </MenuItem>,
        ]}
      </Menu>
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
  const { t } = useTranslation();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const { mode, systemMode, setMode } = useColorScheme();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [sure, setSure] = useState(false);
  const person = me.person;
  if (!person) return null;
  const dark = (mode === 'system' ? systemMode : mode) === 'dark';
  const initials = person.name
    .split(' ')
    .map((p) => p.charAt(0))
    .slice(0, 2)
    .join('');
  const signOut = async () => {
    forgetUnsent(person.id);
    await api.DELETE('/api/session');
    queries.setQueryData(resources.me().queryKey, { courses: [] });
    queries.removeQueries({ predicate: (q) => q.queryKey[0] !== 'me' });
    queries.getMutationCache().clear();
    endSession();
    void navigate('/');
  };
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
            bgcolor: 'tone.madder',
            color: 'primary.contrastText',
          }}
        >
          {initials}
        </Avatar>
      </IconButton>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        <Box sx={{ px: 2, py: 0.5 }}>
          <Typography sx={{ fontWeight: 700 }}>{person.name}</Typography>
          <Typography variant="caption" color="textSecondary">
            {person.email}
          </Typography>
        </Box>
        <Divider />
        <MenuItem
          onClick={() => {
            setMode(dark ? 'light' : 'dark');
            setAnchor(null);
          }}
        >
          {t(dark ? 'session.lightOn' : 'session.dark')}
        </MenuItem>
        <MenuItem
          onClick={() => {
            setAnchor(null);
            if (hasUnsent(person.id)) setSure(true);
            else void signOut();
          }}
        >
          {t('session.signOut')}
        </MenuItem>
      </Menu>
      <Dialog open={sure} onClose={() => setSure(false)} maxWidth="xs" fullWidth>
        <DialogTitle>{t('session.unsentTitle')}</DialogTitle>
        <DialogContent>
          <Typography>{t('session.unsent')}</Typography>
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setSure(false)} autoFocus>
            {t('common.cancel')}
          </Button>
          <Button variant="outlined" onClick={() => void signOut()}>
            {t('session.unsentDelete')}
          </Button>
        </DialogActions>
      </Dialog>
    </>
  );
}
