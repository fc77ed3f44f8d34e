import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { between, read, settle, size, solve, structureOf } from '../circuit';
import { demoStations } from '../demo';
import { sensorTrips } from '../levels';
import { panelOf, SCHEMES, type Panel } from '../schemes';
import { coloursOf } from '../schemes/colours';
import { newStation, type Station } from '../station';
import { sayPhrase } from '../units';
import {
  asLanded,
  awgArea,
  boxChecks,
  cableList,
  cableRows,
  cautions,
  controlFigures,
  coreResistance,
  expectedReadings,
  faultLoop,
  floatsAt,
  holdingCapacitance,
  outcomesOf,
  partRows,
  partsList,
  inputProblems,
  reasonFor,
  sizeName,
  solveWith,
  panelSolver,
  supplyFigures,
  voltageDrop,
  wire,
  wireList,
  wireRows,
} from '.';

const demo = (file: string): Station => demoStations().find((d) => d.file === file)!.station;
const underpass = demo('underpass-storm-sump.json');
const cold = demo('cold-store-condensate.json');
const built = (s: Station): Panel => {
  const made = panelOf(s);
  if (!made.ok) throw new Error(made.reasons.map((r) => sayPhrase(r, 'metric')).join());
  return made.panel;
};
const wired = (s: Station) => wire(s, built(s));
const plain = (scheme: string, options: Record<string, string> = {}): Station => {
  const s = newStation('a', 'b', 'metric-230');
  return { ...s, control: { ...s.control, scheme, options } };
};

type Landings = Station['landings'];
const landed = (s: Station, cores: Landings['cores'], links: Landings['links'] = []) =>
  asLanded({ ...s, landings: { cores, links } }, built(s));
/** Where a core sits by design. */
const seat = (s: Station, core: string): string => built(s).cores.find((c) => c.id === core)!.terminal!;
const tells = (report: ReturnType<typeof asLanded>) => report.effects.map((e) => `${e.sentence} (${e.when})`);

