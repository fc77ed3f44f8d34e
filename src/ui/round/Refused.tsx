'use client';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import type { Problem } from '@/core/station';

/** What was wrong with a file, every problem by its path; nothing was changed. */
export function Refused({ problems, onClose }: { problems: readonly Problem[]; onClose(): void }) {
  return (
    <Dialog open onClose={onClose} aria-labelledby="refused-title">
      <DialogTitle id="refused-title">This file was not imported; nothing was changed</DialogTitle>
      <DialogContent>
        <ul>
          {problems.map((p, i) => (
            <li key={i}>
              <code>{p.path}</code>: {p.message}
            </li>
          ))}
        </ul>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>close</Button>
      </DialogActions>
    </Dialog>
  );
}
