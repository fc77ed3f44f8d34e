import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';

const KEYS: readonly (readonly [string, string])[] = [
  ['/ or Ctrl K', 'go to a station, a view, an action'],
  ['g r', 'Round'],
  ['g s, g l, g n, g h, g p, g d', 'Survey, Levels, Panel, Rehearse, Prove, Door card'],
  ['m', 'in Panel: the meter, red probe in hand'],
  ['Space or Enter in Panel', 'works a switch or float; asks a coil why'],
  ['Space in Rehearse', 'plays and holds'],
  ['+ − ← → on the time axis', 'closer, wider, the cursor; Shift: ten steps'],
  ['[ and ]', 'previous and next station'],
  ['Ctrl S', 'save'],
  ['Ctrl Z, Ctrl Shift Z', 'undo, redo'],
  ['↑ ↓ on a float', 'move it by one mark of the tape; Shift: ten'],
  ['← → on a float', 'shorter or longer tether; Shift: ten'],
  ['↑ ↓ on the water', 'lower or raise the water'],
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
              <TableRow key={keys}>
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
