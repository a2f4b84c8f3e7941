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
  /** Numbers of questions that have no answer; where one never goes back, of this one. */
  open: number[];
  /** Whether all questions are known, so that it can be said that they are answered. */
  all: boolean;
  /** With this one, negative for any number. */
  attemptsLeft: number;
  onClose: () => void;
  onHandIn: () => void;
}

/** Asks before what cannot be taken back. */
function Asking({
  title,
  button,
  says,
  onClose,
  onGo,
}: {
  title: string;
  button: string;
  says: (string | false)[];
  onClose: () => void;
  onGo: () => void;
}) {
  const t = useTranslations();
  return (
    <Dialog open onClose={onClose}>
      <DialogTitle>{title}</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1 }}>
        {says.map((text) => text && <Typography key={text}>{text}</Typography>)}
      </DialogContent>
      <DialogActions>
        <Button autoFocus onClick={onClose}>
          {t('attempt.goOn')}
        </Button>
        <Button variant="contained" onClick={onGo}>
          {button}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** Says that a question is left without an answer where one never comes back to it. */
export function LeaveDialog({
  question,
  onClose,
  onLeave,
}: {
  question: number;
  onClose: () => void;
  onLeave: () => void;
}) {
  const t = useTranslations();
  return (
    <Asking
      title={t('attempt.leave')}
      button={t('attempt.next')}
      says={[t('attempt.missing', { count: 1, numbers: `${question}` }), t('attempt.neverBack')]}
      onClose={onClose}
      onGo={onLeave}
    />
  );
}

/** Says what is missing and what is left before an attempt is handed in. */
export function HandInDialog({ open, all, attemptsLeft, onClose, onHandIn }: Props) {
  const t = useTranslations();
  const names = useNames();
  return (
    <Asking
      title={t('attempt.handIn')}
      button={t('learn.handInAnswers')}
      says={[
        open.length > 0
          ? t('attempt.missing', { count: open.length, numbers: names(open.map(String)) })
          : all && t('attempt.allAnswered'),
        attemptsLeft >= 0 && t('attempt.leftAfter', { count: Math.max(0, attemptsLeft - 1) }),
      ]}
      onClose={onClose}
      onGo={onHandIn}
    />
  );
}
