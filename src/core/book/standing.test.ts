import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { newStation } from '../station';
import { say, quantity } from '../units';
import { sayPhrase } from '../units';
import { analyse, expectedOf, ofOneAge, pageSchema, plantedYear, sparkOf, type Page, type Readings } from '.';

const sump = newStation('Sump', 'Yard', 'metric-230');
const DAY = 86_400_000;
const FROM = Date.UTC(2026, 0, 5);

/** Readings a week apart: hours and starts that each week adds, energy where it is given. */
function weekly(rows: readonly { hours: number; starts: number; kWh?: number }[]): Readings {
  const sum = (key: 'hours' | 'starts' | 'kWh') => {
    let total = 100;
    return [{ id: 1, at: FROM, value: total }].concat(
      rows.map((r, i) => ({
        id: i + 2,
        at: FROM + (i + 1) * 7 * DAY,
        value: (total = Math.round((total + (r[key] ?? 0)) * 100) / 100),
      })),
    );
  };
  return {
    'hours-1': sum('hours'),
    'starts-1': sum('starts'),
    ...(rows.some((r) => r.kWh !== undefined) && { energy: sum('kWh') }),
  };
}
const read = (rows: Parameters<typeof weekly>[0], price: number | null = null) =>
  analyse({ station: sump, readings: weekly(rows), alarms: [], price });
const many = <T>(n: number, of: T): T[] => Array.from({ length: n }, () => of);

describe('meters that stand, and pumps that do not stop', () => {
  it('an hour meter that stands while its counter counts is told, and what it may be', () => {
    const { findings, asked } = read([...many(4, { hours: 3, starts: 200 }), ...many(2, { hours: 0, starts: 190 })]);
    const [first] = findings;
    expect(first).toMatchObject({ kind: 'meter-stands', pump: 0, since: FROM + 28 * DAY });
    expect(sayPhrase(first!.sentence, 'metric')).toMatch(
      /hour meter of pump 1 stood while its counter counted 380 starts/,
    );
    expect(sayPhrase(first!.next, 'metric')).toMatch(/clamp/);
    expect(asked).toContain('meter-stands');
  });
  it('a counter that stands while the hours go on, too', () => {
    const [first] = read([...many(4, { hours: 3, starts: 200 }), ...many(2, { hours: 3, starts: 0 })]).findings;
    expect(first).toMatchObject({ kind: 'meter-stands' });
    expect(sayPhrase(first!.sentence, 'metric')).toMatch(/start counter of pump 1 stood/);
  });
  it('a pump that ran all of two weeks stands first of all findings, and is no meter that stands', () => {
    const { findings } = read([...many(4, { hours: 3, starts: 200 }), ...many(2, { hours: 168, starts: 0 })]);
    expect(findings[0]!.kind).toBe('never-stops');
    // A meter that is landed where there is always voltage looks the same.
    expect(sayPhrase(findings[0]!.sentence, 'metric')).toMatch(/or the hour meter hangs where there is always voltage/);
    expect(findings.some((f) => f.kind === 'meter-stands')).toBe(false);
  });
  it.each([
    ['as it always was', many(6, { hours: 3, starts: 200 })],
    ['dry weeks, with hardly a start', [...many(4, { hours: 3, starts: 200 }), ...many(2, { hours: 0, starts: 3 })]],
    ['weeks of no water at all', [...many(4, { hours: 3, starts: 200 }), ...many(2, { hours: 0, starts: 0 })]],
  ])('%s: neither is told, and both were asked', (_, rows) => {
    const { findings, asked } = read(rows);
    expect(findings.filter((f) => f.kind === 'meter-stands' || f.kind === 'never-stops')).toEqual([]);
    expect(asked).toEqual(expect.arrayContaining(['meter-stands', 'never-stops']));
  });
  it('two that between them hardly rest are told together, though neither runs all the time; and no flows are made of it', () => {
    const duplex = demoStations().find((d) => d.file === 'underpass-storm-sump.json')!.station;
    const week = (hours: number, starts: number) =>
      [1, 2].flatMap(
        (n) =>
          [
            [`hours-${n}`, hours],
            [`starts-${n}`, starts],
          ] as const,
      );
    const readings = (weeks: readonly (readonly [number, number])[]): Readings => {
      const sums: Record<string, { id: number; at: number; value: number }[]> = {};
      const total: Record<string, number> = {};
      for (const [i, [hours, starts]] of [[0, 0] as const, ...weeks].entries())
        for (const [id, n] of week(hours, starts)) {
          total[id] = (total[id] ?? 0) + n;
          (sums[id] ??= []).push({ id: i, at: FROM + i * 7 * DAY, value: total[id] });
        }
      return sums;
    };
    const of = (hours: number) =>
      analyse({ station: duplex, readings: readings(many(4, [hours, 150] as const)), alarms: [] });
    expect(of(82).findings[0]).toMatchObject({ kind: 'never-stops', pump: null });
    expect(sayPhrase(of(82).findings[0]!.sentence, 'metric')).toMatch(/water goes round through a pump that rests/);
    expect(of(82).spans.every((s) => s.flows === null)).toBe(true);
    expect(of(30).findings.some((f) => f.kind === 'never-stops')).toBe(false);
    expect(of(30).spans.every((s) => s.flows !== null)).toBe(true);
  });
  it('an hour meter that could not show so short runs yet does not stand; with enough of them it does', () => {
    const small = demoStations().find((d) => d.file === 'cold-store-condensate.json')!.station;
    const { volume, flows } = expectedOf(small);
    const perStart = volume / flows[0]! / 3600;
    const told = (starts: number) => {
      const readings = weekly([...many(2, { hours: 1, starts: 40 }), ...many(2, { hours: 0, starts })]);
      return analyse({ station: small, readings, alarms: [] }).findings.some((f) => f.kind === 'meter-stands');
    };
    // Half an hour in two weeks is five tenths: from there on its dial must have moved.
    expect(told(Math.floor((0.45 / perStart) * 0.5))).toBe(false);
    expect(told(Math.ceil((0.55 / perStart) * 0.5))).toBe(true);
  });
  it('are not asked of one visit', () => {
    const { asked, notAsked } = read([{ hours: 168, starts: 0 }]);
    expect(asked).not.toContain('never-stops');
    expect(notAsked.flatMap((n) => n.kinds)).toContain('never-stops');
  });
});

