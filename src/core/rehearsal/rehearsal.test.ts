import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { hydraulicsOf } from '../hydraulics';
import { cycleAt, levelContext, sensorTrips } from '../levels';
import { newStation, type Station } from '../station';
import { sayPhrase } from '../units';
import { vesselOf } from '../vessel';
import { flowOn } from './pumping';
import { compare, eventRows, readScenario, readyScenarios, record, rehearse, traceRows, whatIf, type Scenario } from '.';
import { BUCKETS } from './trace';

const demo = (file: string): Station => demoStations().find((d) => d.file === file)!.station;
const scenario = (station: Station, more: Partial<Scenario> = {}): Scenario => ({ ...readyScenarios(station)[0]!, inflow: { kind: 'level', which: 'design', scale: 1 }, length: 86400, ...more });
function run(station: Station, more: Partial<Scenario> = {}) {
  const answer = rehearse(station, scenario(station, more));
  if (!answer.ok) throw new Error(answer.problems.map((p) => (typeof p === 'string' ? p : sayPhrase(p, 'metric'))).join('; '));
  return answer.run;
}
const says = (r: ReturnType<typeof run>) => r.events.map((e) => sayPhrase(e.says, 'metric'));
const sump = newStation('a', 'b', 'metric-230');

describe('water under a delivery', () => {
  const flat = (q: number) => ({ volumes: Float64Array.of(0, 1, 2, 3), flows: Float64Array.of(q, q, q, q), unsure: false });

  it('constant flows: time is volume over their difference, to the last digit', () => {
    expect(flowOn(flat(0.01), 2.5, 0.004, 1, 1, 0.5, 3, 1e9)).toMatchObject({ time: expect.closeTo(2 / 0.006, 9), volume: 0.5 });
    expect(flowOn(flat(0), 0.5, 0.004, 1, 1, 0, 2, 1e9)).toMatchObject({ time: expect.closeTo(1.5 / 0.004, 9), volume: 2, pumped: 0 });
    expect(flowOn(flat(0.01), 2, 0.004, -1, 1, 0, 3, 1e9)).toMatchObject({ time: expect.closeTo(1 / 0.006, 9), volume: 3 });
  });
  it('a delivery that rises with the water: the exponential of the textbook', () => {
    // q = 0.01·V, inflow 0.005: rest at V* = 0.5; from 2 down to 1 takes ln(1.5/0.5)/0.01 s.
    const line = { volumes: Float64Array.of(0, 3), flows: Float64Array.of(0, 0.03), unsure: false };
    const moved = flowOn(line, 2, 0.005, 1, 1, 1, 3, 1e9);
    expect(moved.time).toBeCloseTo(Math.log(3) / 0.01, 9);
    expect(moved.pumped).toBeCloseTo(0.005 * moved.time + 1, 9);
    // It never gets to its rest, however long it is given.
    expect(flowOn(line, 2, 0.005, 1, 1, 0, 3, 5000).volume).toBeCloseTo(0.5, 9);
    expect(flowOn(line, 2, 0.005, 1, 1, 0, 3, 5000).time).toBe(5000);
  });
  it('two stretches come to what one does, and water is kept', () => {
    const table = fc.array(fc.double({ min: 0, max: 0.02, noNaN: true }), { minLength: 3, maxLength: 9 }).map((f) => ({ volumes: Float64Array.from(f, (_, i) => i * 0.4), flows: Float64Array.from([...f].sort((a, b) => a - b)), unsure: false }));
    fc.assert(
      fc.property(table, fc.double({ min: 0.05, max: 0.95, noNaN: true }), fc.double({ min: 0, max: 0.02, noNaN: true }), fc.double({ min: 1, max: 2000, noNaN: true }), fc.double({ min: 0.1, max: 0.9, noNaN: true }), (d, share, inflow, time, part) => {
        const top = d.volumes.at(-1)!;
        const go = (v: number, t: number) => flowOn(d, v, inflow, 1, 1, 0, top, t);
        const whole = go(share * top, time);
        const first = go(share * top, time * part);
        expect(whole.volume - share * top).toBeCloseTo(inflow * whole.time - whole.pumped, 9);
        if (first.time < time * part || whole.time < time) return;
        const second = go(first.volume, time - first.time);
        expect(second.volume).toBeCloseTo(whole.volume, 9);
        expect(first.pumped + second.pumped).toBeCloseTo(whole.pumped, 8);
      }),
    );
  });
  it('everything k times as large takes as long', () => {
    const big = (k: number) => flowOn({ volumes: Float64Array.of(0, k, 2 * k), flows: Float64Array.of(0.01 * k, 0.012 * k, 0.013 * k), unsure: false }, 1.9 * k, 0.002 * k, 1, 1, 0.1 * k, 2 * k, 1e9).time;
    expect(big(37)).toBeCloseTo(big(1), 9);
  });
});

