import { type ReactNode, useSyncExternalStore } from 'react';
import { type AbstractIntlMessages, createTranslator, IntlProvider } from 'use-intl';
import learner from '../../../words/en/learner.properties';

const LOCALE = 'en';
let messages: AbstractIntlMessages = learner;
const listeners = new Set<() => void>();

/** Adds a part of the catalogue that is fetched when it is needed. */
export function add(more: AbstractIntlMessages) {
  messages = { ...messages, ...more };
  for (const changed of listeners) changed();
}

function listen(changed: () => void) {
  listeners.add(changed);
  return () => {
    listeners.delete(changed);
  };
}

/** Says a sentence of the catalogue. */
export type Say = (key: string) => string;

/** A sentence for where no component is. */
export const say: Say = (key) => createTranslator({ locale: LOCALE, messages })(key as never);

/** Gives everything inside it the catalogue of sentences, as much of it as is here. */
export function Words({
  children,
  onError,
}: {
  children: ReactNode;
  /** Is told of a sentence that is not there or lacks what stands in it. */
  onError?: (fault: Error) => void;
}) {
  const now = useSyncExternalStore(listen, () => messages);
  return (
    <IntlProvider locale={LOCALE} messages={now} timeZone="UTC" {...(onError && { onError })}>
      {children}
    </IntlProvider>
  );
}
