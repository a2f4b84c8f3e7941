import {
  Box,
  Button,
  Checkbox,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  FormControlLabel,
  TextField,
  Typography,
} from '@mui/material';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { BankQuestion } from '../../api/client';
import { Empty } from '../../ui/Panel';
import { useLine } from '../../ui/useNames';
import { ANY, isFound } from './find';

interface Props {
  bank: BankQuestion[];
  /** Questions that the quiz asks already. */
  asked: number[];
  onTake: (questions: BankQuestion[]) => void;
  onClose: () => void;
}

/** Questions of the course, to be asked in a quiz. */
export function BankDialog({ bank, asked, onTake, onClose }: Props) {
  const t = useTranslations();
  const line = useLine();
  const [text, setText] = useState('');
  const [ticked, setTicked] = useState<number[]>([]);
  const rows = bank.filter((q) => !asked.includes(q.id) && isFound(q, { ...ANY, text }));
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>{t('bank.choose')}</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1, alignContent: 'start' }}>
        <TextField
          label={t('bank.find')}
          value={text}
          onChange={(e) => setText(e.target.value)}
          autoFocus
          sx={{ mt: 0.5 }}
        />
        {rows.length === 0 && (
          <Empty title={t(bank.length === 0 ? 'bank.empty' : 'bank.noneFound')} />
        )}
        {rows.map((q) => (
          <FormControlLabel
            key={q.id}
            sx={{ alignItems: 'start', mr: 0 }}
            control={
              <Checkbox
                size="small"
                checked={ticked.includes(q.id)}
                onChange={(_, on) =>
                  setTicked(on ? [...ticked, q.id] : ticked.filter((id) => id !== q.id))
                }
              />
            }
            label={
              <Box sx={{ pt: 0.5 }}>
                <Typography>{q.question.text || t('bank.nothingAsked')}</Typography>
                <Typography variant="body2" color="textSecondary">
                  {line(t(`question.${q.question.part.is}`), q.tags.join(', '))}
                </Typography>
              </Box>
            }
          />
        ))}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{t('common.cancel')}</Button>
        <Button
          variant="contained"
          disabled={ticked.length === 0}
          onClick={() => onTake(bank.filter((q) => ticked.includes(q.id)))}
        >
          {t('bank.ask', { count: ticked.length })}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
