import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  type DialogProps,
  DialogTitle,
  FormHelperText,
  TextField,
  type TextFieldProps,
  ToggleButton,
  ToggleButtonGroup,
} from '@mui/material';
import type { UseMutationResult } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { type FieldPath, type FieldValues, get, useController } from 'react-hook-form';
import { useTranslations } from 'use-intl';
import { ApiError } from '../api/client';
import type { Fields } from './useFields';
import { useGivenUp } from './useSaving';

type Sending<Out> = Pick<UseMutationResult<unknown, Error, Out>, 'mutate' | 'error' | 'isPending'>;

interface Props<T extends FieldValues, Out extends FieldValues> {
  title: string;
  fields: Fields<T, Out>;
  /** Sends what was filled in. */
  send: Sending<Out>;
  /** What the button says that sends. */
  button: string;
  /** What the button says that does not. */
  leave?: string;
  onClose: () => void;
  width?: DialogProps['maxWidth'];
  /** Whether Enter in a line sends; not where it could not be taken back. */
  byEnter?: boolean;
  /** Other buttons that send, each with some of the fields set. */
  more?: { says: string; with: Partial<Out> }[];
  /** Buttons to the left. */
  aside?: ReactNode;
  children: ReactNode;
}

/** Typing goes into the first field at once, where no other asks for it. */
function beginTyping(form: HTMLElement | null) {
  if (!form || form.contains(document.activeElement)) return;
  form
    .querySelector<HTMLElement>(
      'input:not([aria-hidden="true"]):not([type="checkbox"]):not(:disabled), textarea:not([aria-hidden="true"])',
    )
    ?.focus();
}

/**
 * A form in a dialog. What the server finds wrong with a field stands at that field; a click beside
 * the dialog leaves what was typed.
 */
export function FormDialog<T extends FieldValues, Out extends FieldValues>({
  title,
  fields,
  send,
  button,
  leave,
  onClose,
  width = 'xs',
  byEnter = true,
  more = [],
  aside,
  children,
}: Props<T, Out>) {
  const t = useTranslations();
  const { isDirty } = fields.formState;
  useGivenUp(send.error instanceof ApiError ? send.error : null);
  const submit = (set?: Partial<Out>) =>
    fields.handleSubmit((filled) =>
      send.mutate({ ...filled, ...set }, { onError: (e) => placeFaults(e, fields) }),
    );
  return (
    <Dialog
      open
      fullWidth
      maxWidth={width}
      onClose={(_, why) => {
        if (why !== 'backdropClick' || !isDirty) onClose();
      }}
    >
      <Box
        component="form"
        ref={beginTyping}
        noValidate
        onSubmit={submit()}
        sx={{ display: 'flex', flexDirection: 'column', minHeight: 0 }}
      >
        <DialogTitle>{title}</DialogTitle>
        <DialogContent sx={{ display: 'grid', gap: 1.75, '&&': { pt: 1 } }}>
          <Fault error={send.error} fields={fields} />
          {children}
        </DialogContent>
        <DialogActions>
          {aside}
          <Button onClick={onClose}>{leave ?? t('common.cancel')}</Button>
          {more.map(({ says, with: set }) => (
            <Button key={says} variant="outlined" disabled={send.isPending} onClick={submit(set)}>
              {says}
            </Button>
          ))}
          <Button
            type={byEnter ? 'submit' : 'button'}
            {...(!byEnter && { onClick: submit() })}
            variant="contained"
            disabled={send.isPending}
          >
            {button}
          </Button>
        </DialogActions>
      </Box>
    </Dialog>
  );
}

const faultsOf = (error: Error | null) =>
  Object.entries((error instanceof ApiError && error.problem.fields) || {}).map(
    ([name, why]) => [name.replace(/\[(\d+)]/g, '.$1'), why] as const,
  );

const has = <T extends FieldValues, Out extends FieldValues>(
  fields: Fields<T, Out>,
  name: string,
) => get(fields.getValues(), name) !== undefined;

/** Says at each field what the server found wrong with it. */
export function placeFaults<T extends FieldValues, Out extends FieldValues>(
  error: Error,
  fields: Fields<T, Out>,
) {
  for (const [name, message] of faultsOf(error))
    if (has(fields, name)) fields.setError(name as FieldPath<T>, { message });
}

/** What went wrong, unless each fault stands at its field. */
export function Fault<T extends FieldValues, Out extends FieldValues>({
  error,
  fields,
}: {
  error: Error | null;
  fields: Fields<T, Out>;
}) {
  const faults = faultsOf(error);
  if (!error || (faults.length > 0 && faults.every(([name]) => has(fields, name)))) return null;
  return <Alert severity="error">{error.message}</Alert>;
}

type FieldProps<T extends FieldValues, Out extends FieldValues> = TextFieldProps & {
  of: Fields<T, Out>;
  name: FieldPath<T>;
  /** Is told of what was typed or chosen. */
  onChosen?: () => void;
};

/** A line, a number or a choice of a form. */
export function Field<T extends FieldValues, Out extends FieldValues>({
  of,
  name,
  helperText,
  onChosen,
  ...more
}: FieldProps<T, Out>) {
  const { field, fieldState } = useController<T, FieldPath<T>, Out>({
    control: of.control,
    name,
  });
  const { ref, ...bound } = field;
  return (
    <TextField
      {...more}
      {...bound}
      onChange={(e) => {
        bound.onChange(e);
        onChosen?.();
      }}
      inputRef={ref}
      error={fieldState.invalid}
      helperText={fieldState.error?.message ?? helperText}
    />
  );
}

interface ChoiceProps<T extends FieldValues, Out extends FieldValues> {
  of: Fields<T, Out>;
  name: FieldPath<T>;
  label: string;
  options: { value: string | number; name: string; short?: string; strong?: boolean }[];
  /** Whether several may be chosen. */
  several?: boolean;
}

/** A choice among a few that all stand there. */
export function Choice<T extends FieldValues, Out extends FieldValues>({
  of,
  name,
  label,
  options,
  several = false,
}: ChoiceProps<T, Out>) {
  const { field, fieldState } = useController<T, FieldPath<T>, Out>({
    control: of.control,
    name,
  });
  return (
    <div>
      <ToggleButtonGroup
        ref={field.ref}
        exclusive={!several}
        fullWidth={options.some((o) => o.short)}
        size="small"
        value={field.value}
        onChange={(_, chosen) => field.onChange(chosen)}
        onBlur={field.onBlur}
        aria-label={label}
        {...(!options.some((o) => o.short) && { sx: { flexWrap: 'wrap' } })}
      >
        {options.map((o) => (
          <ToggleButton
            key={o.value}
            value={o.value}
            aria-label={o.name}
            sx={{ fontWeight: o.strong ? 700 : 400 }}
          >
            {o.short ?? o.name}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      {fieldState.error && <FormHelperText error>{fieldState.error.message}</FormHelperText>}
    </div>
  );
}
