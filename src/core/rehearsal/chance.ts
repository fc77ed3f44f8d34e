import * as z from 'zod';
import { randomFrom, wilson, type Random } from '../numeric';
import type { Station } from '../station';
import { flowsOf } from '../inflow';
import type { Phrase } from '../units';
import type { Fault } from '../faults';
import type { Account } from './ledger';
import { account } from './rehearse';
import { plain } from './ready';
import type { Scenario } from './scenario';
import { prepare, type Prepared } from './faultedModel';

const YEAR = 365 * 86400;

const times = (what: string) =>
  z.number().min(0, `${what} cannot come less than never`).max(1000, `${what} more than a thousand times a year`);
const spread = z.number().min(0, 'a spread cannot be negative').max(3, 'a spread beyond reason');

/** What years are drawn from. All of it is assumed: the seed makes it the same again. */
export const chancesSchema = z.strictObject({
  seed: z
    .int('a seed is a whole number')
    .min(0, 'a seed cannot be negative')
    .max(2 ** 32 - 1, 'a seed of more than 32 bits'),
  years: z.int('whole years').min(1, 'a year at least').max(100000, 'more than 100 000 years'),
  /** s after the alarm until a person is there. */
  responseTime: z.number().gt(0, 'nobody is there at once').max(YEAR, 'an answer after more than a year'),
  /** s between visits at which all is tested and mended. */
  visitInterval: z
    .number()
    .min(86400, 'more than a visit a day')
    .max(20 * YEAR, 'a visit in more than twenty years'),
  /** Storms (or days of much water) a year; the middle one in times what was surveyed, and the spread of its logarithm. */
  storms: z.strictObject({
    perYear: times('a storm'),
    middle: z.number().min(0, 'a storm cannot be negative').max(20, 'a storm beyond twenty of the surveyed'),
    spread,
  }),
  /** Power cuts a year, the middle length in s, its spread, and the share of storms that bring one. */
  powerCuts: z.strictObject({
    perYear: times('a power cut'),
    middle: z
      .number()
      .gt(0, 'a cut lasts')
      .max(30 * 86400, 'a cut of more than a month'),
    spread,
    withStorm: z.number().min(0, 'a share is 0 at least').max(1, 'a share is 1 at most'),
  }),
  /** How often faults come, in times their assumed weights. */
  faults: z.number().min(0, 'faults cannot come less than never').max(100, 'faults a hundred times as often at most'),
});

export type Chances = z.infer<typeof chancesSchema>;

export const usualChances: Chances = {
  seed: 1,
  years: 300,
  responseTime: 4 * 3600,
  visitInterval: YEAR,
  storms: { perYear: 6, middle: 0.5, spread: 0.5 },
  powerCuts: { perYear: 2, middle: 3600, spread: 1, withStorm: 0.1 },
  faults: 1,
};

export interface Cause {
  readonly label: string;
  /** Floods in which it had a part. */
  readonly floods: number;
}

/** Chance of an overflow in a year. */
export interface Chance {
  readonly years: number;
  /** Years in which water ran over, and their share with its 95 % interval. */
  readonly yearsWithOverflow: number;
  readonly share: number;
  readonly low: number;
  readonly high: number;
  /** Mean overflow a year, m³. */
  readonly overflow: number;
  /** Alarms a year, and floods that no alarm told of. */
  readonly alarms: number;
  readonly floodsWithoutAlarm: number;
  readonly causes: readonly Cause[];
}

type Trigger = { readonly at: number; readonly does: 'storm' | 'cut' | 'fault' | 'visit' };

const HOUR = 3600;

/** A fault is watched so long before it is called hidden, s: until twice the time that design inflow takes to fill the vessel, two days at least. */
const watched = ({ station, top }: Prepared): number =>
  Math.min(Math.max((2 * top) / flowsOf(station.inflow).design, 2 * 86400), 14 * 86400);

/** One of the faults by its weight. */
function drawn(faults: readonly Fault[], total: number, random: Random): Fault {
  let left = random.even() * total;
  return faults.find((f) => (left -= f.perYear) < 0) ?? faults.at(-1)!;
}

/** What comes next of each kind, walked through the years. */
function* triggers(
  { years, storms, powerCuts, visitInterval }: Chances,
  faultRate: number,
  random: Random,
): Generator<Trigger> {
  const end = years * YEAR;
  const next = {
    storm: random.wait(storms.perYear / YEAR),
    cut: random.wait(powerCuts.perYear / YEAR),
    fault: random.wait(faultRate / YEAR),
    visit: visitInterval,
  };
  for (;;) {
    const does = (['visit', 'storm', 'cut', 'fault'] as const).reduce((a, b) => (next[b] < next[a] ? b : a));
    const at = next[does];
    if (at >= end) return;
    yield { at, does };
    next[does] +=
      does === 'visit'
        ? visitInterval
        : random.wait((does === 'fault' ? faultRate : does === 'storm' ? storms.perYear : powerCuts.perYear) / YEAR);
  }
}

/** What is rehearsed when something comes by chance: its scenario, what it is called, and the fault that comes with it. */
interface Incident {
  readonly scenario: Scenario;
  readonly triggers: readonly string[];
  readonly comes: string | null;
}

