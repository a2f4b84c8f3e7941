import { TextField, type TextFieldProps } from '@mui/material';
import { useEffect, useState } from 'react';
import { keysInField } from './useKeys';

type Props = Omit<TextFieldProps, 'value' | 'onChange'> & {
  value: string;
  onSave: (value: string) => void;
};

/** A field that saves by itself when it is left, or on Enter in a single line. */
export function SavedField({ value, onSave, multiline, ...rest }: Props) {
  const [text, setText] = useState(value);
  useEffect(() => setText(value), [value]);
  const save = () => text !== value && onSave(text);
  return (
    <TextField
      {...rest}
      multiline={multiline ?? false}
      value={text}
      onChange={(e) => setText(e.target.value)}
      onBlur={save}
      onKeyDown={keysInField({
        ...(!multiline && { Enter: save }),
        Escape: () => setText(value),
      })}
    />
  );
}
