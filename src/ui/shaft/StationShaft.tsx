'use client';
import Box from '@mui/material/Box';
import { useMemo, type KeyboardEvent } from 'react';
import { sensorTrips } from '@/core/levels';
import { shaftScene, type Group } from '@/core/papers';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { Shaft } from './Shaft';
import { useFloatHandling } from './useFloatHandling';
import { useSize } from './useSize';
import { WaterHandle } from './WaterHandle';

/** Floats that are worked by hand in the drawing: which are held, and what a hand does to one. */
export interface FloatsByHand {
  readonly held: Readonly<Record<string, 'up' | 'down'>>;
  onHand(sensor: string): void;
}

interface Props {
  movable?: boolean;
  byHand?: FloatsByHand;
  /** Drawn narrow, with the names of levels and no tape, beside another drawing. */
  beside?: boolean;
  guess: { width: number; height: number };
}

/** The shaft of the station being worked on, filling its box; its floats can be moved where `movable`, or lifted `byHand`. */
export function StationShaft({ movable = false, byHand, beside = byHand !== undefined, guess }: Props) {
  const { ref, size } = useSize<HTMLDivElement>(guess);
  const { context } = useEditor((s) => s.judged.judgement);
  const level = useEditor((s) => s.level);
  const pointed = useEditor((s) => s.pointed);
  const point = useEditor((s) => s.point);
  const system = useStationSystem();
  const ghosts = useEditor((s) => s.ghosts);
  const held = byHand?.held;
  const detail = beside ? 'beside' : 'full';
  const scene = useMemo(() => {
    const would = ghosts ? sensorTrips({ ...context.station, sensors: [...ghosts] }) : [];
    return shaftScene(context, { ...size, detail, system, level, ghosts: would, held });
  }, [context, size, system, level, ghosts, held, detail]);
  const float = useFloatHandling(scene.layout);

  const groupProps = ({ part, label }: Group) => {
    if (part === null) return undefined;
    if (movable && part.startsWith('float:')) return float(part.slice('float:'.length), label);
    if (byHand && part.startsWith('float:')) {
      const sensor = part.slice('float:'.length);
      const hand = () => byHand.onHand(sensor);
      return {
        className: 'movable by-hand',
        role: 'button',
        tabIndex: 0,
        'aria-label': `${label}${byHand.held[sensor] ? `, held ${byHand.held[sensor]} by hand` : ''}`,
        'aria-pressed': byHand.held[sensor] !== undefined,
        onClick: hand,
        onKeyDown: (e: KeyboardEvent) => {
          if (e.key !== 'Enter' && e.key !== ' ') return;
          e.preventDefault();
          hand();
        },
        onPointerEnter: () => point([part]),
        onPointerLeave: () => point([]),
      };
    }
    return { role: 'img', 'aria-label': label, onPointerEnter: () => point([part]), onPointerLeave: () => point([]) };
  };

  return (
    <Box ref={ref} sx={{ width: '100%', height: '100%', minHeight: 0, overflow: 'hidden' }}>
      <Shaft
        scene={scene}
        title={`shaft of ${context.station.identity.name}`}
        pointed={pointed}
        groupProps={groupProps}
      >
        {(movable || byHand) && <WaterHandle layout={scene.layout} depth={context.vessel.depth} />}
      </Shaft>
    </Box>
  );
}
