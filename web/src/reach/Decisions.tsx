import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  TextField,
  Typography,
} from '@mui/material';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { api, type BadgeDecision } from '../api/client';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { day } from '../ui/format';
import { useNotice } from '../ui/Notice';
import { useActKey } from '../ui/useActKey';

/** Badges that would fall after a correction, each to be kept or revoked; nothing while there is none. */
export function Decisions({ onLearner }: { onLearner: (enrolment: number) => void }) {
  const t = useTranslations();
  const course = useCourse();
  const decisions = useQuery(queries.decisions(course.id));
  const [open, setOpen] = useState<BadgeDecision | null>(null);
  const list = decisions.data ?? [];
  if (list.length === 0) return null;
  return (
    <Box
      component="section"
      aria-label={t('reach.decisions', { count: list.length })}
      sx={{ bgcolor: 'tone.panel', border: 1, borderColor: 'divider', p: 1.5, mb: 2 }}
    >
      <Typography variant="h2">{t('reach.decisions', { count: list.length })}</Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
        {t('reach.decisionsHint')}
      </Typography>
      {list.map((d) => (
        <Box
          key={`${d.enrolment}-${d.badge}`}
          sx={{
            display: 'flex',
            gap: 1.5,
            alignItems: 'center',
            borderTop: 1,
            borderColor: 'divider',
            py: 0.75,
          }}
        >
          <Box sx={{ flex: 1, minWidth: 0 }}>
            <Typography>
              <Button
                onClick={() => onLearner(d.enrolment)}
                sx={{ p: 0, minWidth: 0, color: 'tone.ink', verticalAlign: 'baseline' }}
              >
                {d.learner}
              </Button>
              {' · '}
              <b>{d.name}</b>
              {d.issued && `, ${t('reach.issuedOn', { date: day(d.issued) })}`}
            </Typography>
            <Typography variant="body2" color="textSecondary">
              {d.why}
            </Typography>
          </Box>
          <Button variant="outlined" onClick={() => setOpen(d)}>
            {t('reach.decide')}
          </Button>
        </Box>
      ))}
      {open && <DecideDialog decision={open} onClose={() => setOpen(null)} />}
    </Box>
  );
}

function DecideDialog({ decision, onClose }: { decision: BadgeDecision; onClose: () => void }) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const notice = useNotice();
  const [reason, setReason] = useState('');
  const [word, setWord] = useState('');
  const once = useActKey();
  const decide = useMutation({
    mutationFn: (keep: boolean) =>
      api.POST('/api/courses/{course}/decisions/{enrolment}/badges/{badge}', {
        params: {
          path: { course: course.id, enrolment: decision.enrolment, badge: decision.badge },
        },
        headers: once.headers({ keep, reason, word }),
        body: { keep, reason, word },
      }),
    onSuccess: (_, keep) => {
      const text = t(keep ? 'reach.badgeKept' : 'reach.badgeRevoked', {
        name: decision.learner,
        badge: decision.name,
      });
      notice({ tone: 'success', text });
      for (const key of ['decisions', 'followUp', 'learner', 'progress'])
        void client.invalidateQueries({ queryKey: [key, course.id] });
      onClose();
    },
  });
  const ready = reason.trim().length >= 3 && !decide.isPending;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>
        {t('reach.decideTitle', { badge: decision.name, name: decision.learner })}
      </DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1.5 }}>
        <Typography>{decision.why}</Typography>
        {decide.error && <Alert severity="error">{decide.error.message}</Alert>}
        <TextField
          label={t('reach.decideReason')}
          value={reason}
          onChange={(e) => setReason(e.target.value)}
          autoFocus
          required
        />
        <TextField
          label={t('reach.word', { name: decision.learner.split(' ')[0] ?? '' })}
          value={word}
          onChange={(e) => setWord(e.target.value)}
          multiline
          minRows={3}
        />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{t('common.cancel')}</Button>
        <Button variant="outlined" disabled={!ready} onClick={() => decide.mutate(false)}>
          {t('reach.revokeBadge')}
        </Button>
        <Button variant="contained" disabled={!ready} onClick={() => decide.mutate(true)}>
          {t('reach.keepBadge')}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
