import { Alert, Button, Snackbar } from '@mui/material';
import { useTranslation } from 'react-i18next';

export interface Note {
  text: string;
  tone: 'success' | 'error';
  undo?: (() => void) | undefined;
}

export default function NoticeBar({ note, onClose }: { note: Note; onClose: () => void }) {
  const { t } = useTranslation();
  const { undo } = note;
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
      autoHideDuration={note.tone === 'error' ? 12_000 : 6_000}
      onClose={(_, why) => why !== 'clickaway' && onClose()}
    >
      <Alert severity={note.tone} variant="filled" action={action} {...(undo ? {} : { onClose })}>
        {note.text}
      </Alert>
    </Snackbar>
  );
}
