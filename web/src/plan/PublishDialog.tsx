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
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { ApiError, api, body, type Impact } from '../api/client';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { Loaded } from '../ui/Panel';

const NAMES = 5;

/** What publishing does to learners, and the button that does it. */
export function PublishDialog({ onClose }: { onClose: () => void }) {
  const { t } = useTranslation();
  const course = useCourse();
  const client = useQueryClient();
  const impact = useQuery(queries.impact(course.id));
  const publish = useMutation({
    mutationFn: () =>
      body(
        api.POST('/api/courses/{course}/publications', { params: { path: { course: course.id } } }),
      ),
    onSuccess: async () => {
      await client.invalidateQueries();
      onClose();
    },
  });
  const findings = impact.error instanceof ApiError ? impact.error.problem.findings : undefined;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>{t('plan.impactTitle')}</DialogTitle>
      <DialogContent>
        {findings ? (
          <Alert severity="error">
            {findings.map((f) => (
              <Typography key={f}>{f}</Typography>
            ))}
          </Alert>
        ) : (
          <Loaded query={impact}>{(data) => <Consequences impact={data} />}</Loaded>
        )}
        {publish.error && <Alert severity="error">{publish.error.message}</Alert>}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{t('common.cancel')}</Button>
        <Button
          variant="contained"
          disabled={!impact.data || publish.isPending}
          onClick={() => publish.mutate()}
        >
          {t('plan.publishNow')}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

function Consequences({ impact }: { impact: Impact }) {
  const { t } = useTranslation();
  if (impact.learners === 0) return <Typography>{t('plan.impactNobody')}</Typography>;
  if (impact.changes.length === 0)
    return <Typography>{t('plan.impactNone', { count: impact.learners })}</Typography>;
  return (
    <>
      <Typography>{t('plan.impactIntro', { count: impact.learners })}</Typography>
      <Box component="ul" sx={{ pl: 2.5 }}>
        {impact.changes.map((c) => {
          const shown = c.learners.slice(0, NAMES).join(', ');
          const more =
            c.learners.length > NAMES
              ? ` ${t('plan.more', { count: c.learners.length - NAMES })}`
              : '';
          return (
            <Typography component="li" key={c.what}>
              {t('plan.impactFor', { what: c.what, names: shown + more })}
            </Typography>
          );
        })}
      </Box>
    </>
  );
}
