import { useState } from 'react';
import type { SavedState } from '../editor/editorStore';
import { useEditorStore } from '../editor/StationProvider';
import { downloadJson, fileNameOf } from '../parts/download';
import { notify } from '../parts/notify';

/** Saving the station on the screen, and what to do when someone else did so first. */
export function useSaving() {
  const store = useEditorStore();
  const [busy, setBusy] = useState(false);
  const [theirs, setTheirs] = useState<SavedState | null>(null);

  const saveOn = async (base: number) => {
    const { id, document, judged } = store.getState();
    if (judged.problems.length > 0) {
      void notify(
        `Not saved: ${judged.problems[0]!.path}: ${judged.problems[0]!.message}. What you wrote is kept in this browser.`,
        'error',
      );
      return;
    }
    setBusy(true);
    const { saveDocument } = await import('../editor/saving');
    const outcome = await saveDocument(id, base, document);
    setBusy(false);
    switch (outcome.state) {
      case 'saved':
        store
          .getState()
          .setSaved({ revision: outcome.saved.revision, savedAt: outcome.saved.savedAt, station: document });
        setTheirs(null);
        void notify(`Saved as revision ${outcome.saved.revision}`);
        break;
      case 'stale':
        setTheirs(outcome.theirs);
        break;
      case 'refused':
        void notify(`Not saved: ${outcome.problems.map((p) => `${p.path}: ${p.message}`).join('; ')}`, 'error');
        break;
      case 'unreachable':
        void notify(
          'Not saved: the server does not answer. Your work is kept in this browser; save again when it is back.',
          'error',
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

/** Saving, and how it stands. */
export type Saving = ReturnType<typeof useSaving>;
