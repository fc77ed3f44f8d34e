import Button from '@mui/material/Button';
import { useRef } from 'react';

interface Props {
  words: string;
  /** What the choice of a file is called. */
  label: string;
  accept: string;
  onFile(file: File): void;
}

/** A button that asks for a file; the same file can be chosen again. */
export function FileButton({ words, label, accept, onFile }: Props) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button onClick={() => input.current?.click()} sx={{ minHeight: 44 }}>
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
