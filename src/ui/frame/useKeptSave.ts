import { useEffect, useRef, type RefObject } from 'react';
import type { EditorStore, SavedState } from '../editor/editorStore';
import type { savedHere } from '../editor/saving';
import { useEditor, useEditorStore } from '../editor/StationProvider';
import type { Act } from '../outbox/act';
import { useActs } from '../outbox/useActs';
import { keysUnder } from '../parts/browserKeep';
import { differences } from '../parts/differences';

type Kept = NonNullable<ReturnType<typeof savedHere>>;

/** Goes on with what is saved here and not sent, where nothing else is kept of it: its draft may be gone. */
function goOn(store: EditorStore, act: Act, kept: Kept): void {
  const { id, document, saved, typed, edit } = store.getState();
  const untouched = document === saved.station && Object.keys(typed).length === 0;
  const open = act.state === 'waiting' || act.state === 'differs';
  if (!open || !untouched || keysUnder(`pitbell.draft.${id}`).length > 0) return;
  store.setState({ saved: { ...saved, revision: kept.base } });
  edit(() => kept.document);
}

/** How an act stands becomes how the station on the screen does. @returns what was saved elsewhere, where both have to be shown */
function follow(store: EditorStore, act: Act, kept: Kept): SavedState | null {
  const { document, saved, here, setSaved, setHere } = store.getState();
  const same = differences(document, kept.document).length === 0;
  setHere(act.state !== 'waiting' ? null : same ? document : here);
  if (!same) return null;
  const newer = (other: SavedState | null) => (other && other.revision > saved.revision ? other : null);
  const sent = act.state === 'sent' ? newer(kept.saved) : null;
  if (sent) setSaved({ revision: sent.revision, savedAt: sent.savedAt, station: document });
  return act.state === 'differs' ? newer(kept.theirs) : null;
}

/** What became of a station that was saved on this device: sent, it is the newest; where it differs, both are shown. */
export function useKeptSave(
  id: number,
  /** Whether this page is saving: then it hears for itself what came of it. */
  going: RefObject<boolean>,
  onTheirs: (theirs: SavedState) => void,
): void {
  const store = useEditorStore();
  const { acts } = useActs();
  const act = acts.findLast((a) => a.about === `station:${id}`);
  // What is on the screen may be taken up from the browser after the page, and be what was saved here.
  const document = useEditor((s) => (act ? s.document : null));
  const followed = useRef<Act | undefined>(undefined);
  const begun = useRef(false);
  useEffect(() => {
    if (followed.current === act && (act === undefined || act.state === 'sent')) return;
    followed.current = act;
    void import('../editor/saving').then(({ savedHere }) => {
      const kept = act && savedHere(act);
      if (!kept) return store.getState().setHere(null);
      if (!begun.current) goOn(store, act, kept);
      begun.current = true;
      const theirs = follow(store, act, kept);
      if (theirs && !going.current) onTheirs(theirs);
    });
  }, [act, document, store, going, onTheirs]);
}