describe('energy', () => {
  // By hand: V between trips, n starts and h hours in T: inflow n·V/(T − h), water moved in the week inflow·T.
  const { volume, drainback, powers } = expectedOf(sump);
  const moved = ((200 * (volume - drainback)) / (7 * 86400 - 3 * 3600)) * 7 * 86400;

  it('by its meter: a day’s, for each m³, and a year’s cost', () => {
    const { energy } = read(many(8, { hours: 3, starts: 200, kWh: 1.4 }), 0.25);
    expect(energy).toMatchObject({ by: 'meter', days: 56 });
    expect(energy!.perDay).toBeCloseTo(0.2, 6);
    expect(energy!.perVolume! / (1.4 / moved)).toBeCloseTo(1, 6);
    expect(energy!.costPerYear).toBeCloseTo(0.2 * 365.25 * 0.25, 6);
  });
  it('without a meter by hours and what the motor draws; without a price no cost', () => {
    const { energy } = read(many(8, { hours: 3, starts: 200 }));
    expect(energy).toMatchObject({ by: 'hours', costPerYear: null });
    expect(energy!.perDay).toBeCloseTo((3 / 7) * (powers[0]! / 1000), 9);
  });
  it('of nothing read there is none', () => {
    expect(analyse({ station: sump, readings: {}, alarms: [] }).energy).toBeNull();
  });
  it('more for the same water is found, and since when; as much is not', () => {
    const rows = (more: number) =>
      Array.from({ length: 20 }, (_, i) => ({
        hours: 3,
        starts: 200,
        kWh: 1.4 * (i < 10 ? 1 : more) * (1 + 0.01 * (i % 3)),
      }));
    const [finding] = read(rows(1.3)).findings.filter((f) => f.kind === 'energy');
    expect(finding!.since).toBe(FROM + 70 * DAY);
    expect(sayPhrase(finding!.sentence, 'metric')).toMatch(/It takes 30 ?% more energy for the same water/);
    expect(read(rows(1)).findings.filter((f) => f.kind === 'energy')).toEqual([]);
    expect(read(rows(0.7)).findings.filter((f) => f.kind === 'energy')).toEqual([]);
  });
  it('is asked only where its meter is read, and says how many more visits it wants', () => {
    expect(read(many(8, { hours: 3, starts: 200 })).notAsked.flatMap((n) => n.kinds)).not.toContain('energy');
    const few = read(many(3, { hours: 3, starts: 200, kWh: 1 })).notAsked.find((n) => n.kinds.includes('energy'))!;
    expect(sayPhrase(few.why, 'metric')).toMatch(/wants 7 visits .* 4 there are/);
  });
  it('is not found in healthy years that have no meter of it', () => {
    const { readings } = plantedYear(sump, 'none', 5, FROM);
    expect(analyse({ station: sump, readings, alarms: [] }).findings.filter((f) => f.kind === 'energy')).toEqual([]);
  });
  it('for each m³ is written in both systems', () => {
    const q = quantity('specificEnergy', 0.5 * 3.6e6);
    expect([say(q, 'metric'), say(q, 'us')]).toEqual(['0.500 kWh/m³', '1.89 kWh/kgal']);
  });
});

