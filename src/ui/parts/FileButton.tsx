import Button, { type ButtonProps } from '@mui/material/Button';
import { useRef } from 'react';

interface Props extends Pick<ButtonProps, 'disabled' | 'size' | 'sx'> {
  words: string;
  /** What the choice of a file is called. */
  label: string;
  accept: string;
  onFile(file: File): void;
}

export const JSON_FILE = '.json,application/json';

/** A button that asks for a file; the same file can be chosen again. */
export function FileButton({ words, label, accept, onFile, ...button }: Props) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button {...button} onClick={() => input.current?.click()}>
        {words}
      </Button>
      <input
        ref={input}
        type="file"
        accept={accept}
        hidden
        aria-label={label}
        onChange={(e) => {
          const file = e.target.files?.[0];
          if (file) onFile(file);
          e.target.value = '';
        }}
      />
    </>
  );
}
