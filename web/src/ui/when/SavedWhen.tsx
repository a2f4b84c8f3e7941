import { keysInField } from '../useKeys';
import { useSaved } from '../useSaved';
import { isStandard } from './standard';
import { WhenField, type WhenFieldProps } from './WhenField';

type Props = Omit<WhenFieldProps, 'onChange'> & {
  /** May give what came of it, so that a refusal stands at the field. */
  onSave: (value: string) => unknown;
};

/** A date that saves by itself when its field is left, or on Enter; what is no date stays typed. */
export function SavedWhen({ value, onSave, kind, helperText, ...rest }: Props) {
  const { text, fault, type, save, back } = useSaved(
    value,
    onSave,
    (now) => now === '' || isStandard(now, kind),
  );
  return (
    <WhenField
      {...rest}
      kind={kind}
      value={text}
      error={fault !== undefined}
      helperText={fault ?? helperText}
      onChange={type}
      onBlur={save}
      onKeyDown={keysInField({ Enter: save, Escape: back })}
    />
  );
}
