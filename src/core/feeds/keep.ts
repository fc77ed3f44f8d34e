import { follows, kindOfMeter, meterName, meterOf, meterSays, type Meter, type MeterKind } from '../book';
import type { Values } from './feed';
import { signalOf } from './signals';

/*
 * What of all that a panel says goes into the book: a reading of each meter now and then, and each alarm. Panels stall, restart, and say
 * what cannot be: one odd figure is passed over, and one that stays is a dial that began anew.
 */

/** A reading that goes into the book. */
export interface ToKeep {
  readonly meter: string;
  /** ms since 1970 */
  readonly at: number;
  readonly value: number;
  readonly newFrom: number | null;
}

interface Dial {
  /** What stood on it last and could be. */
  readonly seen: { readonly at: number; readonly value: number };
  readonly keptAt: number;
  /** Figures that do not follow, though each of them follows the one before. */
  readonly odd: {
    readonly at: number;
    readonly value: number;
    readonly last: { readonly at: number; readonly value: number };
    readonly times: number;
  } | null;
}

/** What must be known of what came before. Plain data: it outlives the process. */
export interface Memory {
  readonly dials: Readonly<Record<string, Dial>>;
  /** The alarm that rings, or has fallen quiet so lately that it may be the same one that rings again. */
  readonly alarm: { readonly since: number; readonly quietSince: number | null } | null;
  /** The last time that the panel spoke of, ms since 1970. */
  readonly at: number | null;
}

export const NOTHING_BEFORE: Memory = { dials: {}, alarm: null, at: null };

/** An alarm that began, or one that is over. */
export type AlarmTold =
  | { readonly kind: 'began'; readonly at: number }
  | { readonly kind: 'over'; readonly since: number; readonly until: number };

export interface Taken {
  readonly memory: Memory;
  readonly keep: readonly ToKeep[];
  readonly alarms: readonly AlarmTold[];
  /** What was said and not believed, in words; what began anew. */
  readonly doubts: readonly string[];
  readonly anew: readonly string[];
}

export interface Taking {
  /** ms since 1970, by the clock of this machine. */
  readonly now: number;
  /** min */
  readonly keepEvery: number;
  /** The highest that water can stand, m. */
  readonly depth: number;
  readonly rolls: Readonly<Record<string, number>>;
  /** An alarm that falls quiet and rings again within this is the same one, ms. */
  readonly sameAlarm?: number;
}

const MINUTE = 60_000;
/** A figure that does not follow is believed when it has come so many times running. */
const BELIEVED = 3;
/** An alarm that rings again so soon is the same one. */
const SAME_ALARM = 10 * MINUTE;
/** A panel's clock may be ahead of ours by so much. */
const AHEAD = 5 * MINUTE;

/** Between which figures a dial can stand, in its own unit; a water level is asked of the vessel. */
const CAN_BE: Readonly<Record<MeterKind, readonly [least: number, most: number]>> = {
  hours: [0, Infinity],
  starts: [0, Infinity],
  doses: [0, Infinity],
  energy: [0, Infinity],
  volume: [0, Infinity],
  rain: [0, 2000],
  level: [-0.5, Infinity],
  pressure: [-101, 100_000],
  volts: [0, 100_000],
  amps: [0, 10_000],
  insulation: [0, 1e6],
  temperature: [-90, 300],
  own: [-Infinity, Infinity],
};

/** Why a figure cannot be, whatever came before; null where it can. */
function cannotBe(meter: Meter, value: number, depth: number): string | null {
  const [least, most] = CAN_BE[meter.kind];
  return value >= least && value <= (meter.kind === 'level' ? 2 * depth : most)
    ? null
    : `${meterName(meter)}: ${meterSays(meter, value, 'metric')} cannot be`;
}

interface DialTaken {
  readonly dial: Dial | undefined;
  readonly keep: readonly ToKeep[];
  readonly doubt?: string;
  readonly anew?: string;
}