describe('as landed', () => {
  it('a station as designed differs in nothing, with every scheme that fits', () => {
    for (const { station } of demoStations())
      for (const { id } of SCHEMES) {
        const made = panelOf(station, id);
        if (made.ok)
          expect(asLanded({ ...station, landings: { cores: [], links: [] } }, made.panel)).toEqual({
            differences: [],
            effects: [],
            strays: [],
          });
      }
  });

  it('a float that breaks the neutral: the motor stays live when off, and it says never to', () => {
    const s = plain('cord', { join: 'box' });
    const [line, neutral, middle] = [seat(s, 'W-pump/brown'), seat(s, 'W-pump1/blue'), seat(s, 'W-pump/black')];
    const report = landed(s, [
      { core: 'W-pump1/brown', to: line },
      { core: 'W-pump/brown', to: neutral },
      { core: 'W-pump1/blue', to: middle },
    ]);
    expect(report.differences).toHaveLength(3);
    expect(tells(report)).toEqual([
      expect.stringMatching(
        /^pump 1 stands and stays live when off.*Never switch the neutral.*\(with all floats hanging\)$/,
      ),
    ]);
    expect(report.effects[0]!.severity).toBe('danger');
    // By hand: the float is open in the neutral, so the whole motor is at the line's 230 V.
    const w = wire(
      {
        ...s,
        landings: {
          cores: [
            { core: 'W-pump1/brown', to: line },
            { core: 'W-pump/brown', to: neutral },
            { core: 'W-pump1/blue', to: middle },
          ],
          links: [],
        },
      },
      built(s),
    );
    expect(size(between(solveWith(w, {}).solution, 'M1:V', '0', 'ac'))).toBeCloseTo(230, 0);
  });

  it('line and neutral swapped at the incoming terminals: live when off', () => {
    const s = plain('contactor');
    const report = landed(s, [
      { core: 'W-supply/brown', to: seat(s, 'W-supply/blue') },
      { core: 'W-supply/blue', to: seat(s, 'W-supply/brown') },
    ]);
    expect(tells(report)).toEqual(
      expect.arrayContaining([expect.stringMatching(/pump 1 stands and stays live when off/)]),
    );
  });

  it('a missing earth, at the feeder or at the pump', () => {
    const s = plain('contactor');
    const frame = expect.stringMatching(/frame of pump 1 is not earthed.*nothing opens \(always\)/) as string;
    const core = (name: string) =>
      expect.stringMatching(new RegExp(`earth core of the ${name} is not on the earth bar`)) as string;
    expect(tells(landed(s, [{ core: 'W-pump1/green-yellow', to: null }]))).toEqual([frame, core('cable to pump 1')]);
    // The alarm’s own supply brings an earth too: the frame is held by that, and it is told all the same.
    expect(tells(landed(s, [{ core: 'W-supply/green-yellow', to: null }]))).toEqual([core('feeder from the board')]);
    const one = { ...s, alarm: { ...s.alarm, ownSupply: false } };
    expect(tells(landed(one, [{ core: 'W-supply/green-yellow', to: null }]))).toEqual([
      frame,
      core('feeder from the board'),
    ]);
  });

  it('a supply missing a leg: neither pump runs, in so many words; the overload opens if one is running', () => {
    const report = landed(underpass, [{ core: 'W-supply/black', to: null }]);
    expect(report.differences[0]!.what).toMatch(/black core of the cable that feeds the panel, L2: hangs loose/);
    expect(tells(report)).toEqual(
      expect.arrayContaining([
        expect.stringMatching(/^pump 1 never runs/),
        expect.stringMatching(/^pump 2 never runs/),
      ]),
    );
  });

  it('the link left in with four floats: the alarm acts at the lag', () => {
    const report = landed(underpass, [], [{ a: 'X2:LAG', b: 'X2:HIGH', fitted: true }]);
    expect(report.differences[0]!.what).toBe('a link from X2:LAG to X2:HIGH that the design does not have');
    expect(tells(report)).toEqual(
      expect.arrayContaining([
        expect.stringMatching(/^the horn sounds, though by design the horn is quiet \(with lag float lifted\)$/),
        expect.stringMatching(/^the lag pump is called, though by design.*\(with alarm float lifted\)$/),
      ]),
    );
  });

  it('the link missing with three floats: the lag is never called', () => {
    const s: Station = {
      ...underpass,
      sensors: underpass.sensors.filter((f) => f.role !== 'lag'),
      control: { ...underpass.control, floats: 'three' },
    };
    const report = landed(s, [], [{ a: 'X2:LAG', b: 'X2:HIGH', fitted: false }]);
    expect(tells(report)).toEqual(expect.arrayContaining([expect.stringMatching(/^the lag is never called/)]));
  });

  it('the remote contact on the wrong pair: told when all is well, and not when it floods', () => {
    const spare = built(underpass).terminals.find((t) => t.net === 'H3')!.id;
    const report = landed(underpass, [{ core: 'W-remote/black', to: spare }]);
    expect(tells(report)).toEqual(
      expect.arrayContaining([
        expect.stringMatching(/^the dialler is not told, though by design the dialler is told/),
        expect.stringMatching(/^the dialler is told, though by design.*\(with all floats hanging\)$/),
      ]),
    );
    expect(tells(landed(underpass, [{ core: 'W-remote/black', to: null }]))).toEqual([
      expect.stringMatching(/^dialler is never told: the alarm never reports/),
    ]);
  });

  it('the cut-off pair not used, its circuit bridged: the cut-off has no effect', () => {
    const [a, b] = [seat(cold, 'W-cut-1/black'), seat(cold, 'W-cut-1/white')];
    expect(tells(landed(cold, [{ core: 'W-cut-1/white', to: a }]))).toEqual([
      expect.stringMatching(
        /^the cut-off has no effect: cold store coils may run however high the water is \(with .*cut-off float lifted.*\)$/,
      ),
    ]);
    expect(tells(landed(cold, [], [{ a, b, fitted: true }]))).toEqual([expect.stringMatching(/cut-off has no effect/)]);
  });

  it('the wrong core of the changeover: the appliance runs just when it should not', () => {
    const s: Station = {
      ...cold,
      interlocks: [{ kind: 'cutoff', name: 'coils', acts: 'low-voltage', volts: 24, amps: 0.4, warns: false }],
      sensors: cold.sensors.map((f) => (f.role === 'cutoff' ? { ...f, contact: 'opens-on-rise' as const } : f)),
    };
    const cores = built(s).cores.filter((c) => c.cable === 'W-cutoff');
    const used = cores.find((c) => c.pin.endsWith(':NC'))!;
    const spare = cores.find((c) => c.pin.endsWith(':NO'))!;
    expect(spare.terminal).toBeNull();
    const report = landed(s, [
      { core: used.id, to: null },
      { core: spare.id, to: used.terminal },
    ]);
    expect(tells(report)).toEqual([
      expect.stringMatching(/^coils is stopped, though by design coils may run \(with all floats hanging\)/),
      expect.stringMatching(/^coils may run, though by design coils is stopped \(with .*cut-off float lifted.*\)/),
    ]);
  });

  it('a short opens the breaker and says so', () => {
    const report = landed(
      plain('contactor'),
      [],
      [{ a: seat(plain('contactor'), 'W-pump1/brown'), b: seat(plain('contactor'), 'W-pump1/blue'), fitted: true }],
    );
    expect(tells(report)).toEqual(
      expect.arrayContaining([expect.stringMatching(/^Q1 opens \(guards pump 1\): too much current flows/)]),
    );
  });

  it('plugs swapped: the pump in the receptacle never stops', () => {
    const s = plain('cord');
    const report = landed(s, [
      { core: 'W-pump1/brown', to: 'R:L' },
      { core: 'W-pump1/blue', to: 'R:N' },
      { core: 'W-pump1/green-yellow', to: 'R:PE' },
    ]);
    expect(tells(report)).toEqual([expect.stringMatching(/^pump 1 never stops/)]);
  });

  it('keeps and tells what it has no place for: cores, terminals and links of another scheme', () => {
    const s: Station = {
      ...plain('contactor'),
      landings: {
        cores: [
          { core: 'W-lag/brown', to: 'X2:9' },
          { core: 'W-pump/brown', to: 'X9:1' },
        ],
        links: [{ a: 'X2:LAG', b: 'X2:HIGH', fitted: true }],
      },
    };
    const report = asLanded(s, built(s));
    expect(report.differences).toEqual([]);
    expect(report.strays).toEqual([
      expect.stringMatching(/W-lag\/brown on X2:9: this panel has no such core/),
      expect.stringMatching(/on X9:1: this panel has no such terminal/),
      expect.stringMatching(/link X2:HIGH – X2:LAG.*no terminal/),
    ]);
  });

  it('a difference anywhere never throws, and is told as one', () => {
    const panel = built(underpass);
    const [cores, terminals] = [panel.cores.map((c) => c.id), panel.terminals.map((t) => t.id)];
    fc.assert(
      fc.property(fc.constantFrom(...cores), fc.constantFrom(null, ...terminals), (core, to) => {
        fc.pre(to !== panel.cores.find((c) => c.id === core)!.terminal);
        expect(landed(underpass, [{ core, to }]).differences).toHaveLength(1);
      }),
      { numRuns: 15 },
    );
  });
});

