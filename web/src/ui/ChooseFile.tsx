import { Button, type ButtonProps } from '@mui/material';
import { useRef } from 'react';

/** A button that has a file chosen; the same one can be chosen again. */
export function ChooseFile({
  name,
  accept,
  onChoose,
  ...button
}: Omit<ButtonProps, 'onClick' | 'name'> & {
  /** What the file is, for who does not see the button. */
  name: string;
  accept?: string;
  onChoose: (file: File) => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={input}
        type="file"
        accept={accept}
        hidden
        aria-label={name}
        onChange={(e) => {
          const file = e.target.files?.[0];
          if (file) onChoose(file);
          e.target.value = '';
        }}
      />
      <Button variant="outlined" {...button} onClick={() => input.current?.click()} />
    </>
  );
}
