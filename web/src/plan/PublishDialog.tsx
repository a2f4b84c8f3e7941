import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  Link,
  Typography,
} from '@mui/material';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link as RouterLink } from 'react-router';
import { useTranslations } from 'use-intl';
import { ApiError, api, body, type Impact } from '../api/client';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { Changes } from '../ui/Changes';
import { begun } from '../ui/jobs';
import { Loaded } from '../ui/Panel';
import { useActKey } from '../ui/useActKey';
import { useNames } from '../ui/useNames';

const CHANGED = 8;

/** What is published, what that does to learners, and the button that does it. */
export function PublishDialog({ onClose }: { onClose: () => void }) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const impact = useQuery(queries.impact(course.id));
  const once = useActKey();
  const publish = useMutation({
    mutationFn: (draft: string) =>
      body(
        api.POST('/api/courses/{course}/publications', {
          params: { path: { course: course.id } },
          headers: once.headers(draft),
          body: { draft },
        }),
      ),
    onSuccess: (job) => {
      once.renew();
      begun(client, course.id, job);
      void client.invalidateQueries();
      onClose();
    },
    onError: (e) => {
      if (e instanceof ApiError && e.problem.status === 409) void impact.refetch();
    },
  });
  const findings = impact.error instanceof ApiError ? impact.error.problem.findings : undefined;
  const nothing = impact.data?.changed.length === 0;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>{t('plan.impactTitle')}</DialogTitle>
      <DialogContent>
        {publish.error && (
          <Alert severity="error" sx={{ mb: 1.5 }}>
            {publish.error.message}{' '}
            {publish.error instanceof ApiError &&
              publish.error.problem.changed &&
              t('plan.impactAnew')}
          </Alert>
        )}
        {findings ? (
          <Alert severity="error">
            {findings.map((f) => (
              <Typography key={f}>{f}</Typography>
            ))}
          </Alert>
        ) : (
          <Loaded query={impact}>
            {(data) =>
              data.changed.length === 0 ? (
                <Typography>{t('plan.impactSame')}</Typography>
              ) : (
                <Consequences impact={data} />
              )
            }
          </Loaded>
        )}
      </DialogContent>
      <FindingsLeft course={course.id} onClose={onClose} />
      <DialogActions>
        <Button onClick={onClose}>{t('common.cancel')}</Button>
        <Button
          variant="contained"
          disabled={!impact.data || nothing || impact.isFetching || publish.isPending}
          onClick={() => impact.data && publish.mutate(impact.data.draft)}
        >
          {t('plan.publishNow')}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** What checking still finds and nobody said is meant; it can be published all the same. */
function FindingsLeft({ course, onClose }: { course: number; onClose: () => void }) {
  const t = useTranslations();
  const listed = useNames();
  const check = useQuery(queries.check(course)).data;
  const left = check?.findings.filter((f) => !f.meant && f.weight !== 'FAULT').length ?? 0;
  const broken = (useQuery(queries.rehearsals(course)).data ?? []).filter((r) => !r.holds);
  return (
    <Box sx={{ px: 3 }}>
      {broken.length > 0 && (
        <Typography variant="body2" sx={{ color: 'tone.madder' }}>
          {t('rehearse.breaks', {
            count: broken.length,
            names: listed(
              broken.map((r) => r.name),
              3,
            ),
          })}{' '}
          <Link
            component={RouterLink}
            to="../check?show=rehearsals"
            color="inherit"
            onClick={onClose}
          >
            {t('checking.look', { count: broken.length })}
          </Link>
        </Typography>
      )}
      {left > 0 && (
        <Typography variant="body2" sx={{ color: 'tone.ochreInk' }}>
          {t('checking.left', { count: left })}{' '}
          <Link component={RouterLink} to="../check" color="inherit" onClick={onClose}>
            {t('checking.look', { count: left })}
          </Link>
        </Typography>
      )}
    </Box>
  );
}

function Consequences({ impact }: { impact: Impact }) {
  const t = useTranslations();
  const listed = useNames();
  return (
    <>
      <Typography sx={{ mb: 1.5 }}>
        {t('plan.impactWhat', { names: listed(impact.changed, CHANGED) })}
      </Typography>
      {impact.learners === 0 && <Typography>{t('plan.impactNobody')}</Typography>}
      {impact.learners > 0 && impact.changes.length === 0 && (
        <Typography>{t('plan.impactNone', { count: impact.learners })}</Typography>
      )}
      <Changes
        title={t('plan.impactLosses')}
        changes={impact.changes.filter((c) => c.loss)}
        tone="tone.madder"
      />
      <Changes
        title={t('plan.impactGains')}
        changes={impact.changes.filter((c) => !c.loss)}
        tone="tone.lagoon"
      />
    </>
  );
}
