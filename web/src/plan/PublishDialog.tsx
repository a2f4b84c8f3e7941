import {
  Alert,
  Box,
  Button,
  Checkbox,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  FormControlLabel,
  Link,
  Typography,
} from '@mui/material';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';
import { useTranslations } from 'use-intl';
import { ApiError, api, body, type Impact } from '../api/client';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { Changes } from '../ui/Changes';
import { fromLocalInput } from '../ui/format';
import { begun } from '../ui/jobs';
import { useNotice } from '../ui/Notice';
import { Loaded } from '../ui/Panel';
import { useActKey } from '../ui/useActKey';
import { useNames } from '../ui/useNames';
import { isStandard } from '../ui/when/standard';
import { Planned } from './history/Planned';
import { type ForWhom, WhomAndWhen } from './history/WhomAndWhen';
import { unfinished } from './unfinished';

const CHANGED = 8;

/** What is published, what that does to learners, for whom and when, and the button that does it. */
export function PublishDialog({ onClose }: { onClose: () => void }) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const notice = useNotice();
  const impact = useQuery(queries.impact(course.id));
  const [to, setTo] = useState<ForWhom>({ later: false, at: null });
  const [wanted, setWanted] = useState(true);
  const opens = !to.later && impact.data?.changes.some((c) => !c.loss);
  const tells = wanted && opens === true;
  const once = useActKey();
  const params = { path: { course: course.id } };
  const failed = (e: Error) => {
    if (e instanceof ApiError && e.problem.status === 409) void impact.refetch();
  };
  const publish = useMutation({
    mutationFn: (draft: string) =>
      body(
        api.POST('/api/courses/{course}/publications', {
          params,
          headers: once.headers({ draft, later: to.later, tells }),
          body: { draft, later: to.later, ...(tells && { tells }) },
        }),
      ),
    onSuccess: (job) => {
      once.renew();
      begun(client, course.id, job);
      void client.invalidateQueries();
      onClose();
    },
    onError: failed,
  });
  const plan = useMutation({
    mutationFn: ({ draft, at }: { draft: string; at: string }) =>
      api.PUT('/api/courses/{course}/publications/planned', {
        params,
        body: { draft, later: to.later, at, ...(tells && { tells }) },
      }),
    onSuccess: () => {
      notice({ tone: 'success', text: t('plan.plannedDone') });
      void client.invalidateQueries({ queryKey: queries.publications(course.id).queryKey });
      onClose();
    },
    onError: failed,
  });
  const go = (draft: string) => {
    const at = to.at === null ? undefined : fromLocalInput(to.at);
    if (at) plan.mutate({ draft, at });
    else publish.mutate(draft);
  };
  const error = publish.error ?? plan.error;
  const findings = impact.error instanceof ApiError ? impact.error.problem.findings : undefined;
  const same = impact.data?.changed.length === 0;
  const nothing = same && (to.later || to.at !== null || impact.data?.earlier === 0);
  const unread = to.at !== null && !isStandard(to.at, 'moment');
  const busy = impact.isFetching || publish.isPending || plan.isPending;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>{t('plan.impactTitle')}</DialogTitle>
      <DialogContent>
        {error && (
          <Alert severity="error" sx={{ mb: 1.5 }}>
            {error.message}{' '}
            {error instanceof ApiError && error.problem.changed && t('plan.impactAnew')}
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
            {(data) => (
              <>
                {data.planned && <Planned planned={data.planned} />}
                {same && data.earlier === 0 ? (
                  <Typography>{t('plan.impactSame')}</Typography>
                ) : (
                  <>
                    <Consequences impact={data} later={to.later} />
                    <WhomAndWhen of={to} onChange={setTo} />
                    {opens && (
                      <FormControlLabel
                        control={
                          <Checkbox
                            size="small"
                            checked={wanted}
                            onChange={(_, on) => setWanted(on)}
                          />
                        }
                        label={t('plan.tells')}
                      />
                    )}
                  </>
                )}
              </>
            )}
          </Loaded>
        )}
      </DialogContent>
      <FindingsLeft course={course.id} onClose={onClose} />
      <DialogActions>
        <Button onClick={onClose}>{t('common.cancel')}</Button>
        <Button
          variant="contained"
          disabled={!impact.data || nothing || busy || unread}
          onClick={() => impact.data && go(impact.data.draft)}
        >
          {t(to.at !== null ? 'plan.planIt' : to.later ? 'plan.publishLater' : 'plan.publishNow')}
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
      <LooksUnfinished course={course} onClose={onClose} />
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
            relative="path"
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
          <Link
            component={RouterLink}
            relative="path"
            to="../check"
            color="inherit"
            onClick={onClose}
          >
            {t('checking.look', { count: left })}
          </Link>
        </Typography>
      )}
    </Box>
  );
}

/** What is empty or was never given a name, each with the way there. */
function LooksUnfinished({ course, onClose }: { course: number; onClose: () => void }) {
  const t = useTranslations();
  const design = useQuery(queries.design(course)).data;
  if (!design) return null;
  const found = unfinished(design, [t('plan.moduleNew'), t('plan.newBadge'), t('plan.newOutcome')]);
  if (found.length === 0) return null;
  return (
    <Box sx={{ mb: 1 }}>
      <Typography variant="body2" sx={{ color: 'tone.ochreInk' }}>
        {t('plan.unfinished', { count: found.length })}
      </Typography>
      <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
        {found.slice(0, CHANGED).map(({ name, to, why }) => (
          <Typography key={to} component="li" variant="body2">
            <Link component={RouterLink} relative="path" to={to} color="inherit" onClick={onClose}>
              {name}
            </Link>{' '}
            {t(`plan.unfinishedAs.${why}`)}
          </Typography>
        ))}
      </Box>
      {found.length > CHANGED && (
        <Typography variant="body2">
          {t('common.more', { count: found.length - CHANGED })}
        </Typography>
      )}
    </Box>
  );
}

function Consequences({ impact, later }: { impact: Impact; later: boolean }) {
  const t = useTranslations();
  const listed = useNames();
  return (
    <>
      <Typography sx={{ mb: 1.5 }}>
        {impact.changed.length === 0
          ? t('plan.impactEarlier', { count: impact.earlier })
          : t('plan.impactWhat', { names: listed(impact.changed, CHANGED) })}
      </Typography>
      {impact.learners === 0 && <Typography>{t('plan.impactNobody')}</Typography>}
      {impact.learners > 0 && later && (
        <Typography>{t('plan.impactKeep', { count: impact.learners })}</Typography>
      )}
      {impact.learners > 0 && !later && impact.changes.length === 0 && (
        <Typography>{t('plan.impactNone', { count: impact.learners })}</Typography>
      )}
      {!later && (
        <>
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
      )}
    </>
  );
}
