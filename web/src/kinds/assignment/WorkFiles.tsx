import { Button, Typography } from '@mui/material';
import { lazy, Suspense, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { FilesTaken, Kept } from '../../api/client';
import { SentFiles } from '../../ui/editor/SentFiles';
import { useNames } from '../../ui/useNames';
import type { Medium } from '../shared/useRecorder';

const Recorder = lazy(() => import('../shared/Recorder'));
const MEDIA = [
  { sort: 'SOUND', medium: 'sound' },
  { sort: 'FILM', medium: 'film' },
] as const;

interface Props {
  takes: FilesTaken;
  files: Kept[];
  at: (file: number) => string;
  keep: (upload: string) => Promise<Kept>;
  onChange: (change: (files: Kept[]) => Kept[]) => void;
}

/** Files that are to be handed in: chosen, or recorded on the spot. */
export function WorkFiles({ takes, files, at, keep, onChange }: Props) {
  const t = useTranslations();
  const names = useNames();
  const [recording, setRecording] = useState<Medium | null>(null);
  const sorts = takes.sorts.map((sort) => t(`learn.sort.${sort}`));
  const recorded = MEDIA.filter(
    ({ sort }) => takes.sorts.length === 0 || takes.sorts.includes(sort),
  );
  return (
    <SentFiles
      files={files}
      door={{ address: at, keep }}
      left={takes.number - files.length}
      onChange={onChange}
      beside={(add, busy) => (
        <>
          {recorded.map(({ medium }) => (
            <Button
              key={medium}
              variant="outlined"
              disabled={busy}
              onClick={() => setRecording(medium)}
            >
              {t(medium === 'film' ? 'record.film' : 'record.sound')} …
            </Button>
          ))}
          <Typography variant="body2" color="textSecondary">
            {t('learn.filesTaken', {
              count: takes.number,
              megabytes: takes.megabytes,
              sorts: sorts.length > 0 ? names(sorts) : t('learn.anyFile'),
            })}
          </Typography>
          {recording && (
            <Suspense fallback={null}>
              <Recorder
                medium={recording}
                onUse={(file) => add([file])}
                onClose={() => setRecording(null)}
              />
            </Suspense>
          )}
        </>
      )}
    />
  );
}
