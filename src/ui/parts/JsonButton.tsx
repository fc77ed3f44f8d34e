'use client';
import Button from '@mui/material/Button';

/** A button that takes one JSON file. */
export function JsonButton({ label, onFile }: { label: string; onFile(file: File): void }) {
  return (
    <Button component="label" size="small">
      {label}
      <input
        type="file"
        accept="application/json,.json"
        hidden
        onChange={(e) => {
          const file = e.target.files?.[0];
          // The same file can be given again.
          e.target.value = '';
          if (file) onFile(file);
        }}
      />
    </Button>
  );
}
