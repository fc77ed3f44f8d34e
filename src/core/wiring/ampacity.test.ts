import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { panelOf } from '../schemes';
import { newStation, type Station } from '../station';
import { sayPhrase } from '../units';
import { ambientFactor, groupFactor, guardedAt, ownTable, sourceOf, typicalAmpacity } from './ampacity';
import { awgArea, soldSizes } from './conductor';
import { copperRows, readCopperRows } from './copperText';
import { sizeFor } from './guards';
import { wireList } from './lists';
import { wire } from './wired';
import { supplyFigures } from './supplyFigures';

const of = (profile: Station['profile'], over: Partial<Station['settings']> = {}): Station => {
  const s = newStation('a', 'b', profile);
  return { ...s, settings: { ...s.settings, ...over } };
};
const metric = of('metric-230');
const us = of('us-120');

describe('what copper typically carries (IEC 60364-5-52, table B.52.4; NFPA 70, table 310.16)', () => {
  it.each([
    [1.5, 15, 17.5],
    [2.5, 20, 24],
    [6, 34, 41],
    [16, 62, 76],
  ])('%d mm²: %d A in conduit, %d A on a wall', (mm2, b2, c) => {
    expect([metric, of('metric-230', { ampacity: 'full' })].map((s) => typicalAmpacity(mm2 * 1e-6, s))).toEqual([
      b2,
      c,
    ]);
  });
  it.each([
    [14, 15, 20],
    [12, 20, 25],
    [8, 40, 50],
    [0, 125, 150],
  ])('AWG %d: %d A at 60 °C, %d A at 75 °C', (gauge, at60, at75) => {
    expect([us, of('us-120', { ampacity: 'full' })].map((s) => typicalAmpacity(awgArea(gauge), s))).toEqual([
      at60,
      at75,
    ]);
  });
  it('small conductors are guarded by 15, 20 and 30 A whatever they carry; and AWG 16 never stands behind 15 A', () => {
    const full = of('us-120', { ampacity: 'full' });
    expect([14, 12, 10, 8].map((g) => guardedAt(awgArea(g), full))).toEqual([15, 20, 30, 50]);
    expect(sizeFor(15, awgArea(20), us)).toBeCloseTo(awgArea(14), 12);
    expect(sizeFor(20, awgArea(20), full)).toBeCloseTo(awgArea(12), 12);
  });
  it('warm air and company take their share, as the tables print it', () => {
    // B.52.14, PVC: 0.87 at 40 °C; 310.15(B)(1): 0.82 at 40 °C in the 60 °C column, 0.88 in the 75 °C one.
    expect(ambientFactor(of('metric-230', { wiringAmbient: 40 }))).toBeCloseTo(0.87, 2);
    expect(ambientFactor(of('us-120', { wiringAmbient: 40 }))).toBeCloseTo(0.82, 2);
    expect(ambientFactor(of('us-120', { wiringAmbient: 40, ampacity: 'full' }))).toBeCloseTo(0.88, 2);
    expect([1, 2, 3, 9].map((grouped) => groupFactor(of('metric-230', { grouped })))).toEqual([1, 0.8, 0.7, 0.5]);
  });
  it('a firm’s own table is read in place of the common one, and corrected by the same air and company', () => {
    const copper = {
      source: 'our engineer',
      hottest: 90,
      rows: [
        { area: 1.5e-6, carries: 14 },
        { area: 4e-6, carries: 25 },
      ],
    };
    const own = (over: Partial<Station['settings']> = {}, profile: Station['profile'] = 'metric-230'): Station => {
      const s = of(profile, over);
      return { ...s, wiring: { ...s.wiring, copper } };
    };
    expect([1, 1.5, 2.5, 4, 10].map((mm2) => typicalAmpacity(mm2 * 1e-6, own()))).toEqual([0, 14, 14, 25, 25]);
    // √((90 − 45)/(90 − 30)) = 0.866; two bunched 0.8: 25 · 0.866 · 0.8 = 17.3.
    expect(typicalAmpacity(4e-6, own({ wiringAmbient: 45, grouped: 2 }))).toBe(17.3);
    expect(sourceOf(own())).toBe('our engineer, 90 °C');
    // What a code takes as the most that may guard AWG 14 is no matter of a firm's table.
    expect(guardedAt(awgArea(14), own({}, 'us-120'))).toBe(14);
    expect(guardedAt(awgArea(10), own({}, 'us-120'))).toBe(25);
    const generous = { ...copper, rows: [{ area: awgArea(14), carries: 25 }] };
    const us14 = of('us-120');
    expect(guardedAt(awgArea(14), { ...us14, wiring: { ...us14.wiring, copper: generous } })).toBe(15);
    const said = supplyFigures(own()).find((c) => c.id === 'size-motor')!;
    expect(sayPhrase(said.why, 'metric')).toContain('our engineer, 90 °C');
  });
  it('where the table ends below the guard no size is named, and the reason is not the drop', () => {
    const s = of('metric-230');
    const short = { source: 'our engineer', hottest: 70, rows: [{ area: 1.5e-6, carries: 5 }] };
    const own = { ...s, wiring: { ...s.wiring, copper: short } };
    expect(sizeFor(s.supply.breaker, 1.5e-6, own)).toBeNull();
    const why = (station: Station) =>
      sayPhrase(supplyFigures(station).find((c) => c.id === 'size-motor')!.why, 'metric');
    expect(why(own)).toMatch(/^No size sold carries .* by our engineer, 70 °C/);
    expect(why(own)).not.toMatch(/drop/);
    const far = { ...s, wiring: { ...s.wiring, feeder: { ...s.wiring.feeder, length: 3000 } } };
    expect(why(far)).toMatch(/too long or too thin/);
    const panel = panelOf(own);
    const sizes = panel.ok ? wireList(own, wire(own, panel.panel)).map((w) => w.size) : [];
    expect(sizes).toContain('no size sold carries it');
    expect(sizes).not.toContain('120 mm²');
  });
  it('a table begins as the common one, typed over from there', () => {
    const full = of('us-120', { ampacity: 'full', wiringAmbient: 40 });
    const table = ownTable(full);
    expect([table.hottest, table.rows.find((r) => r.area === awgArea(12))!.carries]).toEqual([75, 25]);
    const typed = { ...full, wiring: { ...full.wiring, copper: table } };
    for (const area of soldSizes('us-120')) expect(typicalAmpacity(area, typed)).toBe(typicalAmpacity(area, full));
  });
  it.each([
    [
      'metric-230',
      [
        ['size', 'A'],
        ['1,5', '14 A'],
        ['2.5 mm²', '18'],
      ],
      [1.5e-6, 14, 2.5e-6, 18],
    ],
    [
      'us-120',
      [
        ['1/0', '120'],
        ['#12', '20'],
        ['AWG 14', '15'],
      ],
      [awgArea(14), 15, awgArea(12), 20, awgArea(0), 120],
    ],
  ] as const)('reads a table as it is written at a %s station', (profile, rows, expected) => {
    const read = readCopperRows(rows, profile);
    expect(read.ok && read.rows.flatMap((r) => [r.area, r.carries])).toEqual(expected);
    expect(read.ok && readCopperRows(copperRows(read.rows, profile), profile)).toEqual(read);
  });
  it.each([
    [[], 'there are no figures here'],
    [[['13', '20']], 'row 1: “13, 20” is not a size (AWG 14, 1/0) and amperes'],
    [[['14', '0']], 'row 1: “14, 0” is not a size (AWG 14, 1/0) and amperes'],
    [
      [
        ['14', '20'],
        ['12', '15'],
      ],
      'AWG 12 after AWG 14: sizes go one way, each once, and more copper cannot carry less',
    ],
  ] as const)('%j: told', (rows, message) => {
    expect(readCopperRows(rows, 'us-120')).toEqual({ ok: false, problems: [message] });
  });
  it('never more for less copper, never more for warmer air', () => {
    fc.assert(
      fc.property(
        fc.constantFrom<Station['profile']>('metric-230', 'us-120'),
        fc.double({ min: 0.4e-6, max: 100e-6, noNaN: true }),
        fc.double({ min: -10, max: 50, noNaN: true }),
        (profile, area, wiringAmbient) => {
          const at = (a: number, more: number) =>
            typicalAmpacity(a, of(profile, { wiringAmbient: wiringAmbient + more }));
          expect(at(area, 0)).toBeGreaterThanOrEqual(at(area * 0.8, 0));
          expect(at(area, 5)).toBeLessThanOrEqual(at(area, 0));
        },
      ),
      { numRuns: 60 },
    );
  });
  it('suggests no power conductor below what the codes take as least, and says where its figures are from', () => {
    for (const s of [metric, us]) {
      const least = soldSizes(s.profile).find((a) => a >= (s === us ? awgArea(14) : 1.5e-6) * 0.99)!;
      const weak: Station = { ...s, supply: { ...s.supply, breaker: 2 } };
      const check = supplyFigures(weak).find((c) => c.id === 'size-motor')!;
      const said = sayPhrase(check.why, 'metric');
      expect(said).toContain(s === us ? 'AWG 14 is the least' : '1.5 mm² is the least');
      expect(said).toContain(s === us ? 'NFPA 70 table 310.16, 60 °C' : 'method B2');
      expect(least).toBeGreaterThan(1.4e-6);
    }
  });
});

