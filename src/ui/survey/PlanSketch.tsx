'use client';
import { useMemo } from 'react';
import { planScene } from '@/core/papers';
import { useEditor } from '../editor/StationProvider';
import { Shaft } from '../shaft/Shaft';

/** The pit from above, small. */
export function PlanSketch() {
  const { context } = useEditor((s) => s.judged);
  const scene = useMemo(() => planScene(context, 150, 150), [context]);
  return <Shaft scene={scene} title="the pit from above, to scale" />;
}
