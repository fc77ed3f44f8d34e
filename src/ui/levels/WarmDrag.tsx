'use client';
import { useEffect, useState } from 'react';
import { createPortal } from 'react-dom';
import { moveFloat } from '@/core/editing';
import type { Station } from '@/core/station';
import type { UnitSystem } from '@/core/units';
import { createEditor, type EditorStore } from '../editor/editorStore';
import { judging } from '../editor/judging';
import { BellLine } from '../frame/BellLine';
import { SaveState } from '../frame/SaveState';
import { UndoRedo } from '../frame/UndoRedo';
import { StationCopy, useEditorStore, useStationSystem } from '../editor/StationProvider';
import { MovableShaft } from '../shaft/MovableShaft';
import { RuleBars } from './RuleBars';

/** How often it is gone through before a hand comes: after that the browser has compiled what a drag asks of it. */
const ROUNDS = 60;
/** How far floats are moved about where they hang, m. */
const REACH = 0.06;

/** Marks of one drag: then the float hangs where it did, and the next is taken. */
const MARKS = 6;

/** The station as it is after so many marks of one drag after the other. */
function dragged(station: Station, marks: number, system: UnitSystem): Station {
  const mark = marks % MARKS;
  const sensor = station.sensors[Math.floor(marks / MARKS) % station.sensors.length];
  return sensor && mark > 0 ? moveFloat(station, sensor.id, REACH * Math.sin(mark), system) : station;
}

const nothing = () => {};

/** Goes through a drag of a copy, a little whenever nothing else is to be done; a hand that comes ends it. @returns how it is given up */
function warm(copy: EditorStore, system: UnitSystem, done: () => void): () => void {
  const { document: from } = copy.getState();
  let next = 0;
  let rounds = 0;
  const round = () => {
    if (rounds++ >= ROUNDS) return done();
    if (rounds % MARKS === 1) copy.getState().beginDrag();
    copy.getState().edit(() => dragged(from, rounds, system));
    if (rounds % MARKS === 0) copy.getState().endDrag();
    next = requestIdleCallback(round);
  };
  next = requestIdleCallback(round);
  window.addEventListener('pointerdown', done, { once: true });
  return () => {
    cancelIdleCallback(next);
    window.removeEventListener('pointerdown', done);
  };
}

/**
 * Goes through what a drag asks (check, judgement, drawing, rules) on a copy of the station that nobody sees, while nobody does anything: code
 * that a browser has not yet compiled takes several frames of the first drag.
 */
export function WarmDrag() {
  const store = useEditorStore();
  const system = useStationSystem();
  const [warming, setWarming] = useState<{ copy: EditorStore; host: Element } | null>(null);
  useEffect(() => {
    if (typeof requestIdleCallback === 'undefined') return;
    let left = false;
    let idle = 0;
    const begin = () => {
      const { id, saved, judged } = store.getState();
      // The last that held together: one that does not cannot be drawn.
      const { station } = judged.context;
      const copy = createEditor(id, { ...saved, station }, null, judging, system);
      // Never in the page: what is not there is not read, found or painted.
      setWarming({ copy, host: document.createElement('div') });
    };
    void judging.ready().then(() => {
      if (!left) idle = requestIdleCallback(begin);
    });
    return () => {
      left = true;
      cancelIdleCallback(idle);
    };
  }, [store, system]);
  useEffect(() => (warming ? warm(warming.copy, system, () => setWarming(null)) : undefined), [warming, system]);
  if (!warming) return null;
  return createPortal(
    <StationCopy store={warming.copy}>
      <MovableShaft guess={{ width: 600, height: 660 }} />
      <RuleBars />
      <SaveState busy={false} onSave={nothing} />
      <UndoRedo />
      <BellLine nextDue={null} />
    </StationCopy>,
    warming.host,
  );
}