describe('motors that start together when the power comes back', () => {
  const duplex = demoStations().find((d) => d.station.control.scheme === 'duplex')!.station;
  const drop = (s: Station) => supplyFigures(s).find((c) => c.id === 'drop-starting-1')!.has!.value;
  const at = (stagger: number | null): Station => ({
    ...duplex,
    control: { ...duplex.control, parts: { ...duplex.control.parts, stagger } },
  });
  it('the feeder carries the starts of both, by hand; with a wait one start and what the other runs at', () => {
    const [p] = duplex.pumps;
    const { wiring, supply } = duplex;
    const ohms = (run: { length: number; area: number }) =>
      Math.sqrt(3) *
      run.length *
      ((1.7241e-8 / run.area) * (1 + 0.00393 * (wiring.warmest - 20)) * 0.6 + 0.09e-3 * (supply.frequency / 50) * 0.8);
    const start = p!.ratedCurrent * p!.motor.starting;
    const by = (feeder: number) => (ohms(wiring.feeder) * feeder + ohms(wiring.motor) * start) / supply.voltage;
    expect(drop(at(null)) / by(2 * start)).toBeCloseTo(1, 6);
    expect(drop(at(10)) / by(start + duplex.pumps[1]!.ratedCurrent)).toBeCloseTo(1, 6);
  });
});
