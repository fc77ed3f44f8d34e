'use client';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import type { Station } from '@/core/station';
import { changesBetween } from '@/core/surveyed';
import { sayPhrase } from '@/core/units';
import type { SavedState } from '../editor/editorStore';
import { useStationSystem } from '../editor/StationProvider';
import { clock } from '../parts/when';

interface Props {
  theirs: SavedState;
  mine: Station;
  onKeepMine(): void;
  onTakeTheirs(): void;
  onClose(): void;
}

/** Someone saved this station in between: nothing was overwritten; the person decides which goes on. */
export function StaleDialog({ theirs, mine, onKeepMine, onTakeTheirs, onClose }: Props) {
  const system = useStationSystem();
  const changes = changesBetween(mine, theirs.station).map((c) => sayPhrase(c.sentence, system));
  return (
    <Dialog open onClose={onClose} aria-labelledby="stale-title">
      <DialogTitle id="stale-title">This station was saved elsewhere in between</DialogTitle>
      <DialogContent>
        <Typography variant="body2" sx={{ mb: 1 }}>
          Revision {theirs.revision} was saved at {clock(theirs.savedAt)}. Nothing has been overwritten. In it is
          otherwise than in yours:
        </Typography>
        <Typography
          component="ul"
          variant="readingSmall"
          sx={{ m: 0, pl: 2, maxHeight: 200, overflow: 'auto', display: 'block' }}
        >
          {changes.length === 0 ? <li>nothing: they are alike</li> : changes.map((c) => <li key={c}>{c}</li>)}
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
