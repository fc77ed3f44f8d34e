'use client';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useEditor } from '../editor/StationProvider';
import { isHereOnly, isUnsaved } from '../editor/editorStore';
import { KEEPING } from '../parts/browserKeep';
import { useWorks, Works } from '../people/Works';
import { clock } from '../parts/when';

/** Saved and when, or not yet saved, with the button that saves; and where what is typed is not even kept, that. */
export function SaveState({ busy, onSave }: { busy: boolean; onSave(): void }) {
  const here = useEditor(isHereOnly);
  const otherHere = useEditor((s) => s.here !== null && s.here !== s.document);
  const unsaved = (useEditor(isUnsaved) || otherHere) && !here;
  const saved = useEditor((s) => s.saved);
  const keeping = useEditor((s) => s.keeping);
  const works = useWorks();
  const danger = unsaved && keeping !== 'kept';
  return (
    <>
      <Typography
        variant="body2"
        role="status"
        aria-label="save state"
        noWrap={!danger}
        sx={{ display: { xs: danger ? 'block' : 'none', sm: 'block' }, ...(danger && { color: 'error.main' }) }}
      >
        {here
          ? 'on this device only'
          : unsaved
            ? danger
              ? KEEPING[keeping]
              : works
                ? 'not yet saved'
                : 'tried on this screen alone'
            : `saved ${clock(saved.savedAt)}`}
      </Typography>
      <Works>
        <Button variant="contained" disabled={!unsaved} onClick={onSave} aria-keyshortcuts="Control+S">
          {busy ? 'saving…' : 'save'}
        </Button>
      </Works>
    </>
  );
}
