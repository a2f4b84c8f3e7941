import { Box, Button, IconButton, ListItemText, Menu, MenuItem, Typography } from '@mui/material';
import { useId, useState } from 'react';
import { useTranslations } from 'use-intl';
import { moment } from '../../ui/format';
import { useKeys } from '../../ui/useKeys';
import { useLastEdits } from './lastEdits';
import { useSaysEdit } from './useSaysEdit';
import { useUndo } from './useUndo';

const SHOWN = 15;

function Back() {
  return (
    <svg width={18} height={18} viewBox="0 0 18 18" aria-hidden fill="none" stroke="currentColor">
      <path d="M6.5 3 2.5 7l4 4" strokeWidth={2} />
      <path d="M3 7h7.5a4 4 0 0 1 0 8H7" strokeWidth={2} />
    </svg>
  );
}

/** Undoes the last edit of a draft by its name, and any of the last ones. */
export default function UndoButton({ course }: { course: number }) {
  const t = useTranslations();
  const says = useSaysEdit();
  const { whose, undo } = useUndo(course);
  const edits = useLastEdits(whose);
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const list = useId();
  const byKey = (event: KeyboardEvent) => {
    event.preventDefault();
    void undo();
  };
  useKeys({ 'Control+z': byKey, 'Meta+z': byKey });
  const last = edits.at(-1);
  if (!last) return null;
  const label = t('undo.last', { what: says(last) });
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', minWidth: 0, color: 'tone.soft' }}>
      <Button
        color="inherit"
        size="small"
        onClick={() => void undo(last.key)}
        aria-label={label}
        aria-keyshortcuts="Control+Z"
        title={label}
        startIcon={<Back />}
        sx={{ minWidth: 0 }}
      >
        <Typography
          component="span"
          variant="body2"
          noWrap
          sx={{ maxWidth: { lg: 120, xl: 260 }, display: { xs: 'none', lg: 'block' } }}
        >
          {label}
        </Typography>
      </Button>
      <IconButton
        color="inherit"
        size="small"
        aria-label={t('undo.list')}
        aria-haspopup="menu"
        aria-expanded={anchor !== null}
        aria-controls={anchor ? list : undefined}
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        <svg width={10} height={10} viewBox="0 0 10 10" aria-hidden>
          <path d="M1 3l4 4 4-4" fill="none" stroke="currentColor" strokeWidth={1.8} />
        </svg>
      </IconButton>
      <Menu
        id={list}
        anchorEl={anchor}
        open={anchor !== null}
        onClose={() => setAnchor(null)}
        slotProps={{ list: { 'aria-label': t('undo.list') } }}
      >
        {edits
          .slice(-SHOWN)
          .reverse()
          .map((edit) => (
            <MenuItem
              key={edit.key}
              onClick={() => {
                setAnchor(null);
                void undo(edit.key);
              }}
              sx={{ maxWidth: 420 }}
            >
              <ListItemText
                primary={t('undo.last', { what: says(edit) })}
                secondary={moment(edit.at)}
                slotProps={{ primary: { sx: { whiteSpace: 'normal' } } }}
              />
            </MenuItem>
          ))}
      </Menu>
    </Box>
  );
}
