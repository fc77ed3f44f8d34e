import { useSnackbar } from 'notistack';
import { useState } from 'react';
import { saveDocument } from '../editor/saving';
import type { SavedState } from '../editor/editorStore';
import { useEditorStore } from '../editor/StationProvider';
import { downloadJson, fileNameOf } from '../parts/download';

/** Saving the station on the screen, and what to do when someone else did so first. */
export function useSaving() {
  const store = useEditorStore();
  const { enqueueSnackbar } = useSnackbar();
  const [busy, setBusy] = useState(false);
  const [theirs, setTheirs] = useState<SavedState | null>(null);

  const saveOn = async (base: number) => {
    const { id, document, judged } = store.getState();
    if (judged.problems.length > 0) {
      enqueueSnackbar(
        `Not saved: ${judged.problems[0]!.path}: ${judged.problems[0]!.message}. What you wrote is kept in this browser.`,
        { variant: 'error' },
      );
      return;
    }
    setBusy(true);
    const outcome = await saveDocument(id, base, document);
    setBusy(false);
    switch (outcome.state) {
      case 'saved':
        store
          .getState()
          .setSaved({ revision: outcome.saved.revision, savedAt: outcome.saved.savedAt, station: document });
        setTheirs(null);
        enqueueSnackbar(`Saved as revision ${outcome.saved.revision}`);
        break;
      case 'stale':
        setTheirs(outcome.theirs);
        break;
      case 'refused':
        enqueueSnackbar(`Not saved: ${outcome.problems.map((p) => `${p.path}: ${p.message}`).join('; ')}`, {
          variant: 'error',
        });
        break;
      case 'unreachable':
        enqueueSnackbar(
          'Not saved: the server does not answer. Your work is kept in this browser; save again when it is back.',
          { variant: 'error' },
        );
        break;
    }
  };

  return {
    busy,
    theirs,
    later: () => setTheirs(null),
    save: () => saveOn(store.getState().saved.revision),
    keepMine: () => theirs && saveOn(theirs.revision),
    takeTheirs() {
      if (!theirs) return;
      const { document, edit, setSaved } = store.getState();
      downloadJson(fileNameOf(document.identity.name, 'mine'), document);
      setSaved(theirs);
      edit(() => theirs.station);
      setTheirs(null);
    },
  };
}
