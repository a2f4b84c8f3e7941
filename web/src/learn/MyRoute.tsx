import { Box, Button, Typography } from '@mui/material';
import { useId } from 'react';
import { Link } from 'react-router';
import { useTranslations } from 'use-intl';
import type { MyBadge, Route, RouteModule, StepLine } from '../api/client';
import { useCourse } from '../frame/course';
import { type WalkName, walkBase } from '../kinds/room';
import { BadgeDrawing } from '../ui/BadgeDrawing';
import { day } from '../ui/format';
import { Bead, Knot, Wedge } from '../ui/Glyphs';
import { Loaded, Section } from '../ui/Panel';
import { Missing, useNeeds } from '../ui/Parts';
import { ThreadString } from '../ui/ThreadString';
import { tone } from '../ui/tone';
import { AsIf } from './AsIf';
import { BadgeRow } from './BadgeRow';
import { CompletionCard } from './CompletionCard';
import { useRoute } from './useRoute';
import { WayThere } from './WayThere';

export default function MyRoute({ walk }: { walk: WalkName }) {
  const course = useCourse();
  const route = useRoute(walk);
  const base = walkBase(course.id, walk);
  return (
    <Loaded query={route}>
      {(data) => (
        <Box
          sx={{
            display: 'flex',
            flex: 1,
            minHeight: 0,
            flexDirection: { xs: 'column', md: 'row' },
            overflow: { xs: 'auto', md: 'hidden' },
          }}
        >
          <Box
            component="main"
            id="main"
            tabIndex={0}
            sx={{
              flex: { md: 1 },
              overflow: { md: 'auto' },
              px: { xs: 2, md: 4.25 },
              py: { xs: 2, md: 2.75 },
              outline: 0,
            }}
          >
            <Closing route={data} base={base} />
            <NextCard route={data} base={base} />
            {data.modules.map((m) => (
              <ModuleBlock
                key={m.id}
                module={m}
                base={base}
                walk={walk}
                current={m.steps.some((s) => s.id === data.next?.step)}
                badges={data.badges.filter((b) => b.module === m.id && b.earned)}
              />
            ))}
          </Box>
          <Side route={data} base={base} walk={walk} />
        </Box>
      )}
    </Loaded>
  );
}

/** What comes when everything is done stands first, for whoever it is open to. */
function Closing({ route, base }: { route: Route; base: string }) {
  const t = useTranslations();
  const open = route.modules
    .flatMap((m) => m.steps)
    .filter((s) => s.kind === 'CLOSING' && s.state !== 'CLOSED' && s.state !== 'MISSED');
  return open.map((s) => (
    <Box
      key={s.id}
      sx={{
        display: 'flex',
        gap: 2,
        alignItems: 'center',
        bgcolor: 'tone.lagoonTint',
        borderRadius: 1,
        p: 2,
        mb: 2,
      }}
    >
      <Typography variant="h2" component="p" sx={{ flex: 1 }}>
        {s.name}
      </Typography>
      <Button variant="contained" component={Link} to={`${base}/steps/${s.id}`}>
        {t('kind.CLOSING.begin')}
      </Button>
    </Box>
  ));
}

function NextCard({ route, base }: { route: Route; base: string }) {
  const t = useTranslations();
  const { next } = route;
  const frame = {
    bgcolor: 'tone.panel',
    border: 1,
    borderColor: 'divider',
    borderLeft: '5px solid',
    borderLeftColor: 'tone.madder',
    borderRadius: 1,
    p: 2.5,
    mb: 2,
  };
  if (!next)
    return (
      <Box sx={{ ...frame, borderLeftColor: 'tone.lagoon' }}>
        <Typography variant="h1">{route.said ?? t('learn.nothing')}</Typography>
        {!route.complete && <Typography>{t('learn.nothingHint')}</Typography>}
      </Box>
    );
  return (
    <Box sx={{ ...frame, display: 'flex', gap: 2, alignItems: 'center', flexWrap: 'wrap' }}>
      <Box sx={{ flex: 1, minWidth: 220 }}>
        <Typography variant="body2" color="textSecondary">
          {t('learn.next')} · {next.module}
        </Typography>
        <Typography variant="h1" component="h1" sx={{ my: 0.4 }}>
          {next.name}
        </Typography>
        <Typography>
          {next.why}.{' '}
          {next.opens.length > 0 && (
            <>
              {t('learn.opens')} <b>{next.opens.join(', ')}</b>.
            </>
          )}
        </Typography>
      </Box>
      <Button variant="contained" size="large" component={Link} to={`${base}/steps/${next.step}`}>
        {t(`kind.${next.kind}.begin`)}
      </Button>
    </Box>
  );
}