describe('a station through time', () => {
  it('starts as often as the level rules predict', () => {
    for (const file of ['workshop-sump.json', 'slip-gully-chamber.json', 'lodge-grinder-well.json', 'wash-bay-pit.json']) {
      const station = demo(file);
      const context = levelContext(station);
      const predicted = cycleAt(context, context.inflow.design);
      if (!predicted.ok) throw new Error(file);
      const { pumps, lasted } = run(station, { length: 6 * 86400 });
      expect((pumps[0]!.starts / (lasted / 3600)) / predicted.startsPerHour).toBeCloseTo(1, 2);
    }
  });

  it('a power cut: the overflow comes after the room left over the inflow, and the bell before it', () => {
    const vessel = vesselOf(sump.vessel);
    const inflow = 0.0005;
    const r = run(sump, { start: 0.3, length: 4000, inflow: { kind: 'steps', rows: [{ time: 0, flow: inflow }], every: null }, powerCuts: [{ from: 0, to: 5000 }] });
    const spill = r.events.find((e) => e.kind === 'overflow')!;
    const room = vessel.volume(sump.vessel.overflow) - vessel.volume(0.3);
    expect(spill.at).toBeCloseTo(room / inflow, 6);
    const alarm = sensorTrips(sump).find((x) => x.sensor.role === 'alarm')!;
    expect(r.warning).toBeCloseTo((vessel.volume(sump.vessel.overflow) - vessel.volume(alarm.rise)) / inflow, 6);
    expect(r.balance.overflow).toBeCloseTo(inflow * 4000 - room, 9);
    expect(r.pumps[0]!.starts).toBe(0);
  });

  it('keeps every drop, whatever station, inflow and cuts', () => {
    const stations = demoStations().map((d) => d.station);
    fc.assert(
      fc.property(fc.constantFrom(...stations), fc.double({ min: 0, max: 3, noNaN: true }), fc.integer({ min: 0, max: 40000 }), fc.integer({ min: 1, max: 30000 }), (station, scale, from, lasts) => {
        const r = run(station, { length: 86400, inflow: { kind: 'survey', scale }, powerCuts: [{ from, to: from + lasts }] });
        expect(Math.abs(r.balance.residue)).toBeLessThan(1e-9 * Math.max(1, r.balance.inflow + r.balance.pumped));
        expect(r.highest).toBeLessThanOrEqual(station.vessel.overflow + 1e-9);
        expect(r.lowest).toBeGreaterThanOrEqual(0);
      }),
      { numRuns: 25 },
    );
  }, 30_000);

  it('agrees with a plain loop of one-second steps: starts and water pumped', () => {
    const station = demo('workshop-sump.json');
    const inflow = 0.0007;
    const r = run(station, { length: 21600, inflow: { kind: 'steps', rows: [{ time: 0, flow: inflow }], every: null } });
    const vessel = vesselOf(station.vessel);
    const { flowAt, drainback } = hydraulicsOf(station);
    const { rise, fall } = sensorTrips(station).find((x) => x.sensor.role === 'pump')!;
    let [v, on, starts, pumped] = [vessel.volume(fall), false, 0, 0];
    for (let t = 0; t < 21600; t++) {
      const h = vessel.height(v);
      if (!on && h >= rise) [on, starts] = [true, starts + 1];
      else if (on && h <= fall) [on, v] = [false, v + drainback(1)];
      const q = on ? flowAt(h)! : 0;
      pumped += q;
      v += inflow - q;
    }
    // The loop overshoots every trip by up to a second, and so starts a little less often.
    expect(Math.abs(r.pumps[0]!.starts - starts)).toBeLessThanOrEqual(0.03 * starts + 1);
    expect(r.balance.pumped / pumped).toBeCloseTo(1, 1);
  });

  it('every demo station rehearses a week: it neither rings nor spills nor runs dry, and is quiet', () => {
    for (const { station, file } of demoStations()) {
      const r = run(station, { length: 7 * 86400 });
      expect([file, r.ended, r.bell, r.overflowing, r.dry]).toEqual([file, null, 0, 0, 0]);
      expect(r.pumps.some((p) => p.starts > 0)).toBe(true);
    }
  }, 30_000);

  it('duplex: the pumps share the starts, and the worst hour is theirs', () => {
    const { pumps } = run(demo('underpass-storm-sump.json'), { length: 7 * 86400 });
    expect(Math.abs(pumps[0]!.starts - pumps[1]!.starts)).toBeLessThanOrEqual(1);
    expect(Math.abs(pumps[0]!.ran / pumps[1]!.ran - 1)).toBeLessThan(0.02);
    expect(pumps[0]!.worstHour).toBeGreaterThan(0);
  });

  it('a timed bed doses by its timer, and no more often than its rest lets it', () => {
    const r = run(demo('sand-bed-dosing-tank.json'), { length: 2 * 86400 });
    const starts = r.events.filter((e) => /^pump 1 starts/.test(sayPhrase(e.says, 'metric'))).map((e) => e.at);
    for (const [i, at] of starts.slice(1).entries()) expect(at - starts[i]!).toBeGreaterThan(2000);
    expect(says(r).some((s) => s.startsWith('T2: running'))).toBe(true);
  });

  it('condensate stops being made when the cut-off opens: it fills no further than what was shed', () => {
    const station = demo('cold-store-condensate.json');
    const r = run(station, { length: 86400, faults: [{ from: 0, to: null, id: 'blocked' }] });
    expect(r.overflowing).toBe(0);
    expect(says(r)).toEqual(expect.arrayContaining([expect.stringMatching(/cold store coils is stopped: cutoff .* lifted/)]));
    expect(r.balance.inflow).toBeLessThan(vesselOf(station.vessel).capacity);
  });

  it('says why: the float and the inflow with every start', () => {
    expect(says(run(sump))).toEqual(expect.arrayContaining([expect.stringMatching(/^pump 1 starts: pump float lifted at 591 mm; inflow 0\.\d+ L\/s$/), expect.stringMatching(/^pump 1 stops after .*: pump float hangs at 309 mm$/)]));
  });

  it('the same run is the same to the last byte, and a trace does not grow with its length', () => {
    const [a, b] = [run(demo('underpass-storm-sump.json')), run(demo('underpass-storm-sump.json'))];
    expect(JSON.stringify(a)).toBe(JSON.stringify(b));
    expect(run(sump, { length: 40 * 86400 }).trace.least.length).toBe(a.trace.least.length);
    const { trace, pumps } = run(sump, { length: 86400 });
    const on = trace.lanes[0]!.share.reduce((sum, share) => sum + share * trace.step, 0);
    expect(on).toBeCloseTo(pumps[0]!.ran, 3);
  });

  it('a trip that leaves no water between is told as chatter, and ends', () => {
    const station: Station = { ...sump, control: { ...sump.control, scheme: 'contactor' }, sensors: sump.sensors.map((s) => (s.role === 'pump' ? { id: 'pump', role: 'pump', kind: 'side', duty: 'control', contact: 'closes-on-rise', changeover: false, contactRating: 5, cordLength: 5, place: s.place, height: 0.5, differential: 1e-7 } : s)), discharge: { ...sump.discharge, checkValve: { pipeBefore: 0 } } };
    const r = run(station, { length: 86400 });
    expect(r.ended && sayPhrase(r.ended, 'metric')).toMatch(/chatter: the panel switches without end at 500 mm/);
    expect(r.lasted).toBeLessThan(86400);
  });

  it('can be stopped, and tells how far it is', () => {
    const told: number[] = [];
    const answer = rehearse(demo('ticket-office-cellar.json'), scenario(demo('ticket-office-cellar.json'), { length: 300 * 86400 }), { progress: (s) => told.push(s), stopped: () => told.length > 2 });
    expect(answer.ok && answer.run.ended && sayPhrase(answer.run.ended, 'metric')).toBe('stopped by hand');
    expect(told.length).toBe(3);
  });
});

