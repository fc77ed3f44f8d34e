import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import type { ReactNode } from 'react';

interface Props {
  /** Widths of the fields, as grid columns. */
  columns: string;
  /** What the cross at the end takes away, in words. */
  remove: string;
  onRemove(): void;
  /** False where it must stay. */
  removable?: boolean;
  children: ReactNode;
}

/** One line of a list: its fields beside each other, and a cross that takes it away. */
export function ListRow({ columns, remove, onRemove, removable = true, children }: Props) {
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: `${columns} 36px`, gap: 1, alignItems: 'start' }}>
      {children}
      <IconButton aria-label={`remove ${remove}`} disabled={!removable} onClick={onRemove}>
        ×
      </IconButton>
    </Box>
  );
}
