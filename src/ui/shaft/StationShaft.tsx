'use client';
import Box from '@mui/material/Box';
import { useMemo } from 'react';
import { sensorTrips } from '@/core/levels';
import { shaftScene, type Group } from '@/core/papers';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { Shaft } from './Shaft';
import { useFloatHandling } from './useFloatHandling';
import { useSize } from './useSize';
import { WaterHandle } from './WaterHandle';

/** The shaft of the station being worked on, filling its box; its floats can be moved where `movable`. */
export function StationShaft({ movable = false, guess }: { movable?: boolean; guess: { width: number; height: number } }) {
  const { ref, size } = useSize<HTMLDivElement>(guess);
  const { context } = useEditor((s) => s.judged.judgement);
  const level = useEditor((s) => s.level);
  const pointed = useEditor((s) => s.pointed);
  const point = useEditor((s) => s.point);
  const system = useStationSystem();
  const ghosts = useEditor((s) => s.ghosts);
  const scene = useMemo(() => {
    const would = ghosts ? sensorTrips({ ...context.station, sensors: [...ghosts] }) : [];
    return shaftScene(context, { ...size, detail: 'full', system, level, ghosts: would });
  }, [context, size, system, level, ghosts]);
  const float = useFloatHandling(scene.layout);

  const groupProps = ({ part, label }: Group) => {
    if (part === null) return undefined;
    if (movable && part.startsWith('float:')) return float(part.slice('float:'.length), label);
    return { role: 'img', 'aria-label': label, onPointerEnter: () => point([part]), onPointerLeave: () => point([]) };
  };

  return (
    <Box ref={ref} sx={{ width: '100%', height: '100%', minHeight: 0, overflow: 'hidden' }}>
      <Shaft scene={scene} title={`shaft of ${context.station.identity.name}`} pointed={pointed} groupProps={groupProps}>
        {movable && <WaterHandle layout={scene.layout} depth={context.vessel.depth} />}
      </Shaft>
    </Box>
  );
}
