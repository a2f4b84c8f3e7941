import { TextField, type TextFieldProps } from '@mui/material';
import { keysInField } from './useKeys';
import { useSaved } from './useSaved';

type Props = Omit<TextFieldProps, 'value' | 'onChange'> & {
  value: string;
  /** May give what came of it, so that a refusal stands at the field. */
  onSave: (value: string) => unknown;
};

/** A field that saves by itself when it is left, or on Enter in a single line. */
export function SavedField({ value, onSave, multiline, error, helperText, ...rest }: Props) {
  const { text, fault, type, save, back } = useSaved(value, onSave);
  return (
    <TextField
      {...rest}
      multiline={multiline ?? false}
      value={text}
      error={fault !== undefined || error === true}
      helperText={fault ?? helperText}
      onChange={(e) => type(e.target.value)}
      onBlur={save}
      onKeyDown={keysInField({
        ...(!multiline && { Enter: save }),
        Escape: back,
      })}
    />
  );
}