describe('faults', () => {
  const of = (id: string, station = sump) => run(station, { length: 12 * 3600, faults: [{ from: 3600, to: null, id }] });
  it.each([
    ['pump-stuck-down', (r: ReturnType<typeof run>) => r.bells > 0 && r.overflowing > 0 && r.warning! > 0],
    ['pump-stuck-up', (r: ReturnType<typeof run>) => r.dry > 0 && r.bells === 0],
    ['alarm-stuck-down', (r: ReturnType<typeof run>) => r.bells === 0 && r.overflowing === 0],
    ['alarm-stuck-up', (r: ReturnType<typeof run>) => r.bell > 10 * 3600],
    ['Q1-off', (r: ReturnType<typeof run>) => r.overflowing > 0 && r.bells > 0],
    ['blocked', (r: ReturnType<typeof run>) => r.overflowing > 0 && r.pumps[0]!.longestRun > 10000],
    ['GB-flat', (r: ReturnType<typeof run>) => r.bells === 0 && r.overflowing === 0],
  ])('%s does what it does', (id, does) => expect(does(of(id))).toBe(true));

  it('half the flow runs longer; a line that drains back starts more often', () => {
    const well = run(sump, { length: 12 * 3600 });
    expect(of('M1-clogged').pumps[0]!.ran).toBeGreaterThan(well.pumps[0]!.ran * 1.4);
    expect(of('check-open').pumps[0]!.starts).toBeGreaterThan(well.pumps[0]!.starts);
    expect(of('check-open').balance.returned).toBeGreaterThan(well.balance.returned);
  });
  it('a fault that is mended leaves no trace after it', () => {
    const r = run(sump, { length: 12 * 3600, faults: [{ from: 3600, to: 7200, id: 'Q1-off' }] });
    expect(says(r)).toEqual(expect.arrayContaining(['fault: Q1 is off (guards the circuit)', 'mended: Q1 is off (guards the circuit)']));
    const later = r.events.filter((e) => e.at > 8000);
    expect(later.some((e) => e.kind === 'pump') && !later.some((e) => e.kind === 'overflow')).toBe(true);
  });
});