describe('parts of one age', () => {
  const part = (id: number, name: string, days: number, state = 'fitted') => ({
    id,
    at: FROM + days * DAY,
    page: pageSchema.parse({ kind: 'part', name, state }) as Page,
  });
  const ids = (pages: ReturnType<typeof part>[]) => ofOneAge(pages).map((g) => g.map((p) => p.id));
  it('are those of one name that went in together', () => {
    expect(ids([part(1, 'Pump 1', 0), part(2, 'pump 2', 60), part(3, 'alarm battery', 0)])).toEqual([[1, 2]]);
  });
  it('not those that went in a year apart, nor one on the shelf, nor one taken out', () => {
    expect(ids([part(1, 'pump', 0), part(2, 'pump', 365)])).toEqual([]);
    expect(ids([part(1, 'pump', 0), part(2, 'pump', 1, 'on the shelf'), part(3, 'pump', 1, 'taken out')])).toEqual([]);
  });
  it('of three, two old and two new, both pairs are seen', () => {
    expect(ids([part(1, 'float', 0), part(2, 'float', 5), part(3, 'float', 900), part(4, 'float', 910)])).toEqual([
      [1, 2],
      [3, 4],
    ]);
  });
});

describe('starts week by week, at a glance', () => {
  it('are a day’s of each week, by hand', () => {
    const spark = sparkOf(weekly([70, 140, 21].map((starts) => ({ hours: 1, starts }))), {}, 5)!;
    expect(spark.weeks).toEqual([null, null, 10, 20, 3]);
    expect(spark.to).toBe(FROM + 21 * DAY);
  });
  it('of two pumps are taken together, and a fortnight is spread over its weeks', () => {
    const at = (day: number, value: number, id: number) => ({ id, at: FROM + day * DAY, value });
    const readings = {
      'starts-1': [at(0, 0, 1), at(14, 140, 2)],
      'starts-2': [at(0, 5, 3), at(7, 75, 4), at(14, 75, 5)],
    };
    expect(sparkOf(readings, {}, 2)!.weeks).toEqual([20, 10]);
  });
  it('one wrong figure is left out, a counter that rolled over goes on', () => {
    const at = (week: number, value: number) => ({ id: week, at: FROM + week * 7 * DAY, value });
    const rolled = { 'starts-1': [at(0, 900), at(1, 970), at(2, 40), at(3, 12_000), at(4, 180), at(5, 250)] };
    expect(sparkOf(rolled, { 'starts-1': 1000 }, 5)!.weeks.map((n) => Math.round(n!))).toEqual([10, 10, 10, 10, 10]);
  });
  it('is none where less than two weeks were read', () => {
    expect(sparkOf({}, {})).toBeNull();
    expect(sparkOf(weekly([{ hours: 1, starts: 7 }]), {})).toBeNull();
    expect(sparkOf({ 'hours-1': [] }, {})).toBeNull();
  });
});
