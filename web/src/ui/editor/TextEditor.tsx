import { Alert, Box, Button, LinearProgress, Typography } from '@mui/material';
import { TableKit } from '@tiptap/extension-table';
import { type Editor, EditorContent, useEditor } from '@tiptap/react';
import StarterKit from '@tiptap/starter-kit';
import { useEffect, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { PROSE } from '../Prose';
import { InsertDialog, type Inserting } from './InsertDialog';
import { FileInText, FilmInText, Formula, High, Low, Picture } from './nodes';
import { cleaned } from './pasted';
import { Toolbar } from './Toolbar';
import { useKeptText } from './useKeptText';
import { type FileDoor, type FileKind, useSending } from './useSending';

interface Props {
  label: string;
  html: string;
  /** Saves it when it is left; without, somebody else does. */
  onSave?: (html: string) => void;
  /** Where the course's files are found and kept; without it there are none in the text. */
  files?: FileDoor;
  /** Where an unsaved text is kept in this browser. */
  keep?: string;
  /** Is told of every change. */
  onChange?: (html: string) => void;
  autoFocus?: boolean;
  /** Goes on with a kept text without being asked, unless another one has come meanwhile. */
  resume?: boolean;
}

const ALL: readonly FileKind[] = ['picture', 'film', 'file'];

/** Formatted text that saves by itself when it is left, and is kept until it is saved. */
export default function TextEditor({
  label,
  html,
  onSave,
  files,
  keep,
  onChange,
  autoFocus,
  resume = false,
}: Props) {
  const t = useTranslations();
  const kept = useKeptText(keep, html);
  const [inserting, setInserting] = useState<Inserting | null>(null);
  const sending = useSending(files);
  const kinds = files ? (files.takes ?? ALL) : [];
  const shown = useRef(html);
  const address = (file: number) => files?.address(file) ?? '';
  const save = (editor: Editor) => {
    const text = editor.getHTML();
    if (!onSave || text === shown.current) return;
    shown.current = text;
    kept.sent();
    onSave(text);
  };
  const editor = useEditor({
    extensions: [
      StarterKit.configure({ heading: { levels: [2, 3] }, link: { openOnClick: false } }),
      TableKit.configure({ table: { resizable: false } }),
      Picture.configure({ address }),
      FilmInText.configure({ address }),
      FileInText,
      Formula,
      Low,
      High,
    ],
    content: html,
    autofocus: autoFocus ? 'end' : false,
    editorProps: {
      attributes: { 'aria-label': label, role: 'textbox', 'aria-multiline': 'true' },
      transformPastedHTML: cleaned,
      handlePaste: (_, event) => takePicture(event.clipboardData),
      handleDrop: (_, event) => takePicture(event.dataTransfer),
    },
    onCreate: ({ editor: e }) => {
      // How the editor writes it is not how the server did; that is no change.
      shown.current = e.getHTML();
      if (!resume || !kept.kept || kept.kept.base !== html) return;
      e.commands.setContent(kept.kept.text);
      kept.taken();
    },
    onUpdate: ({ editor: e }) => {
      const text = e.getHTML();
      if (text !== shown.current) kept.keep(text);
      onChange?.(text);
    },
    onBlur: ({ editor: e }) => inserting === null && save(e),
    shouldRerenderOnTransaction: true,
  });
  function takePicture(data: DataTransfer | null) {
    const picture = [...(data?.files ?? [])].find((f) => f.type.startsWith('image/'));
    if (!picture || !files) return false;
    setInserting({ is: 'picture', file: picture });
    return true;
  }
  const latest = useRef(save);
  latest.current = save;
  // What is left by going somewhere else is saved too.
  useEffect(
    () => () => {
      if (!editor.isDestroyed) latest.current(editor);
    },
    [editor],
  );
  return (
    <div>
      <Typography variant="h3" color="textSecondary" component="h2" sx={{ mb: 0.5 }}>
        {label}
      </Typography>
      {kept.kept && (
        <Alert
          role="status"
          severity="info"
          sx={{ mb: 1 }}
          action={
            <>
              <Button
                size="small"
                onClick={() => {
                  editor.commands.setContent(kept.kept?.text ?? '');
                  save(editor);
                }}
              >
                {t('editor.putBack')}
              </Button>
              <Button size="small" onClick={kept.drop}>
                {t('editor.drop')}
              </Button>
            </>
          }
        >
          {t('editor.unsaved')}
        </Alert>
      )}
      <Toolbar editor={editor} files={kinds} onInsert={setInserting} />
      {sending.isPending && (
        <LinearProgress
          variant="determinate"
          value={sending.share * 100}
          aria-label={t('editor.sending')}
        />
      )}
      <Box
        sx={{
          bgcolor: 'tone.panel',
          border: 1,
          borderColor: 'divider',
          borderRadius: 1,
          px: 1.5,
          ...PROSE,
          '& .ProseMirror': { minHeight: 160, outline: 0, py: 1 },
          '& .ProseMirror-selectednode': { outline: '2px solid', outlineColor: 'tone.indigo' },
          '& .selectedCell': { bgcolor: 'tone.indigoWash' },
          '&:focus-within': { borderColor: 'tone.indigo' },
        }}
      >
        <EditorContent editor={editor} />
      </Box>
      {inserting && (
        <InsertDialog
          editor={editor}
          what={inserting}
          sending={sending}
          onClose={() => {
            setInserting(null);
            editor.commands.focus();
          }}
        />
      )}
    </div>
  );
}
