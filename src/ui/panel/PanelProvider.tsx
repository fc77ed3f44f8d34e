'use client';
import { createContext, use, useEffect, useState, useSyncExternalStore, type ReactNode } from 'react';
import { useEditorStore } from '../editor/StationProvider';
import { createPanelSession, type LivePanel, type PanelSession, type PanelStore } from './panelStore';

const PanelContext = createContext<PanelStore | null>(null);

/** The panel of the station being worked on: it follows the document and the water. */
export function PanelProvider({ children }: { children: ReactNode }) {
  const editor = useEditorStore();
  const [live] = useState(() => {
    const store = createPanelSession();
    const { judged, level } = editor.getState();
    store.getState().take(judged.context.station, level);
    return store;
  });
  useEffect(() => {
    const follow = () => {
      const { judged, level } = editor.getState();
      live.getState().take(judged.context.station, level);
    };
    follow();
    return editor.subscribe(follow);
  }, [live, editor]);
  return <PanelContext value={live}>{children}</PanelContext>;
}

/** A panel that nobody works: it is shown as it stands. */
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
  if (!store) throw new Error('usePanel outside PanelProvider');
  return store;
}

export function usePanel<T>(select: (state: PanelSession) => T): T {
  const store = usePanelStore();
  // On the server too it is asked as it stands now: the panel is there from the first paint.
  const now = () => select(store.getState());
  return useSyncExternalStore(store.subscribe, now, now);
}
