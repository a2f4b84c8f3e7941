import { Alert, Box, Button } from '@mui/material';
import { useMutation } from '@tanstack/react-query';
import { lazy, Suspense, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Kept, PostText } from '../api/client';
import { SentFiles } from '../ui/editor/SentFiles';
import { saysNothing } from '../ui/html';

const TextEditor = lazy(() => import('../ui/editor/TextEditor'));
const MOST_FILES = 10;

interface Props {
  label: string;
  button: string;
  /** What is changed; without, something new is written. */
  was?: { id: number; text: string; files: Kept[] };
  keep: (upload: string) => Promise<Kept>;
  /** Where its files are found. */
  file: (file: number) => string;
  send: (text: PostText) => Promise<unknown>;
  /** Where it is kept in this browser until it is sent. */
  unsent: string;
  onDone: () => void;
}

/** Writes a post, a reply or an entry, with files under it. */
export function Composer({ label, button, was, keep, file, send, unsent, onDone }: Props) {
  const t = useTranslations();
  const [text, setText] = useState(was?.text ?? '');
  const [files, setFiles] = useState<Kept[]>(was?.files ?? []);
  const sending = useMutation({
    meta: { silent: true },
    mutationFn: () => send({ text, files: files.map((f) => f.id) }),
    onSuccess: () => {
      localStorage.removeItem(unsent);
      onDone();
    },
  });
  const empty = files.length === 0 && saysNothing(text);
  const go = () => {
    if (!empty && !sending.isPending) sending.mutate();
  };
  return (
    <Box
      component="form"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        go();
      }}
      onKeyDownCapture={(e) => {
        if (e.key !== 'Enter' || !(e.ctrlKey || e.metaKey)) return;
        e.preventDefault();
        e.stopPropagation();
        go();
      }}
      sx={{ display: 'grid', gap: 1, '& .ProseMirror': { minHeight: '90px !important' } }}
    >
      <Suspense fallback={<Box sx={{ minHeight: 160 }} />}>
        <TextEditor
          label={label}
          html={was?.text ?? ''}
          keep={unsent}
          autoFocus
          resume
          files={{ address: file, keep }}
          onChange={setText}
        />
      </Suspense>
      <SentFiles
        files={files}
        door={{ address: file, keep }}
        left={MOST_FILES - files.length}
        onChange={setFiles}
      />
      {sending.error && <Alert severity="error">{sending.error.message}</Alert>}
      <Box sx={{ display: 'flex', gap: 1 }}>
        <Button type="submit" variant="contained" disabled={empty || sending.isPending}>
          {button}
        </Button>
        <Button onClick={onDone}>{t('common.cancel')}</Button>
      </Box>
    </Box>
  );
}