describe('motors that heat', () => {
  const contactor: Station = { ...sump, control: { ...sump.control, scheme: 'contactor' } };
  const flow = (rate: number): Partial<Scenario> => ({ inflow: { kind: 'steps', rows: [{ time: 0, flow: rate }], every: null } });
  const at = (r: ReturnType<typeof run>, words: RegExp) => r.events.filter((e) => words.test(sayPhrase(e.says, 'metric'))).map((e) => e.at);

  it('a rotor that stands opens the overload after its time, and that stays open until a hand resets it', () => {
    const r = run(contactor, { ...flow(0.0005), length: 3600, faults: [{ from: 0, to: null, id: 'M1-seized' }] });
    const [starts, opens] = [at(r, /^pump 1 starts/), at(r, /^F11 opens/)];
    expect(opens).toEqual([expect.closeTo(starts[0]! + 10, 9)]);
    expect(starts).toHaveLength(1);
    expect(r.balance.pumped).toBe(0);
  });
  it('without an overload the motor’s own protector opens, cools and tries again', () => {
    const r = run(sump, { ...flow(0.0005), length: 4000, faults: [{ from: 0, to: null, id: 'M1-seized' }], protector: { stalled: 12, dry: 600, cools: 700 } });
    const [starts, opens] = [at(r, /^pump 1 starts/), at(r, /^thermal protector of pump 1 opens: pump 1 stood under voltage/)];
    expect(starts.length).toBeGreaterThan(3);
    opens.forEach((t, i) => expect(t - starts[i]!).toBeCloseTo(12, 9));
    starts.slice(1).forEach((t, i) => expect(t - opens[i]!).toBeCloseTo(700, 9));
  });
  it('a pump in air opens after minutes; one that draws water again in between does not', () => {
    const stuck = { faults: [{ from: 0, to: null, id: 'pump-stuck-up' }], length: 7200 };
    const dry = run(sump, { ...flow(0), ...stuck });
    const [air, opens] = [at(dry, /^pump 1 draws air/), at(dry, /^thermal protector of pump 1 opens: pump 1 ran without water/)];
    expect(opens[0]! - air[0]!).toBeCloseTo(600, 9);
    expect(dry.lowest).toBeCloseTo(sump.pumps[0]!.intake, 9);
    expect(at(run(sump, { ...flow(0.0005), ...stuck }), /thermal protector/)).toEqual([]);
  });
  it('an air-locked pump turns, moves nothing and heats', () => {
    const r = run(sump, { ...flow(0.0005), length: 7200, faults: [{ from: 0, to: null, id: 'M1-airlocked' }] });
    expect(r.balance.pumped).toBe(0);
    expect(at(r, /ran without water/).length).toBeGreaterThan(0);
  });
});

