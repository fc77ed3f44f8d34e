'use client';
import type { ComponentProps } from 'react';
import { quantity, say, type UnitSystem } from '@/core/units';
import type { Axis, View } from './axis';
import { useCursorAt, type CursorStore } from './cursor';

interface Props extends Omit<ComponentProps<'g'>, 'cursor'> {
  cursor: CursorStore;
  length: number;
  system: UnitSystem;
}

/** What is taken hold of to move the cursor; it says where the cursor stands. */
export function AxisSlider({ cursor, length, system, ...hands }: Props) {
  const at = useCursorAt(cursor, length);
  return (
    <g
      className="axis"
      role="slider"
      tabIndex={0}
      aria-label="time"
      aria-valuemin={0}
      aria-valuemax={Math.round(length)}
      aria-valuenow={Math.round(at)}
      aria-valuetext={say(quantity('time', at), system)}
      {...hands}
    />
  );
}

/** The line at the cursor, where it is in view. */
export function CursorLine({
  axis,
  cursor,
  length,
  view,
  bottom,
}: {
  axis: Axis;
  cursor: CursorStore;
  length: number;
  view: View;
  bottom: number;
}) {
  const at = useCursorAt(cursor, length);
  if (at < view.from || at > view.to) return null;
  return <path className="cursor" pointerEvents="none" d={`M${axis.x(at)} 6 V${bottom}`} />;
}
