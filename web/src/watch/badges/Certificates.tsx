import { Alert, Box, Button, Checkbox, Typography } from '@mui/material';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { api, body, type RegisteredCertificate } from '../../api/client';
import { queries } from '../../api/queries';
import { Actions } from '../../frame/Actions';
import { useCourse } from '../../frame/course';
import { day } from '../../ui/format';
import { begun, isUnderWay, useJobs } from '../../ui/jobs';
import { Empty, Loaded, WithInspector } from '../../ui/Panel';
import { useLive } from '../../ui/useLive';
import { AgainDialog } from './AgainDialog';

const COLOURS = {
  VALID: 'tone.lagoon',
  ENDED: 'tone.ochreInk',
  REVOKED: 'tone.madder',
  REPLACED: 'tone.soft',
} as const;

/** The register of certificates: printed, given anew, taken along as a table. */
export function Certificates() {
  const t = useTranslations();
  const course = useCourse();
  useLive(course.id, ['certificates']);
  const all = useQuery(queries.certificates(course.id));
  const formats = useQuery(queries.formats(course.id)).data ?? [];
  const [ticked, setTicked] = useState(new Set<number>());
  const [again, setAgain] = useState<RegisteredCertificate | null>(null);
  const valid = (all.data ?? []).filter((c) => c.state === 'VALID' || c.state === 'ENDED');
  const toPrint = ticked.size > 0 ? valid.filter((c) => ticked.has(c.id)) : valid;
  const tick = (id: number, on: boolean) =>
    setTicked((now) => new Set(on ? [...now, id] : [...now].filter((other) => other !== id)));
  return (
    <WithInspector inspector={null} onClose={() => undefined}>
      <Actions>
        {valid.length > 0 && <PrintButton certificates={toPrint} />}
        {formats.map((f) => (
          <Button
            key={f.name}
            variant="outlined"
            href={`/api/courses/${course.id}/certificates/register/${f.name}`}
          >
            {t('watch.exportAs', { format: f.title })}
          </Button>
        ))}
      </Actions>
      {again && <AgainDialog certificate={again} onClose={() => setAgain(null)} />}
      <Printed />
      <Loaded query={all}>
        {(data) =>
          data.length === 0 ? (
            <Empty title={t('certificates.none')} hint={t('certificates.noneHint')} />
          ) : (
            <Box
              component="table"
              sx={{
                borderCollapse: 'collapse',
                width: '100%',
                bgcolor: 'tone.panel',
                border: 1,
                borderColor: 'divider',
                '& th, & td': {
                  textAlign: 'left',
                  px: 1,
                  py: 0.5,
                  borderBottom: 1,
                  borderColor: 'divider',
                },
              }}
            >
              <thead>
                <tr>
                  <th aria-label={t('certificates.tick')} />
                  <th>{t('certificates.number')}</th>
                  <th>{t('certificates.name')}</th>
                  <th>{t('certificates.what')}</th>
                  <th>{t('certificates.given')}</th>
                  <th>{t('certificates.ends')}</th>
                  <th>{t('certificates.state')}</th>
                  <th aria-label={t('certificates.acts')} />
                </tr>
              </thead>
              <tbody>
                {data.map((c) => (
                  <Row
                    key={c.id}
                    certificate={c}
                    ticked={ticked.has(c.id)}
                    onTick={(on) => tick(c.id, on)}
                    onAgain={() => setAgain(c)}
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
  certificate: c,
  ticked,
  onTick,
  onAgain,
}: {
  certificate: RegisteredCertificate;
  ticked: boolean;
  onTick: (on: boolean) => void;
  onAgain: () => void;
}) {
  const t = useTranslations();
  const course = useCourse();
  const stands = c.state === 'VALID' || c.state === 'ENDED';
  return (
    <tr>
      <td>
        <Checkbox
          size="small"
          sx={{ p: 0.25 }}
          disabled={!stands}
          checked={ticked}
          onChange={(_, on) => onTick(on)}
          slotProps={{ input: { 'aria-label': t('certificates.tickOne', { number: c.number }) } }}
        />
      </td>
      <Box component="td" sx={{ whiteSpace: 'nowrap', fontVariantNumeric: 'tabular-nums' }}>
        {c.number}
      </Box>
      <td>
        <Typography>{c.name}</Typography>
        {c.state === 'VALID' && c.name !== c.learner && (
          <Typography variant="body2" sx={{ color: 'tone.ochreInk' }}>
            {t('certificates.calledNow', { name: c.learner })}
          </Typography>
        )}
        {c.by !== undefined && (
          <Typography variant="body2" color="textSecondary">
            {t('certificates.anew', { name: c.by, reason: c.reason })}
          </Typography>
        )}
      </td>
      <td>{c.title}</td>
      <Box component="td" sx={{ whiteSpace: 'nowrap' }}>
        {day(c.awardedAt)}
      </Box>
      <Box component="td" sx={{ whiteSpace: 'nowrap' }}>
        {c.endsAt ? day(c.endsAt) : '–'}
      </Box>
      <Box component="td" sx={{ color: COLOURS[c.state], whiteSpace: 'nowrap' }}>
        {t(`certificates.states.${c.state}`)}
      </Box>
      <Box component="td" sx={{ whiteSpace: 'nowrap' }}>
        {stands && (
          <>
            <Button
              size="small"
              href={`/api/courses/${course.id}/certificates/${c.id}/pdf`}
              aria-label={t('certificates.pdfOf', { number: c.number })}
            >
              {t('certificates.pdf')}
            </Button>
            <Button
              size="small"
              onClick={onAgain}
              aria-label={t('certificates.againOf', { number: c.number })}
            >
              {t('certificates.again')}
            </Button>
          </>
        )}
      </Box>
    </tr>
  );
}

function PrintButton({ certificates }: { certificates: RegisteredCertificate[] }) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const printing = useJobs(course.id).some((j) => j.what === 'certificates' && isUnderWay(j));
  const print = useMutation({
    mutationFn: () =>
      body(
        api.POST('/api/courses/{course}/certificates/prints', {
          params: { path: { course: course.id } },
          body: { certificates: certificates.map((c) => c.id) },
        }),
      ),
    onSuccess: (job) => begun(client, course.id, job),
  });
  return (
    <Button
      variant="contained"
      disabled={printing || print.isPending || certificates.length === 0}
      onClick={() => print.mutate()}
    >
      {t('certificates.print', { count: certificates.length })}
    </Button>
  );
}

/** What was printed at once last, to be had. */
function Printed() {
  const t = useTranslations();
  const course = useCourse();
  const last = useJobs(course.id).find((j) => j.what === 'certificates' && j.state === 'DONE');
  if (last?.result?.is !== 'printed') return null;
  return (
    <Alert
      severity="success"
      sx={{ mb: 2 }}
      action={
        <Button
          size="small"
          color="inherit"
          href={`/api/courses/${course.id}/certificates/prints/${last.result.file}`}
        >
          {t('certificates.download')}
        </Button>
      }
    >
      {t('certificates.printed', { count: last.result.certificates })}
    </Alert>
  );
}
