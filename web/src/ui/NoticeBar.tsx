import { Alert, Button, Snackbar, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';

const SHOWN = 6;

export interface Note {
  text: string;
  tone: 'success' | 'error';
  /** What is wrong, one by one; it stays until it is closed. */
  details?: string[] | undefined;
  undo?: (() => void) | undefined;
}

export default function NoticeBar({ note, onClose }: { note: Note; onClose: () => void }) {
  const t = useTranslations();
  const { undo } = note;
  const details = note.details ?? [];
  const action = undo && (
    <Button
      color="inherit"
      size="small"
      onClick={() => {
        undo();
        onClose();
      }}
    >
      {t('common.undo')}
    </Button>
  );
  return (
    <Snackbar
      open
      autoHideDuration={details.length > 0 ? null : note.tone === 'error' ? 12_000 : 6_000}
      onClose={(_, why) => why !== 'clickaway' && onClose()}
    >
      <Alert severity={note.tone} variant="filled" action={action} {...(undo ? {} : { onClose })}>
        {note.text}
        {details.slice(0, SHOWN).map((detail) => (
          <Typography key={detail} variant="body2">
            {detail}
          </Typography>
        ))}
        {details.length > SHOWN && t('common.more', { count: details.length - SHOWN })}
      </Alert>
    </Snackbar>
  );
}
