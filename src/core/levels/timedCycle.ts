import { traitsOf } from '../duties';
import type { CycleResult } from './cycleResult';
import type { LevelGeometry } from './geometry';

/** What a timer takes in one dose, net of what falls back, m³, and its rests, s: the ordinary, and the shortest that a float can make of it. */
function dosing({ station, hydraulics, atLead, stop }: LevelGeometry) {
  const { timer } = traitsOf(station);
  if (!timer) return null;
  const shortest = station.sensors.some((s) => s.role === 'peak') ? Math.min(timer.off, timer.peakOff) : timer.off;
  return {
    on: timer.on,
    shortest,
    volume: atLead.ok ? Math.max(atLead.flow * timer.on - hydraulics.drainback(1, stop).volume, 0) : 0,
  };
}

/**
 * The cycle of a station that a timer doses from, in the mean of a long time: as many doses as the inflow fills, each as long as the timer runs;
 * more than the timer takes at its shortest rest it does not keep up with. Null where no timer decides.
 * @param inflow above zero, m³/s
 */
export function timedCycle(context: LevelGeometry, inflow: number): CycleResult | null {
  const dose = dosing(context);
  if (!dose) return null;
  const { atLead } = context;
  if (!atLead.ok) return atLead;
  const { on, shortest, volume } = dose;
  const keepsUp = volume / (on + shortest) >= inflow;
  const cycle = keepsUp ? volume / inflow : on + shortest;
  return {
    ok: true,
    inflow,
    fill: cycle - on,
    run: on,
    cycle,
    startsPerHour: 3600 / cycle,
    keepsUp,
    pumps: 1,
    lead: 0,
  };
}

/** Its cycle when it starts most often: at its shortest rest, whatever comes. Null where no timer decides. */
export function timedWorst(context: LevelGeometry): CycleResult | null {
  const dose = dosing(context);
  if (!dose) return null;
  const { atLead } = context;
  if (!atLead.ok) return atLead;
  return timedCycle(context, dose.volume / (dose.on + dose.shortest));
}
