import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  TextField,
} from '@mui/material';
import type { Editor } from '@tiptap/react';
import { type FormEvent, type ReactNode, useEffect, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { ChooseFile } from '../ChooseFile';
import { writeFormula } from './formula';
import type { FileUse, Sending } from './useSending';

/** What is put into a text, or changed there. */
export type Inserting =
  | { is: 'link' }
  | { is: 'picture'; file?: File; kept?: number; alt?: string }
  | { is: 'film' | 'file' }
  | { is: 'formula'; source?: string };

interface Props {
  editor: Editor;
  what: Inserting;
  sending: Sending;
  onClose: () => void;
}

/** Asks for what a link, a picture, a film, a file or a formula needs. */
export function InsertDialog({ what, ...rest }: Props) {
  switch (what.is) {
    case 'link':
      return <LinkDialog {...rest} />;
    case 'formula':
      return <FormulaDialog source={what.source ?? ''} {...rest} />;
    case 'picture':
      return <PictureDialog what={what} {...rest} />;
    default:
      return <FileDialog is={what.is} {...rest} />;
  }
}

function Frame({
  title,
  ready,
  button,
  onSubmit,
  onClose,
  children,
}: {
  title: string;
  ready: boolean;
  button: string;
  onSubmit: () => void;
  onClose: () => void;
  children: ReactNode;
}) {
  const t = useTranslations();
  const submit = (e: FormEvent) => {
    e.preventDefault();
    e.stopPropagation();
    if (ready) onSubmit();
  };
  return (
    <Dialog open fullWidth maxWidth="xs" onClose={onClose} disableRestoreFocus>
      <form onSubmit={submit}>
        <DialogTitle>{title}</DialogTitle>
        <DialogContent sx={{ display: 'grid', gap: 1.75, '&&': { pt: 1 } }}>
          {children}
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>{t('common.cancel')}</Button>
          <Button type="submit" variant="contained" disabled={!ready}>
            {button}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}

type Inner = Omit<Props, 'what'>;

function LinkDialog({ editor, onClose }: Inner) {
  const t = useTranslations();
  const was = (editor.getAttributes('link').href as string | undefined) ?? '';
  const [href, setHref] = useState(was);
  const whole = /^(?:https?:|mailto:)/i.test(href.trim()) ? href.trim() : `https://${href.trim()}`;
  const leads =
    href.trim() === '' || /^(?:https?:\/\/[^\s/]+\.[^\s]+|mailto:\S+@\S+)$/i.test(whole);
  const set = () => {
    const chain = editor.chain().focus().extendMarkRange('link');
    if (href.trim() === '') chain.unsetLink().run();
    else if (editor.state.selection.empty && !was)
      chain
        .insertContent({
          type: 'text',
          text: href.trim(),
          marks: [{ type: 'link', attrs: { href: whole } }],
        })
        .run();
    else chain.setLink({ href: whole }).run();
    onClose();
  };
  return (
    <Frame
      title={t('editor.link')}
      ready={leads}
      button={t(href.trim() === '' ? 'editor.noLink' : 'editor.setLink')}
      onSubmit={set}
      onClose={onClose}
    >
      <TextField
        label={t('editor.address')}
        value={href}
        onChange={(e) => setHref(e.target.value)}
        error={!leads}
        helperText={leads ? ' ' : t('editor.noAddress')}
        autoFocus
      />
    </Frame>
  );
}

function FormulaDialog({ editor, source, onClose }: Inner & { source: string }) {
  const t = useTranslations();
  const [typed, setTyped] = useState(source);
  const preview = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (preview.current) void writeFormula(preview.current, typed);
  }, [typed]);
  return (
    <Frame
      title={t('editor.formula')}
      ready={typed.trim() !== ''}
      button={t('editor.put')}
      onSubmit={() => {
        editor
          .chain()
          .focus()
          .insertContent({ type: 'formula', attrs: { source: typed.trim() } })
          .run();
        onClose();
      }}
      onClose={onClose}
    >
      <TextField
        label={t('editor.latex')}
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
        helperText={t('editor.latexHint')}
        slotProps={{ htmlInput: { maxLength: 2000, spellCheck: false } }}
        autoFocus
      />
      <Box
        ref={preview}
        aria-live="polite"
        sx={{ minHeight: 40, fontSize: 18, overflowX: 'auto' }}
      />
    </Frame>
  );
}

function Chosen({
  accept,
  file,
  onChoose,
}: {
  accept?: string;
  file: File | undefined;
  onChoose: (file: File) => void;
}) {
  const t = useTranslations();
  return (
    <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', minWidth: 0 }}>
      <ChooseFile
        name={t('editor.choose')}
        accept={accept}
        onChoose={onChoose}
        sx={{ flex: 'none' }}
      >
        {t('editor.choose')} …
      </ChooseFile>
      <Box component="span" sx={{ overflow: 'hidden', textOverflow: 'ellipsis' }}>
        {file?.name}
      </Box>
    </Box>
  );
}

function PictureDialog({
  editor,
  what,
  sending,
  onClose,
}: Inner & { what: Extract<Inserting, { is: 'picture' }> }) {
  const t = useTranslations();
  const [file, setFile] = useState(what.file);
  const [alt, setAlt] = useState(what.alt ?? '');
  const put = (id: number) => {
    editor
      .chain()
      .focus()
      .insertContent({ type: 'picture', attrs: { file: id, alt: alt.trim() } })
      .run();
    onClose();
  };
  return (
    <Frame
      title={t('editor.picture')}
      ready={(file !== undefined || what.kept !== undefined) && !sending.isPending}
      button={t('editor.put')}
      onSubmit={() => {
        if (file) sending.mutate({ file, use: 'PICTURE' }, { onSuccess: ({ id }) => put(id) });
        else if (what.kept) put(what.kept);
      }}
      onClose={onClose}
    >
      <Chosen accept="image/png,image/jpeg,image/gif,image/webp" file={file} onChoose={setFile} />
      {sending.error && <Alert severity="error">{sending.error.message}</Alert>}
      <TextField
        label={t('editor.alt')}
        value={alt}
        onChange={(e) => setAlt(e.target.value)}
        helperText={t('editor.altHint')}
        slotProps={{ htmlInput: { maxLength: 500 } }}
        multiline
      />
    </Frame>
  );
}

const KINDS: Record<'film' | 'file', { use: FileUse; accept?: string; type: string }> = {
  film: { use: 'FILM', accept: 'video/webm,video/mp4', type: 'filmInText' },
  file: { use: 'DOCUMENT', type: 'fileInText' },
};

function FileDialog({ editor, is, sending, onClose }: Inner & { is: 'film' | 'file' }) {
  const t = useTranslations();
  const { use, accept, type } = KINDS[is];
  const [file, setFile] = useState<File>();
  return (
    <Frame
      title={t(`editor.${is}`)}
      ready={file !== undefined && !sending.isPending}
      button={t('editor.put')}
      onSubmit={() => {
        if (!file) return;
        sending.mutate(
          { file, use },
          {
            onSuccess: ({ id, name }) => {
              editor
                .chain()
                .focus()
                .insertContent({ type, attrs: { file: id, name } })
                .run();
              onClose();
            },
          },
        );
      }}
      onClose={onClose}
    >
      <Chosen accept={accept} file={file} onChoose={setFile} />
      {sending.error && <Alert severity="error">{sending.error.message}</Alert>}
    </Frame>
  );
}