/** Where the thread runs, and where what hangs on it begins, in px from the left. */
const THREAD = 13;
const INDENT = 36;

function ModuleBlock({
  module,
  base,
  walk,
  current,
  badges,
}: {
  /** Those of this module that the learner holds. */
  badges: MyBadge[];
  module: RouteModule;
  base: string;
  walk: WalkName;
  current: boolean;
}) {
  const t = useTranslations();
  const news = module.steps.reduce((sum, step) => sum + step.unread, 0);
  const summary = !module.open
    ? ''
    : module.finished
      ? t('learn.allDone', { count: module.all })
      : t('learn.someDone', { done: module.done, count: module.all });
  const block = (
    <Box
      component="details"
      open={current || (module.open && (!module.finished || news > 0))}
      sx={{
        position: 'relative',
        pb: 1,
        // The thread of the route, on which knots and beads sit.
        '&::before': {
          content: '""',
          position: 'absolute',
          left: THREAD - 1,
          top: 0,
          bottom: 0,
          width: '2px',
          bgcolor: module.finished ? 'tone.lagoon' : 'tone.line',
        },
        '&:first-of-type::before': { top: 14 },
        '&[open] .string': { display: 'none' },
        '& > summary': { listStyle: 'none', cursor: 'pointer' },
        '& > summary::-webkit-details-marker': { display: 'none' },
      }}
    >
      <Box
        component="summary"
        sx={{
          display: 'flex',
          flexWrap: 'wrap',
          alignItems: 'center',
          columnGap: 1,
          py: 0.5,
          pl: `${INDENT}px`,
          position: 'relative',
        }}
      >
        <Box component="span" sx={{ position: 'absolute', left: THREAD - 11, top: 5 }}>
          <Knot size={22} filled={module.open} />
        </Box>
        <Typography
          variant="h2"
          component="h2"
          sx={{ color: module.open ? 'tone.ink' : 'tone.soft' }}
        >
          {module.name}
        </Typography>
        <Typography component="span" color="textSecondary">
          {summary}
        </Typography>
        {module.open && (
          <span className="string">
            <ThreadString parts={[module.steps]} />
          </span>
        )}
        {badges.map((b) => (
          <Box
            key={b.id}
            component="span"
            sx={{ display: 'inline-flex', alignItems: 'center', gap: 0.5 }}
          >
            <BadgeDrawing picture={b.picture} label="" size={24} />
            <b>{b.name}</b>
          </Box>
        ))}
        {!module.open && <Missing parts={module.missing} inline />}
      </Box>
      <Box component="ol" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {module.steps.map((step) => (
          <Line key={step.id} step={step} base={base} walk={walk} />
        ))}
      </Box>
    </Box>
  );
  const first = module.steps[0];
  if (module.open || walk !== 'practice' || !first) return block;
  // beside what folds, since nothing that folds may have a button in its head
  return (
    <>
      {block}
      <Box sx={{ mt: -1, mb: 1, ml: -1 }}>
        <AsIf step={first} name={module.name} closed />
      </Box>
    </>
  );
}

