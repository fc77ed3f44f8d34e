'use client';
import type { ComponentProps } from 'react';
import { quantity, say, type UnitSystem } from '@/core/units';
import { useCursorAt, type CursorStore } from './cursor';
import type { View } from './TimeAxis';

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
export function CursorLine(props: {
  cursor: CursorStore;
  length: number;
  view: View;
  left: number;
  width: number;
  bottom: number;
}) {
  const { view, left, width } = props;
  const at = useCursorAt(props.cursor, props.length);
  if (at < view.from || at > view.to) return null;
  const x = left + ((at - view.from) / (view.to - view.from)) * width;
  return <path className="cursor" pointerEvents="none" d={`M${x} 6 V${props.bottom}`} />;
}
