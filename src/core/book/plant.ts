import { cycleAt, drawTime, levelContext, type LevelContext } from '../levels';
import { randomFrom, type Random } from '../numeric';
import type { Station } from '../station';
import type { Reading } from './clean';
import type { Readings } from './spans';

/** Troubles that a year can be made with: what each does to the station, from its week on. */
export const TROUBLES = ['none', 'wear', 'line', 'runs-back', 'slipped', 'stuck-turns', 'wet', 'more-water'] as const;
export type Trouble = (typeof TROUBLES)[number];

/** A year of readings that were never taken. */
export interface PlantedYear {
  readonly readings: Readings;
  /** When the trouble begins, ms since 1970; null of none. */
  readonly since: number | null;
}

const HOUR = 3_600_000;
const DAY = 24 * HOUR;

/** The station as it is in a week of the trouble; `far`: from 0, as it begins, to 1, at the end of the year. */
function stationIn(station: Station, trouble: Trouble, far: number): Station {
  const weaker = (pump: Station['pumps'][number], head: number, flow: number) => ({
    ...pump,
    curve: pump.curve.map((p) => ({ head: p.head * head, flow: p.flow * flow })),
  });
  switch (trouble) {
    case 'wear':
      return {
        ...station,
        pumps: station.pumps.map((p, i) => (i === 0 ? weaker(p, 1 - 0.12 * far, 1 - 0.35 * far) : p)),
      };
    case 'line':
      return { ...station, pumps: station.pumps.map((p) => weaker(p, 1 - 0.12 * far, 1 - 0.35 * far)) };
    case 'slipped': {
      const by = 0.25 * travelOf(station);
      return {
        ...station,
        sensors: station.sensors.map((s) =>
          (s.role === 'stop' || (s.role === 'pump' && !station.sensors.some((x) => x.role === 'stop'))) &&
          s.kind === 'tilt'
            ? s.role === 'stop'
              ? { ...s, clip: s.clip + by }
              : { ...s, tether: s.tether * 0.72 }
            : s,
        ),
      };
    }
    default:
      return station;
  }
}

const travelOf = (station: Station): number => {
  const { lead, stop } = levelContext(station);
  return Math.abs(lead - stop);
};

/** What a day of pumping comes to at an inflow, with water that runs back only while pumps rest: starts and seconds of each pump. */
function dayOf(context: LevelContext, inflow: number, back: number, turn: { next: number; stuck: boolean }) {
  const count = context.hydraulics.count;
  const starts = Array.from({ length: count }, () => 0);
  const run = Array.from({ length: count }, () => 0);
  const cycle = cycleAt(context, inflow + back);
  if (!cycle.ok || !Number.isFinite(cycle.fill)) return { starts, run };
  const { lead, stop } = context;
  const times = starts.map((_, i) => drawTime(context, lead, stop, inflow, [i], 1e-6));
  const takes = context.station.control.alternates && count > 1;
  let left = 86400;
  for (;;) {
    const i = takes && !turn.stuck ? turn.next : 0;
    left -= cycle.fill + times[i]!;
    if (left < 0) return { starts, run };
    starts[i]!++;
    run[i]! += times[i]!;
    turn.next = (turn.next + 1) % count;
  }
}

/** Rain of a day, and what it and the trouble make of the inflow: as a share of the usual one. */
function weatherOf(trouble: Trouble, { even, normal }: Random) {
  let soaked = 0;
  return (wetWeek: boolean, sick: boolean) => {
    const rain = even() < (wetWeek ? 0.6 : 0.3) ? -Math.log(1 - even()) * (wetWeek ? 9 : 4) : 0;
    soaked = 0.8 * soaked + rain;
    const answers = trouble === 'wet' ? 1 + 0.05 * rain + 0.015 * soaked : 1;
    const grown = sick && trouble === 'more-water' ? 1.9 : 1;
    return { rain, share: answers * grown * Math.max(1 + 0.25 * normal(), 0.2) };
  };
}

/** A week at a station, and what is to be known of it. */
export interface Week {
  /** The station as it is in that week. */
  readonly station: Station;
  readonly trouble: Trouble;
  readonly sick: boolean;
  /** From 0, as the trouble begins, to 1. */
  readonly far: number;
  /** Inflow of each day, m³/s. */
  readonly inflow: readonly number[];
  /** What comes back through a valve while pumps rest, m³/s. */
  readonly back: number;
}

/** What the pumps of a station do in a week: starts, and seconds run. Made once for a year: what one week leaves the next begins with. */
export type Pumping = () => (week: Week) => { starts: readonly number[]; run: readonly number[] };

/** By the model’s fill and run times at each day’s inflow: quick, and even. */
export const byFillTimes: Pumping = () => {
  const turn = { next: 0, stuck: false };
  return ({ station, trouble, sick, inflow, back }) => {
    turn.stuck = sick && trouble === 'stuck-turns';
    const context = levelContext(station);
    const days = inflow.map((q) => dayOf(context, q, back, turn));
    const sum = (of: (d: (typeof days)[number]) => number[]) =>
      station.pumps.map((_, i) => days.reduce((total, d) => total + of(d)[i]!, 0));
    return { starts: sum((d) => d.starts), run: sum((d) => d.run) };
  };
};

/**
 * A year of weekly visits at a station with one trouble planted in it, the same for a seed: hour meters to a tenth, start counters, rain. Inflow
 * strays by a quarter from day to day and follows rain where it is told to.
 * @param from ms since 1970
 * @param begins week in which the trouble begins
 * @param pumping how it is worked out what the pumps do
 */
export function plantedYear(
  station: Station,
  trouble: Trouble,
  seed: number,
  from: number,
  begins = 20,
  pumping: Pumping = byFillTimes,
): PlantedYear {
  const random = randomFrom(seed);
  const dayIn = weatherOf(trouble, random);
  const usual = levelContext(station).inflow.design * 0.5;
  const hours = station.pumps.map(() => Math.floor(random.even() * 4000));
  const counts = station.pumps.map(() => Math.floor(random.even() * 30000));
  const list: Record<string, Reading[]> = {};
  let id = 0;
  const put = (meter: string, at: number, value: number) => (list[meter] ??= []).push({ id: ++id, at, value });
  const pumped = pumping();
  let rain = 0;
  for (let week = 0; week <= 52; week++) {
    const at = from + week * 7 * DAY + Math.round((8 + 7 * random.even()) * HOUR);
    for (const i of station.pumps.keys()) {
      put(`hours-${i + 1}`, at, Math.floor(hours[i]! * 10) / 10);
      put(`starts-${i + 1}`, at, counts[i]!);
    }
    if (week > 0) put('rain', at, Math.round(rain * 10) / 10);
    const since = week - begins;
    const sick = since >= 0 && trouble !== 'none';
    const far = sick ? Math.min((since + 1) / (trouble === 'slipped' ? 1 : 16), 1) : 0;
    const days = Array.from({ length: 7 }, () => dayIn(trouble === 'wet' && sick && since < 14, sick));
    rain = days.reduce((sum, d) => sum + d.rain, 0);
    const { starts, run } = pumped({
      station: sick ? stationIn(station, trouble, far) : station,
      trouble,
      sick,
      far,
      inflow: days.map((d) => usual * d.share),
      back: sick && trouble === 'runs-back' ? usual * 1.1 * Math.min(1, 3 * far) : 0,
    });
    for (const i of station.pumps.keys()) {
      counts[i]! += starts[i]!;
      hours[i]! += run[i]! / 3600;
    }
  }
  return { readings: list, since: trouble === 'none' ? null : from + begins * 7 * DAY };
}
