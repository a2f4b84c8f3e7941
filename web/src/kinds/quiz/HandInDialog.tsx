import {
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  Typography,
} from '@mui/material';
import { useTranslations } from 'use-intl';
import { useNames } from '../../ui/useNames';

interface Props {
  /** Numbers of questions that have no answer; not known where one never goes back. */
  open?: number[];
  /** With this one, negative for any number. */
  attemptsLeft: number;
  onClose: () => void;
  onHandIn: () => void;
}

/** Says what is missing and what is left before an attempt is handed in. */
export function HandInDialog({ open, attemptsLeft, onClose, onHandIn }: Props) {
  const t = useTranslations();
  const names = useNames();
  return (
    <Dialog open onClose={onClose}>
      <DialogTitle>{t('attempt.handIn')}</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1 }}>
        {open && (
          <Typography>
            {open.length > 0
              ? t('attempt.missing', { count: open.length, numbers: names(open.map(String)) })
              : t('attempt.allAnswered')}
          </Typography>
        )}
        {attemptsLeft >= 0 && (
          <Typography>
            {t('attempt.leftAfter', { count: Math.max(0, attemptsLeft - 1) })}
          </Typography>
        )}
      </DialogContent>
      <DialogActions>
        <Button autoFocus onClick={onClose}>
          {t('attempt.goOn')}
        </Button>
        <Button variant="contained" onClick={onHandIn}>
          {t('learn.handInAnswers')}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