describe('the meter on a panel', () => {
  const w = wired(underpass);
  const at = (p: string) => w.points.get(p)!;
  const lead = built(underpass)
    .cores.filter((c) => c.cable === 'W-lead')
    .map((c) => c.terminal!);

  it('an open input with supply behind it shows full control voltage, a closed one near zero', () => {
    const rows = expectedReadings(w);
    const row = rows.find((r) => r.device === 'S-alarm')!;
    // 400/√3 V, and a little more: the coil and the capacitance of the cord are in series.
    expect(row.rest).toMatchObject({ ok: true, state: 'steady' });
    expect(row.rest.ok && row.rest.value / (400 / Math.sqrt(3))).toBeCloseTo(1, 1);
    // Nothing between the terminals of a closed contact, and both of them are live.
    expect(row.worked).toMatchObject({ ok: true, value: expect.closeTo(0, 0), state: 'equal' });
    expect(rows.map((r) => r.device)).toEqual(expect.arrayContaining(['S-stop', 'S-lead', 'S-lag', 'S-alarm']));
  });
  it('a core that hangs loose shows near zero or a ghost, never a steady voltage', () => {
    const loose = wire(
      { ...underpass, landings: { cores: [{ core: 'W-lead/black', to: null }], links: [] } },
      built(underpass),
    );
    const reading = read(loose.structure, solveWith(loose, {}).states, 'S-lead:NO', at('X1:PE'), 'ac-volts');
    expect(reading.ok && reading.state).toMatch(/ghost|near-zero/);
  });
  it('reads ohms only when it is dead', () => {
    const states = solveWith(w, {}).states;
    expect(read(w.structure, states, at(lead[0]!), at(lead[1]!), 'ohms')).toMatchObject({ ok: false, reason: 'live' });
    const off = solveWith(w, { Q0: 'off' }).states;
    expect(read(w.structure, off, at('M1:U'), at('M1:V'), 'ohms')).toMatchObject({ ok: true });
    // Copper of two windings of the star in series: a tenth of their impedance as they run, 2 · 0.1 · 231/4.9 Ω.
    const reading = read(w.structure, off, at('M1:U'), at('M1:V'), 'ohms');
    expect(reading.ok && reading.value).toBeCloseTo(9.43, 1);
  });
});

