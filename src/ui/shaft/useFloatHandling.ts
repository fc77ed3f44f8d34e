import { useRef, type KeyboardEvent, type PointerEvent, type SVGProps } from 'react';
import type { Layout } from '@/core/papers';
import { moveFloat, widenFloat } from '@/core/editing';
import { kindOf } from '@/core/sensors';
import { type Sensor } from '@/core/sensors';
import { depthOf, type Station } from '@/core/station';
import { quantity, say, tapeStep } from '@/core/units';
import { useEditor, useEditorStore, useStationSystem } from '../editor/StationProvider';

const settingOf = (sensor: Sensor) => kindOf(sensor).setting(sensor);

interface Drag {
  y: number;
  from: Station;
}

/**
 * Moves floats in the shaft: dragged on the tape, or nudged by keys. Up and down move a float by one mark of the tape,
 * left and right change its tether (or upper stop), Shift takes ten marks at once, Escape gives a drag up.
 */
export function useFloatHandling(layout: Layout) {
  const store = useEditorStore();
  const document = useEditor((s) => s.document);
  const { edit, beginDrag } = store.getState();
  const system = useStationSystem();
  const drag = useRef<Drag | null>(null);

  const end = () => {
    if (!drag.current) return;
    drag.current = null;
    store.getState().endDrag();
  };

  return (id: string, label: string): SVGProps<SVGGElement> => {
    const sensor = document.sensors.find((s) => s.id === id);
    const part = `float:${id}` as const;
    return {
      className: 'movable',
      role: 'slider',
      tabIndex: 0,
      'aria-label': label,
      'aria-orientation': 'vertical',
      'aria-valuemin': 0,
      'aria-valuemax': Math.round(depthOf(document.vessel.shape) * 1000),
      'aria-valuenow': sensor ? Math.round(settingOf(sensor) * 1000) : 0,
      'aria-valuetext': sensor ? `set at ${say(quantity('height', settingOf(sensor)), system)} above the floor` : '',
      onFocus: () => store.getState().point([part]),
      onBlur: () => store.getState().point([]),
      onPointerEnter: () => store.getState().point([part]),
      onPointerLeave: () => !drag.current && store.getState().point([]),
      onPointerDown(e: PointerEvent<SVGGElement>) {
        e.currentTarget.setPointerCapture(e.pointerId);
        drag.current = { y: e.clientY, from: store.getState().document };
        beginDrag();
      },
      onPointerMove(e: PointerEvent<SVGGElement>) {
        const from = drag.current;
        if (from) edit(() => moveFloat(from.from, id, (from.y - e.clientY) / layout.scale, system));
      },
      onPointerUp: end,
      onPointerCancel: end,
      onKeyDown(e: KeyboardEvent<SVGGElement>) {
        if (e.key === 'Escape' && drag.current) {
          const { from } = drag.current;
          edit(() => from);
          return end();
        }
        if (e.ctrlKey || e.metaKey || e.altKey) return;
        const step = tapeStep(system) * (e.shiftKey ? 10 : 1);
        const nudge = { ArrowUp: [step, 0], ArrowDown: [-step, 0], ArrowRight: [0, step], ArrowLeft: [0, -step] }[
          e.key
        ];
        if (!nudge) return;
        e.preventDefault();
        const [up, wide] = nudge as [number, number];
        edit((d) => (up !== 0 ? moveFloat(d, id, up, system) : widenFloat(d, id, wide, system)));
      },
    };
  };
}