describe('a person who answers the bell', () => {
  it('is there after the time, mends what failed, and the pump goes on', () => {
    const r = run(sump, { length: 12 * 3600, answers: 1800, faults: [{ from: 600, to: null, id: 'M1-winding-open' }] });
    const bell = r.rang[0]!.from;
    const person = r.events.find((e) => e.kind === 'person')!;
    expect(person.at).toBeCloseTo(bell + 1800, 9);
    expect(sayPhrase(person.says, 'metric')).toBe('a person is there, and mends: pump 1: winding open');
    expect(r.events.some((e) => e.at > person.at && e.kind === 'pump')).toBe(true);
    expect(r.bells).toBe(1);
  });
  it('resets what has tripped and what has latched', () => {
    const latched: Station = { ...sump, control: { ...sump.control, scheme: 'contactor' }, alarm: { ...sump.alarm, latch: true } };
    const r = run(latched, { length: 12 * 3600, answers: 1800, faults: [{ from: 600, to: null, id: 'M1-seized' }] });
    const person = r.events.find((e) => e.kind === 'person')!;
    expect(r.events.some((e) => e.at >= person.at && /^pump 1 starts/.test(sayPhrase(e.says, 'metric')))).toBe(true);
    expect(r.bell).toBeLessThan(4000);
  });
  it('does not come where no bell rings', () => {
    const r = run(sump, { length: 12 * 3600, answers: 600, faults: [{ from: 0, to: null, id: 'alarm-stuck-down' }, { from: 600, to: null, id: 'Q1-off' }] });
    expect(r.events.some((e) => e.kind === 'person')).toBe(false);
    expect(r.overflowing).toBeGreaterThan(0);
  });
});

