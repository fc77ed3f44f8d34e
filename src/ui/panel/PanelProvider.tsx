'use client';
import { createContext, use, useEffect, useState, type ReactNode } from 'react';
import { useStore } from 'zustand';
import { useEditorStore } from '../editor/StationProvider';
import { createPanelSession, type LivePanel, type PanelSession, type PanelStore } from './panelStore';

const PanelContext = createContext<PanelStore | null>(null);

/** The live of the station being worked on: it follows the document and the water. */
export function PanelProvider({ children }: { children: ReactNode }) {
  const editor = useEditorStore();
  const [live] = useState(() => {
    const store = createPanelSession();
    const { judged, level } = editor.getState();
    store.getState().take(judged.judgement.context.station, level);
    return store;
  });
  useEffect(() => {
    const follow = () => {
      const { judged, level } = editor.getState();
      live.getState().take(judged.judgement.context.station, level);
    };
    follow();
    return editor.subscribe(follow);
  }, [live, editor]);
  return <PanelContext value={live}>{children}</PanelContext>;
}

/** A live that nobody works: it shows a panel as it stands. */
export function StillPanel({ live, children }: { live: LivePanel; children: ReactNode }) {
  const [store] = useState(() => {
    const made = createPanelSession();
    made.setState({ live });
    return made;
  });
  useEffect(() => store.setState({ live }), [store, live]);
  return <PanelContext value={store}>{children}</PanelContext>;
}

export function usePanelStore(): PanelStore {
  const store = use(PanelContext);
  if (!store) throw new Error('useBench outside PanelProvider');
  return store;
}

export function usePanel<T>(select: (state: PanelSession) => T): T {
  return useStore(usePanelStore(), select);
}