/** Draws the storm, the power cut or the fault that comes, on top of the faults that are hidden by then. */
function incidents({
  base,
  storm,
  chances,
  fault,
  random,
}: {
  base: Scenario;
  storm: { name: string; duration: number };
  chances: Chances;
  fault(): Fault;
  random: Random;
}): (does: Exclude<Trigger['does'], 'visit'>, hidden: readonly string[]) => Incident {
  const logNormal = (middle: number, deviation: number) => middle * Math.exp(deviation * random.normal());
  const cutLasts = () => logNormal(chances.powerCuts.middle, chances.powerCuts.spread);
  const kinds = {
    storm(there: Scenario['faults']): Incident {
      const scale = Math.min(logNormal(chances.storms.middle, chances.storms.spread), 100);
      const cut = random.even() < chances.powerCuts.withStorm;
      const from = random.even() * storm.duration * 0.5;
      const lasts = cutLasts();
      return {
        scenario: {
          ...base,
          duration: storm.duration + (cut ? lasts : 0),
          inflow: { kind: 'survey', scale },
          faults: there,
          powerCuts: cut ? [{ from, to: from + lasts }] : [],
        },
        triggers: [storm.name, ...(cut ? ['power cut'] : [])],
        comes: null,
      };
    },
    cut(there: Scenario['faults']): Incident {
      const lasts = cutLasts();
      return {
        scenario: {
          ...base,
          duration: lasts + 12 * HOUR,
          faults: there,
          powerCuts: [{ from: HOUR, to: HOUR + lasts }],
        },
        triggers: ['power cut'],
        comes: null,
      };
    },
    fault(there: Scenario['faults']): Incident {
      const { id, label } = fault();
      return {
        scenario: { ...base, faults: [...there.filter((f) => f.id !== id), { from: HOUR, to: null, id }] },
        triggers: [label],
        comes: id,
      };
    },
  };
  return (does, hidden) => kinds[does](hidden.map((id) => ({ from: 0, to: null, id })));
}

/** The ordinary day that chance falls upon, and the storm that this station was surveyed for. */
function settingOf(station: Station, prepared: Prepared, { responseTime }: Chances) {
  const { source } = station.inflow;
  const stormy = source.kind === 'storm';
  return {
    base: {
      ...plain('chance', station, watched(prepared), {
        kind: 'level',
        which: stormy ? 'low' : 'design',
        scale: 1,
      }),
      responseTime,
    } satisfies Scenario,
    storm: stormy
      ? { name: 'storm', duration: source.rows.at(-1)!.time + 6 * HOUR }
      : { name: 'much water', duration: 86400 },
  };
}

/** Counts what comes of each incident. */
function floodTally(years: number) {
  const wet = new Set<number>();
  const causes = new Map<string, number>();
  let [overflow, alarms, silent] = [0, 0, 0];
  return {
    /** @returns whether a person notices: an alarm that is answered, or a flood that is seen */
    add(at: number, { balance, overflowSpans, alarmSpans }: Account, by: readonly string[]): boolean {
      if (alarmSpans.length > 0) alarms++;
      if (overflowSpans.length > 0) {
        wet.add(Math.floor(at / YEAR));
        overflow += balance.overflow;
        if (!alarmSpans.some((r) => r.from <= overflowSpans[0]!.from)) silent++;
        for (const what of new Set(by)) causes.set(what, (causes.get(what) ?? 0) + 1);
      }
      return alarmSpans.length > 0 || overflowSpans.length > 0;
    },
    total: (): Chance => ({
      years,
      yearsWithOverflow: wet.size,
      share: wet.size / years,
      ...wilson(wet.size, years),
      overflow: overflow / years,
      alarms: alarms / years,
      floodsWithoutAlarm: silent,
      causes: [...causes]
        .map(([what, floods]) => ({ label: what, floods }))
        .sort((a, b) => b.floods - a.floods || a.label.localeCompare(b.label, 'en')),
    }),
  };
}

/**
 * Years with storms, power cuts and faults that come by chance, one after the other. Each is rehearsed, exactly, with the faults that
 * are hidden by then; when the alarm sounds a person comes after the time to answer and mends all there is; a fault that neither rings nor
 * floods stays, hidden, until the next visit. Between them nothing new can happen.
 * @returns the problems where the scheme does not fit, or where it was stopped
 * @example
 * const { chance: of } = chance(newStation('Sump', 'Yard', 'metric-230'), { ...usualChances, years: 5 });
 * of.years // → 5
 */
export function chance(
  station: Station,
  chances: Chances,
  { progress, stopped }: { progress?(share: number): void; stopped?(): boolean } = {},
): { ok: true; chance: Chance } | { ok: false; problems: readonly (Phrase | string)[] } {
  const made = prepare(station);
  if (!made.ok) return { ok: false, problems: made.reasons };
  const { prepared } = made;
  const random = randomFrom(chances.seed);
  // What happens to the water itself is told by storms.
  const faults = prepared.faults.filter((f) => f.effects.inflow === undefined);
  const total = faults.reduce((sum, f) => sum + f.perYear, 0);
  const incident = incidents({
    ...settingOf(station, prepared, chances),
    chances,
    fault: () => drawn(faults, total, random),
    random,
  });
  const tally = floodTally(chances.years);
  let hidden: readonly string[] = [];
  for (const { at, does } of triggers(chances, total * chances.faults, random)) {
    progress?.(at / (chances.years * YEAR));
    if (stopped?.()) return { ok: false, problems: ['stopped by hand'] };
    if (does === 'visit') {
      hidden = [];
      continue;
    }
    const { scenario, triggers: by, comes } = incident(does, hidden);
    const answer = account(station, scenario);
    if (!answer.ok) return answer;
    const names = hidden.map((id) => `${faults.find((f) => f.id === id)!.label} (hidden)`);
    const noticed = tally.add(at, answer.account, [...by, ...names]);
    // What rang was looked after, and what flooded was seen.
    if (noticed) hidden = [];
    else if (comes !== null && !hidden.includes(comes)) hidden = [...hidden, comes];
  }
  return { ok: true, chance: tally.total() };
}
