import { Alert, Button, Snackbar } from '@mui/material';
import { createContext, type ReactNode, useCallback, useContext, useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';

interface Note {
  text: string;
  tone: 'success' | 'error';
  undo?: (() => void) | undefined;
}

const NoticeContext = createContext<(note: Note) => void>(() => {});

/** Says results and failures in one place that screen readers hear. */
export function NoticeProvider({ children }: { children: ReactNode }) {
  const { t } = useTranslation();
  const [note, setNote] = useState<Note | null>(null);
  const show = useCallback((next: Note) => setNote(next), []);
  const close = () => setNote(null);
  const action = useMemo(
    () =>
      note?.undo && (
        <Button
          color="inherit"
          size="small"
          onClick={() => {
            note.undo?.();
            setNote(null);
          }}
        >
          {t('common.undo')}
        </Button>
      ),
    [note, t],
  );
  return (
    <NoticeContext value={show}>
      {children}
      <Snackbar
        open={note !== null}
        autoHideDuration={note?.tone === 'error' ? 12_000 : 6_000}
        onClose={(_, why) => why !== 'clickaway' && close()}
      >
        {note ? (
          <Alert
            severity={note.tone}
            variant="filled"
            action={action}
            {...(note.undo ? {} : { onClose: close })}
          >
            {note.text}
          </Alert>
        ) : undefined}
      </Snackbar>
    </NoticeContext>
  );
}

export const useNotice = () => useContext(NoticeContext);