describe('a recording', () => {
  const recorded = (station: Station, more: Partial<Scenario>) => {
    const answer = record(station, scenario(station, more));
    if (!answer.ok) throw new Error('refused');
    return answer;
  };
  const mixed: Partial<Scenario> = { length: 2 * 86400, inflow: { kind: 'survey', scale: 1 }, powerCuts: [{ from: 30000, to: 40000 }], faults: [{ from: 50000, to: 90000, id: 'blocked' }] };

  it('any window of it shows what the whole showed, and more: no peak is lost, none is invented', () => {
    for (const file of ['workshop-sump.json', 'underpass-storm-sump.json', 'sand-bed-dosing-tank.json', 'workshop-header-tank.json']) {
      const station = demo(file);
      const whole = recorded(station, mixed);
      const { trace } = whole.run;
      const [from, to] = [12 * trace.step * 40, 12 * trace.step * 41];
      const { trace: close, events } = whole.window(from, to);
      expect([file, events.map((e) => [e.kind, sayPhrase(e.says, 'metric')])]).toEqual([file, whole.run.events.filter((e) => e.at >= from && e.at <= to).map((e) => [e.kind, sayPhrase(e.says, 'metric')])]);
      const inside = Array.from(trace.least.keys()).filter((i) => i * trace.step >= from - 1e-6 && (i + 1) * trace.step <= to + 1e-6);
      expect(inside).toHaveLength(12);
      expect([file, Math.min(...close.least)]).toEqual([file, expect.closeTo(Math.min(...inside.map((i) => trace.least[i]!)), 9)]);
      expect([file, Math.max(...close.greatest)]).toEqual([file, expect.closeTo(Math.max(...inside.map((i) => trace.greatest[i]!)), 9)]);
      close.lanes.forEach(({ share }, n) => expect(share.reduce((a, b) => a + b, 0) * close.step).toBeCloseTo(inside.reduce((sum, i) => sum + trace.lanes[n]!.share[i]! * trace.step, 0), 5));
    }
  });
  it('down to a second', () => {
    const whole = recorded(sump, mixed);
    const start = whole.run.events.find((e) => e.kind === 'pump')!.at;
    const { trace: close } = whole.window(start - 0.5, start + 0.5);
    const on = close.lanes.find((l) => l.id === 'M1')!.share;
    expect([on[0], on.at(-1)]).toEqual([0, expect.closeTo(1, 9)]);
    expect(on.findIndex((s) => s > 0)).toBe(BUCKETS / 2);
  });
  it('a moment is what the run was then: level, floats, pumps, faults', () => {
    const whole = recorded(sump, mixed);
    for (const e of whole.run.events.filter((x) => x.kind === 'pump' || x.kind === 'float').slice(0, 40)) {
      expect(whole.moment(e.at).level).toBeCloseTo(e.level, 2);
    }
    expect(whole.moment(35000).states.W0).toBe('cut');
    expect(whole.moment(60000).faults).toEqual(['blocked']);
    expect(whole.moment(95000).faults).toEqual([]);
    expect(whole.moment(1e9).at).toBe(mixed.length);
  });
  it('asking about it changes nothing, whatever was asked before', () => {
    const [a, b] = [recorded(sump, mixed), recorded(sump, mixed)];
    b.window(100, 4000);
    b.moment(70000);
    const drawn = (r: typeof a) => JSON.stringify(r.window(20000, 20600));
    expect(drawn(b)).toBe(drawn(a));
    expect(JSON.stringify(b.moment(55555))).toBe(JSON.stringify(a.moment(55555)));
  });
});

