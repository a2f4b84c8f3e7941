import { useMutation } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import { useNotice } from '../ui/Notice';
import { useSendException } from './useSendException';
import { useTakingBack } from './useTakingBack';

/** What is given by one click, without a reason. */
type AtOnce = 'OPEN' | 'ADD_ATTEMPTS';

/** Gives a learner an exception at a step at once; the notice takes it back. */
export function useGiving({ enrolment, step }: { enrolment: number; step: number }) {
  const t = useTranslations();
  const notice = useNotice();
  const send = useSendException();
  const takeBack = useTakingBack();
  return useMutation({
    mutationFn: (kind: AtOnce) => send([enrolment], { kind, reason: '', step }),
    onSuccess: ({ given, left: [refused] }) =>
      notice(
        refused
          ? { tone: 'error', text: refused.why }
          : { tone: 'success', text: t('watch.exceptionDone'), undo: () => takeBack(given) },
      ),
    onError: (e) => notice({ tone: 'error', text: e.message }),
  });
}
