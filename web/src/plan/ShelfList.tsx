import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  TextField,
  Typography,
} from '@mui/material';
import type { UseQueryResult } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { Empty, Loaded } from '../ui/Panel';

/** Something on the institution's shelf. */
export interface Shelved {
  id: number;
  name: string;
  /** What is said below its name. */
  more: string;
  mayRemove: boolean;
  /** Whether it has been copied just now. */
  taken?: boolean;
}

interface Props<R> {
  title: string;
  empty: string;
  hint: string;
  find: string;
  take: string;
  rows: UseQueryResult<R[]>;
  shown: (row: R) => Shelved;
  error: Error | null;
  onTake: (id: number) => void;
  onRemove: (id: number) => void;
  onClose: () => void;
}

/** What is on the institution's shelf, to be found and copied into the course. */
export function ShelfList<R>({ rows: query, shown, error, onClose, ...p }: Props<R>) {
  const t = useTranslations();
  const [text, setText] = useState('');
  const words = text.trim().toLowerCase();
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>{p.title}</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1.5 }}>
        {error && <Alert severity="error">{error.message}</Alert>}
        <Loaded query={query}>
          {(rows) =>
            rows.length === 0 ? (
              <Empty title={p.empty} hint={p.hint} />
            ) : (
              <>
                <TextField
                  label={p.find}
                  value={text}
                  onChange={(e) => setText(e.target.value)}
                  autoFocus
                  sx={{ mt: 0.5 }}
                />
                {rows
                  .map(shown)
                  .filter((r) => `${r.name} ${r.more}`.toLowerCase().includes(words))
                  .map((r) => (
                    <Box
                      key={r.id}
                      sx={{
                        display: 'flex',
                        gap: 1.5,
                        alignItems: 'center',
                        borderBottom: 1,
                        borderColor: 'divider',
                        pb: 1,
                      }}
                    >
                      <Box sx={{ flex: 1, minWidth: 0 }}>
                        <Typography sx={{ fontWeight: 700 }}>{r.name}</Typography>
                        <Typography variant="body2" color="textSecondary" noWrap>
                          {r.more}
                        </Typography>
                      </Box>
                      {r.mayRemove && (
                        <Button onClick={() => p.onRemove(r.id)}>{t('common.remove')}</Button>
                      )}
                      <Button
                        variant="outlined"
                        disabled={r.taken ?? false}
                        onClick={() => p.onTake(r.id)}
                      >
                        {r.taken ? t('bank.copied') : p.take}
                      </Button>
                    </Box>
                  ))}
              </>
            )
          }
        </Loaded>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{t('common.close')}</Button>
      </DialogActions>
    </Dialog>
  );
}
