import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  LinearProgress,
  Typography,
} from '@mui/material';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { BankQuestion, PackageNote, QuestionPackage } from '../../api/client';
import { sendFile } from '../../api/files';
import { queries } from '../../api/queries';
import { useCourse } from '../../frame/course';
import { ChooseFile } from '../../ui/ChooseFile';
import { FileFaults } from '../../ui/FileFaults';
import { Section } from '../../ui/Panel';
import { useActKey } from '../../ui/useActKey';
import { useDraft } from '../useDraft';
import { ReadQuestions } from './ReadQuestions';

/** Questions out of the course as a file, or into it from a package that is looked at first. */
export function PackageDialog({ onClose }: { onClose: () => void }) {
  const t = useTranslations();
  const course = useCourse();
  const draft = useDraft(course.id);
  const once = useActKey();
  const [file, setFile] = useState<File | null>(null);
  const base = `/api/courses/${course.id}/design/questions`;
  const leaves = useQuery(queries.packageLeaves(course.id)).data ?? [];
  const look = useMutation({
    meta: { silent: true },
    mutationFn: (of: File) => sendFile<QuestionPackage>(`${base}/package/reading`, of),
  });
  const take = useMutation({
    meta: { silent: true },
    mutationFn: (of: File) =>
      draft.addQuestions(() =>
        sendFile<BankQuestion[]>(
          `${base}/package`,
          of,
          once.headers([of.name, of.size, of.lastModified]),
        ),
      ),
    onSuccess: () => {
      once.renew();
      onClose();
    },
  });
  const wrong = take.error ?? look.error;
  const read = look.data;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md">
      <DialogTitle>{t('bank.exchange')}</DialogTitle>
      <DialogContent>
        <Section title={t('bank.exchangeOut')}>
          <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
            <Button variant="outlined" href={`${base}/package`}>
              {t('bank.asPackage')}
            </Button>
            <Button variant="outlined" href={`${base}/text`}>
              {t('bank.asText')}
            </Button>
          </Box>
          <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
            {t('bank.asTextHint')}
          </Typography>
          {leaves.length > 0 && (
            <Notes title={t('bank.packageLeaves', { count: leaves.length })} notes={leaves} />
          )}
        </Section>
        <Section title={t('bank.exchangeIn')}>
          <ChooseFile
            name={t('plan.chooseFile')}
            accept=".zip,.xml,application/zip,application/xml"
            onChoose={(chosen) => {
              setFile(chosen);
              take.reset();
              look.mutate(chosen);
            }}
          >
            {t('plan.chooseFile')}
          </ChooseFile>
          {file && (
            <Typography component="span" sx={{ ml: 1.5 }}>
              {file.name}
            </Typography>
          )}
          {(look.isPending || take.isPending) && <LinearProgress sx={{ mt: 1.5 }} />}
          {wrong && <FileFaults error={wrong} />}
          {read && !wrong && (
            <Box role="status" sx={{ mt: 1.5 }}>
              {read.notes.length > 0 && (
                <Notes
                  title={t('bank.packageNotes', {
                    changed: read.notes.filter((n) => !n.left).length,
                    left: read.notes.filter((n) => n.left).length,
                  })}
                  notes={read.notes}
                />
              )}
              <Box sx={{ maxHeight: 320, overflow: 'auto', mt: 1 }}>
                <ReadQuestions questions={read.questions} />
              </Box>
            </Box>
          )}
        </Section>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{t('common.close')}</Button>
        <Button
          variant="contained"
          disabled={!read || !!wrong || read.questions.length === 0 || take.isPending}
          onClick={() => file && take.mutate(file)}
        >
          {t('bank.take', { count: read?.questions.length ?? 0 })}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** What is said otherwise or left out, those that were left out whole first. */
function Notes({ title, notes }: { title: string; notes: PackageNote[] }) {
  const t = useTranslations();
  const sorted = [...notes].sort((a, b) => Number(b.left) - Number(a.left));
  return (
    <Alert role="note" severity="info" sx={{ mt: 1 }}>
      {title}
      <Box component="ul" sx={{ m: 0, pl: 2.25, maxHeight: 160, overflow: 'auto' }}>
        {sorted.map((n, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: two questions may be called and changed alike
          <li key={i}>
            <b>{n.where}</b> {n.left && `${t('bank.leftOut')} `}
            {n.says}
          </li>
        ))}
      </Box>
    </Alert>
  );
}
