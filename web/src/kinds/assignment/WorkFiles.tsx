import { Alert, Box, Button, LinearProgress, Typography } from '@mui/material';
import { lazy, Suspense, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { FilesTaken, Kept } from '../../api/client';
import { useSending } from '../../ui/editor/useSending';
import { fileSize } from '../../ui/format';
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

/** Files that are to be handed in: sent one after the other, taken away again. */
export function WorkFiles({ takes, files, at, keep, onChange }: Props) {
  const t = useTranslations();
  const names = useNames();
  const input = useRef<HTMLInputElement>(null);
  const sending = useSending({ address: at, keep });
  const [recording, setRecording] = useState<Medium | null>(null);
  const left = takes.number - files.length;
  const add = async (chosen: File[]) => {
    try {
      for (const file of chosen.slice(0, left)) {
        const kept = await sending.mutateAsync({ file, use: 'DOCUMENT' });
        onChange((now) => [...now, kept]);
      }
    } catch {
      // It says itself below; what came before it stays.
    }
  };
  const sorts = takes.sorts.map((sort) => t(`learn.sort.${sort}`));
  return (
    <Box sx={{ display: 'grid', gap: 1 }}>
      {files.map((f) => (
        <Box key={f.id} sx={{ display: 'flex', gap: 1.5, alignItems: 'center', minWidth: 0 }}>
          <Typography
            component="a"
            href={at(f.id)}
            noWrap
            title={f.name}
            sx={{ fontWeight: 700, color: 'tone.madder' }}
          >
            {f.name}
          </Typography>
          <Typography variant="body2" color="textSecondary" noWrap>
            {fileSize(f.bytes)}
          </Typography>
          <Button
            size="small"
            aria-label={t('learn.removeFile', { name: f.name })}
            onClick={() => onChange((now) => now.filter((other) => other.id !== f.id))}
          >
            {t('common.remove')}
          </Button>
        </Box>
      ))}
      {sending.isPending && (
        <LinearProgress
          variant="determinate"
          value={sending.share * 100}
          aria-label={t('editor.sending')}
        />
      )}
      {sending.error && <Alert severity="error">{sending.error.message}</Alert>}
      {left > 0 && (
        <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
          <input
            ref={input}
            type="file"
            multiple={left > 1}
            hidden
            aria-label={t('learn.addFiles')}
            onChange={(e) => {
              const chosen = [...(e.target.files ?? [])];
              e.target.value = '';
              if (chosen.length > 0) void add(chosen);
            }}
          />
          <Button
            variant="outlined"
            disabled={sending.isPending}
            onClick={() => input.current?.click()}
          >
            {t('learn.addFiles')} …
          </Button>
          {MEDIA.filter(({ sort }) => takes.sorts.length === 0 || takes.sorts.includes(sort)).map(
            ({ medium }) => (
              <Button
                key={medium}
                variant="outlined"
                disabled={sending.isPending}
                onClick={() => setRecording(medium)}
              >
                {t(medium === 'film' ? 'record.film' : 'record.sound')} …
              </Button>
            ),
          )}
          <Typography variant="body2" color="textSecondary">
            {t('learn.filesTaken', {
              count: takes.number,
              megabytes: takes.megabytes,
              sorts: sorts.length > 0 ? names(sorts, sorts.length) : t('learn.anyFile'),
            })}
          </Typography>
        </Box>
      )}
      {recording && (
        <Suspense fallback={null}>
          <Recorder
            medium={recording}
            onUse={(file) => void add([file])}
            onClose={() => setRecording(null)}
          />
        </Suspense>
      )}
    </Box>
  );
}
