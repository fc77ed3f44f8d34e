import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { levelContext } from '../levels';
import { newStation, type Station } from '../station';
import { sayPhrase } from '../units';
import {
  analyse,
  countsOf,
  flowsFrom,
  meterName,
  meterOf,
  meterSays,
  plantedYear,
  swapped,
  type FindingKind,
  type Reading,
  type Trouble,
} from './index';

const DAY = 86_400_000;
const FROM = Date.UTC(2025, 0, 6, 9);
const demo = (file: string) => demoStations().find((d) => d.file === `${file}.json`)!.station;
const read = (...values: readonly (number | readonly [value: number, newFrom: number])[]): Reading[] =>
  values.map((v, i) => ({
    id: i + 1,
    at: FROM + i * 7 * DAY,
    ...(typeof v === 'number' ? { value: v } : { value: v[0], newFrom: v[1] }),
  }));
const hours = meterOf('hours-1', 100_000)!;
const starts = meterOf('starts-1', 100_000)!;

describe('what a meter counted', () => {
  it('is the difference, over a roll-over and over a new meter', () => {
    const of = (list: Reading[], meter = starts) => countsOf(meter, list).counts.map((c) => [c.count, c.rolled]);
    expect(of(read(10, 250, 700))).toEqual([
      [240, false],
      [450, false],
    ]);
    expect(of(read(99_800, 150))).toEqual([[350, true]]);
    expect(of(read(99_800, [99_900, 3], 203))).toEqual([
      [100, false],
      [200, false],
    ]);
    // One that is not known to roll over went backwards.
    expect(countsOf(meterOf('starts-1')!, read(99_800, 99_900, 150)).doubts.map((d) => d.why)).toEqual(['backwards']);
  });
  it('doubts the one wrong figure, not all that come after it', () => {
    for (const wrong of [3, 9000, 1400]) {
      const { counts, doubts } = countsOf(hours, read(1000, 1010, 1020, wrong, 1040, 1050));
      expect(doubts.map((d) => d.reading.value)).toEqual([wrong]);
      expect(counts.reduce((sum, c) => sum + c.count, 0)).toBe(50);
    }
  });
  it('no hour brings more than an hour: an hour meter that did is doubted', () => {
    expect(countsOf(hours, read(0, 168)).doubts).toEqual([]);
    expect(countsOf(hours, read(0, 175)).doubts.map((d) => d.why)).toEqual(['too much']);
  });
  it('the same figure twice is one reading; another figure at the same time is asked about', () => {
    const list = read(10, 20);
    expect(countsOf(hours, [...list, { ...list[1]!, id: 9 }])).toMatchObject({ counts: [{ count: 10 }], doubts: [] });
    expect(countsOf(hours, [...list, { ...list[1]!, id: 9, value: 15 }]).doubts.map((d) => d.why)).toEqual(['twice']);
  });
  it('figures in one another’s fields are seen, and only those', () => {
    const h = read(1000, 1010, 5240, 1030);
    const n = read(5000, 5120, 1020, 5360);
    const of = (meter: typeof hours, list: Reading[]) => ({
      meter,
      readings: list,
      doubts: countsOf(meter, list).doubts,
    });
    expect(swapped(of(hours, h), of(starts, n)).map(([a, b]) => [a.value, b.value])).toEqual([[5240, 1020]]);
    expect(swapped(of(hours, read(1000, 1010, 900, 1030)), of(starts, read(5000, 5120, 5240, 5360)))).toEqual([]);
  });
  it('adds up whatever the steps, rolled over or not', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 3000 }), { minLength: 2, maxLength: 12 }), (added) => {
        let dial = 99_000;
        const list = read(dial, ...added.map((n) => (dial = (dial + n) % 100_000)));
        const { counts, doubts } = countsOf(starts, list);
        expect(doubts).toEqual([]);
        expect(counts.reduce((sum, c) => sum + c.count, 0)).toBe(added.reduce((a, b) => a + b, 0));
      }),
    );
  });
  it('a meter is named by its kind and pump, and says what stands on its dial', () => {
    expect(meterName(meterOf('hours-2')!)).toBe('hour meter, pump 2');
    expect([meterOf('hours'), meterOf('volts-1'), meterOf('wind'), meterOf('__proto__')]).toEqual([
      null,
      null,
      null,
      null,
    ]);
    expect([meterSays(hours, 1234.5, 'metric'), meterSays(starts, 88, 'us')]).toEqual(['1234.5 h', '88']);
    expect(meterSays(meterOf('level')!, 0.5, 'us')).toMatch(/^1' 7 11\/16"$/);
  });
});

