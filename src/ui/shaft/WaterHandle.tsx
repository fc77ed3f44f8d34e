'use client';
import type { KeyboardEvent, PointerEvent } from 'react';
import type { Layout } from '@/core/papers';
import { quantity, say, tapeStep } from '@/core/units';
import { useEditor, useStationSystem } from '../editor/StationProvider';

/** A handle on the water's surface: raise the water and see each float lean and act. */
export function WaterHandle({ layout, depth }: { layout: Layout; depth: number }) {
  const level = useEditor((s) => s.level);
  const setLevel = useEditor((s) => s.setLevel);
  const system = useStationSystem();
  const hold = (to: number) => setLevel(Math.min(Math.max(to, 0), depth));
  const y = layout.yOf(level);
  const x = layout.sidesAt(level).left + 9;
  return (
    <g
      className="movable"
      role="slider"
      tabIndex={0}
      aria-label="water level"
      aria-orientation="vertical"
      aria-valuemin={0}
      aria-valuemax={Math.round(depth * 1000)}
      aria-valuenow={Math.round(level * 1000)}
      aria-valuetext={say(quantity('height', level), system)}
      onPointerDown={(e: PointerEvent<SVGGElement>) => e.currentTarget.setPointerCapture(e.pointerId)}
      onPointerMove={(e: PointerEvent<SVGGElement>) => {
        const svg = e.currentTarget.ownerSVGElement;
        if (svg && e.currentTarget.hasPointerCapture(e.pointerId))
          hold(layout.levelOf(e.clientY - svg.getBoundingClientRect().top));
      }}
      onKeyDown={(e: KeyboardEvent<SVGGElement>) => {
        const step = tapeStep(system) * (e.shiftKey ? 10 : 1);
        const by = e.key === 'ArrowUp' ? step : e.key === 'ArrowDown' ? -step : 0;
        if (by === 0) return;
        e.preventDefault();
        hold(level + by);
      }}
    >
      <path d={`M${x - 14} ${y - 14} h28 v28 h-28 Z`} style={{ fill: 'transparent' }} />
      <path className="handle" d={`M${x} ${y - 8} L${x + 6} ${y} L${x} ${y + 8} L${x - 6} ${y} Z`} />
    </g>
  );
}
