import { Alert, Box, Button, TextareaAutosize, Typography } from '@mui/material';
import { useMutation } from '@tanstack/react-query';
import { type RefObject, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Caption } from '../../api/client';
import { ChooseFile } from '../../ui/ChooseFile';
import { asWebVtt, fromFile, read, written } from './captions';

/** How long a new caption stays. */
const STAYS = 3000;

const of = (c: Caption) => `${c.from}-${c.to}-${c.text}`;

interface Props {
  captions: Caption[];
  video: RefObject<HTMLVideoElement | null>;
  name: string;
  onChange: (captions: Caption[]) => void;
}

/** What is said in a film, taken from a file or written while it plays. */
export function CaptionsField({ captions, video, name, onChange }: Props) {
  const t = useTranslations();
  const taking = useMutation({
    meta: { silent: true },
    mutationFn: async (file: File) => {
      const taken = await fromFile(file.name, await file.text());
      if (taken.length === 0) throw new Error(t('video.noCaptionsIn', { name: file.name }));
      return taken;
    },
    onSuccess: (taken) => onChange(sorted(taken)),
  });
  /** In order of time; the same twice is once. */
  const sorted = (all: Caption[]) =>
    [...new Map(all.map((c) => [of(c), c])).values()].sort((a, b) => a.from - b.from);
  const add = () => {
    const from = Math.round((video.current?.currentTime ?? 0) * 1000);
    onChange(sorted([...captions, { from, to: from + STAYS, text: t('video.newCaption') }]));
  };
  const save = () => {
    const url = URL.createObjectURL(new Blob([asWebVtt(captions)], { type: 'text/vtt' }));
    const link = document.createElement('a');
    link.href = url;
    link.download = `${name.replace(/\.[^.]*$/, '')}.vtt`;
    link.click();
    URL.revokeObjectURL(url);
  };
  const put = (n: number, more: Partial<Caption>) =>
    onChange(sorted(captions.map((c, i) => (i === n ? { ...c, ...more } : c))));
  return (
    <Box
      component="fieldset"
      sx={{ border: 0, p: 0, m: 0, minWidth: 0, display: 'grid', gap: 0.75 }}
    >
      <Typography component="legend" variant="h3" color="textSecondary" sx={{ mb: 0.5 }}>
        {t('video.captions')}
      </Typography>
      {captions.length === 0 && (
        <Typography variant="body2" color="textSecondary">
          {t('video.noCaptions')}
        </Typography>
      )}
      <Box sx={{ maxHeight: 260, overflow: 'auto', display: 'grid', gap: 0.5 }}>
        {captions.map((c, n) => (
          <Row
            key={of(c)}
            caption={c}
            onChange={(more) => put(n, more)}
            onGo={() => {
              if (video.current) video.current.currentTime = c.from / 1000;
            }}
            onRemove={() => onChange(captions.filter((_, i) => i !== n))}
          />
        ))}
      </Box>
      {taking.error && <Alert severity="error">{taking.error.message}</Alert>}
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <Button variant="outlined" size="small" onClick={add}>
          {t('video.addCaption')}
        </Button>
        <ChooseFile
          name={t('video.captionFile')}
          accept=".vtt,.srt,text/vtt"
          size="small"
          onChoose={(file) => taking.mutate(file)}
        >
          {t('video.takeCaptions')} …
        </ChooseFile>
        {captions.length > 0 && (
          <Button size="small" onClick={save}>
            {t('video.saveCaptions')}
          </Button>
        )}
      </Box>
    </Box>
  );
}

const FIELD = {
  font: 'inherit',
  fontSize: 13,
  color: 'inherit',
  bgcolor: 'tone.panel',
  border: 1,
  borderColor: 'divider',
  borderRadius: '3px',
  px: 0.75,
  py: 0.5,
} as const;

function Row({
  caption,
  onChange,
  onGo,
  onRemove,
}: {
  caption: Caption;
  onChange: (more: Partial<Caption>) => void;
  onGo: () => void;
  onRemove: () => void;
}) {
  const t = useTranslations();
  const [wrong, setWrong] = useState(false);
  const time = (which: 'from' | 'to', label: string) => (
    <Box
      component="input"
      aria-label={label}
      aria-invalid={wrong}
      defaultValue={written(caption[which])}
      onFocus={which === 'from' ? onGo : undefined}
      onBlur={(e: React.FocusEvent<HTMLInputElement>) => {
        const at = read(e.target.value);
        const next = { ...caption, [which]: at ?? caption[which] };
        const fits = at !== null && next.to > next.from;
        setWrong(!fits);
        if (fits && at !== caption[which]) onChange({ [which]: at });
      }}
      sx={{ ...FIELD, width: 64, ...(wrong && { borderColor: 'tone.madder' }) }}
    />
  );
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5, alignItems: 'center', mb: 0.75 }}>
      {time('from', t('video.from'))}
      {time('to', t('video.to'))}
      <Box
        component={TextareaAutosize}
        aria-label={t('video.words')}
        defaultValue={caption.text}
        maxLength={500}
        onBlur={(e: React.FocusEvent<HTMLTextAreaElement>) => {
          const text = e.target.value.trim();
          if (text && text !== caption.text) onChange({ text });
        }}
        sx={{ ...FIELD, flex: '1 1 100%', minWidth: 0, order: 1, resize: 'none' }}
      />
      <Button
        size="small"
        aria-label={t('video.removeCaption', { time: written(caption.from) })}
        onClick={onRemove}
        sx={{ minWidth: 28, px: 0.5, ml: 'auto' }}
      >
        ×
      </Button>
    </Box>
  );
}