function Line({ step, base, walk }: { step: StepLine; base: string; walk: WalkName }) {
  const t = useTranslations();
  const closed = step.state === 'CLOSED' || step.state === 'MISSED';
  const name = (
    <Typography
      component={closed ? 'span' : Link}
      {...(closed ? {} : { to: `${base}/steps/${step.id}` })}
      sx={{
        fontWeight: closed ? 400 : 700,
        color: closed ? 'tone.soft' : 'tone.ink',
        textDecoration: 'none',
        '&:hover': { textDecoration: closed ? 'none' : 'underline' },
      }}
    >
      {step.name}
    </Typography>
  );
  return (
    <Box
      component="li"
      sx={{ display: 'flex', gap: 1.25, minHeight: 36, position: 'relative', py: 0.4 }}
    >
      <Box sx={{ width: INDENT - 10, pt: '1px', position: 'relative' }}>
        <Box sx={{ position: 'absolute', left: THREAD - 9 }}>
          <Bead bead={step} />
        </Box>
      </Box>
      <Box sx={{ flex: 1, minWidth: 0 }}>
        {name}
        {!step.required && (
          <Typography component="span" variant="caption" color="textSecondary">
            {' '}
            {t('learn.extra')}
          </Typography>
        )}
        {step.unread > 0 && (
          <Typography
            component="span"
            variant="body2"
            color="textPrimary"
            sx={{ ml: 1, fontWeight: 700 }}
          >
            {t('discuss.unread', { count: step.unread })}
          </Typography>
        )}
        {step.missing.length > 0 && <Missing parts={step.missing} inline />}
        {step.far && <WayThere walk={walk} step={step.id} name={step.name} />}
        {walk === 'practice' && <AsIf step={step} closed={closed} />}
      </Box>
      <Typography
        variant="body2"
        color={step.overdue ? 'error' : 'textSecondary'}
        sx={{ textAlign: 'right', flex: 'none', maxWidth: '45%' }}
      >
        {step.note}
        {step.overdue && (step.note ? `, ${t('state.overdue')}` : t('state.overdue'))}
      </Typography>
    </Box>
  );
}

function Side({ route, base, walk }: { route: Route; base: string; walk: WalkName }) {
  const t = useTranslations();
  const needs = useNeeds();
  const howFar = useId();
  const nearest =
    route.badges.find((b) => !b.earned && b.needs && b.needs.fraction > 0) ??
    route.badges.find((b) => !b.earned && b.needs);
  return (
    <Box
      component="aside"
      aria-labelledby={howFar}
      sx={{
        width: { md: 372 },
        flex: 'none',
        overflow: { md: 'auto' },
        bgcolor: 'tone.panel',
        borderLeft: { md: `1px solid ${tone('hairline')}` },
        p: 2.75,
      }}
    >
      <Box sx={{ display: 'grid', gap: 1 }}>
        <ThreadString parts={route.modules.map((m) => m.steps).filter((all) => all.length > 0)} />
        <div>
          <Typography variant="h2" id={howFar}>
            {t('learn.stepsDone', { done: route.done, count: route.steps })}
          </Typography>
          <Typography variant="body2" color="textSecondary">
            {route.said ??
              (route.behindDays > 0
                ? t('learn.behind', { count: route.behindDays })
                : t('learn.onPlan'))}
          </Typography>
        </div>
      </Box>
      <CompletionCard route={route} walk={walk} />
      <Section title={t('frame.myOutcomes')}>
        {route.outcomes.map((o) => (
          <Box
            key={o.id}
            component={Link}
            to={`${base}/outcomes`}
            sx={{
              display: 'flex',
              gap: 1.25,
              alignItems: 'center',
              py: 0.35,
              color: 'inherit',
              textDecoration: 'none',
            }}
          >
            <Wedge
              level={o.level}
              levels={o.levels}
              mastery={o.mastery}
              label={o.levelName || t('learn.noEvidence')}
            />
            <Typography>{o.name}</Typography>
          </Box>
        ))}
      </Section>
      <Section title={t('frame.myBadges')}>
        <BadgeRow badges={route.badges} />
        {nearest?.needs && (
          <Typography variant="body2" sx={{ mt: 1 }}>
            {t.rich('learn.badgeNext', {
              b: (name) => <b>{name}</b>,
              name: nearest.name,
              needs: needs(nearest.needs),
            })}
          </Typography>
        )}
      </Section>
      {route.attendance && (
        <Section title={t('learn.sessions')}>
          <Typography>
            {t('learn.attended', {
              there: route.attendance.attended,
              of: route.attendance.counted,
            })}
          </Typography>
        </Section>
      )}
      {route.coming.length > 0 && (
        <Section title={t('learn.coming')}>
          {route.coming.map((c) => (
            <Box key={c.id} sx={{ display: 'flex', gap: 1.5, py: 0.25 }}>
              <Typography color="textSecondary" sx={{ width: 86, flex: 'none' }}>
                {day(c.at)}
              </Typography>
              <Typography>{t(`learn.dated.${c.is}`, { name: c.name })}</Typography>
            </Box>
          ))}
        </Section>
      )}
    </Box>
  );
}
