import { TextField } from '@mui/material';
import { useState } from 'react';
import { keysInField } from '../ui/useKeys';
import { addNamed, NewRow } from './NewRow';

const MOST = 200;

/**
 * Something as it is named before it is there, so that no letter is lost. Enter adds it, Escape or
 * an empty name ends.
 */
export function NewNameRow({
  label,
  hint,
  added = '',
  begin = '',
  inList = false,
  onAdd,
  onEnd,
}: {
  label: string;
  hint: string;
  /** The one that was added last, as it is said. */
  added?: string;
  begin?: string;
  inList?: boolean;
  onAdd: (name: string, failed: () => void) => void;
  onEnd: () => void;
}) {
  const [name, setName] = useState(begin);
  const add = () => addNamed(name, setName, onAdd, onEnd);
  return (
    <NewRow added={added} inList={inList}>
      <TextField
        autoFocus
        fullWidth
        label={label}
        value={name}
        onChange={(e) => setName(e.target.value)}
        onKeyDown={keysInField({ Enter: add, Escape: onEnd })}
        helperText={hint}
        slotProps={{ htmlInput: { maxLength: MOST } }}
      />
    </NewRow>
  );
}
