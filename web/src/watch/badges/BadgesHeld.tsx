import { Box, Button, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { useTranslations } from 'use-intl';
import type { BadgeHeld } from '../../api/client';
import { queries } from '../../api/queries';
import { Actions } from '../../frame/Actions';
import { useCourse } from '../../frame/course';
import { BadgeDrawing } from '../../ui/BadgeDrawing';
import { Empty, Loaded, WithInspector } from '../../ui/Panel';
import { useLive } from '../../ui/useLive';
import { useSelection } from '../../ui/useSelection';
import { Certificates } from './Certificates';
import { GiveDialog } from './GiveDialog';
import { HoldersInspector } from './HoldersInspector';

/** The badges of the course and their holders, or the register of its certificates. */
export default function BadgesHeld() {
  const t = useTranslations();
  const [params, setParams] = useSearchParams();
  const register = params.has('register');
  return (
    <>
      <Actions>
        <ToggleButtonGroup
          exclusive
          size="small"
          value={register ? 'register' : 'holders'}
          aria-label={t('held.shown')}
          onChange={(_, next) =>
            next && setParams(next === 'register' ? { register: '1' } : {}, { replace: true })
          }
        >
          <ToggleButton value="holders">{t('held.holdersOf')}</ToggleButton>
          <ToggleButton value="register">{t('held.register')}</ToggleButton>
        </ToggleButtonGroup>
      </Actions>
      {register ? <Certificates /> : <Held />}
    </>
  );
}

/** Who holds which badge, who is close, and giving them by hand. */
function Held() {
  const t = useTranslations();
  const course = useCourse();
  useLive(course.id, ['badges-held']);
  const [sel, select] = useSelection();
  const badges = useQuery(queries.badgesHeld(course.id));
  const [giving, setGiving] = useState<{ badge: BadgeHeld; to: number[] } | null>(null);
  const chosen = badges.data?.find((b) => `${b.badge}` === sel);
  return (
    <WithInspector
      inspector={
        chosen ? (
          <HoldersInspector
            key={chosen.badge}
            badge={chosen}
            onGive={(to) => setGiving({ badge: chosen, to })}
          />
        ) : null
      }
      onClose={() => select(null)}
    >
      {chosen && (
        <Actions>
          <Button variant="contained" onClick={() => setGiving({ badge: chosen, to: [] })}>
            {t('held.give')}
          </Button>
        </Actions>
      )}
      {giving && <GiveDialog {...giving} onClose={() => setGiving(null)} />}
      <Loaded query={badges}>
        {(data) =>
          data.length === 0 ? (
            <Empty title={t('held.none')} hint={t('held.noneHint')} />
          ) : (
            <Box
              component="table"
              sx={{
                borderCollapse: 'collapse',
                width: '100%',
                bgcolor: 'tone.panel',
                border: 1,
                borderColor: 'divider',
                '& th, & td': { textAlign: 'left', p: 1, borderBottom: 1, borderColor: 'divider' },
                '& .number': { textAlign: 'right', whiteSpace: 'nowrap' },
              }}
            >
              <thead>
                <tr>
                  <th>{t('held.badge')}</th>
                  <th className="number">{t('held.holders')}</th>
                  <th className="number">{t('held.endsSoon')}</th>
                  <th className="number">{t('held.close')}</th>
                  <th className="number">{t('held.ended')}</th>
                  <th className="number">{t('held.revoked')}</th>
                </tr>
              </thead>
              <tbody>
                {data.map((b) => (
                  <Row
                    key={b.badge}
                    badge={b}
                    chosen={`${b.badge}` === sel}
                    onChoose={() => select(`${b.badge}`)}
                  />
                ))}
              </tbody>
            </Box>
          )
        }
      </Loaded>
    </WithInspector>
  );
}

function Row({
  badge,
  chosen,
  onChoose,
}: {
  badge: BadgeHeld;
  chosen: boolean;
  onChoose: () => void;
}) {
  const t = useTranslations();
  const few = (n: number) => (n === 0 ? <Box sx={{ color: 'tone.soft' }}>–</Box> : n);
  return (
    <Box component="tr" sx={{ bgcolor: chosen ? 'tone.indigoTint' : undefined }}>
      <td>
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
            bgcolor: 'transparent',
            border: 0,
            p: 0,
            width: '100%',
            display: 'flex',
            gap: 1.5,
            alignItems: 'center',
          }}
        >
          <BadgeDrawing picture={badge.picture} label="" size={40} />
          <Box sx={{ minWidth: 0 }}>
            <Typography sx={{ fontWeight: 700 }}>{badge.name}</Typography>
            <Typography variant="body2" color="textSecondary">
              {badge.earnedWhen || t('plan.byHand')}
            </Typography>
          </Box>
        </Box>
      </td>
      <td className="number">
        <b>{few(badge.holders)}</b>
        {badge.inDoubt > 0 && (
          <Typography variant="caption" sx={{ color: 'tone.ochreInk', display: 'block' }}>
            {t('held.inDoubt', { count: badge.inDoubt })}
          </Typography>
        )}
      </td>
      <td className="number">{few(badge.endsSoon)}</td>
      <td className="number">{few(badge.close)}</td>
      <td className="number">{few(badge.ended)}</td>
      <td className="number">{few(badge.revoked)}</td>
    </Box>
  );
}
