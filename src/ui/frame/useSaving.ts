import { useEffect, useRef, useState } from 'react';
import type { Station } from '@/core/station';
import type { EditorState, SavedState } from '../editor/editorStore';
import type { SaveOutcome } from '../editor/saving';
import { useEditorStore } from '../editor/StationProvider';
import { downloadJson, fileNameOf } from '../parts/download';
import { enterFields } from '../parts/entering';
import { notify } from '../parts/notify';
import { differences } from '../parts/differences';
import { useKeptSave } from './useKeptSave';

/** Why the document cannot be saved now; null where it can. */
function against({ judged, typed }: Pick<EditorState, 'judged' | 'typed'>): string | null {
  const [field] = Object.entries(typed);
  if (field) return `${field[0]}: “${field[1]}” could not be entered, look at its field`;
  const [problem] = judged.problems;
  return problem ? `${problem.path}: ${problem.message}` : null;
}

/** Says why it is not saved at the server, and what is with it now. */
function sayNot(outcome: Exclude<SaveOutcome, { state: 'saved' | 'stale' }>, keeping: boolean): Promise<void> {
  const kept = keeping ? 'What you wrote is kept in this browser' : 'Leave this page open';
  return outcome.state === 'kept'
    ? notify(`Saved on this device only: ${outcome.why}. It is sent when the server takes it.`)
    : outcome.state === 'refused'
      ? notify(`Not saved: ${outcome.problems.map((p) => `${p.path}: ${p.message}`).join('; ')}. ${kept}.`, 'error')
      : notify(`Not saved: ${outcome.why}. ${kept}; save again when it is back.`, 'error');
}

/** Saving the station on the screen, and what to do when someone else did so first. */
export function useSaving() {
  const store = useEditorStore();
  const [busy, setBusy] = useState(false);
  const [theirs, setTheirs] = useState<SavedState | null>(null);
  const going = useRef(false);
  useKeptSave(store.getState().id, going, setTheirs);
  const again = useRef(false);
  // Sent, and nobody knows whether it arrived.
  const lost = useRef<Station | null>(null);

  // What saves is there before signal is lost.
  useEffect(() => void import('../editor/saving'), []);

  const whyNot = () => against(store.getState());

  const send = async (base: number): Promise<void> => {
    const { id, document, keeping } = store.getState();
    const { saveDocument } = await import('../editor/saving');
    const outcome = await saveDocument(id, base, document);
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
        return void sayNot(outcome, keeping === 'kept');
      case 'kept':
      case 'unreachable':
        lost.current = document;
        return void sayNot(outcome, keeping === 'kept');
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
      const { document, saved, here } = store.getState();
      // What is as the server has it is sent all the same where something else was saved here.
      if (document !== saved.station || base() !== saved.revision || here !== null) await send(base());
    } while (again.current && whyNot() === null);
    going.current = false;
    setBusy(false);
  };

  return {
    busy,
    theirs,
    later: () => setTheirs(null),
    save: () => saveOn(() => store.getState().saved.revision),
    /** Saves what was made of mine and theirs. */
    async merge(both: Station) {
      if (!theirs) return;
      store.getState().edit(() => both);
      await saveOn(() => theirs.revision);
    },
    takeTheirs() {
      if (!theirs) return;
      const { id, document, edit, setSaved } = store.getState();
      void import('../editor/saving').then(({ dropSavedHere }) => dropSavedHere(id));
      downloadJson(fileNameOf(document.identity.name, 'mine'), document);
      setSaved(theirs);
      edit(() => theirs.station);
      setTheirs(null);
    },
  };
}

/** Saving, and how it stands. */
export type Saving = ReturnType<typeof useSaving>;
