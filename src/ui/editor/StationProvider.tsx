'use client';
import { createContext, use, useEffect, useMemo, useState, type ReactNode } from 'react';
import { useStore } from 'zustand';
import type { RuleSummary } from '@/core/levels';
import type { Problem } from '@/core/station';
import type { UnitSystem } from '@/core/units';
import { useSystem } from '../theme/Surface';
import { dropDraft, keepDraft, readDraft } from './draft';
import { createEditor, isDirty, type EditorState, type EditorStore, type SavedState } from './editorStore';
import { judging } from './judging';

const EditorContext = createContext<EditorStore | null>(null);

/** Keeps unsaved work in the browser, and takes up what was kept when the page opens. */
function useDraft(store: EditorStore): void {
  useEffect(() => {
    const { id, saved, document } = store.getState();
    void readDraft(id).then((draft) => {
      // What was typed meanwhile is newer than what was kept.
      if (!draft || store.getState().document !== document) return;
      store.setState({ saved: { ...saved, revision: draft.base } });
      store.getState().edit(() => draft.document);
      store.temporal.getState().clear();
    });
    return store.subscribe((state, before) => {
      if (state.document === before.document && state.saved === before.saved) return;
      if (isDirty(state)) keepDraft(id, { base: state.saved.revision, document: state.document });
      else dropDraft(id);
    });
  }, [store]);
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
  const [store] = useState(() => createEditor(id, saved, rules, judging, system));
  useEffect(() => {
    if (store.getState().judged.rules === null) store.getState().judgeNow();
    else void judging.ready();
  }, [store]);
  useDraft(store);
  return <EditorContext value={store}>{children}</EditorContext>;
}

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
