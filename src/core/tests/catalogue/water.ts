import { traitsOf } from '../../duties';
import { phrase, quantity, type Phrase } from '../../units';
import type { Act } from '../act';
import { timeDrawn } from '../drawn';
import type { Observation } from '../observation';
import type { World } from '../world';

/* How water is brought somewhere by hose, inflow and pump, and how long one waits for it. */

export const water = (to: number): Act => ({ kind: 'water', to });
export const rise = (until: 'pump' | 'alarm' | 'interlock', toward: number): Act => ({ kind: 'rise', until, toward });
export const fall = (until: 'pump' | 'alarm' | 'interlock', toward: number): Act => ({ kind: 'fall', until, toward });

/** How exactly a time is worked out that is told in minutes, s. */
const ROUGH = 1;

/** Whole minutes of something, and of what is done beside it; where it cannot be told, ten. */
export const minutesOf = (seconds: number, beside: number): number =>
  Number.isFinite(seconds) ? Math.ceil(seconds / 60) + beside : beside + 10;

/** Time by the hose over some water, s. */
export const hoseTime = ({ station, levels: { vessel } }: World, from: number, to: number): number =>
  Math.abs(vessel.volume(to) - vessel.volume(from)) / station.settings.hoseFlow;

/** A way by hose that takes longer than this is left to the inflow as well, s. */
const LONG = 1800;

/** Whether the hose alone takes so long that what comes in is left on beside it. */
export const isSlow = (world: World, from: number, to: number): boolean => hoseTime(world, from, to) > LONG;

/** How long one waits for water from one level to another: by the hose, and where that is slow by the inflow of an ordinary day too, s. */
export function waitFor(world: World, from: number, to: number): number {
  const hose = hoseTime(world, from, to);
  const { inflow, vessel } = world.levels;
  return !isSlow(world, from, to)
    ? hose
    : Math.abs(vessel.volume(to) - vessel.volume(from)) / (world.station.settings.hoseFlow + inflow.design);
}

/** Time of one pump over some water, s; without an end where it cannot be told. */
export function runTime({ levels }: World, from: number, to: number): number {
  const ends = [from, to].every((level) => levels.hydraulics.at(level, 1).ok);
  return ends ? timeDrawn(levels, from, to, 1, ROUGH) : Infinity;
}

/** Until the pump that was called by the water runs: at once, or when a timer’s rest is over. */
export const called = ({ station, levels: { stop, lead } }: World): Act[] => [
  water(stop),
  rise('pump', lead),
  ...(traitsOf(station).timer ? [{ kind: 'wait' } as const] : []),
];

/** What to do where the hose is slow: the inflow of an ordinary day does it. */
export function slow(world: World, from: number, to: number): Phrase[] {
  const hose = hoseTime(world, from, to);
  if (!isSlow(world, from, to) || world.levels.inflow.design <= 0) return [];
  return [
    phrase`By hose alone that is ${quantity('time', hose)}. With the inflow left on as well, at design, it comes in ${quantity('time', waitFor(world, from, to))}; the litres are then not counted.`,
  ];
}

export const weep = ({ station }: World): Observation => ({
  id: 'weep',
  label: 'check valve and weep hole',
  kind: 'sense',
  good: station.discharge.weepHole
    ? phrase`a jet from the weep hole while it runs; no flow back for longer than the pipe takes to empty`
    : phrase`no flow back for longer than the pipe takes to empty`,
});
