import { type FieldPath, type FieldValues, useController } from 'react-hook-form';
import type { Fields } from '../useFields';
import { WhenField, type WhenFieldProps } from './WhenField';

type Props<T extends FieldValues, Out extends FieldValues> = Omit<
  WhenFieldProps,
  'value' | 'onChange'
> & {
  of: Fields<T, Out>;
  name: FieldPath<T>;
};

/** A date or a time of a form. */
export function FormWhen<T extends FieldValues, Out extends FieldValues>({
  of,
  name,
  helperText,
  ...more
}: Props<T, Out>) {
  const { field, fieldState } = useController<T, FieldPath<T>, Out>({
    control: of.control,
    name,
  });
  const { ref, ...bound } = field;
  return (
    <WhenField
      {...more}
      {...bound}
      inputRef={ref}
      error={fieldState.invalid}
      helperText={fieldState.error?.message ?? helperText}
    />
  );
}
