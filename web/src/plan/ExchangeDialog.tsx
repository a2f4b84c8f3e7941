import {
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  LinearProgress,
  MenuItem,
  TextField,
  Typography,
} from '@mui/material';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Comparison, Design, Job } from '../api/client';
import { sendFile } from '../api/files';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { ChooseFile } from '../ui/ChooseFile';
import { FileFaults } from '../ui/FileFaults';
import { begun } from '../ui/jobs';
import { Section } from '../ui/Panel';
import { useActKey } from '../ui/useActKey';

const SHOWN = 12;

/** A file is a package when it looks like JSON, and a table otherwise. */
async function formatOf(file: File) {
  const beginning = await file.slice(0, 1_000).text();
  return /^\ufeff?\s*\{/.test(beginning) ? 'case' : 'csv';
}

/** Outcomes out of the course as a file, or into it from one, after seeing what that brings. */
export function ExchangeDialog({ design, onClose }: { design: Design; onClose: () => void }) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const [file, setFile] = useState<File | null>(null);
  const [scale, setScale] = useState(design.scales[0]?.id ?? 0);
  const base = `/api/courses/${course.id}/design/framework`;
  const formats = useQuery(queries.frameworkFormats(course.id)).data ?? [];
  const compare = useMutation({
    meta: { silent: true },
    mutationFn: async (of: File) =>
      sendFile<Comparison>(`${base}/${await formatOf(of)}/comparison`, of),
  });
  const once = useActKey();
  const take = useMutation({
    mutationFn: async (of: File) =>
      sendFile<Job>(
        `${base}/${await formatOf(of)}/taking?scale=${scale}`,
        of,
        once.headers([of.name, of.size, of.lastModified, scale]),
      ),
    onSuccess: (job) => {
      once.renew();
      begun(client, course.id, job);
      onClose();
    },
  });
  const choose = (chosen: File) => {
    setFile(chosen);
    take.reset();
    compare.mutate(chosen);
  };
  const wrong = take.error ?? compare.error;
  const brings = compare.data;
  const many = brings ? brings.fresh.length + brings.changed.length + brings.rubrics.length : 0;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>{t('plan.exchange')}</DialogTitle>
      <DialogContent>
        <Section title={t('plan.exchangeOut')}>
          <Box sx={{ display: 'flex', gap: 1 }}>
            {formats.map((f) => (
              <Button key={f.name} variant="outlined" href={`${base}/${f.name}`}>
                {f.title}
              </Button>
            ))}
          </Box>
        </Section>
        <Section title={t('plan.exchangeIn')}>
          <ChooseFile
            name={t('plan.chooseFile')}
            accept=".json,.csv,application/json,text/csv"
            onChoose={choose}
          >
            {t('plan.chooseFile')}
          </ChooseFile>
          {(compare.isPending || take.isPending) && <LinearProgress sx={{ mt: 1.5 }} />}
          {wrong && <FileFaults error={wrong} />}
          {brings && <Brings comparison={brings} />}
          {brings && brings.fresh.length > 0 && (
            <TextField
              select
              fullWidth
              label={t('plan.scaleOfNew')}
              value={scale}
              onChange={(e) => setScale(Number(e.target.value))}
              sx={{ mt: 1.5 }}
            >
              {design.scales.map((s) => (
                <MenuItem key={s.id} value={s.id}>
                  {s.name}
                </MenuItem>
              ))}
            </TextField>
          )}
        </Section>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{t('common.close')}</Button>
        <Button
          variant="contained"
          disabled={many === 0 || take.isPending}
          onClick={() => file && take.mutate(file)}
        >
          {t('plan.take', { count: many })}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

function Brings({ comparison }: { comparison: Comparison }) {
  const t = useTranslations();
  return (
    <Box sx={{ mt: 1.5 }} role="status">
      <Lines title={t('plan.fresh', { count: comparison.fresh.length })} lines={comparison.fresh} />
      <Lines
        title={t('plan.changedOnes', { count: comparison.changed.length })}
        lines={comparison.changed}
      />
      <Lines
        title={t('plan.newRubrics', { count: comparison.rubrics.length })}
        lines={comparison.rubrics}
      />
      <Lines
        title={t('plan.missing', { count: comparison.missing.length })}
        lines={comparison.missing}
      />
      <Lines title={t('plan.held', { count: comparison.held.length })} lines={comparison.held} />
      <Typography variant="body2" color="textSecondary">
        {t('plan.same', { count: comparison.same })}
      </Typography>
    </Box>
  );
}

function Lines({ title, lines }: { title: string; lines: string[] }) {
  const t = useTranslations();
  if (lines.length === 0) return null;
  return (
    <Box sx={{ mb: 1 }}>
      <Typography sx={{ fontWeight: 700 }}>{title}</Typography>
      {lines.slice(0, SHOWN).map((line) => (
        <Typography key={line} variant="body2">
          {line}
        </Typography>
      ))}
      {lines.length > SHOWN && (
        <Typography variant="body2" color="textSecondary">
          {t('common.more', { count: lines.length - SHOWN })}
        </Typography>
      )}
    </Box>
  );
}
