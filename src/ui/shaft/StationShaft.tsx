'use client';
import type { KeyboardEvent } from 'react';
import type { Group } from '@/core/papers';
import { ShaftBox } from './ShaftBox';
import { useStationScene } from './useStationScene';
import { WaterHandle } from './WaterHandle';

/** Floats that are worked by hand in the drawing: which are held, and what a hand does to one. */
export interface FloatsByHand {
  readonly held: Readonly<Record<string, 'up' | 'down'>>;
  onHand(sensor: string): void;
}

interface Props {
  byHand?: FloatsByHand;
  /** The water stands where the model has it: no hand moves it in the drawing. */
  stillWater?: boolean;
  /** Drawn narrow, with the names of levels and no tape, beside another drawing. */
  beside?: boolean;
  guess: { width: number; height: number };
}

/** The shaft of the station being worked on, filling its box; its floats can be lifted where they are worked `byHand`. */
export function StationShaft({ byHand, stillWater = false, beside = byHand !== undefined, guess }: Props) {
  const drawn = useStationScene({ guess, beside, held: byHand?.held });
  const { still, point } = drawn;
  const groupProps = (group: Group) => {
    const { part, label } = group;
    if (!byHand || part === null || !part.startsWith('float:')) return still(group);
    const sensor = part.slice('float:'.length);
    const held = byHand.held[sensor];
    const hand = () => byHand.onHand(sensor);
    return {
      className: 'movable by-hand',
      role: 'button',
      tabIndex: 0,
      'aria-label': `${label}${held ? `, held ${held} by hand` : ''}`,
      'aria-pressed': held !== undefined,
      onClick: hand,
      onKeyDown: (e: KeyboardEvent) => {
        if (e.key !== 'Enter' && e.key !== ' ') return;
        e.preventDefault();
        hand();
      },
      onPointerEnter: () => point([part]),
      onPointerLeave: () => point([]),
    };
  };
  return (
    <ShaftBox drawn={drawn} groupProps={groupProps}>
      {byHand && !stillWater && <WaterHandle layout={drawn.scene.layout} depth={drawn.context.vessel.depth} />}
    </ShaftBox>
  );
}
