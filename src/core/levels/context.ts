import { wayOf, type Way } from '../duties';
import { hydraulicsOf, WATER_SETTINGS, type Hydraulics } from '../hydraulics';
import { flowsOf } from '../inflow';
import { tripsOf, surroundsOf } from '../sensing';
import { type Trips } from '../sensors';
import type { SensorRole } from '../sensors';
import type { Station } from '../station';
import { vesselOf, type Vessel } from '../vessel';
import { worstCycle } from './cycle';
import type { CycleResult } from './cycleResult';
import type { LevelGeometry, SensorTrips } from './geometry';
import { marksOf, type Acting } from './marks';

/** What others have answered that rules ask: nothing where they were not asked. */
export interface Asked {
  /** By the solved panel as it is landed: whether the cut-off stops all that makes water; null where the panel cannot tell. */
  readonly cutOffStops?: boolean | null;
}

/** What every rule and every figure is made from: worked out once for a station. */
export interface LevelContext extends LevelGeometry {
  readonly asked: Asked;
  /** The cycle at the inflow that makes a pump start most often. */
  readonly worst: CycleResult;
}

/** What does not change while floats are moved: made once where many settings of one station are judged. */
export interface Surroundings {
  readonly vessel: Vessel;
  readonly hydraulics: Hydraulics;
}

/** Sensors with their trips, numbered from the floor by where they act on the rise. */
export function sensorTrips(station: Station): SensorTrips[] {
  const world = surroundsOf(station);
  return station.sensors
    .map((sensor) => ({ sensor, ...tripsOf(sensor, world) }))
    .sort((a, b) => a.rise - b.rise)
    .map((s, i) => ({ ...s, order: i + 1 }));
}

/**
 * Where each role acts. One float may start and stop the pump with its two trips, or one of each does.
 * @throws RangeError when nothing starts or stops the pump; a checked station always has what does
 */
export function actingOf(
  sensors: readonly (Trips & { readonly sensor: { readonly id: string; readonly role: SensorRole } })[],
  way: Way,
): Acting {
  const by = (role: SensorRole) => sensors.find((s) => s.sensor.role === role);
  const pump = by('pump');
  const [stop, lead] = [by('stop') ?? pump, by('lead') ?? pump];
  if (!stop || !lead) throw new RangeError('nothing starts or stops the pump');
  const other = (role: SensorRole) => {
    const found = by(role);
    return found && { rise: found.rise, fall: found.fall, sensor: found.sensor.id };
  };
  return {
    stop: stop[way.stops],
    lead: lead[way.calls],
    stopBy: stop.sensor.id,
    leadBy: lead.sensor.id,
    others: {
      low: other('low'),
      peak: other('peak'),
      lag: other('lag'),
      lag2: other('lag2'),
      alarm: other('alarm'),
      cutoff: other('cutoff'),
    },
  };
}

/** Whether the alarm float calls the last pump, over a link, since there is no float of that pump’s own. @param lags how many lag floats there are */
export function alarmCalls(
  { pumps, control, duty }: Pick<Station, 'pumps' | 'control' | 'duty'>,
  lags: number,
): boolean {
  // Where pumps fill, the alarm float is at the other end and calls none.
  return control.floats === 'three' && wayOf({ duty }).direction === 'empty' && lags < pumps.length - 1;
}

/** Levels at which pumps are called, first to last: the lead float, then lag floats; in the school that saves a float the alarm float calls the last pump. */
export function callsOf({ lead, others }: Acting, station: Pick<Station, 'pumps' | 'control' | 'duty'>): number[] {
  const way = wayOf(station);
  const lags = [others.lag, others.lag2].filter((t) => t !== undefined);
  const further = alarmCalls(station, lags.length) && others.alarm ? [...lags, others.alarm] : lags;
  return [lead, ...further.map((t) => t[way.calls])].slice(0, station.pumps.length);
}

/** The levels of a station with its floats as they are, in surroundings that are known. */
export function geometryOf(station: Station, { vessel, hydraulics }: Surroundings): LevelGeometry {
  const sensors = sensorTrips(station);
  const way = wayOf(station);
  const acting = actingOf(sensors, way);
  const { stop, lead, others } = acting;
  const { overflow } = station.vessel;
  return {
    station,
    vessel,
    hydraulics,
    inflow: flowsOf(station.inflow),
    sensors,
    stop,
    lead,
    calls: callsOf(acting, station),
    alarm: others.alarm ?? null,
    low: others.low ?? null,
    peak: others.peak ?? null,
    cutoff: others.cutoff ?? null,
    overflow,
    marks: marksOf(acting, overflow, way),
    drawdown: Math.abs(vessel.volume(lead) - vessel.volume(stop)),
    atStop: hydraulics.at(stop),
    atLead: hydraulics.at(lead),
  };
}

export const surroundingsOf = (station: Station): Surroundings => ({
  vessel: vesselOf(station.vessel),
  hydraulics: hydraulicsOf(station),
});

/** The surroundings of a station that is another but for its floats, taken from before where nothing of them has changed. */
export function surroundingsAfter(
  station: Station,
  { station: before, vessel, hydraulics }: LevelGeometry,
): Surroundings {
  const same =
    (['vessel', 'pumps', 'discharge', 'duty'] as const).every((part) => station[part] === before[part]) &&
    WATER_SETTINGS.every((setting) => station.settings[setting] === before.settings[setting]);
  return same ? { vessel, hydraulics } : surroundingsOf(station);
}

/**
 * Levels, cycles and marks of a station, as rules and screens ask for them.
 * @example
 * const { stop, lead } = levelContext(newStation('Sump', 'Yard', 'metric-230'));
 * [stop, lead].map((h) => h.toFixed(3)) // → ['0.309', '0.591']
 */
export function levelContext(
  station: Station,
  surroundings: Surroundings = surroundingsOf(station),
  asked: Asked = {},
): LevelContext {
  const geometry = geometryOf(station, surroundings);
  return { ...geometry, asked, worst: worstCycle(geometry) };
}
