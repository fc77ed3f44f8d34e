'use client';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import type { Station } from '@/core/station';
import type { SavedState } from '../editor/editorStore';
import { clock } from '../parts/when';
import { differences } from './differences';

interface Props {
  theirs: SavedState;
  mine: Station;
  onKeepMine(): void;
  onTakeTheirs(): void;
  onClose(): void;
}

/** Someone saved this station in between: nothing was overwritten; the person decides which goes on. */
export function StaleDialog({ theirs, mine, onKeepMine, onTakeTheirs, onClose }: Props) {
  const paths = differences(mine, theirs.station);
  return (
    <Dialog open onClose={onClose} aria-labelledby="stale-title">
      <DialogTitle id="stale-title">This station was saved elsewhere in between</DialogTitle>
      <DialogContent>
        <Typography variant="body2" sx={{ mb: 1 }}>
          Revision {theirs.revision} was saved at {clock(theirs.savedAt)}. Nothing has been overwritten. Yours differs
          from it at:
        </Typography>
        <Typography
          component="ul"
          variant="readingSmall"
          sx={{ m: 0, pl: 2, maxHeight: 200, overflow: 'auto', display: 'block' }}
        >
          {paths.length === 0 ? <li>nothing: they are alike</li> : paths.map((p) => <li key={p}>{p}</li>)}
        </Typography>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>decide later</Button>
        <Button onClick={onTakeTheirs}>take theirs, download mine</Button>
        <Button variant="contained" onClick={onKeepMine}>
          save mine over it
        </Button>
      </DialogActions>
    </Dialog>
  );
}
