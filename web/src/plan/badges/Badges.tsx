import { Box, Button, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense } from 'react';
import { useSearchParams } from 'react-router';
import { useTranslations } from 'use-intl';
import { api, body, type DesignBadge } from '../../api/client';
import { queries } from '../../api/queries';
import { Actions } from '../../frame/Actions';
import { useCourse } from '../../frame/course';
import { BadgeDrawing } from '../../ui/BadgeDrawing';
import { Empty, Loaded, WithInspector } from '../../ui/Panel';
import { useAsked } from '../../ui/useAsked';
import { useSelection } from '../../ui/useSelection';
import { CopyIn } from '../copying/CopyIn';
import { badgeEdit } from '../edits';
import { useDraft } from '../useDraft';
import { FIRST } from './art';
import type { At } from './at';
import { BadgeInspector } from './BadgeInspector';
import { lastingInWords } from './lasting';

const Studio = lazy(() => import('./Studio'));

const PaperStudio = lazy(() => import('./paper/PaperStudio'));

/** Whether the chosen badge is drawn or laid out stands in the address. */
function useAt(): [At, (at: At) => void] {
  const [params, setParams] = useSearchParams();
  const go = (at: At) =>
    setParams(
      (now) => {
        const next = new URLSearchParams(now);
        next.delete('draw');
        next.delete('paper');
        if (at !== 'all') next.set(at, '1');
        return next;
      },
      { replace: true },
    );
  return [params.has('draw') ? 'draw' : params.has('paper') ? 'paper' : 'all', go];
}

export default function Badges() {
  const t = useTranslations();
  const course = useCourse();
  const draft = useDraft(course.id);
  const [sel, select] = useSelection();
  const [at, go] = useAt();
  const design = useQuery(queries.design(course.id));
  const chosen = design.data?.badges.find((b) => `${b.id}` === sel);
  const make = (like: Partial<DesignBadge>) =>
    draft.add(
      'badges',
      () =>
        body(
          api.POST('/api/courses/{course}/design/badges', {
            params: { path: { course: course.id } },
            body: {
              name: t('plan.newBadge'),
              description: '',
              picture: { art: FIRST, alt: '' },
              surprise: false,
              ...like,
            } as ReturnType<typeof badgeEdit>,
          }),
        ),
      (made) => select(`${made.id}`),
    );
  useAsked({ badge: () => make({}) });
  const copy = (badge: DesignBadge) =>
    make({
      ...(badgeEdit(badge) as unknown as DesignBadge),
      name: t('badge.copyOf', { name: badge.name }).slice(0, 100),
    });
  const Part = at === 'draw' ? Studio : PaperStudio;
  const open = at === 'all' ? undefined : chosen;
  return (
    <WithInspector
      inspector={
        chosen && design.data ? (
          <BadgeInspector
            key={chosen.id}
            badge={chosen}
            design={design.data}
            draft={draft}
            at={at}
            onGo={go}
            onCopy={() => copy(chosen)}
            onGone={() => select(null)}
          />
        ) : null
      }
      onClose={() => select(null)}
    >
      <Actions>
        {open && (
          <Button variant="outlined" onClick={() => go('all')}>
            {t('badge.all')}
          </Button>
        )}
        <CopyIn design={design.data} draft={draft} />
        <Button variant="contained" onClick={() => make({})}>
          {t('plan.addBadge')}
        </Button>
      </Actions>
      <Loaded query={design}>
        {(data) =>
          open ? (
            <Suspense fallback={null}>
              <Part key={open.id} badge={open} draft={draft} />
            </Suspense>
          ) : data.badges.length === 0 ? (
            <Empty
              title={t('plan.emptyBadges')}
              action={
                <Button variant="contained" onClick={() => make({})}>
                  {t('plan.addBadge')}
                </Button>
              }
            />
          ) : (
            <Box
              sx={{
                display: 'grid',
                gap: 1.25,
                gridTemplateColumns: 'repeat(auto-fill, minmax(330px, 1fr))',
              }}
            >
              {data.badges.map((b) => (
                <Tile
                  key={b.id}
                  badge={b}
                  module={data.modules.find((m) => m.id === b.module)?.name}
                  chosen={`${b.id}` === sel}
                  onChoose={() => select(`${b.id}`)}
                />
              ))}
            </Box>
          )
        }
      </Loaded>
    </WithInspector>
  );
}

function Tile({
  badge,
  module,
  chosen,
  onChoose,
}: {
  badge: DesignBadge;
  module: string | undefined;
  chosen: boolean;
  onChoose: () => void;
}) {
  const t = useTranslations();
  return (
    <Box
      component="button"
      type="button"
      aria-pressed={chosen}
      onClick={onChoose}
      sx={{
        font: 'inherit',
        color: 'inherit',
        textAlign: 'left',
        cursor: 'pointer',
        display: 'flex',
        gap: 2,
        alignItems: 'flex-start',
        bgcolor: chosen ? 'tone.indigoTint' : 'tone.panel',
        border: 1,
        borderColor: chosen ? 'tone.indigo' : 'divider',
        borderRadius: 1,
        p: 1.75,
      }}
    >
      <BadgeDrawing picture={badge.picture} label="" size={72} />
      <Box sx={{ minWidth: 0 }}>
        <Typography variant="h2">{badge.name}</Typography>
        <Typography variant="body2" color="textSecondary">
          {[module, lastingInWords(badge, t)].filter(Boolean).join(' · ')}
        </Typography>
        <Typography
          variant="body2"
          sx={{
            display: '-webkit-box',
            overflow: 'hidden',
            WebkitLineClamp: 3,
            WebkitBoxOrient: 'vertical',
          }}
        >
          <Box component="span" sx={{ color: 'tone.soft' }}>
            {t('plan.earnedWhen')}
          </Box>{' '}
          {badge.earnedWhen?.line ?? t('plan.byHand')}
        </Typography>
      </Box>
    </Box>
  );
}
