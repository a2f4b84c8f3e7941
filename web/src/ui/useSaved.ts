import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { giveUp, useGivenUp } from './useSaving';

/** What came of saving a field: why what stands in it was not kept, if it was refused. */
export interface Reply {
  refused?: { why: string; error?: Error };
}

const refusalIn = (reply: unknown) =>
  typeof reply === 'object' && reply !== null ? (reply as Reply).refused : undefined;

/**
 * What stands in a field that saves by itself. What is refused stays in it, with the reason, until
 * it is typed anew or somebody else keeps something there.
 *
 * @param onSave may give what came of it, now or later
 */
export function useSaved(
  value: string,
  onSave: (value: string) => unknown,
  may: (text: string) => boolean = () => true,
) {
  const [text, setText] = useState(value);
  const [fault, setFault] = useState<string>();
  // What was refused last, until something is kept or it is given up.
  const [error, setError] = useState<Error>();
  const sent = useRef(0);
  const client = useQueryClient();
  useGivenUp(error);
  useEffect(() => {
    setText(value);
    setFault(undefined);
  }, [value]);
  const type = (next: string) => {
    sent.current++;
    setFault(undefined);
    setText(next);
  };
  const save = async () => {
    if (text === value || !may(text)) return;
    const mine = ++sent.current;
    const refused = refusalIn(await onSave(text));
    setError(refused?.error);
    // What was typed meanwhile is another matter.
    if (refused && mine === sent.current) setFault(refused.why);
  };
  const back = () => {
    if (error) giveUp(client, error);
    type(value);
  };
  return { text, fault, type, save: () => void save(), back };
}
