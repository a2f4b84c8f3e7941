import { useTranslations } from 'use-intl';
import { Asking } from './Asking';

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
