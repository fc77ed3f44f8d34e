'use client';
import { createContext, use, useEffect, useState, type ReactNode } from 'react';
import { useStore } from 'zustand';
import { useEditorStore } from '../editor/StationProvider';
import { createBench, type Bench, type BenchState, type BenchStore } from './panelStore';

const BenchContext = createContext<BenchStore | null>(null);

/** The bench of the station being worked on: it follows the document and the water. */
export function BenchProvider({ children }: { children: ReactNode }) {
  const editor = useEditorStore();
  const [bench] = useState(() => {
    const store = createBench();
    const { judged, level } = editor.getState();
    store.getState().take(judged.judgement.context.station, level);
    return store;
  });
  useEffect(() => {
    const follow = () => {
      const { judged, level } = editor.getState();
      bench.getState().take(judged.judgement.context.station, level);
    };
    follow();
    return editor.subscribe(follow);
  }, [bench, editor]);
  return <BenchContext value={bench}>{children}</BenchContext>;
}

/** A bench that nobody works: it shows a panel as it stands. */
export function StillBench({ bench, children }: { bench: Bench; children: ReactNode }) {
  const [store] = useState(() => {
    const made = createBench();
    made.setState({ bench });
    return made;
  });
  useEffect(() => store.setState({ bench }), [store, bench]);
  return <BenchContext value={store}>{children}</BenchContext>;
}

export function useBenchStore(): BenchStore {
  const store = use(BenchContext);
  if (!store) throw new Error('useBench outside BenchProvider');
  return store;
}

export function useBench<T>(select: (state: BenchState) => T): T {
  return useStore(useBenchStore(), select);
}
