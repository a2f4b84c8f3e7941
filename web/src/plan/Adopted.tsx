import { Alert, Box, Button, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { Decision, DesignOutcome, DesignScale } from '../api/client';
import { useCourse } from '../frame/course';
import { useDecision } from './useDecision';

type Words = Pick<DesignOutcome, 'code' | 'name' | 'description'>;

/** The framework's words of today, each that differs from the course's with what it was. */
export function NewWords({ was, is }: { was: Words; is: Words }) {
  const changed = (['code', 'name', 'description'] as const).filter((k) => was[k] !== is[k]);
  return changed.map((k) => (
    <Typography key={k} variant="body2">
      <Box component="del" sx={{ color: 'tone.soft' }}>
        {was[k]}
      </Box>{' '}
      <Box component="ins" sx={{ textDecoration: 'none', fontWeight: 700 }}>
        {is[k] || '–'}
      </Box>
    </Typography>
  ));
}

export function Decide({
  onDecide,
  busy,
}: {
  onDecide: (decision: Decision) => void;
  busy: boolean;
}) {
  const t = useTranslations();
  return (
    <Box sx={{ display: 'flex', gap: 1, mt: 1 }}>
      <Button size="small" variant="contained" disabled={busy} onClick={() => onDecide('TAKE')}>
        {t('plan.takeWords')}
      </Button>
      <Button size="small" variant="outlined" disabled={busy} onClick={() => onDecide('KEEP')}>
        {t('plan.keepWords')}
      </Button>
    </Box>
  );
}

/** Where an adopted outcome comes from and what its framework says by now. */
export function AdoptedOutcome({ outcome }: { outcome: DesignOutcome }) {
  const { adopted } = outcome;
  if (!adopted) return null;
  return (
    <AdoptedBand
      part="outcomes"
      id={outcome.id}
      framework={adopted.framework}
      gone={adopted.gone}
      news={adopted.news && <NewWords was={outcome} is={adopted.news} />}
    />
  );
}

/** The same for a scale. */
export function AdoptedScale({ scale }: { scale: DesignScale }) {
  const { adopted } = scale;
  if (!adopted) return null;
  return (
    <AdoptedBand
      part="scales"
      id={scale.id}
      framework={adopted.framework}
      gone={adopted.gone}
      news={adopted.news.length > 0 && <Lines lines={adopted.news} />}
    />
  );
}

export function Lines({ lines }: { lines: string[] }) {
  return lines.map((line) => (
    <Typography key={line} variant="body2">
      {line}
    </Typography>
  ));
}

function AdoptedBand({
  part,
  id,
  framework,
  gone,
  news,
}: {
  part: 'outcomes' | 'scales';
  id: number;
  framework: string;
  gone: boolean;
  news: React.ReactNode;
}) {
  const t = useTranslations();
  const decide = useDecision(useCourse().id);
  return (
    <Box sx={{ borderLeft: 3, borderColor: 'tone.indigo', pl: 1.25, display: 'grid', gap: 0.5 }}>
      <Typography variant="body2">
        <b>{t('plan.belongs', { framework })}</b>{' '}
        {gone ? t('plan.goneFrom', { framework }) : t('plan.belongsHint')}
      </Typography>
      {news && (
        <Alert role="status" severity="info" icon={false}>
          {t('plan.reads')}
          {news}
          <Decide
            busy={decide.isPending}
            onDecide={(decision) => decide.mutate({ part, id, decision })}
          />
        </Alert>
      )}
      {decide.error && <Alert severity="error">{decide.error.message}</Alert>}
      <Button
        size="small"
        variant="outlined"
        sx={{ justifySelf: 'start' }}
        disabled={decide.isPending}
        onClick={() => decide.mutate({ part, id, decision: 'OWN' })}
      >
        {t('plan.makeOwn')}
      </Button>
    </Box>
  );
}
