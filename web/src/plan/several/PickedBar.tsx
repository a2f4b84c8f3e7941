import { Box, Button, Menu, MenuItem, Typography } from '@mui/material';
import { lazy, type ReactNode, Suspense, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Design } from '../../api/client';
import { useKeys } from '../../ui/useKeys';
import { toModule } from '../order';
import type { Draft } from '../useDraft';
import type { Picked } from './usePicked';
import { useSeveral } from './useSeveral';

const DatesDialog = lazy(() => import('./DatesDialog'));
const AudienceDialog = lazy(() => import('./AudienceDialog'));
const RuleDialog = lazy(() => import('./RuleDialog'));

interface Props {
  design: Design;
  picked: Picked;
  draft: Draft;
}

/** How many steps are picked, and what can be done to all of them. */
export function PickedBar({ design, picked, draft }: Props) {
  const t = useTranslations();
  const several = useSeveral(design.course, draft);
  const [asking, setAsking] = useState<'rule' | 'dates' | 'audience' | null>(null);
  const { steps } = picked;
  useKeys({ Escape: () => asking === null && picked.clear() });
  const hidden = steps.some((s) => !s.published);
  const shown = steps.some((s) => s.published);
  const done = () => setAsking(null);
  // A refusal says itself in a notice.
  const quietly = (act: Promise<unknown>) => void act.catch(() => undefined);
  return (
    <Box
      role="toolbar"
      aria-label={t('plan.severalPicked', { count: steps.length })}
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        alignItems: 'center',
        gap: 0.5,
        px: 1,
        py: 0.5,
        minHeight: 40,
        position: 'sticky',
        top: 0,
        zIndex: 6,
        bgcolor: 'tone.indigoWash',
        borderBottom: 1,
        borderColor: 'divider',
      }}
    >
      <Typography role="status" sx={{ fontWeight: 700, mr: 1 }}>
        {t('plan.severalPicked', { count: steps.length })}
      </Typography>
      {hidden && (
        <Act onClick={() => quietly(several.set(steps, { published: true }))}>
          {t('plan.severalShow')}
        </Act>
      )}
      {shown && (
        <Act onClick={() => quietly(several.set(steps, { published: false }))}>
          {t('plan.severalHide')}
        </Act>
      )}
      <Act onClick={() => setAsking('rule')}>{t('plan.severalRule')} …</Act>
      <Act onClick={() => setAsking('dates')}>{t('plan.severalDates')} …</Act>
      <Act onClick={() => setAsking('audience')}>{t('plan.forWhom')} …</Act>
      <MoveTo
        design={design}
        onMove={(to) =>
          draft.order(
            design,
            toModule(
              design.modules,
              steps.map((s) => s.id),
              to,
            ),
          )
        }
      />
      <Act
        onClick={() => {
          quietly(several.remove(steps));
          picked.clear();
        }}
      >
        {t('common.remove')}
      </Act>
      <Button size="small" onClick={picked.clear} sx={{ ml: 'auto' }}>
        {t('plan.severalNone')}
      </Button>
      <Suspense fallback={null}>
        {asking === 'rule' && <RuleDialog steps={steps} several={several} onClose={done} />}
        {asking === 'dates' && <DatesDialog steps={steps} several={several} onClose={done} />}
        {asking === 'audience' && (
          <AudienceDialog design={design} steps={steps} several={several} onClose={done} />
        )}
      </Suspense>
    </Box>
  );
}

function Act({ onClick, children }: { onClick: () => void; children: ReactNode }) {
  return (
    <Button size="small" variant="outlined" onClick={onClick} sx={{ bgcolor: 'tone.panel' }}>
      {children}
    </Button>
  );
}

function MoveTo({ design, onMove }: { design: Design; onMove: (module: number) => void }) {
  const t = useTranslations();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <Button
        size="small"
        variant="outlined"
        aria-haspopup="menu"
        onClick={(e) => setAnchor(e.currentTarget)}
        sx={{ bgcolor: 'tone.panel' }}
      >
        {t('plan.severalMove')} ▾
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        {design.modules.map((m, n) => (
          <MenuItem
            key={m.id}
            onClick={() => {
              setAnchor(null);
              onMove(m.id);
            }}
          >
            {n + 1}. {m.name}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