/** One figure of a meter that counts, beside what stood on it before. */
function counted(meter: Meter, value: number, at: number, before: Dial, keepEvery: number): DialTaken {
  const here = { at, value };
  if (follows(meter, before.seen, here)) {
    const due = at - before.keptAt >= keepEvery * MINUTE;
    return {
      dial: { seen: here, keptAt: due ? at : before.keptAt, odd: null },
      keep: due ? [{ meter: meter.id, at, value, newFrom: null }] : [],
    };
  }
  const name = meterName(meter);
  const odd = before.odd && follows(meter, before.odd.last, here) ? before.odd : { ...here, last: here, times: 0 };
  const times = odd.times + 1;
  if (times < BELIEVED)
    return {
      dial: { ...before, odd: { ...odd, last: here, times } },
      keep: [],
      doubt: `${name}: ${meterSays(meter, value, 'metric')} does not follow ${meterSays(meter, before.seen.value, 'metric')}`,
    };
  // The dial as it stood last ends there, and the new one begins with what was first said of it.
  return {
    dial: { seen: here, keptAt: at, odd: null },
    keep: [
      { meter: meter.id, at: odd.at, value: before.seen.value, newFrom: odd.value },
      { meter: meter.id, at, value, newFrom: null },
    ],
    anew: `${name} stood at ${meterSays(meter, before.seen.value, 'metric')} and goes on from ${meterSays(meter, odd.value, 'metric')}: taken as begun anew`,
  };
}

function takeDial(meter: Meter, value: number, at: number, before: Dial | undefined, how: Taking): DialTaken {
  const not = cannotBe(meter, value, how.depth);
  if (not !== null) return { dial: before, keep: [], doubt: not };
  if (before && kindOfMeter(meter).counts) return counted(meter, value, at, before, how.keepEvery);
  const due = !before || at - before.keptAt >= how.keepEvery * MINUTE;
  return {
    dial: { seen: { at, value }, keptAt: due ? at : before.keptAt, odd: null },
    keep: due ? [{ meter: meter.id, at, value, newFrom: null }] : [],
  };
}

/** An alarm begins when it rings, and is over when it has been quiet for a while. */
function takeAlarm(
  rings: boolean,
  at: number,
  before: Memory['alarm'],
  same = SAME_ALARM,
): { alarm: Memory['alarm']; told: AlarmTold[] } {
  if (rings)
    return before
      ? { alarm: { since: before.since, quietSince: null }, told: [] }
      : { alarm: { since: at, quietSince: null }, told: [{ kind: 'began', at }] };
  if (!before) return { alarm: null, told: [] };
  const quietSince = before.quietSince ?? at;
  return at - quietSince < same
    ? { alarm: { since: before.since, quietSince }, told: [] }
    : { alarm: null, told: [{ kind: 'over', since: before.since, until: quietSince }] };
}

/** When it was that the panel speaks of: by its own clock where it says it, else by ours. Null: that time is not to be believed. */
function timeOf(values: Values, now: number, before: number | null): { at: number | null; doubts: string[] } {
  const clock = values.clock;
  if (!clock?.ok) return { at: before !== null && now <= before ? null : now, doubts: [] };
  const at = Math.round(clock.value * 1000);
  const no = (why: string) => ({ at: null, doubts: [`${why}: nothing is taken into the book`] });
  if (at - now > AHEAD) return no(`its clock is ${Math.round((at - now) / MINUTE)} min ahead of this machine’s`);
  if (before !== null && at === before) return no('its clock stands');
  if (before !== null && at < before) return no('its clock has gone back');
  return { at, doubts: [] };
}

/**
 * What of one answer of a panel goes into the book, beside what came before.
 * @example
 * const how = { now: 0, keepEvery: 60, depth: 2, rolls: {} };
 * take(NOTHING_BEFORE, { 'starts-1': { ok: true, value: 7 } }, how).keep.map((k) => k.value) // → [7]
 */
export function take(memory: Memory, values: Values, how: Taking): Taken {
  const { at, doubts } = timeOf(values, how.now, memory.at);
  if (at === null) return { memory, keep: [], alarms: [], doubts, anew: [] };
  const dials = { ...memory.dials };
  const [keep, anew]: [ToKeep[], string[]] = [[], []];
  let { alarm } = memory;
  const alarms: AlarmTold[] = [];
  for (const [id, read] of Object.entries(values)) {
    const signal = signalOf(id);
    if (!read.ok || !signal) continue;
    if (signal.kind === 'alarm') {
      const taken = takeAlarm(read.value !== 0, at, alarm, how.sameAlarm);
      alarm = taken.alarm;
      alarms.push(...taken.told);
    }
    if (signal.kind !== 'meter') continue;
    const taken = takeDial(meterOf(id, how.rolls[id] ?? null)!, read.value, at, dials[id], how);
    if (taken.dial) dials[id] = taken.dial;
    keep.push(...taken.keep);
    if (taken.doubt !== undefined) doubts.push(taken.doubt);
    if (taken.anew !== undefined) anew.push(taken.anew);
  }
  return { memory: { dials, alarm, at }, keep, alarms, doubts, anew };
}
