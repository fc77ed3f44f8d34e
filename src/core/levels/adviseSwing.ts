import { bestFacing, swingOf } from '../sensing';
import { facingOf, kindOf } from '../sensors';
import { phrase, quantity, toTape, systemOf, type Phrase } from '../units';
import type { LevelContext } from './context';

export interface SwingAdvice {
  readonly sensor: string;
  readonly sentence: Phrase;
  /** Which way to turn it, degrees; null where turning does not help. */
  readonly turn: { readonly to: number } | null;
}

/**
 * Which float to move where, when one touches or comes tight: turned to the bearing that gives it most room, whichever of the two that
 * gains more; or, where no bearing clears it, moved up or given a bracket of its own. Null while all is clear.
 */
export function adviseSwing({ station, vessel }: LevelContext): SwingAdvice | null {
  const { swingClearance } = station.settings;
  const worst = swingOf(station, vessel).clearances[0];
  if (!worst || worst.clearance >= swingClearance) return null;
  const role = (id: string) => station.sensors.find((s) => s.id === id)?.role ?? id;
  const other = worst.other.startsWith('float:') ? worst.other.slice('float:'.length) : null;
  const both = [
    worst.float,
    ...(other && station.sensors.some((s) => s.id === other && kindOf(s).swings(s)) ? [other] : []),
  ];
  const turns = both
    .map((id) => ({ id, ...bestFacing(station, id, vessel) }))
    .sort((a, b) => b.clearance - a.clearance);
  const best = turns[0]!;
  const sensor = station.sensors.find((s) => s.id === best.id)!;
  const what = other
    ? `the ${role(worst.float)} float and the ${role(other)} float`
    : `the ${role(worst.float)} float and ${worst.name}`;
  const state = worst.clearance < 0 ? 'touch' : 'come tight';
  if (
    best.clearance > worst.clearance + 1e-4 &&
    kindOf(sensor).swings(sensor) !== null &&
    Math.abs(best.facing - facingOf(sensor)) > 0.5 &&
    best.clearance >= 0
  ) {
    const after = best.clearance >= swingClearance ? 'is clear' : 'is only tight';
    return {
      sensor: best.id,
      turn: { to: best.facing },
      sentence: phrase`${what} ${state}. Turn the ${role(best.id)} float from ${quantity('angle', facingOf(sensor))} to ${quantity('angle', best.facing)}: then it ${after}, with ${quantity('height', Math.max(best.clearance, 0))} of room.`,
    };
  }
  const by = toTape(swingClearance - worst.clearance, systemOf(station.profile));
  return {
    sensor: worst.float,
    turn: null,
    sentence: phrase`${what} ${state}, and turning clears neither. Give one a bracket of its own away from the other, shorten a tether, or set them about ${quantity('height', by)} further apart.`,
  };
}
