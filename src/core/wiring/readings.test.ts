import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { panelOf } from '../schemes';
import { newStation, type Station } from '../station';
import { expectedReadings, energised, readingWords, solveWith, usualInputs, wire } from '.';

const wired = (s: Station) => {
  const made = panelOf(s);
  if (!made.ok) throw new Error(s.identity.name);
  return wire(s, made.panel);
};
const contactor = (): Station => {
  const s = newStation('a', 'b', 'metric-230');
  return { ...s, control: { ...s.control, scheme: 'contactor' } };
};

describe('readings in words', () => {
  it.each([
    [{ ok: true, value: 229.884, unit: 'V', toEarth: [0, 0], state: 'steady' }, '229.9 V', ''],
    [{ ok: true, value: 0.004, unit: 'V', toEarth: [0, 0], state: 'near-zero' }, '0.00 V', 'near zero'],
    [{ ok: true, value: -0.001, unit: 'V', toEarth: [0, 0], state: 'near-zero' }, '0.00 V', 'near zero'],
    [{ ok: true, value: -23.6, unit: 'V', toEarth: [0, 0], state: 'steady' }, '-23.6 V', ''],
    [{ ok: true, value: 43.8, unit: 'Ω', state: 'steady' }, '43.8 Ω', ''],
    [{ ok: true, value: 15400, unit: 'Ω', state: 'steady' }, '15.40 kΩ', ''],
    [{ ok: true, value: 48.2e6, unit: 'Ω', state: 'steady' }, '48.20 MΩ', ''],
    [{ ok: true, value: Infinity, unit: 'Ω', state: 'open' }, 'OL', 'open line'],
    [{ ok: true, value: 0.2, unit: 'Ω', state: 'beeps' }, '0.20 Ω', 'beeps'],
    [{ ok: true, value: Infinity, unit: 'Ω', state: 'silent' }, 'OL', 'does not beep'],
    [{ ok: true, value: 0.0046, unit: 'A', state: 'near-zero' }, '4.6 mA', 'near zero'],
    [{ ok: true, value: 4.21, unit: 'A', state: 'steady' }, '4.21 A', ''],
  ] as const)('%j shows %s', (reading, shown, means) => expect(readingWords(reading)).toEqual({ shown, means }));

  it('says what a ghost is, and why a reading is refused', () => {
    expect(readingWords({ ok: true, value: 63, unit: 'V', toEarth: [0, 0], state: 'ghost' }).means).toMatch(
      /low-impedance mode it is gone/,
    );
    const shown = { ok: true, unit: 'V' } as const;
    expect(readingWords({ ...shown, value: 115, state: 'ghost', toEarth: [230, 0], felt: 0.0012 }).means).toBe(
      'live: the red probe is on 230.0 V to earth; between the two a ghost, held up by capacitance or leakage only: in low-impedance mode it is gone; 1.2 mA can flow through a hand all the same: it is felt',
    );
    expect(readingWords({ ...shown, value: 0.01, state: 'equal', toEarth: [230, 229.9] }).means).toBe(
      'live: the red probe is on 230.0 V to earth, the black probe is on 229.9 V to earth; no difference between the two',
    );
    expect(readingWords({ ...shown, value: 0, state: 'blind', unseen: 24, toEarth: [0, 0] }).means).toBe(
      'voltage is there: 24.0 V of the kind that this mode does not show',
    );
    expect(
      readingWords({
        ...shown,
        value: 230,
        state: 'steady',
        toEarth: [230, 0],
        moves: [{ device: 'Q9', to: 'tripped' }],
        then: 0.1,
      }).means,
    ).toBe('230.0 V, and this load would trip Q9; after that it shows 0.10 V');
    expect(readingWords({ ok: false, reason: 'live', at: 'X2:1 – X2:2', volts: 229.9 })).toEqual({
      shown: 'live',
      means: expect.stringMatching(/X2:1 – X2:2 carries 229\.9 V.*Isolate, lock, prove dead/),
    });
    expect(readingWords({ ok: false, reason: 'no-such-point', at: 'X9:1' }).means).toMatch(/no point X9:1/);
    expect(readingWords({ ok: false, reason: 'no-such-conductor', at: 'W-x' }).means).toMatch(/no core W-x/);
  });
});

