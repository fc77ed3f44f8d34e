'use client';
import type { Group } from '@/core/papers';
import { ShaftBox } from './ShaftBox';
import { useFloatHandling } from './useFloatHandling';
import { useStationScene } from './useStationScene';
import { WaterHandle } from './WaterHandle';

/** The shaft of the station being worked on, whose floats are moved along the tape. */
export function MovableShaft({ guess }: { guess: { width: number; height: number } }) {
  const drawn = useStationScene({ guess, beside: false });
  const float = useFloatHandling(drawn.scene.layout);
  const groupProps = (group: Group) =>
    group.part?.startsWith('float:') ? float(group.part.slice('float:'.length), group.label ?? '') : drawn.still(group);
  return (
    <ShaftBox drawn={drawn} groupProps={groupProps}>
      <WaterHandle layout={drawn.scene.layout} depth={drawn.context.vessel.depth} />
    </ShaftBox>
  );
}
