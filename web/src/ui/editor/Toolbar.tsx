import { Box, Button, Menu, MenuItem, ToggleButton } from '@mui/material';
import type { Editor } from '@tiptap/react';
import { type ReactNode, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Inserting } from './InsertDialog';
import type { FileKind } from './useSending';

const TOOLS = [
  { name: 'bold', is: 'bold', face: <b>B</b>, run: (e: Editor) => chain(e).toggleBold() },
  { name: 'italic', is: 'italic', face: <i>I</i>, run: (e: Editor) => chain(e).toggleItalic() },
  {
    name: 'heading',
    is: 'heading',
    face: 'H',
    run: (e: Editor) => chain(e).toggleHeading({ level: 3 }),
  },
  {
    name: 'bullets',
    is: 'bulletList',
    face: '• –',
    run: (e: Editor) => chain(e).toggleBulletList(),
  },
  {
    name: 'numbers',
    is: 'orderedList',
    face: '1. –',
    run: (e: Editor) => chain(e).toggleOrderedList(),
  },
  { name: 'quote', is: 'blockquote', face: '“ ”', run: (e: Editor) => chain(e).toggleBlockquote() },
  { name: 'code', is: 'codeBlock', face: '{ }', run: (e: Editor) => chain(e).toggleCodeBlock() },
  { name: 'low', is: 'low', face: 'x₂', run: (e: Editor) => chain(e).toggleMark('low') },
  { name: 'high', is: 'high', face: 'x²', run: (e: Editor) => chain(e).toggleMark('high') },
] as const;

const chain = (editor: Editor) => editor.chain().focus();

interface Props {
  editor: Editor;
  /** Which files can be put in. */
  files: readonly FileKind[];
  onInsert: (what: Inserting) => void;
}

/** What can be done with a text: how words look, what stands among them. */
export function Toolbar({ editor, files, onInsert }: Props) {
  const t = useTranslations();
  return (
    <Box
      role="toolbar"
      aria-label={t('editor.tools')}
      sx={{ display: 'flex', gap: 0.5, mb: 0.5, flexWrap: 'wrap' }}
    >
      {TOOLS.map((tool) => (
        <Tool
          key={tool.name}
          name={t(`editor.${tool.name}`)}
          on={editor.isActive(tool.is)}
          run={() => tool.run(editor).run()}
        >
          {tool.face}
        </Tool>
      ))}
      <Tool
        name={t('editor.link')}
        on={editor.isActive('link')}
        run={() => onInsert({ is: 'link' })}
      >
        {t('editor.link')}
      </Tool>
      <Insert editor={editor} files={files} onInsert={onInsert} />
      {editor.isActive('table') && <TableTools editor={editor} />}
      <Edit editor={editor} onInsert={onInsert} />
    </Box>
  );
}

/** A sign that is seen; its button says in words what it does. */
const SIGN = { '&::before': { content: 'attr(data-sign)' } };

function Tool({
  name,
  on,
  run,
  children,
}: {
  name: string;
  on: boolean;
  run: () => void;
  children: ReactNode;
}) {
  return (
    <ToggleButton
      size="small"
      value={name}
      selected={on}
      title={name}
      aria-label={name}
      onMouseDown={(e) => e.preventDefault()}
      onClick={run}
      sx={{ px: 1, py: 0.25, minWidth: 32, fontSize: 13, textTransform: 'none' }}
    >
      {typeof children === 'string' ? (
        <Box component="span" data-sign={children} sx={SIGN} />
      ) : (
        children
      )}
    </ToggleButton>
  );
}

function Choices({ name, items }: { name: string; items: { name: string; run: () => void }[] }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <Button
        size="small"
        aria-haspopup="menu"
        onMouseDown={(e) => e.preventDefault()}
        onClick={(e) => setAnchor(e.currentTarget)}
        sx={{ px: 1, py: 0.25, fontSize: 13 }}
      >
        {name} ▾
      </Button>
      <Menu
        anchorEl={anchor}
        open={anchor !== null}
        onClose={() => setAnchor(null)}
        disableRestoreFocus
      >
        {items.map((item) => (
          <MenuItem
            key={item.name}
            onClick={() => {
              setAnchor(null);
              item.run();
            }}
          >
            {item.name}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}

function Insert({ editor, files, onInsert }: Props) {
  const t = useTranslations();
  const table = () => chain(editor).insertTable({ rows: 3, cols: 3, withHeaderRow: true }).run();
  const dialogs = [...files, 'formula'] as const;
  return (
    <Choices
      name={t('editor.insert')}
      items={[
        { name: t('editor.table'), run: table },
        ...dialogs.map((is) => ({ name: `${t(`editor.${is}`)} …`, run: () => onInsert({ is }) })),
      ]}
    />
  );
}

function TableTools({ editor }: { editor: Editor }) {
  const t = useTranslations();
  return (
    <Choices
      name={t('editor.table')}
      items={[
        { name: t('editor.addRow'), run: () => chain(editor).addRowAfter().run() },
        { name: t('editor.addColumn'), run: () => chain(editor).addColumnAfter().run() },
        { name: t('editor.removeRow'), run: () => chain(editor).deleteRow().run() },
        { name: t('editor.removeColumn'), run: () => chain(editor).deleteColumn().run() },
        { name: t('editor.headRow'), run: () => chain(editor).toggleHeaderRow().run() },
        { name: t('editor.removeTable'), run: () => chain(editor).deleteTable().run() },
      ]}
    />
  );
}

/** A picture or a formula that is selected can be changed. */
function Edit({ editor, onInsert }: Pick<Props, 'editor' | 'onInsert'>) {
  const t = useTranslations();
  const is = (['picture', 'formula'] as const).find((name) => editor.isActive(name));
  if (!is) return null;
  const attributes = editor.getAttributes(is);
  return (
    <Button
      size="small"
      variant="outlined"
      onMouseDown={(e) => e.preventDefault()}
      onClick={() =>
        onInsert(
          is === 'picture'
            ? { is, kept: attributes.file as number, alt: attributes.alt as string }
            : { is, source: attributes.source as string },
        )
      }
      sx={{ px: 1, py: 0.25, fontSize: 13 }}
    >
      {t(`editor.${is}`)} …
    </Button>
  );
}
