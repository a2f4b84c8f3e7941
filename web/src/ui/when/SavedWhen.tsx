import { useEffect, useState } from 'react';
import { keysInField } from '../useKeys';
import { isStandard } from './standard';
import { WhenField, type WhenFieldProps } from './WhenField';

type Props = Omit<WhenFieldProps, 'onChange'> & {
  onSave: (value: string) => void;
};

/** A date that saves by itself when its field is left, or on Enter; what is no date stays typed. */
export function SavedWhen({ value, onSave, kind, ...rest }: Props) {
  const [now, setNow] = useState(value);
  useEffect(() => setNow(value), [value]);
  const save = () => now !== value && (now === '' || isStandard(now, kind)) && onSave(now);
  return (
    <WhenField
      {...rest}
      kind={kind}
      value={now}
      onChange={setNow}
      onBlur={save}
      onKeyDown={keysInField({ Enter: save, Escape: () => setNow(value) })}
    />
  );
}
