'use client';
import { useTheme } from '@mui/material/styles';
import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { useXAxisInverseScale, useXAxisScale, useYAxisInverseScale, useYAxisScale } from 'recharts';
import { moveCurvePoint } from '@/core/editing';
import { factorOf, inUnits, quantity, say, type UnitSystem } from '@/core/units';
import { useEditor, useEditorStore } from '../editor/StationProvider';

/** The points of one pump's curve as handles in the chart: dragged, or moved by arrow keys; one drag is one step to undo. */
export function CurvePoints({ pump, system }: { pump: number; system: UnitSystem }) {
  const { pit } = useTheme().palette;
  const store = useEditorStore();
  const curve = useEditor((s) => s.document.pumps[pump]!.curve);
  const [x, y] = [useXAxisScale(), useYAxisScale()];
  const [flowAt, headAt] = [useXAxisInverseScale(), useYAxisInverseScale()];
  const drag = useRef<{ index: number; px: number; py: number; x: number; y: number } | null>(null);
  if (!x || !y || !flowAt || !headAt) return null;
  const at = (p: { flow: number; head: number }) =>
    [Number(x(inUnits('flow', p.flow, system))), Number(y(inUnits('head', p.head, system)))] as const;
  const move = (index: number, to: { flow: number; head: number }) =>
    store.getState().edit((d) => moveCurvePoint(d, pump, index, to));
  const end = () => {
    if (!drag.current) return;
    drag.current = null;
    store.getState().endDrag();
  };
  return (
    <g aria-label="points of the curve">
      {curve.map((point, i) => {
        const [cx, cy] = at(point);
        if (!Number.isFinite(cx) || !Number.isFinite(cy)) return null;
        return (
          <circle
            key={i}
            cx={cx}
            cy={cy}
            r={5}
            fill={pit.panel}
            stroke={pit.brass}
            strokeWidth={2}
            style={{ cursor: 'grab', touchAction: 'none' }}
            role="slider"
            tabIndex={0}
            aria-label={`point ${i + 1} of the curve`}
            aria-valuenow={Number(point.head.toPrecision(4))}
            aria-valuetext={`${say(quantity('flow', point.flow), system)} at ${say(quantity('head', point.head), system)}`}
            onPointerDown={(e: PointerEvent<SVGCircleElement>) => {
              e.currentTarget.setPointerCapture(e.pointerId);
              drag.current = { index: i, px: e.clientX, py: e.clientY, x: cx, y: cy };
              store.getState().beginDrag();
            }}
            onPointerMove={(e: PointerEvent<SVGCircleElement>) => {
              const from = drag.current;
              if (from?.index !== i) return;
              move(i, {
                flow: Number(flowAt(from.x + e.clientX - from.px)) * factorOf('flow', system),
                head: Number(headAt(from.y + e.clientY - from.py)) * factorOf('head', system),
              });
            }}
            onPointerUp={end}
            onPointerCancel={end}
            onKeyDown={(e: KeyboardEvent<SVGCircleElement>) => {
              const share = e.shiftKey ? 0.1 : 0.01;
              const [dq, dh] = {
                ArrowUp: [0, share],
                ArrowDown: [0, -share],
                ArrowRight: [share, 0],
                ArrowLeft: [-share, 0],
              }[e.key] ?? [0, 0];
              if (dq === 0 && dh === 0) return;
              e.preventDefault();
              move(i, { flow: point.flow + dq! * curve.at(-1)!.flow, head: point.head + dh! * curve[0]!.head });
            }}
          />
        );
      })}
    </g>
  );
}