describe('two equations', () => {
  const day = { volume: 0.2, volumeBy: 0, drainback: 0, time: 86400, starts: [100], run: [18000], step: 360 };
  it('by hand: a hundred starts of 0.2 m³ and five hours in a day', () => {
    const f = flowsFrom(day)!;
    expect(f.inflow.value).toBeCloseTo(20 / 68400, 9);
    expect(f.pumps[0]!.value).toBeCloseTo(20 / 18000 + 20 / 68400, 9);
    expect(f.run[0]!.value).toBe(180);
  });
  it('what runs back does not come from outside', () => {
    expect(flowsFrom({ ...day, drainback: 0.02 })!.inflow.value).toBeCloseTo(18 / 68400, 9);
  });
  it('uncertainty by hand: one part in √6 of a start, of the last digit, and of the volume', () => {
    const f = flowsFrom({ ...day, volumeBy: 0.01 })!;
    const part = 1 / Math.sqrt(6);
    expect(f.inflow.by / f.inflow.value).toBeCloseTo(Math.hypot(part / 100, 0.05, (360 * part) / 68400), 6);
    expect(f.pumps[0]!.by).toBeGreaterThan(0.05 * f.pumps[0]!.value);
  });
  it('has no answer where nothing started, or it never rested', () => {
    expect([flowsFrom({ ...day, starts: [0] }), flowsFrom({ ...day, run: [86400] })]).toEqual([null, null]);
  });
  it('gives back the flows that a station was cycled with, for any inflow that it keeps up with', () => {
    const context = levelContext(newStation('a', 'b', 'metric-230'));
    const { drawdown, hydraulics, stop, lead } = context;
    const drainback = hydraulics.drainback(1, stop).volume;
    fc.assert(
      fc.property(fc.double({ min: 1e-5, max: 6e-4, noNaN: true }), (q) => {
        // A pump of one flow, by the balance of water: so many whole cycles.
        const pump = hydraulics.flowAt((stop + lead) / 2, 1)!;
        const [fill, run] = [(drawdown - drainback) / q, drawdown / (pump - q)];
        const n = 50;
        const f = flowsFrom({
          volume: drawdown,
          volumeBy: 0,
          drainback,
          time: n * (fill + run),
          starts: [n],
          run: [n * run],
          step: 1,
        })!;
        expect(f.inflow.value / q).toBeCloseTo(1, 9);
        expect(f.pumps[0]!.value / pump).toBeCloseTo(1, 9);
      }),
    );
  });
});

