import { useEffect, useRef, useState } from 'react';

/** What came of saving a field: why what stands in it was not kept, if it was refused. */
export interface Saving {
  fault?: string;
}

const faultOf = (came: unknown) =>
  typeof came === 'object' && came !== null && 'fault' in came ? (came as Saving).fault : undefined;

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
  const sent = useRef(0);
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
    const said = faultOf(await onSave(text));
    // What was typed meanwhile is another matter.
    if (said && mine === sent.current) setFault(said);
  };
  return { text, fault, type, save: () => void save(), back: () => type(value) };
}
