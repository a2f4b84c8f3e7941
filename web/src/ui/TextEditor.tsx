import { Box, ToggleButton, Typography } from '@mui/material';
import { EditorContent, useEditor } from '@tiptap/react';
import StarterKit from '@tiptap/starter-kit';
import { useTranslations } from 'use-intl';

/** Formatted text that saves by itself when it is left. */
export default function TextEditor({
  label,
  html,
  onSave,
}: {
  label: string;
  html: string;
  onSave: (html: string) => void;
}) {
  const t = useTranslations();
  const editor = useEditor({
    extensions: [StarterKit.configure({ heading: { levels: [3] }, link: { openOnClick: false } })],
    content: html,
    editorProps: { attributes: { 'aria-label': label, role: 'textbox', 'aria-multiline': 'true' } },
    onBlur: ({ editor: e }) => e.getHTML() !== html && onSave(e.getHTML()),
    shouldRerenderOnTransaction: true,
  });
  const tools = [
    { name: 'bold', run: () => editor.chain().focus().toggleBold().run() },
    { name: 'italic', run: () => editor.chain().focus().toggleItalic().run() },
    { name: 'heading', run: () => editor.chain().focus().toggleHeading({ level: 3 }).run() },
    {
      name: 'bullets',
      mark: 'bulletList',
      run: () => editor.chain().focus().toggleBulletList().run(),
    },
    {
      name: 'numbers',
      mark: 'orderedList',
      run: () => editor.chain().focus().toggleOrderedList().run(),
    },
  ];
  return (
    <div>
      <Typography variant="h3" color="textSecondary" component="h3" sx={{ mb: 0.5 }}>
        {label}
      </Typography>
      <Box sx={{ display: 'flex', gap: 0.5, mb: 0.5, flexWrap: 'wrap' }}>
        {tools.map((tool) => (
          <ToggleButton
            key={tool.name}
            size="small"
            value={tool.name}
            selected={editor.isActive(tool.mark ?? tool.name)}
            onMouseDown={(e) => e.preventDefault()}
            onClick={tool.run}
            sx={{ px: 1, py: 0.25, fontSize: 12 }}
          >
            {t(`plan.format.${tool.name}`)}
          </ToggleButton>
        ))}
      </Box>
      <Box
        sx={{
          border: 1,
          borderColor: 'divider',
          borderRadius: 1,
          px: 1.5,
          '& .ProseMirror': { minHeight: 160, outline: 0, py: 1 },
          '& p': { my: 0.75 },
          '& h3': { typography: 'h2', my: 1 },
          '&:focus-within': { borderColor: 'tone.indigo' },
        }}
      >
        <EditorContent editor={editor} />
      </Box>
    </div>
  );
}