describe('what a year of readings means', () => {
  const kinds = (file: string, trouble: Trouble, seed: number): FindingKind[] => {
    const station = demo(file);
    return analyse({ station, readings: plantedYear(station, trouble, seed, FROM).readings, alarms: [] }).findings.map(
      (f) => f.kind,
    );
  };
  it.each<readonly [file: string, Trouble, FindingKind]>([
    ['underpass-storm-sump', 'wear', 'pump-weaker'],
    ['underpass-storm-sump', 'stuck-turns', 'turns'],
    ['underpass-storm-sump', 'runs-back', 'runs-back'],
    ['underpass-storm-sump', 'line', 'line-tighter'],
    ['workshop-sump', 'wear', 'line-tighter'],
    ['workshop-sump', 'slipped', 'volume-changed'],
    ['workshop-sump', 'wet', 'rain'],
    ['wash-bay-pit', 'runs-back', 'runs-back'],
    ['wash-bay-pit', 'more-water', 'more-water'],
  ])('%s with %s: %s, in every one of four years', (file, trouble, kind) => {
    for (const seed of [1, 2, 3, 4])
      expect([seed, kinds(file, trouble, seed)]).toEqual([seed, expect.arrayContaining([kind])]);
  });
  it('finds nothing in healthy years', () => {
    for (const file of ['underpass-storm-sump', 'workshop-sump', 'wash-bay-pit', 'slipway-drainage-pit'])
      for (const seed of [11, 12, 13, 14, 15])
        expect([file, seed, kinds(file, 'none', seed)]).toEqual([file, seed, []]);
  });
  it('one figure mistyped is asked about, and moves no finding', () => {
    const station = demo('underpass-storm-sump');
    const { readings } = plantedYear(station, 'wear', 3, FROM);
    const sound = analyse({ station, readings, alarms: [] });
    const clumsy = readings['hours-1']!.map((r, i) => (i === 30 ? { ...r, value: r.value * 10 } : r));
    const told = analyse({ station, readings: { ...readings, 'hours-1': clumsy }, alarms: [] });
    expect(told.doubts.map((d) => [d.meter.id, d.doubt.reading.value])).toEqual([['hours-1', clumsy[30]!.value]]);
    expect(told.findings.map((f) => f.kind)).toEqual(sound.findings.map((f) => f.kind));
  });
  it('says what it did not ask, and how much more it wants', () => {
    const station = demo('workshop-sump');
    const { readings } = plantedYear(station, 'wear', 3, FROM);
    const few = Object.fromEntries(Object.entries(readings).map(([k, list]) => [k, list.slice(0, 4)]));
    const { findings, notAsked } = analyse({ station, readings: few, alarms: [] });
    expect(findings).toEqual([]);
    const wear = notAsked.find((n) => n.kinds.includes('line-tighter'))!;
    expect(sayPhrase(wear.why, 'metric')).toMatch(/wants 9 visits .* there are 4/);
    expect(analyse({ station, readings: {}, alarms: [] })).toMatchObject({ findings: [], spans: [], doubts: [] });
  });
  it('speaks of the station that it is asked of: drawn from, without a check valve, too little read', () => {
    const said = (station: Station, trouble: Trouble) => {
      const { findings } = analyse({ station, readings: plantedYear(station, trouble, 5, FROM).readings, alarms: [] });
      return findings.map((f) => [f.kind, `${sayPhrase(f.sentence, 'metric')} ${sayPhrase(f.next, 'metric')}`]);
    };
    const tank = demo('workshop-header-tank');
    const drawn = said(tank, 'more-water').find(([kind]) => kind === 'more-water' || kind === 'not-told')![1]!;
    expect(drawn).toMatch(/is drawn|Fill it/);
    expect(drawn).not.toMatch(/rain|ground water|Pump down/);
    const bay = demo('wash-bay-pit');
    const valved = said(bay, 'runs-back').find(([kind]) => kind === 'runs-back')![1]!;
    expect(valved).toMatch(/as through a check valve that leaks/);
    const bare = { ...bay, discharge: { ...bay.discharge, checkValve: null } };
    for (const [, words] of said(bare, 'runs-back')) expect(words).not.toMatch(/check valve that leaks/);
    // Two visits to one pump ask nothing; then nothing is said to stand out of it.
    const year = plantedYear(bay, 'none', 5, FROM).readings;
    const two = Object.fromEntries(Object.entries(year).map(([k, list]) => [k, list.slice(0, 2)]));
    expect(analyse({ station: bay, readings: two, alarms: [] }).asked).toEqual([]);
    const { asked } = analyse({ station: bay, readings: year, alarms: [] });
    expect(asked).toContain('runs-back');
    expect(asked).not.toContain('turns');
    expect(asked).not.toContain('doses');
    // Where a timer starts the pump, or a valve fills, the two equations are not asked, and say why.
    const { notAsked } = analyse({ station: demo('sand-bed-dosing-tank'), readings: year, alarms: [] });
    expect(sayPhrase(notAsked.find((n) => n.kinds.includes('runs-back'))!.why, 'metric')).toMatch(
      /a timer starts the pump/,
    );
  });
  it('of a pump that never starts it may be the counter that stands', () => {
    const station = demo('underpass-storm-sump');
    const { readings } = plantedYear(station, 'none', 4, FROM);
    const stuck = readings['starts-2']!.map((r) => ({ ...r, value: 700 }));
    const turns = analyse({ station, readings: { ...readings, 'starts-2': stuck }, alarms: [] }).findings.find(
      (f) => f.kind === 'turns',
    )!;
    expect(sayPhrase(turns.sentence, 'metric')).toMatch(/or its counter does/);
  });
  it('alarms that come more often are told, by Poisson: eight where about one is usual', () => {
    const station = demo('workshop-sump');
    const at = (day: number) => FROM + day * DAY;
    const earlier = [10, 50, 95, 140, 190];
    const lately = [280, 283, 287, 290, 293, 296, 298, 300].map(at);
    const told = (alarms: number[]) => analyse({ station, readings: {}, alarms }).findings.map((f) => f.kind);
    expect(told([at(0), ...earlier.map(at), ...lately])).toEqual(['alarms']);
    expect(told([at(0), ...earlier.map(at), at(285), at(300)])).toEqual([]);
  });
  it('clocks that were set, and a leap day, change no count', () => {
    const station = demo('workshop-sump');
    // Visits at nine by a clock that goes on an hour in spring: one span is an hour short, and one in autumn an hour long.
    const { readings } = plantedYear(station, 'none', 7, Date.UTC(2028, 0, 3));
    const set = Object.fromEntries(
      Object.entries(readings).map(([k, list]) => [
        k,
        list.map((r, i) => ({ ...r, at: r.at - (i > 12 && i < 43 ? 3_600_000 : 0) })),
      ]),
    );
    const [a, b] = [readings, set].map((r) => analyse({ station, readings: r, alarms: [] }));
    expect([b!.findings, b!.doubts]).toEqual([a!.findings, a!.doubts]);
    expect(b!.spans.map((s) => s.starts)).toEqual(a!.spans.map((s) => s.starts));
  });
});
