import { Alert, Box, Button, LinearProgress, Typography } from '@mui/material';
import { useRef } from 'react';
import { useTranslations } from 'use-intl';
import { useCourse } from '../../frame/course';
import { useSending } from '../../ui/editor/useSending';
import { fileSize } from '../../ui/format';
import type { AuthorProps } from '../room';
import { useCourseFiles } from '../shared/useCourseFiles';

/** The files of a step: added one after the other, put in order, taken away. */
export default function Author({ part, change }: AuthorProps<'file'>) {
  const t = useTranslations();
  const course = useCourse();
  const files = useCourseFiles(course.id);
  const sending = useSending(files);
  const input = useRef<HTMLInputElement>(null);
  const ids = part.files.map((f) => f.id);
  const set = (next: number[]) => change({ part: { is: 'file', files: next } });
  const add = async (chosen: File[]) => {
    const kept: number[] = [];
    try {
      for (const file of chosen)
        kept.push((await sending.mutateAsync({ file, use: 'DOCUMENT' })).id);
    } catch {
      // It says itself below; what came before it stays.
    }
    if (kept.length > 0) set([...ids, ...kept]);
  };
  return (
    <Box sx={{ display: 'grid', gap: 1 }}>
      {part.files.length === 0 && (
        <Typography color="textSecondary">{t('plan.noFiles')}</Typography>
      )}
      {part.files.map((f, n) => (
        <Box key={f.id} sx={{ display: 'flex', gap: 1, alignItems: 'center', minWidth: 0 }}>
          <Typography
            component="a"
            href={files.address(f.id)}
            noWrap
            title={f.name}
            sx={{ flex: 1, fontWeight: 700, color: 'tone.madder' }}
          >
            {f.name}
          </Typography>
          <Typography variant="body2" color="textSecondary" noWrap>
            {fileSize(f.bytes)}
          </Typography>
          {n > 0 && (
            <Button
              size="small"
              aria-label={t('plan.fileUp', { name: f.name })}
              sx={{ minWidth: 28, p: 0 }}
              onClick={() => {
                const next = [...ids];
                next.splice(n - 1, 2, f.id, ids[n - 1] as number);
                set(next);
              }}
            >
              ↑
            </Button>
          )}
          <Button size="small" sx={{ p: 0 }} onClick={() => set(ids.filter((id) => id !== f.id))}>
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
      <input
        ref={input}
        type="file"
        multiple
        hidden
        aria-label={t('plan.addFiles')}
        onChange={(e) => {
          const chosen = [...(e.target.files ?? [])];
          e.target.value = '';
          if (chosen.length > 0) void add(chosen);
        }}
      />
      <Button
        variant={part.files.length === 0 ? 'contained' : 'outlined'}
        disabled={sending.isPending}
        onClick={() => input.current?.click()}
        sx={{ justifySelf: 'start' }}
      >
        {t('plan.addFiles')} …
      </Button>
    </Box>
  );
}