describe('what is live and on', () => {
  const w = wired(contactor());
  const of = (inputs = {}) => energised(w, solveWith(w, inputs));
  const right = (leaf: string) => w.panel.spans[leaf]![1];

  it('at rest the supply is live up to the open contacts, and nothing after them', () => {
    const { live, on } = of();
    expect(live.has('L1') && live.has('C')).toBe(true);
    expect(live.has('N')).toBe(false);
    expect(live.has(right('S-pump.NO'))).toBe(false);
    expect(on.has('K1.coil') || on.has('M1.U') || on.has('P2.load')).toBe(false);
    // The alarm’s own supply is there, and its relay that says so.
    expect(live.has('A') && on.has('K9.coil')).toBe(true);
  });
  it('called, the path to coil and motor is live and both are on', () => {
    const { live, on } = of({ 'S-pump': 'up' });
    expect(live.has(right('S-pump.NO'))).toBe(true);
    expect(on.has('K1.coil') && on.has('M1.U') && on.has('S-pump.NO')).toBe(true);
  });
  it('isolated, nothing of the pump is live, and the alarm still is', () => {
    const { live } = of({ Q0: 'off', 'S-pump': 'up' });
    expect(live.has('L1') || live.has('C')).toBe(false);
    expect(live.has('L1s') && live.has('A')).toBe(true);
  });
  it('without mains the alarm lives from its battery', () => {
    const { live, on } = of({ W9: 'cut', W0: 'cut' });
    expect(live.has('A')).toBe(true);
    expect(on.has('K9.coil')).toBe(false);
    expect(of({ W9: 'cut', W0: 'cut', GB: 'flat' }).live.size).toBe(0);
  });
  it('a loop outside is on while our contact closes it', () => {
    const s = demoStations().find((d) => d.file === 'cold-store-condensate.json')!.station;
    const cold = wired(s);
    expect(energised(cold, solveWith(cold, {})).on.has('U41.load')).toBe(true);
    expect(energised(cold, solveWith(cold, { 'S-cutoff': 'up' })).on.has('U41.load')).toBe(false);
  });
});

describe('expected readings', () => {
  it('every demo station: each input from outside and each switch has one, and resting differs from worked', () => {
    for (const { station, file } of demoStations()) {
      const w = wired(station);
      const rows = expectedReadings(w, usualInputs(station, w));
      const inputs = w.panel.devices.filter((d) => d.sensor !== undefined);
      expect([file, [...new Set(rows.map((r) => r.device))]]).toEqual([
        file,
        expect.arrayContaining(inputs.map((d) => d.tag)),
      ]);
      for (const r of rows) {
        if (!r.rest.ok || !r.worked.ok) throw new Error(`${file} ${r.device}`);
        const [low, high] = [r.rest.value, r.worked.value].map(Math.abs).sort((a, b) => a - b);
        // In series with another switch that is open it reads nothing either way: the whole voltage is over that one.
        const beside = w.panel.rungs.find((rung) => JSON.stringify(rung.tree).includes(`"${r.device}.`))!;
        const inSeries = inputs.filter((d) => JSON.stringify(beside.tree).includes(`"${d.tag}.`)).length > 1;
        expect([file, r.device, (high! > 5 && low! < 0.1 * high!) || (inSeries && high! < 0.5)]).toEqual([
          file,
          r.device,
          true,
        ]);
      }
    }
  });
  it('with inputs given: with the float up it is the worked reading that shows', () => {
    const w = wired(contactor());
    const [rest, up] = [expectedReadings(w), expectedReadings(w, { 'S-pump': 'up' })].map((rows) =>
      rows.find((r) => r.device === 'S-pump')!,
    );
    expect(up!.rest).toEqual(rest!.worked);
  });
});
