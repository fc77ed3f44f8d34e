import { useRef, useState } from 'react';
import type { Station } from '@/core/station';
import type { EditorState, SavedState } from '../editor/editorStore';
import { useEditorStore } from '../editor/StationProvider';
import { downloadJson, fileNameOf } from '../parts/download';
import { enterFields } from '../parts/entering';
import { notify } from '../parts/notify';
import { differences } from './differences';

/** Why the document cannot be saved now; null where it can. */
function against({ judged, typed }: Pick<EditorState, 'judged' | 'typed'>): string | null {
  const [field] = Object.entries(typed);
  if (field) return `${field[0]}: “${field[1]}” could not be entered, look at its field`;
  const [problem] = judged.problems;
  return problem ? `${problem.path}: ${problem.message}` : null;
}

/** Saving the station on the screen, and what to do when someone else did so first. */
export function useSaving() {
  const store = useEditorStore();
  const [busy, setBusy] = useState(false);
  const [theirs, setTheirs] = useState<SavedState | null>(null);
  const going = useRef(false);
  const again = useRef(false);
  // Sent, and nobody knows whether it arrived.
  const lost = useRef<Station | null>(null);

  const whyNot = () => against(store.getState());

  const send = async (base: number): Promise<void> => {
    const { id, document, keeping } = store.getState();
    const { saveDocument } = await import('../editor/saving');
    const outcome = await saveDocument(id, base, document);
    const kept = keeping === 'kept' ? 'What you wrote is kept in this browser' : 'Leave this page open';
    switch (outcome.state) {
      case 'saved': {
        const { revision, savedAt } = outcome.saved;
        lost.current = null;
        store.getState().setSaved({ revision, savedAt, station: document });
        setTheirs(null);
        void notify(`Saved as revision ${revision}`);
        return;
      }
      case 'stale':
        // What stands there was sent from here, and its answer was lost: it is nobody else’s.
        if (lost.current && differences(lost.current, outcome.theirs.station).length === 0) {
          store.getState().setSaved(outcome.theirs);
          lost.current = null;
          return send(outcome.theirs.revision);
        }
        return setTheirs(outcome.theirs);
      case 'refused':
        return void notify(
          `Not saved: ${outcome.problems.map((p) => `${p.path}: ${p.message}`).join('; ')}. ${kept}.`,
          'error',
        );
      case 'unreachable':
        lost.current = document;
        return void notify(`Not saved: ${outcome.why}. ${kept}; save again when it is back.`, 'error');
    }
  };

  const saveOn = async (base: () => number) => {
    // What stands in the fields becomes part of the document, as if they had been left.
    enterFields();
    if (going.current) {
      again.current = true;
      return;
    }
    const reason = whyNot();
    if (reason !== null) {
      void notify(`Not saved: ${reason}. What you wrote is kept as it is.`, 'error');
      return;
    }
    going.current = true;
    setBusy(true);
    do {
      again.current = false;
      const { document, saved } = store.getState();
      if (document !== saved.station || base() !== saved.revision) await send(base());
    } while (again.current && whyNot() === null);
    going.current = false;
    setBusy(false);
  };

  return {
    busy,
    theirs,
    later: () => setTheirs(null),
    save: () => saveOn(() => store.getState().saved.revision),
    keepMine: () => theirs && saveOn(() => theirs.revision),
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
