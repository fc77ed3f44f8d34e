import { useEffect } from 'react';
import type { Station } from '@/core/station';
import { differences } from '../parts/differences';
import { notify } from '../parts/notify';
import { draftsOf, dropDraft, keepDraft, movedAside } from './draft';
import { isUnsaved, type EditorStore, type SavedState } from './editorStore';
import type { Tabs } from './tabs';

/** Another tab has saved: what is clean here follows it, what is being worked on stays, and hears of it. */
async function follow(store: EditorStore, told: unknown): Promise<void> {
  const { savedFrom } = await import('./saving');
  const saved = savedFrom(told);
  const state = store.getState();
  if (!saved || saved.revision <= state.saved.revision) return;
  if (!isUnsaved(state)) state.takeSaved(saved);
  else
    void notify(
      `Revision ${saved.revision} was saved in another tab. What you wrote here is kept; saving it will show you both.`,
    );
}

/** Takes up what is kept of the station for this tab; what was typed meanwhile is newer, and then it is set aside. */
async function takeUp(store: EditorStore, { tab, others }: Tabs, before: Station): Promise<void> {
  const { id, saved } = store.getState();
  const { draft, aside } = await draftsOf(id, tab, others);
  const { document, typed, setAside } = store.getState();
  const touched = document !== before || Object.keys(typed).length > 0;
  if (!draft) return setAside(aside);
  if (Object.keys(draft.typed ?? {}).length === 0 && differences(draft.document, saved.station).length === 0) {
    // It was sent meanwhile, from wherever: there is nothing left to do with it.
    dropDraft(id, tab);
    return setAside(aside);
  }
  if (touched) {
    const key = `pitbell.draft.${id}.${tab}`;
    return setAside([...aside, movedAside(id, { key, text: JSON.stringify(draft), draft })]);
  }
  store.setState({ saved: { ...saved, revision: draft.base }, typed: draft.typed ?? {} });
  store.getState().edit(() => draft.document);
  store.temporal.getState().clear();
  setAside(aside);
}

/** Keeps unsaved work in the browser, takes up what was kept when the page opens, and knows of the other tabs. */
export function useDraft(store: EditorStore): void {
  useEffect(() => {
    const { id, document: before } = store.getState();
    let tabs: Tabs | null = null;
    let left = false;
    const write = () => {
      if (!tabs) return;
      const state = store.getState();
      const { saved, document, typed, keeping, setKeeping } = state;
      if (!isUnsaved(state)) return dropDraft(id, tabs.tab);
      const now = keepDraft(id, tabs.tab, { base: saved.revision, document, typed, at: Date.now() });
      if (now !== keeping) setKeeping(now);
    };
    // What reads the other tabs’ messages checks their form: fetched beside the page, not before it.
    const joining = import('./tabs')
      .then(({ joinTabs }) => joinTabs(id, (saved) => void follow(store, saved)))
      .then(async (joined) => {
        if (left) return joined.leave();
        await takeUp(store, joined, before);
        tabs = joined;
        if (isUnsaved(store.getState())) write();
        if (joined.shared) void notify('This station is open in another tab too: each keeps its own unsaved work.');
      });
    const silence = store.subscribe((state, was) => {
      if (state.document === was.document && state.saved === was.saved && state.typed === was.typed) return;
      write();
      if (
        state.saved !== was.saved &&
        state.saved.revision > was.saved.revision &&
        state.saved.station === state.document
      )
        tabs?.tellSaved({ id, ...state.saved } satisfies SavedState & { id: number });
    });
    return () => {
      left = true;
      silence();
      void joining.then(() => tabs?.leave());
    };
  }, [store]);
}
