import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { VIEWS } from './views';

const KEYS: readonly (readonly [string, string])[] = [
  ['/ or Ctrl K', 'go to a station, a view, an action'],
  ['g r', 'Round'],
  [VIEWS.map((v) => `g ${v.key}`).join(', '), VIEWS.map((v) => v.name).join(', ')],
  ...VIEWS.flatMap((v) => (v.keys ?? []).map(([keys, what]) => [keys, `in ${v.name}: ${what}`] as const)),
  ['[ and ]', 'previous and next station'],
  ['Ctrl S', 'save'],
  ['Ctrl Z, Ctrl Shift Z', 'undo, redo'],
  ['Esc', 'give up a drag, close a window'],
  ['?', 'this list'],
];

export function KeysHelp({ open, onClose }: { open: boolean; onClose(): void }) {
  return (
    <Dialog open={open} onClose={onClose} aria-labelledby="keys-title">
      <DialogTitle id="keys-title">Keys</DialogTitle>
      <DialogContent>
        <Table size="small">
          <TableBody>
            {KEYS.map(([keys, what]) => (
              <TableRow key={`${keys} ${what}`}>
                <TableCell component="th" scope="row">
                  <kbd>{keys}</kbd>
                </TableCell>
                <TableCell>{what}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </DialogContent>
    </Dialog>
  );
}