describe('what is told', () => {
  it('a year of ordinary days does not crowd out the one that was not', () => {
    const r = run(sump, { length: 300 * 86400, powerCuts: [{ from: 290 * 86400, to: 290 * 86400 + 7200 }] });
    expect(r.more).toBeGreaterThan(10000);
    expect(says(r)).toEqual(expect.arrayContaining(['power fails', 'power is back', expect.stringMatching(/^overflow/)]));
    const times = r.events.map((e) => e.at);
    expect(times).toEqual([...times].sort((a, b) => a - b));
  });
  it('the second pump says who could not keep up, and by how much', () => {
    const r = run(demo('underpass-storm-sump.json'), { length: 3600, inflow: { kind: 'level', which: 'peak', scale: 3 } });
    expect(says(r)).toEqual(expect.arrayContaining([expect.stringMatching(/^pump \d starts: lag float lifted at 1885 mm; the pumps that ran could not keep up: inflow [\d.]+ L\/s of [\d.]+ L\/s$/)]));
  });
});

describe('beside the level rules', () => {
  it('they agree where the inflow is steady, and differences are explained', () => {
    for (const { station } of demoStations()) {
      const steady = scenario(station, { length: 7 * 86400 });
      const r = run(station, steady);
      for (const c of compare(station, steady, r)) if (c.id === 'starts' || c.id === 'ran') expect([station.identity.name, c.id, sayPhrase(c.why, 'metric')]).toEqual([station.identity.name, c.id, 'they agree']);
    }
  });
  it('a power cut and a fault are named as what the rules do not know of', () => {
    const broken = scenario(sump, { powerCuts: [{ from: 3600, to: 39600 }], faults: [{ from: 50000, to: null, id: 'M1-clogged' }] });
    const why = compare(sump, broken, run(sump, broken)).find((c) => c.id === 'starts')!.why;
    expect(sayPhrase(why, 'metric')).toMatch(/^the power was off for 10 h 00 min; a fault was put in; water ran over/);
  });
  it('the reserve agrees with a dead pump at the inflow of the rule', () => {
    const dead = scenario(sump, { length: 86400, inflow: { kind: 'level', which: sump.settings.reserveInflow, scale: 1 }, faults: [{ from: 0, to: null, id: 'Q1-off' }] });
    const reserve = compare(sump, dead, run(sump, dead)).find((c) => c.id === 'reserve')!;
    expect(reserve.run.value).toBeCloseTo(reserve.rules.value, 3);
    expect(sayPhrase(reserve.why, 'metric')).toBe('they agree');
  });
});

describe('what if', () => {
  const day = scenario(sump, { length: 6 * 3600, inflow: { kind: 'steps', rows: [{ time: 0, flow: 0.0004 }], every: null } });
  const list = whatIf(sump, day, 0);
  const of = (id: string) => list.find((c) => c.id === id)!;
  it('ranks by time to harm; what hides comes after all that harms', () => {
    const harms = list.map((c) => c.harmAfter);
    const harmful = harms.filter((h) => h !== null);
    expect(harmful).toEqual([...harmful].sort((a, b) => a - b));
    expect(harms.slice(harmful.length).every((h) => h === null)).toBe(true);
  });
  it('a dead pump rings before it spills, and the time a person has is the room over the inflow', () => {
    const vessel = vesselOf(sump.vessel);
    const alarm = sensorTrips(sump).find((x) => x.sensor.role === 'alarm')!;
    const room = vessel.volume(sump.vessel.overflow) - vessel.volume(alarm.rise);
    for (const id of ['Q1-off', 'blocked', 'pump-stuck-down']) expect([id, of(id).harm, of(id).has]).toEqual([id, 'overflow', expect.closeTo(room / 0.0004, 3)]);
  });
  it('a stuck alarm float, a flat battery and a dead bell supply hide', () => {
    for (const id of ['alarm-stuck-down', 'GB-flat']) expect(of(id)).toMatchObject({ hides: true, bellAfter: null, harmAfter: null });
    expect(of('pump-stuck-up')).toMatchObject({ harm: 'dry', hides: false });
    expect(of('alarm-stuck-up')).toMatchObject({ bellAfter: 0, harm: null, hides: false });
  });
});