describe('what holds a coil in, and what stops it', () => {
  const w = wired(underpass);
  it('names the closed contacts to the coil, or the open ones', () => {
    const called = settle(w.structure, { ...w.states, 'S-stop': 'up', 'S-lead': 'up' });
    const held = reasonFor(w, called, 'K1.coil')!;
    expect(held.held).toBe(true);
    expect(held.elements).toEqual(expect.arrayContaining(['K1.coil']));
    expect(held.elements.some((e) => e.startsWith('S11.'))).toBe(true);
    // Others that hang on the same wires have no part in it.
    expect(held.elements).not.toContain('S-stop.NO');
    expect(held.elements).toEqual(expect.arrayContaining(['F1.1-2']));
    const rest = reasonFor(w, solveWith(w, {}), 'K3C.coil')!;
    expect(rest).toMatchObject({ held: false, elements: expect.arrayContaining(['S-stop.NO', 'S-lead.NO']) });
  });
  it('follows the break back through the rungs that feed it', () => {
    const off = solveWith(w, { F1: 'off', 'S-stop': 'up', 'S-lead': 'up' });
    const reason = reasonFor(w, off, 'K3C.coil')!;
    expect(reason).toMatchObject({ held: false, elements: ['F1.1-2'] });
    expect(reason.rungs.length).toBeGreaterThan(1);
    expect(reasonFor(w, off, 'K77.coil')).toBeNull();
  });
});

