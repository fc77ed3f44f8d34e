'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { mergedBy } from '@/core/editing';
import type { Station } from '@/core/station';
import { changesBetween } from '@/core/surveyed';
import { sayPhrase } from '@/core/units';
import type { SavedState } from '../editor/editorStore';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { Segments } from '../parts/Segments';
import { clock } from '../parts/when';

interface Props {
  theirs: SavedState;
  /** Goes on with mine and what was picked of theirs. */
  onMerge(both: Station): void;
  onTakeTheirs(): void;
  onClose(): void;
}

const SIDES = [
  ['mine', 'mine'],
  ['theirs', 'theirs'],
] as const;
type Side = (typeof SIDES)[number][0];

/** Someone saved this station in between: nothing was overwritten; field by field the person decides which goes on. */
export function StaleDialog({ theirs, onMerge, onTakeTheirs, onClose }: Props) {
  const mine = useEditor((s) => s.document);
  const system = useStationSystem();
  const [picked, setPicked] = useState<Readonly<Record<string, Side>>>({});
  const changes = changesBetween(mine, theirs.station);
  const paths = [...new Set(changes.map((c) => c.path))];
  const left = paths.filter((p) => !picked[p]).length;
  const all = (side: Side) => setPicked(Object.fromEntries(paths.map((p) => [p, side])));
  const ofTheirs = paths.filter((p) => picked[p] === 'theirs');
  return (
    <Dialog open onClose={onClose} aria-labelledby="stale-title" maxWidth="md">
      <DialogTitle id="stale-title">This station was saved elsewhere in between</DialogTitle>
      <DialogContent>
        <Typography variant="body2" sx={{ mb: 1 }}>
          Revision {theirs.revision} was saved at {clock(theirs.savedAt)}. Nothing has been overwritten, and theirs
          stays among its revisions whatever you pick.{' '}
          {paths.length === 0 ? 'The two are alike.' : 'From mine to theirs, pick one of each:'}
        </Typography>
        <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none', maxHeight: '50vh', overflow: 'auto' }}>
          {paths.map((path) => {
            const said = changes.filter((c) => c.path === path).map((c) => sayPhrase(c.sentence, system));
            return (
              <Box
                component="li"
                key={path}
                sx={{
                  display: 'flex',
                  flexWrap: 'wrap',
                  gap: 1,
                  alignItems: 'center',
                  justifyContent: 'space-between',
                  py: 0.5,
                  borderBottom: 1,
                  borderColor: 'divider',
                }}
              >
                <Typography variant="readingSmall">{said.join('; ')}</Typography>
                <Segments
                  label={said.join('; ')}
                  value={picked[path] ?? null}
                  choices={SIDES}
                  onPick={(side) => setPicked({ ...picked, [path]: side })}
                />
              </Box>
            );
          })}
        </Box>
      </DialogContent>
      <DialogActions sx={{ flexWrap: 'wrap' }}>
        <Button onClick={onClose}>decide later</Button>
        {paths.length > 1 && (
          <>
            <Button onClick={() => all('mine')}>all mine</Button>
            <Button onClick={() => all('theirs')}>all theirs</Button>
          </>
        )}
        <Button onClick={onTakeTheirs}>take theirs, download mine</Button>
        <Button
          variant="contained"
          disabled={left > 0}
          onClick={() => onMerge(mergedBy(mine, theirs.station, ofTheirs))}
        >
          {left > 0 ? `${left} to pick` : 'save it so'}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
