import { useTranslations } from 'use-intl';
import { useNames } from '../../ui/useNames';
import { Asking } from './Asking';

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