describe('figures of the wiring', () => {
  it('AWG areas are those of the standard’s table', () => {
    // ASTM B258: AWG 14 is 2.08 mm², 12 is 3.31, 10 is 5.26, 1/0 is 53.5, 4/0 is 107.
    for (const [gauge, mm2] of [
      [14, 2.08],
      [12, 3.31],
      [10, 5.26],
      [0, 53.5],
      [-3, 107],
    ] as const)
      expect(awgArea(gauge) * 1e6).toBeCloseTo(mm2, mm2 > 10 ? 0 : 2);
    expect([
      sizeName(awgArea(12), 'us-120'),
      sizeName(awgArea(-1), 'us-120'),
      sizeName(2.5e-6, 'metric-230'),
      sizeName(7e-6, 'us-120'),
    ]).toEqual(['AWG 12', 'AWG 2/0', '2.5 mm²', '7 mm²']);
  });
  it('100 m of 1.5 mm² are 1.149 Ω at 20 °C, and 15.7 % more at 60 °C', () => {
    expect(coreResistance(100, 1.5e-6, 20)).toBeCloseTo(1.1494, 3);
    expect(coreResistance(100, 1.5e-6, 60) / coreResistance(100, 1.5e-6, 20)).toBeCloseTo(1.1572, 4);
  });
  it('drop and fault loop of a circuit worked by hand', () => {
    const s = newStation('a', 'b', 'metric-230');
    // 15 m of 2.5 and 8 m of 1.5 mm² at 60 °C: 2 · (0.1197 + 0.1064) Ω; 4.2 A at 0.8; reactance 2 · 23 m · 0.09 mΩ/m.
    const r = 2 * ((1.7241e-8 * 15) / 2.5e-6 + (1.7241e-8 * 8) / 1.5e-6) * 1.1572;
    expect(voltageDrop(s, 4.2, 0.8)).toBeCloseTo((4.2 * (r * 0.8 + 2 * 23 * 0.09e-3 * 0.6)) / 230, 5);
    // A fault comes to conductors that are warm.
    expect(faultLoop(s)).toBeCloseTo(Math.hypot(0.6 + r, 2 * 23 * 0.09e-3), 5);
  });
  it('the drop agrees with the solved circuit to a few percent', () => {
    const s = {
      ...plain('contactor'),
      wiring: { ...plain('contactor').wiring, warmest: 20, feeder: { length: 80, area: 2.5e-6, carries: 20 } },
    };
    const w = wired(s);
    const up = solveWith(w, { 'S-pump': 'up' });
    const lost = size(between(up.solution, 'W0:L1', 'W0:N', 'ac')) - size(between(up.solution, 'M1:U', 'M1:V', 'ac'));
    expect(lost / 230 / voltageDrop(s, s.pumps[0]!.ratedCurrent, 0.8)).toBeCloseTo(1, 1);
  });
  it('names the least size: by hand, 100 m and 20 A at 5 % of 230 V want 6 mm²', () => {
    // 2 · 100 m · 0.01995 Ω·mm²/m at 60 °C · 20 A · 0.8 / 11.5 V = 5.55 mm² for the feeder, a short thick cable at its end.
    const s = newStation('a', 'b', 'metric-230');
    const long = {
      ...s,
      supply: { ...s.supply, breaker: 25 },
      pumps: [{ ...s.pumps[0]!, ratedCurrent: 20, motor: { ...s.pumps[0]!.motor, starting: 2 } }],
      wiring: {
        ...s.wiring,
        feeder: { length: 100, area: 2.5e-6, carries: 25 },
        motor: { length: 1, area: 25e-6, carries: 80 },
      },
    };
    const says = (station: Station, run: string) =>
      sayPhrase(supplyFigures(station).find((c) => c.id === `size-${run}`)!.why, 'metric');
    expect(says(long, 'feeder')).toMatch(/^6 mm² is the least.*2\.5 mm² is laid/);
    expect(says(long, 'motor')).toMatch(/No size of pump cable alone/);
  });
  it('judges: a long thin feeder drops too much and lets no fault open the breaker', () => {
    const s = newStation('a', 'b', 'metric-230');
    const state = (station: Station) => Object.fromEntries(supplyFigures(station).map((c) => [c.id, c.state]));
    expect(state(s)).toMatchObject({
      'drop-running-1': 'holds',
      'feeder-carries': 'holds',
      'motor-carries': 'holds',
      breaker: 'holds',
    });
    const bad = { ...s, wiring: { ...s.wiring, feeder: { length: 200, area: 1e-6, carries: 3 } } };
    expect(state(bad)).toMatchObject({
      'drop-running-1': 'broken',
      'drop-starting-1': 'broken',
      'feeder-carries': 'broken',
      'fault-current': 'broken',
    });
  });
  it('holds the overload relay against what the pump draws at its flow, and says what it does not see', () => {
    const s = plain('contactor');
    const found = (station: Station) => supplyFigures(station).find((c) => c.id === 'overload-1')!;
    expect(found(s)).toMatchObject({ state: 'holds', needs: { value: s.pumps[0]!.ratedCurrent } });
    expect(sayPhrase(found(s).why, 'metric')).toMatch(/By an assumed power curve\. Shut off it draws .* sees neither/);
    // By hand: 900 W at every flow, on 230 V, beside what magnetises: 4.2 A · sin φ at cos φ = 0.8.
    const power = [0, 1e-3, 4e-3].map((flow, i) => ({ flow, power: 900 + i }));
    const hungry = { ...s, pumps: s.pumps.map((p) => ({ ...p, power })) };
    expect(found(hungry)).toMatchObject({ state: 'broken' });
    expect(found(hungry).has!.value).toBeCloseTo(Math.hypot(900 / 230, 4.2 * 0.6), 1);
    expect(sayPhrase(found(hungry).why, 'metric')).not.toMatch(/assumed/);
    // Past the last point of its curve nobody knows what it draws: then nothing holds.
    const past = { ...s, discharge: { ...s.discharge, outlet: -3 } };
    expect(found(past)).toMatchObject({ state: 'note', has: null });
    expect(sayPhrase(found(past).why, 'metric')).toMatch(/past the last point of its curve/);
    // On a cord there is no relay to set.
    expect(supplyFigures(plain('cord')).some((c) => c.id === 'overload-1')).toBe(false);
  });
  it('judges what guards what: the feeder and its breaker, a start against the breaker’s magnet and its heat, least sizes', () => {
    const s = plain('contactor');
    const states = (station: Station) => Object.fromEntries(supplyFigures(station).map((c) => [c.id, c.state]));
    const good = {
      'feeder-guarded': 'holds',
      'feeder-breaker': 'holds',
      'start-magnet-1': 'holds',
      'start-heat-1': 'holds',
    };
    expect(states(s)).toMatchObject(good);
    expect(Object.keys(states(s)).filter((id) => id.startsWith('least-'))).toEqual([]);
    // 32 A in front of a cable for 21 A; 3 A behind which 4.2 A run.
    expect(states({ ...s, supply: { ...s.supply, feederBreaker: 32 } })).toMatchObject({ 'feeder-guarded': 'broken' });
    expect(states({ ...s, supply: { ...s.supply, feederBreaker: 3 } })).toMatchObject({ 'feeder-breaker': 'broken' });
    // A breaker of 6 A that surely acts at 5 times, 30 A, may at 15 A; 4.2 A · 5 start.
    const quick = { ...s, supply: { ...s.supply, breaker: 6, breakerTrips: 5 } };
    expect(states(quick)).toMatchObject({ 'start-magnet-1': 'broken' });
    // Where no overload relay is, none is spoken of.
    const cord = supplyFigures(plain('cord')).find((c) => c.id === 'start-heat-1')!;
    expect(sayPhrase(cord.why, 'metric')).not.toMatch(/overload/);
    expect(sayPhrase(supplyFigures(s).find((c) => c.id === 'start-heat-1')!.why, 'metric')).toMatch(/class 10/);
    // A motor that starts at fifteen times its current, in a class that opens too soon.
    const pumps = s.pumps.map((p) => ({ ...p, motor: { ...p.motor, starting: 15, overloadClass: 5 as const } }));
    expect(states({ ...s, pumps })).toMatchObject({ 'start-heat-1': 'broken' });
    // The cord: its breaker at the board is the pump’s.
    expect(states({ ...plain('cord'), supply: { ...s.supply, breaker: 32 } })).toMatchObject({
      'feeder-guarded': 'broken',
    });
    const us = newStation('a', 'b', 'us-120');
    const thin = { ...us, wiring: { ...us.wiring, motor: { length: 5, area: 1.31e-6, carries: 13 } } };
    expect(states(thin)).toMatchObject({ 'least-motor': 'broken' });
  });
  it('the greatest safe float run: at that length the solved circuit still lets go, a little over it does not', () => {
    const s = plain('contactor');
    const with_ = (length: number) => ({
      ...s,
      wiring: { ...s.wiring, field: { ...s.wiring.field, length: length - 10 } },
      sensors: s.sensors.map((f) => ({ ...f, cordLength: 10 })),
    });
    const two = (length: number): Station => ({
      ...with_(length),
      sensors: ['stop', 'lead', 'alarm'].map((role) => ({
        ...s.sensors[1]!,
        id: role,
        role: role as 'stop',
        cordLength: 10,
      })),
    });
    const check = controlFigures(two(30), wired(two(30))).find((c) => c.id === 'run-S-stop')!;
    const longest = check.has!.value;
    const k2 = (length: number) => {
      const w = wired(two(length));
      const called = settle(w.structure, { ...w.states, 'S-stop': 'up', 'S-lead': 'up' });
      expect(called.states.K2).toBe('on');
      return settle(w.structure, { ...called.states, 'S-lead': 'down', 'S-stop': 'down' }).states.K2;
    };
    expect([k2(longest * 0.97), k2(longest * 1.05)]).toEqual(['off', 'on']);
    expect(longest).toBeGreaterThan(100);
    expect(holdingCapacitance(230, 231, { r: 100, x: 100 }, 50)).toBeGreaterThan(0);
    expect(holdingCapacitance(230, 500, { r: 100, x: 10 }, 50)).toBe(Infinity);
  });
  it('contact duty is what flows: the motor’s current in the cord, milliamps at a relay', () => {
    const duty = (s: Station) => controlFigures(s, wired(s)).find((c) => c.id === 'contact-pump')!;
    // By the loop the motor sees a little less than 230 V, so a little less than its rated current.
    expect(duty(plain('cord')).has!.value / plain('cord').pumps[0]!.ratedCurrent).toBeGreaterThan(0.97);
    expect(duty(plain('contactor')).has!.value).toBeLessThan(0.1);
    const weak = plain('cord');
    expect(
      duty({
        ...weak,
        sensors: weak.sensors.map((f) => ({ ...f, contactRating: 5 })),
        pumps: [{ ...weak.pumps[0]!, ratedCurrent: 4.9 }],
      }).state,
    ).toBe('holds');
  });
  it('budgets, leaks and kinds of breaker are told where they apply', () => {
    const ssr = plain('relay', { switch: 'ssr', low: 'dc' });
    const ids = controlFigures(ssr, wired(ssr)).map((c) => `${c.id} ${c.state}`);
    expect(ids).toEqual(
      expect.arrayContaining([
        expect.stringMatching(/^leak-K1.1 note/),
        expect.stringMatching(/^kind-F2 note/),
        expect.stringMatching(/^budget-G1 holds/),
        expect.stringMatching(/^budget-G2 holds/),
      ]),
    );
    const ac = plain('relay', { low: 'ac' });
    expect(controlFigures(ac, wired(ac)).map((c) => c.id)).not.toContain('kind-F2');
  });
  it('boxes: each fault of them is told with its reason', () => {
    const s = newStation('a', 'b', 'metric-230');
    expect(boxChecks(s).every((c) => c.state === 'holds')).toBe(true);
    const bad = boxChecks({
      ...s,
      enclosure: {
        place: 'in-the-pit',
        conduit: 'straight',
        splices: 'below-flood',
        dripLoops: false,
        glands: false,
        lockable: false,
      },
    });
    expect(bad.every((c) => c.state === 'broken')).toBe(true);
    expect(sayPhrase(bad[1]!.why, 'metric')).toMatch(/gas that burns/);
  });
  it('cautions: two supplies in one box, a drive’s charge, and never that it complies', () => {
    const says = (s: Station) =>
      cautions(s, built(s))
        .map((c) => c.sentence)
        .join(' ');
    expect(says(cold)).toMatch(/supply.*low-voltage call of cold store coils/);
    expect(says(demo('rain-cistern.json'))).toMatch(/deadly charge/);
    expect(says(underpass)).toMatch(/Isolate, lock, prove dead/);
    expect(says(underpass)).not.toMatch(/compl(y|ies)/);
  });
});

