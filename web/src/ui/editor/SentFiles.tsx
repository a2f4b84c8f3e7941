import { Alert, Box, Button, LinearProgress, Typography } from '@mui/material';
import { type ReactNode, useRef } from 'react';
import { useTranslations } from 'use-intl';
import type { Kept } from '../../api/client';
import { fileSize } from '../format';
import { type FileDoor, useSending } from './useSending';

interface Props {
  files: Kept[];
  door: FileDoor;
  /** How many more may be added. */
  left?: number;
  empty?: string;
  /** Is told what becomes of the files, whatever has happened to them meanwhile. */
  onChange: (change: (files: Kept[]) => Kept[]) => void;
  ordered?: boolean;
  /** Stands beside the button that adds; is given the way to add. */
  beside?: (add: (files: File[]) => void, busy: boolean) => ReactNode;
}

/** Files that are sent one after the other, put in order and taken away again. */
export function SentFiles({
  files,
  door,
  left = Number.POSITIVE_INFINITY,
  empty,
  onChange,
  ordered = false,
  beside,
}: Props) {
  const t = useTranslations();
  const input = useRef<HTMLInputElement>(null);
  const sending = useSending(door);
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
  const up = (file: Kept) =>
    onChange((now) => {
      const next = now.filter((f) => f.id !== file.id);
      next.splice(Math.max(0, now.findIndex((f) => f.id === file.id) - 1), 0, file);
      return next;
    });
  return (
    <Box sx={{ display: 'grid', gap: 1 }}>
      {files.length === 0 && empty && <Typography color="textSecondary">{empty}</Typography>}
      {files.map((f, n) => (
        <Box key={f.id} sx={{ display: 'flex', gap: 1.5, alignItems: 'center', minWidth: 0 }}>
          <FileName file={f} address={door.address(f.id)} />
          <Typography variant="body2" color="textSecondary" noWrap>
            {fileSize(f.bytes)}
          </Typography>
          {ordered && n > 0 && (
            <Button
              size="small"
              aria-label={t('editor.fileUp', { name: f.name })}
              sx={{ minWidth: 28, p: 0 }}
              onClick={() => up(f)}
            >
              ↑
            </Button>
          )}
          <Button
            size="small"
            aria-label={t('editor.removeFile', { name: f.name })}
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
            aria-label={t('editor.addFiles')}
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
            {t('editor.addFiles')} …
          </Button>
          {beside?.((chosen) => void add(chosen), sending.isPending)}
        </Box>
      )}
    </Box>
  );
}

/** What is not sent yet cannot be looked at everywhere; then it is no link. */
function FileName({ file, address }: { file: Kept; address: string }) {
  return (
    <Typography
      {...(address ? { component: 'a', href: address } : { component: 'span' })}
      noWrap
      title={file.name}
      sx={{ fontWeight: 700, ...(address && { textDecoration: 'underline' }) }}
    >
      {file.name}
    </Typography>
  );
}
