import { Box, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { Design, DesignOutcome } from '../api/client';
import { useCourse } from '../frame/course';

/** One outcome in the list: its scale, how its level is found, and where evidence comes from. */
export function OutcomeRow({
  outcome,
  depth,
  design,
  chosen,
  onSelect,
}: {
  outcome: DesignOutcome;
  /** How deep its group lies. */
  depth: number;
  design: Design;
  chosen: boolean;
  onSelect: () => void;
}) {
  const t = useTranslations();
  const { framework } = useCourse();
  const scale = design.scales.find((s) => s.id === outcome.scale);
  const steps = design.modules
    .flatMap((m) => m.steps)
    .filter((s) => s.evidenceFor.some((tie) => tie.outcome === outcome.id))
    .map((s) => s.name);
  const parts = design.outcomes
    .filter((o) => outcome.madeOf?.parts.includes(o.id))
    .map((o) => o.code);
  const from = outcome.madeOf ? parts : steps;
  return (
    <Box
      sx={{
        borderBottom: 1,
        borderColor: 'divider',
        color: outcome.retired ? 'tone.soft' : undefined,
      }}
    >
      <Box
        component="button"
        type="button"
        onClick={onSelect}
        aria-pressed={chosen}
        sx={{
          font: 'inherit',
          color: 'inherit',
          textAlign: 'left',
          width: '100%',
          border: 0,
          cursor: 'pointer',
          display: 'grid',
          gridTemplateColumns: { xs: '70px 1fr', md: '76px minmax(0, 1.2fr) 150px minmax(0, 1fr)' },
          gap: 1.5,
          alignItems: 'baseline',
          pl: 1.5 + Math.max(0, depth - 1) * 1.5,
          pr: 1.5,
          py: 1,
          bgcolor: chosen ? 'tone.indigoWash' : 'transparent',
          boxShadow: chosen ? 'inset 3px 0 0 var(--mui-palette-tone-indigo)' : 'none',
          '&:hover': { bgcolor: chosen ? undefined : 'tone.ground' },
        }}
      >
        <Code code={outcome.code} />
        <Typography sx={{ fontWeight: 700 }}>
          {outcome.name}
          {outcome.adopted && (
            <Box component="span" sx={{ color: 'tone.indigo', fontWeight: 400, fontSize: 12 }}>
              {' '}
              {outcome.adopted.framework}
            </Box>
          )}
        </Typography>
        <Typography variant="body2" color="textSecondary">
          {scale?.name},{' '}
          {outcome.madeOf
            ? t('plan.madeOfCount', { count: outcome.madeOf.parts.length })
            : t(`plan.methods.${outcome.levelRule.method}`)}
        </Typography>
        {framework && !outcome.madeOf ? (
          <Typography variant="body2" color="textSecondary" noWrap title={outcome.description}>
            {outcome.description}
          </Typography>
        ) : (
          <Typography
            variant="body2"
            noWrap
            title={from.join(', ')}
            color={from.length ? 'textSecondary' : 'error'}
          >
            {from.length ? from.join(', ') : t('plan.nowhere')}
          </Typography>
        )}
      </Box>
    </Box>
  );
}

export function Code({ code }: { code: string }) {
  return (
    <Box
      component="span"
      sx={{
        justifySelf: 'start',
        px: 0.7,
        py: 0.1,
        borderRadius: '3px',
        bgcolor: 'tone.indigoTint',
        color: 'tone.indigo',
        fontSize: 12,
        fontWeight: 700,
        whiteSpace: 'nowrap',
      }}
    >
      {code}
    </Box>
  );
}