describe('scenarios', () => {
  const good = scenario(sump);
  it('those that are ready can be read, for every duty', () => {
    for (const { station } of demoStations()) for (const s of readyScenarios(station)) expect(readScenario(JSON.parse(JSON.stringify(s)), station)).toEqual({ ok: true, scenario: s });
  });
  it.each([
    [{ duty: 'fill' }, /duty: the scenario is for another duty/],
    [{ powerCuts: [{ from: 10, to: 100 }, { from: 50, to: 200 }] }, /the cut at 50 s begins while the one at 10 s lasts/],
    [{ powerCuts: [{ from: 10, to: 10 }] }, /ends before it begins/],
    [{ inflow: { kind: 'steps', rows: [{ time: 0, flow: -1 }], every: null } }, /inflow.rows.0.flow: an inflow cannot be negative/],
    [{ inflow: { kind: 'steps', rows: [{ time: 5, flow: 1 }, { time: 5, flow: 1 }], every: null } }, /times must rise/],
    [{ length: 100 * 365 * 86400 }, /ten at most/],
    [{ length: 0 }, /more than zero/],
    [{ version: 2 }, /version: this version/],
    [{ colour: 1 }, /scenario: /],
  ])('%j is refused by path', (change, message) => {
    const read = readScenario({ ...good, ...change }, sump);
    expect(read.ok ? '' : read.problems.join('; ')).toMatch(message);
  });
  it('faults and hands on parts that the station lacks are refused by path', () => {
    const answer = rehearse(sump, { ...good, faults: [{ from: 0, to: null, id: 'lag-stuck-up' }], hands: [{ at: 0, device: 'S1', state: 'off' }, { at: 0, device: 'Q1', state: 'sideways' }] });
    expect(answer).toEqual({ ok: false, problems: [expect.stringMatching(/faults\.0: .*lag-stuck-up/), expect.stringMatching(/hands\.0: this panel has no S1/), expect.stringMatching(/hands\.1: Q1 has no position/)] });
  });
  it('a scheme that does not fit is told', () => {
    expect(rehearse({ ...sump, control: { ...sump.control, scheme: 'duplex' } }, good).ok).toBe(false);
  });
  it('hands work selectors: in Hand it runs dry, and back in Auto it rests', () => {
    const station: Station = { ...sump, control: { ...sump.control, scheme: 'contactor' } };
    const r = run(station, { length: 7200, hands: [{ at: 100, device: 'S1', state: 'hand' }, { at: 3000, device: 'S1', state: 'auto' }] });
    expect(r.dry).toBeGreaterThan(1000);
    expect(says(r)).toEqual(expect.arrayContaining(['S1 to Hand', 'S1 to Auto', 'pump 1 draws air at 50 mm: it runs dry']));
  });
  it('an inflow that no pump can follow: it rings, spills and goes on', () => {
    const r = run(sump, { length: 86400, inflow: { kind: 'level', which: 'peak', scale: 20 } });
    expect(r.lasted).toBe(86400);
    expect(r.overflowing).toBeGreaterThan(80000);
  });
  it('steps come again and again, and are met at their times', () => {
    const r = run(sump, { length: 7200, inflow: { kind: 'steps', rows: [{ time: 0, flow: 0.0002 }, { time: 600, flow: 0 }], every: 1200 } });
    expect(r.balance.inflow).toBeCloseTo(0.0002 * 3600, 12);
  });
  it('goes out as rows', () => {
    const r = run(sump);
    expect(eventRows(r, 'metric')[0]).toEqual(['time (s)', 'level (m)', 'kind', 'what']);
    const rows = traceRows(sump, r);
    expect(new Set(rows.map((x) => x.length))).toEqual(new Set([7]));
    expect(rows.length).toBe(1441);
  });
});
