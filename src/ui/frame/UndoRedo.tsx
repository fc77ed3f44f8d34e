'use client';
import ButtonBase from '@mui/material/ButtonBase';
import { useUndo } from '../editor/StationProvider';

const ICON = {
  display: { xs: 'none', sm: 'inline-flex' },
  width: 36,
  height: 36,
  fontSize: 20,
  borderRadius: 1,
  '&:disabled': { opacity: 0.35 },
} as const;

/** Undo and redo; on a phone they stand under “go to…”: the views need the width. */
export function UndoRedo() {
  const { undo, redo, canUndo, canRedo } = useUndo();
  return (
    <>
      <ButtonBase sx={ICON} aria-label="undo" title="undo (Ctrl Z)" disabled={!canUndo} onClick={undo}>
        ↶
      </ButtonBase>
      <ButtonBase sx={ICON} aria-label="redo" title="redo (Ctrl Shift Z)" disabled={!canRedo} onClick={redo}>
        ↷
      </ButtonBase>
    </>
  );
}
