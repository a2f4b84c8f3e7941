import { Box, Button, Typography } from '@mui/material';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import * as z from 'zod/mini';
import { api, type BadgeDecision } from '../api/client';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { Field, FormDialog } from '../ui/FormDialog';
import { day } from '../ui/format';
import { useNotice } from '../ui/Notice';
import { useActKey } from '../ui/useActKey';
import { filled, useFields } from '../ui/useFields';

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
              <Box component="b" sx={{ ml: 1 }}>
                {d.name}
              </Box>
              {d.issued && (
                <Box component="span" sx={{ ml: 1 }}>
                  {t('reach.issuedOn', { date: day(d.issued) })}
                </Box>
              )}
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

const deciding = z.object({ keep: z.boolean(), reason: filled(), word: z.string() });

function DecideDialog({ decision, onClose }: { decision: BadgeDecision; onClose: () => void }) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const notice = useNotice();
  const fields = useFields(deciding, { keep: true, reason: '', word: '' });
  const once = useActKey();
  const decide = useMutation({
    mutationFn: (decided: z.infer<typeof deciding>) =>
      api.POST('/api/courses/{course}/decisions/{enrolment}/badges/{badge}', {
        params: {
          path: { course: course.id, enrolment: decision.enrolment, badge: decision.badge },
        },
        headers: once.headers(decided),
        body: decided,
      }),
    onSuccess: (_, { keep }) => {
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
  return (
    <FormDialog
      title={t('reach.decideTitle', { badge: decision.name, name: decision.learner })}
      fields={fields}
      send={decide}
      button={t('reach.keepBadge')}
      onClose={onClose}
      width="sm"
      byEnter={false}
      more={[{ says: t('reach.revokeBadge'), with: { keep: false } }]}
    >
      <Typography>{decision.why}</Typography>
      <Field of={fields} name="reason" label={t('reach.decideReason')} autoFocus required />
      <Field
        of={fields}
        name="word"
        label={t('reach.word', { name: decision.learner.split(' ')[0] ?? '' })}
        multiline
        minRows={3}
      />
    </FormDialog>
  );
}
