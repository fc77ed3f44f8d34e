import { useEffect } from 'react';
import { surroundingsAfter } from '@/core/levels';
import { shaftScene } from '@/core/papers';
import type { Station } from '@/core/station';
import { judging } from '../editor/judging';
import { useEditorStore, useStationSystem } from '../editor/StationProvider';

/** How often it is gone through before a hand comes: after that the browser has compiled what a drag asks of it. */
const ROUNDS = 30;
const STEP = 1e-3;

/** The station with its first float a little elsewhere, as a drag would have it. */
const moved = (station: Station, by: number): Station => ({
  ...station,
  sensors: station.sensors.map((s, i) => (i === 0 && s.kind === 'tilt' ? { ...s, clip: s.clip + by } : s)),
});

/**
 * Goes through what a drag asks (check, judgement, drawing) while nobody does anything, a little at a time and with nothing to show for it:
 * code that a browser has not yet compiled takes several frames of the first drag.
 */
export function useWarmDrag(): void {
  const store = useEditorStore();
  const system = useStationSystem();
  useEffect(() => {
    if (typeof requestIdleCallback === 'undefined') return;
    let next = 0;
    let rounds = 0;
    const round = () => {
      const by = judging.now();
      const { document, judged, level } = store.getState();
      if (!by || rounds++ >= ROUNDS) return;
      const other = moved(document, ((rounds % 7) - 3) * STEP);
      if (by.checkStation(other, system).ok) {
        const { context, rules } = by.judge(other, surroundingsAfter(other, judged.context));
        by.summaryOf(rules);
        shaftScene(context, { width: 600, height: 600, detail: 'full', system, level, ghosts: [] });
      }
      next = requestIdleCallback(round);
    };
    let left = false;
    void judging.ready().then(() => {
      if (!left) next = requestIdleCallback(round);
    });
    return () => {
      left = true;
      cancelIdleCallback(next);
    };
  }, [store, system]);
}
