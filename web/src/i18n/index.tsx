import { type ReactNode, useSyncExternalStore } from 'react';
import { type AbstractIntlMessages, createTranslator, IntlProvider } from 'use-intl';
import kinds from '../../../words/en/kinds.properties';
import learner from '../../../words/en/learner.properties';

const LOCALE = 'en';
const first: AbstractIntlMessages = { ...learner, ...kinds };
let messages = first;
const listeners = new Set<() => void>();

let shipped = first;
let wording: Record<string, string> = {};

/** Sentences with some in other words; keys that are not among them are left out. */
function worded(sentences: AbstractIntlMessages, above = ''): AbstractIntlMessages {
  return Object.fromEntries(
    Object.entries(sentences).map(([key, text]) => [
      key,
      typeof text === 'string' ? (wording[above + key] ?? text) : worded(text, `${above}${key}.`),
    ]),
  );
}

function sayAnew() {
  messages = Object.keys(wording).length > 0 ? worded(shipped) : shipped;
  for (const changed of listeners) changed();
}

/** Adds a part of the catalogue that is fetched when it is needed. */
export function add(more: AbstractIntlMessages) {
  shipped = { ...shipped, ...more };
  sayAnew();
}

/** Says some sentences in the institution's own words, by their keys. */
export function reword(own: Record<string, string>) {
  wording = own;
  sayAnew();
}

function listen(changed: () => void) {
  listeners.add(changed);
  return () => {
    listeners.delete(changed);
  };
}

/** Says a sentence of the catalogue. */
export type Say = (key: string, values?: Record<string, string | number>) => string;

/** A sentence for where no component is. */
export const say: Say = (key, values) =>
  createTranslator({ locale: LOCALE, messages })(key as never, values as never);

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
