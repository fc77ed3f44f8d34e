'use client';
import { createContext, use, useEffect, useMemo, useState, type ReactNode } from 'react';
import { useStore } from 'zustand';
import type { RuleSummary } from '@/core/levels';
import type { Problem } from '@/core/station';
import type { UnitSystem } from '@/core/units';
import { useSystem } from '../theme/Surface';
import { createEditor, isUnsaved, type EditorState, type EditorStore, type SavedState } from './editorStore';
import { judging } from './judging';
import { useDraft } from './useDraft';

const EditorContext = createContext<EditorStore | null>(null);

/** The newest that this page has seen saved of each station: the browser’s Back brings an older page, which must not show an older figure. */
const seen = new Map<number, SavedState>();

function newest(id: number, saved: SavedState): SavedState {
  const known = seen.get(id);
  return known && known.revision > saved.revision ? known : saved;
}

interface Props {
  id: number;
  saved: SavedState;
  /** How the rules of what is saved stand; null while the server is still at it: then they are worked out here. */
  rules: RuleSummary | null;
  children: ReactNode;
}

/** One station being worked on, shared by every view of it. */
export function StationProvider({ id, saved, rules, children }: Props) {
  const system = useSystem(saved.station.profile);
  const [store] = useState(() => {
    const now = newest(id, saved);
    return createEditor(id, now, now === saved ? rules : null, judging, system);
  });
  useEffect(() => {
    if (store.getState().judged.rules === null) store.getState().judgeNow();
    else void judging.ready();
  }, [store]);
  useEffect(() => {
    // A page that was fetched anew may know of a newer one than what is shown here.
    const state = store.getState();
    if (saved.revision > state.saved.revision && !isUnsaved(state)) state.takeSaved(saved);
  }, [store, saved]);
  useEffect(
    () => store.subscribe((state, was) => void (state.saved !== was.saved && seen.set(id, newest(id, state.saved)))),
    [store, id],
  );
  useDraft(store);
  return <EditorContext value={store}>{children}</EditorContext>;
}

/** Another editor in the place of the page’s: a copy that nobody saves. */
export const StationCopy = ({ store, children }: { store: EditorStore; children: ReactNode }) => (
  <EditorContext value={store}>{children}</EditorContext>
);

export function useEditorStore(): EditorStore {
  const store = use(EditorContext);
  if (!store) throw new Error('useEditor outside StationProvider');
  return store;
}

export function useEditor<T>(select: (state: EditorState) => T): T {
  return useStore(useEditorStore(), select);
}

/** The units this station is written in now. */
export function useStationSystem(): UnitSystem {
  return useSystem(useEditor((s) => s.document.profile));
}

/** What is wrong at one path of the document. */
export function useProblem(path: string): Problem | undefined {
  const problems = useEditor((s) => s.judged.problems);
  return useMemo(() => problems.find((p) => p.path === path), [problems, path]);
}

export function useUndo() {
  const { temporal } = useEditorStore();
  return {
    undo: () => temporal.getState().undo(),
    redo: () => temporal.getState().redo(),
    canUndo: useStore(temporal, (t) => t.pastStates.length > 0),
    canRedo: useStore(temporal, (t) => t.futureStates.length > 0),
  };
}