describe('lists', () => {
  it('every element’s ends are reached by wires: the list joins just what the circuit joins', () => {
    for (const file of ['underpass-storm-sump.json', 'lodge-grinder-well.json', 'cold-store-condensate.json']) {
      const s = demo(file);
      const w = wired(s);
      const wires = wireList(s, w).filter((x) => x.where === 'panel');
      const joined = new Map<string, string>();
      const root = (p: string): string => (joined.has(p) && joined.get(p) !== p ? root(joined.get(p)!) : p);
      for (const { from, to } of wires) joined.set(root(from), root(to));
      const pins = [...Object.entries(w.panel.pinNets), ...w.panel.terminals.map((t) => [t.id, t.net] as const)];
      for (const [p, net] of pins)
        for (const [q, other] of pins) if (p < q) expect([p, q, root(p) === root(q)]).toEqual([p, q, net === other]);
    }
  });
  it('cables carry every core with its colour; spare ones are capped', () => {
    const cables = cableList(cold, wired(cold));
    const cut = cables.find((c) => c.id === 'W-cutoff')!;
    expect(cut.cores.map((c) => c.colour)).toEqual(['black', 'white', 'red']);
    expect(cut.cores.filter((c) => c.terminal === null)).toHaveLength(1);
    expect(cableRows(cables).flat()).toContain('capped');
  });
  it('a cable’s neutral core is in the neutral’s colour, and no other core is', () => {
    let neutrals = 0;
    for (const { file, station } of demoStations()) {
      const w = wired(station);
      const netOf = new Map(w.panel.terminals.map((t) => [t.id, t.net]));
      const { neutral } = coloursOf(station);
      for (const { id, cores } of cableList(station, w)) {
        const carried = cores.filter((c) => c.terminal !== null && netOf.get(c.terminal) === 'N');
        neutrals += carried.length;
        // A cable without one may use the colour: extra-low voltage has no neutral to be mistaken for.
        if (carried.length > 0)
          expect([file, id, cores.filter((c) => c.terminal !== null && c.colour === neutral)]).toEqual([
            file,
            id,
            carried,
          ]);
      }
    }
    expect(neutrals).toBeGreaterThan(3);
  });
  it('every wire in the panel is as large as what guards it asks, from the source to the load', () => {
    // By hand: a 230 V sump behind a 25 A breaker. 4 mm² is the least that typically carries 25 A; control behind a 4 A fuse takes the least there is.
    const big = { ...plain('contactor'), supply: { ...plain('contactor').supply, breaker: 25, feederBreaker: 25 } };
    const inside = wireList(big, wired(big)).filter((x) => x.where === 'panel');
    const of = (from: RegExp, to: RegExp) =>
      inside.filter((x) => (from.test(x.from) && to.test(x.to)) || (from.test(x.to) && to.test(x.from)));
    for (const wire of [...of(/^Q1:/, /^K1:/), ...of(/^K1:[1-6]$/, /^(F1|X1|M1)/)]) expect(wire.size).toBe('4 mm²');
    expect(of(/^Q1:/, /^K1:/).length).toBeGreaterThan(0);
    const coil = inside.filter((x) => /^K1:A[12]$/.test(x.to) || /^K1:A[12]$/.test(x.from));
    expect(coil.length).toBeGreaterThan(0);
    for (const wire of coil) expect(wire.size).toBe('1 mm²');
    // 120 V behind 20 A: 12 AWG, whatever 14 would carry.
    const us = { ...newStation('a', 'b', 'us-120'), control: plain('contactor').control };
    const home = { ...us, supply: { ...us.supply, breaker: 20, feederBreaker: 20 } };
    const wires = wireList(home, wired(home)).filter((x) => x.where === 'panel');
    expect(wires.find((x) => /^Q1:/.test(x.from) && /^K1:/.test(x.to))!.size).toBe('AWG 12');
    expect(new Set(wires.map((x) => x.size)).has('AWG 14') || wires.some((x) => x.size === 'AWG 16')).toBe(true);
  });
  it('a wire that others feed from the mains has no size of ours: what guards it is not known here', () => {
    const s: Station = {
      ...plain('contactor'),
      interlocks: [{ kind: 'cutoff', name: 'washer', acts: 'live', volts: 230, amps: 6, warns: false }],
    };
    const w = wired(s);
    const foreign = new Set(w.panel.circuits.filter((c) => c.function === 'others' && !c.low).map((c) => c.id));
    const nets = new Set(w.panel.terminals.filter((t) => foreign.has(t.circuit)).map((t) => t.net));
    expect(nets.size).toBeGreaterThan(0);
    const theirs = wireList(s, w).filter((x) => x.where === 'panel' && nets.has(x.number));
    expect(theirs.length).toBeGreaterThan(0);
    expect(new Set(theirs.map((x) => x.size))).toEqual(new Set(['as its own circuit is guarded']));
  });
  it('main poles are 1-2, 3-4, 5-6, auxiliaries 13-14, 21-22', () => {
    const { panel } = wired(underpass);
    for (const tag of ['K1', 'K2']) {
      const pins = Object.values(panel.devices.find((d) => d.tag === tag)!.elements).map((e) => e.pins.join('-'));
      expect(pins).toEqual(expect.arrayContaining(['1-2', '3-4', '5-6']));
      for (const p of pins.filter((x) => !['A1-A2', '1-2', '3-4', '5-6'].includes(x)))
        expect(p).toMatch(/^(1[34]-14|2[13]-2[24]|\d3-\d4|\d1-\d2)$/);
    }
    expect(panel.spans['M1.U']![0]).toBe(panel.pinNets['F11:2'] ?? panel.spans['M1.U']![0]);
  });
  it('mains is never in a colour of extra-low voltage', () => {
    for (const { station } of demoStations()) {
      const w = wired(station);
      const circuits = new Map(
        w.panel.terminals.map((t) => [t.net, w.panel.circuits.find((c) => c.id === t.circuit)!]),
      );
      const painted = (low: boolean) =>
        new Set(
          wireList(station, w)
            .filter((x) => x.where === 'panel' && circuits.get(x.number)?.low === low && !w.panel.wires[x.number])
            .filter((x) => circuits.get(x.number)!.function !== 'others')
            .map((x) => x.colour),
        );
      const [low, mains] = [painted(true), painted(false)];
      expect([...low].filter((c) => mains.has(c))).toEqual([]);
    }
  });
  it('parts with quantities: one contactor a pump, a terminal for each place on the strips', () => {
    const w = wired(underpass);
    const parts = partsList(underpass, w);
    expect(parts.find((p) => p.description.startsWith('contactor'))).toMatchObject({ quantity: 2, tags: ['K1', 'K2'] });
    const terminals = parts.filter((p) => p.kind === 'terminal');
    expect(terminals.reduce((sum, p) => sum + p.quantity, 0)).toBe(w.panel.terminals.length);
    for (const t of terminals)
      expect(t.description).toMatch(/^(earth terminal, to \d+(\.5)? mm²|terminal, to \d+(\.5)? mm², \d+ A)$/);
    // Motors of 4.9 A: the smallest contactor that is made; what breaks a short breaks that of this supply.
    expect(parts.find((p) => p.description.startsWith('contactor'))!.description).toMatch(/^contactor, 9 A AC-3, coil/);
    expect(parts.find((p) => p.tags.includes('Q1'))!.description).toMatch(
      /^circuit breaker, 3 poles, \d+ A, breaks \d/,
    );
    expect(parts.filter((p) => p.unit === 'm').every((p) => Number.isInteger(p.quantity) && p.quantity > 0)).toBe(true);
    for (const rows of [partRows(parts), wireRows(wireList(underpass, w))])
      expect(new Set(rows.map((r) => r.length)).size).toBe(1);
  });
});

