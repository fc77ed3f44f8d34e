'use client';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useEditor } from '../editor/StationProvider';
import { isDirty } from '../editor/editorStore';
import { clock } from '../parts/when';

/** Saved and when, or not yet saved, with the button that saves. */
export function SaveState({ busy, onSave }: { busy: boolean; onSave(): void }) {
  const dirty = useEditor(isDirty);
  const saved = useEditor((s) => s.saved);
  return (
    <>
      <Typography
        variant="body2"
        role="status"
        aria-label="save state"
        noWrap
        sx={{ display: { xs: 'none', sm: 'block' } }}
      >
        {dirty ? 'not yet saved' : `saved ${clock(saved.savedAt)}`}
      </Typography>
      <Button variant="contained" disabled={!dirty || busy} onClick={onSave} aria-keyshortcuts="Control+S">
        {busy ? 'saving…' : 'save'}
      </Button>
    </>
  );
}
