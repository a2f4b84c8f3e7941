import { Box, Button, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { type ReactNode, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { BadgeHeld, BadgeHolder } from '../../api/client';
import { queries } from '../../api/queries';
import { useCourse } from '../../frame/course';
import { BadgeDrawing } from '../../ui/BadgeDrawing';
import { day } from '../../ui/format';
import { Kicker, Loaded, Section } from '../../ui/Panel';
import { useLine } from '../../ui/useNames';
import { RevokeDialog } from './RevokeDialog';

const STATES = ['CURRENT', 'ENDS_SOON', 'ENDED', 'REVOKED'] as const;

/** Who holds a badge since when and why, who is close, who lost it. */
export function HoldersInspector({
  badge,
  onGive,
}: {
  badge: BadgeHeld;
  onGive: (to: number[]) => void;
}) {
  const t = useTranslations();
  const course = useCourse();
  const holders = useQuery(queries.badgeHolders(course.id, badge.badge));
  const [revoking, setRevoking] = useState<BadgeHolder | null>(null);
  return (
    <>
      <Kicker>{t('held.badge')}</Kicker>
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'center' }}>
        <BadgeDrawing picture={badge.picture} label={badge.picture.alt} size={72} />
        <div>
          <Typography variant="h1" component="h2">
            {badge.name}
          </Typography>
          {badge.surprise && (
            <Typography variant="body2" color="textSecondary">
              {t('held.surprise')}
            </Typography>
          )}
        </div>
      </Box>
      <Typography sx={{ mt: 1 }}>{badge.description}</Typography>
      {revoking && (
        <RevokeDialog badge={badge} holder={revoking} onClose={() => setRevoking(null)} />
      )}
      <Loaded query={holders}>
        {(data) => (
          <>
            {STATES.map((state) => {
              const those = data.holders.filter((h) => h.state === state);
              if (those.length === 0) return null;
              return (
                <Section key={state} title={t(`held.states.${state}`, { count: those.length })}>
                  {those.map((h) => (
                    <Holder key={h.enrolment} holder={h} onRevoke={() => setRevoking(h)} />
                  ))}
                </Section>
              );
            })}
            {data.close.length > 0 && (
              <Section title={t('held.oneStepAway', { count: data.close.length })}>
                {data.close.map((c) => (
                  <Line
                    key={c.enrolment}
                    name={c.name}
                    says={t('held.missing', { what: c.missing })}
                    act={
                      <Button size="small" onClick={() => onGive([c.enrolment])}>
                        {t('held.giveOne')}
                      </Button>
                    }
                  />
                ))}
              </Section>
            )}
            {data.holders.length === 0 && data.close.length === 0 && (
              <Typography color="textSecondary" sx={{ mt: 2 }}>
                {t('held.nobody')}
              </Typography>
            )}
          </>
        )}
      </Loaded>
    </>
  );
}

function Holder({ holder, onRevoke }: { holder: BadgeHolder; onRevoke: () => void }) {
  const t = useTranslations();
  const line = useLine();
  const gone = holder.state === 'REVOKED';
  return (
    <Line
      name={holder.name}
      says={line(
        ...[
          t('held.since', { date: day(holder.awardedAt) }),
          holder.times > 1 && t('held.times', { count: holder.times }),
          !gone && holder.endsAt && t('held.until', { date: day(holder.endsAt) }),
          holder.by !== undefined && t('held.by', { name: holder.by, reason: holder.reason }),
          gone &&
            t('held.revokedOn', {
              date: day(holder.revokedAt),
              reason: holder.revokedReason ?? '',
            }),
          holder.inDoubt && t('held.toDecide'),
        ].filter((part): part is string => typeof part === 'string'),
      )}
      act={
        <>
          {holder.evidence && (
            <Button size="small" href={holder.evidence} target="_blank" rel="noreferrer">
              {t('held.evidence')}
            </Button>
          )}
          {!gone && (
            <Button
              size="small"
              onClick={onRevoke}
              aria-label={t('held.revokeOf', { name: holder.name })}
            >
              {t('held.revoke')}
            </Button>
          )}
        </>
      }
    />
  );
}

function Line({ name, says, act }: { name: string; says: string; act: ReactNode }) {
  return (
    <Box
      sx={{
        display: 'flex',
        gap: 1,
        py: 0.5,
        borderBottom: 1,
        borderColor: 'divider',
        alignItems: 'flex-start',
      }}
    >
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Typography>{name}</Typography>
        <Typography variant="body2" color="textSecondary">
          {says}
        </Typography>
      </Box>
      <Box sx={{ flex: 'none' }}>{act}</Box>
    </Box>
  );
}