describe('inputs', () => {
  const s = plain('contactor');
  const w = wired(s);
  it('the water works the floats with their differential', () => {
    const at = (level: number, before = {}) => floatsAt(sensorTrips(s), w.panel.devices, level, before)['S-pump'];
    const float = s.sensors[0]!;
    const middle = float.kind === 'tilt' ? float.clip : 0;
    expect([at(0), at(1.1), at(middle), at(middle, { 'S-pump': 'up' })]).toEqual(['down', 'up', 'down', 'up']);
  });
  it('tells what is not there', () => {
    expect(inputProblems(w, { 'S-pump': 'up' })).toEqual([]);
    expect(inputProblems(w, { 'S-lag': 'up', S1: 'sideways', K1: 'on' })).toEqual([
      expect.stringMatching(/no such device/),
      expect.stringMatching(/not one of hand, off, auto/),
      expect.stringMatching(/not worked by hand/),
    ]);
  });
  it('from memory it answers as it did, and differently for another state before', () => {
    const cached = panelSolver(w);
    const first = cached({ 'S-pump': 'up' });
    expect(cached({ 'S-pump': 'up' })).toBe(first);
    expect(outcomesOf(w, first)).toEqual(outcomesOf(w, solveWith(w, { 'S-pump': 'up' })));
    expect(cached({ 'S-pump': 'up' }, { ...w.states, S1: 'off' })).not.toBe(first);
  });
  it('a panel without its supply is dead everywhere', () => {
    const dead = solve(
      structureOf({ ...w.netlist, components: w.netlist.components.filter((p) => p.kind !== 'source') }),
      w.states,
    );
    for (const name of dead.structure.names) expect(size(between(dead, name, '0', 'ac'))).toBe(0);
  });
});
