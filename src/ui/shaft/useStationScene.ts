import { useMemo, type SVGProps } from 'react';
import { sensorTrips } from '@/core/levels';
import { shaftScene, type Group } from '@/core/papers';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { useSize } from './useSize';

interface Asked {
  guess: { width: number; height: number };
  /** Drawn narrow, with the names of levels and no tape, beside another drawing. */
  beside: boolean;
  /** Floats that a hand holds. */
  held?: Readonly<Record<string, 'up' | 'down'>>;
}

/** The shaft of the station being worked on as it is drawn in a box, and what pointing at its parts does. */
export function useStationScene({ guess, beside, held }: Asked) {
  const { ref, size } = useSize<HTMLDivElement>(guess);
  const { context } = useEditor((s) => s.judged);
  const level = useEditor((s) => s.level);
  const pointed = useEditor((s) => s.pointed);
  const point = useEditor((s) => s.point);
  const system = useStationSystem();
  const ghosts = useEditor((s) => s.ghosts);
  const detail = beside ? 'beside' : 'full';
  const scene = useMemo(() => {
    const would = ghosts ? sensorTrips({ ...context.station, sensors: [...ghosts] }) : [];
    return shaftScene(context, { ...size, detail, system, level, ghosts: would, held });
  }, [context, size, system, level, ghosts, held, detail]);
  /** A part that can only be pointed at. */
  const still = ({ part, label }: Group): SVGProps<SVGGElement> | undefined =>
    part === null
      ? undefined
      : { role: 'img', 'aria-label': label, onPointerEnter: () => point([part]), onPointerLeave: () => point([]) };
  return { ref, context, scene, pointed, point, still };
}
