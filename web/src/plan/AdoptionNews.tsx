import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  Typography,
} from '@mui/material';
import { type ReactNode, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Decision, Design } from '../api/client';
import { useCourse } from '../frame/course';
import { Empty } from '../ui/Panel';
import { Decide, Lines, NewWords } from './Adopted';
import { useDecision } from './useDecision';

/** That frameworks have changed what was adopted, with the way to decide about each. */
export function AdoptionNews({ design }: { design: Design }) {
  const t = useTranslations();
  const [open, setOpen] = useState(false);
  const decide = useDecision(useCourse().id);
  const outcomes = design.outcomes.filter((o) => o.adopted?.news);
  const scales = design.scales.filter((s) => (s.adopted?.news.length ?? 0) > 0);
  const count = outcomes.length + scales.length;
  if (count === 0 && !open) return null;
  return (
    <>
      {count > 0 && (
        <Alert
          role="status"
          severity="info"
          icon={false}
          sx={{ mb: 1 }}
          action={
            <Button color="inherit" size="small" onClick={() => setOpen(true)}>
              {t('plan.newsSee')}
            </Button>
          }
        >
          {t('plan.newsCount', { count })}
        </Alert>
      )}
      {open && (
        <Dialog open onClose={() => setOpen(false)} fullWidth maxWidth="sm">
          <DialogTitle>{t('plan.newsTitle')}</DialogTitle>
          <DialogContent sx={{ display: 'grid', gap: 1.5 }}>
            {decide.error && <Alert severity="error">{decide.error.message}</Alert>}
            {count === 0 && <Empty title={t('plan.newsNone')} />}
            {scales.map((s) => (
              <News
                key={`s${s.id}`}
                title={s.name}
                framework={s.adopted?.framework ?? ''}
                busy={decide.isPending}
                onDecide={(decision) => decide.mutate({ part: 'scales', id: s.id, decision })}
              >
                <Lines lines={s.adopted?.news ?? []} />
              </News>
            ))}
            {outcomes.map((o) => (
              <News
                key={o.id}
                title={o.code}
                framework={o.adopted?.framework ?? ''}
                busy={decide.isPending}
                onDecide={(decision) => decide.mutate({ part: 'outcomes', id: o.id, decision })}
              >
                {o.adopted?.news && <NewWords was={o} is={o.adopted.news} />}
              </News>
            ))}
          </DialogContent>
          <DialogActions>
            <Button onClick={() => setOpen(false)}>{t('common.close')}</Button>
          </DialogActions>
        </Dialog>
      )}
    </>
  );
}

function News({
  title,
  framework,
  busy,
  onDecide,
  children,
}: {
  title: string;
  framework: string;
  busy: boolean;
  onDecide: (decision: Decision) => void;
  children: ReactNode;
}) {
  return (
    <Box component="section" sx={{ borderBottom: 1, borderColor: 'divider', pb: 1.5 }}>
      <Typography variant="h2" component="h3">
        {title}{' '}
        <Typography component="span" variant="body2" color="textSecondary">
          {framework}
        </Typography>
      </Typography>
      {children}
      <Decide busy={busy} onDecide={onDecide} />
    </Box>
  );
}
