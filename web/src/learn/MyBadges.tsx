import { Box, LinearProgress, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { MyBadge } from '../api/client';
import type { WalkName } from '../kinds/room';
import { BadgeDrawing } from '../ui/BadgeDrawing';
import { day } from '../ui/format';
import { Empty, Loaded } from '../ui/Panel';
import { useNeeds } from '../ui/Parts';
import { TakeAlong } from './TakeAlong';
import { useRoute } from './useRoute';

const FILTERS = ['allBadges', 'earnedFilter', 'endsSoon', 'notEarned', 'gone'] as const;

/** Whether a badge is among those that are asked for; what ended or was revoked is not held. */
const among = (badge: MyBadge, filter: (typeof FILTERS)[number]) =>
  ({
    allBadges: true,
    earnedFilter: badge.earned,
    endsSoon: badge.state === 'ENDS_SOON',
    notEarned: !badge.earned && !badge.state,
    gone: badge.state === 'ENDED' || badge.state === 'REVOKED',
  })[filter];

/** What an award is worth now, or how far one is from it. */
function Standing({ badge }: { badge: MyBadge }) {
  const t = useTranslations();
  const needs = useNeeds();
  const { state, at, until, said } = badge;
  const missing = badge.needs && needs(badge.needs);
  const share = Math.round((badge.needs?.fraction ?? 0) * 100);
  return (
    <Box sx={{ mt: 0.5, display: 'grid', gap: 0.25 }}>
      {state && state !== 'REVOKED' && (
        <Typography>{t('learn.earned', { date: day(at) })}</Typography>
      )}
      {until && (
        <Typography sx={{ color: state === 'CURRENT' ? 'tone.soft' : 'tone.ochreInk' }}>
          {t(`learn.badge.${state}`, { date: day(until) })}
        </Typography>
      )}
      {state === 'REVOKED' && (
        <Typography sx={{ color: 'tone.madder' }}>
          {t('learn.badge.REVOKED', { reason: said ?? '' })}
        </Typography>
      )}
      {said && state !== 'REVOKED' && <Typography>{t('learn.badge.said', { said })}</Typography>}
      {missing && (
        <Typography>
          {t(state ? 'learn.badge.again' : 'learn.badgeNeeds', { needs: missing })}
        </Typography>
      )}
      {!state && !badge.needs && <Typography>{t('learn.byHand')}</Typography>}
      {share > 0 && share < 100 && (
        <LinearProgress
          variant="determinate"
          value={share}
          aria-label={t('learn.badge.share', { name: badge.name, share })}
          sx={{ height: 5, borderRadius: 1, bgcolor: 'tone.slateTint' }}
        />
      )}
    </Box>
  );
}

export default function MyBadges({ walk }: { walk: WalkName }) {
  const t = useTranslations();
  const route = useRoute(walk);
  const [filter, setFilter] = useState<(typeof FILTERS)[number]>('allBadges');
  return (
    <Box
      component="main"
      id="main"
      tabIndex={0}
      sx={{ p: { xs: 2, md: 3 }, overflow: 'auto', outline: 0 }}
    >
      <ToggleButtonGroup
        exclusive
        size="small"
        value={filter}
        onChange={(_, next) => next && setFilter(next)}
        sx={{ mb: 2 }}
      >
        {FILTERS.filter(
          // what nobody would find anything by is not offered
          (f) => f === filter || route.data?.badges.some((b) => among(b, f)),
        ).map((f) => (
          <ToggleButton key={f} value={f}>
            {t(`learn.${f}`)}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      <Loaded query={route}>
        {(data) => {
          const shown = data.badges.filter((b) => among(b, filter));
          if (shown.length === 0) return <Empty title={t('learn.none')} />;
          return (
            <Box
              sx={{
                display: 'grid',
                gap: 1.5,
                gridTemplateColumns: 'repeat(auto-fill, minmax(300px, 1fr))',
              }}
            >
              {shown.map((b) => (
                <Box
                  key={b.id}
                  component="section"
                  sx={{
                    bgcolor: 'tone.panel',
                    border: 1,
                    borderColor: 'divider',
                    borderRadius: 1,
                    p: 2,
                    display: 'flex',
                    gap: 2,
                  }}
                >
                  <BadgeDrawing picture={b.picture} earned={b.earned} label="" size={72} />
                  <div>
                    <Typography variant="h2">{b.name}</Typography>
                    <Typography color="textSecondary">{b.description}</Typography>
                    <Standing badge={b} />
                  </div>
                </Box>
              ))}
            </Box>
          );
        }}
      </Loaded>
      {walk === 'mine' && <TakeAlong />}
    </Box>
  );
}
