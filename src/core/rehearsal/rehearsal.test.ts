import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { USUAL_VALVE } from '../duties';
import { hydraulicsOf } from '../hydraulics';
import { cycleAt, levelContext, sensorTrips } from '../levels';
import type { Station } from '../station';
import { sayPhrase } from '../units';
import { vesselOf } from '../vessel';
import { flowOn } from './pumping';
import { demo, run, sentences, scenario, sump } from './rehearsal.fixture';
import { rehearse } from '.';

describe('water under a delivery', () => {
  const flat = (q: number) => ({
    volumes: Float64Array.of(0, 1, 2, 3),
    flows: Float64Array.of(q, q, q, q),
    unsure: false,
  });

  it('constant flows: time is volume over their difference, to the last digit', () => {
    expect(
      flowOn({ delivery: flat(0.01), volume: 2.5, inflow: 0.004, sense: 1, low: 0.5, high: 3, most: 1e9 }),
    ).toMatchObject({
      time: expect.closeTo(2 / 0.006, 9),
      volume: 0.5,
    });
    expect(
      flowOn({ delivery: flat(0), volume: 0.5, inflow: 0.004, sense: 1, low: 0, high: 2, most: 1e9 }),
    ).toMatchObject({
      time: expect.closeTo(1.5 / 0.004, 9),
      volume: 2,
      pumped: 0,
    });
    expect(
      flowOn({ delivery: flat(0.01), volume: 2, inflow: 0.004, sense: -1, low: 0, high: 3, most: 1e9 }),
    ).toMatchObject({
      time: expect.closeTo(1 / 0.006, 9),
      volume: 3,
    });
  });
  it('a delivery that rises with the water: the exponential of the textbook', () => {
    // q = 0.01·V, inflow 0.005: rest at V* = 0.5; from 2 down to 1 takes ln(1.5/0.5)/0.01 s.
    const line = { volumes: Float64Array.of(0, 3), flows: Float64Array.of(0, 0.03), unsure: false };
    const moved = flowOn({ delivery: line, volume: 2, inflow: 0.005, sense: 1, low: 1, high: 3, most: 1e9 });
    expect(moved.time).toBeCloseTo(Math.log(3) / 0.01, 9);
    expect(moved.pumped).toBeCloseTo(0.005 * moved.time + 1, 9);
    // It never gets to its rest, however long it is given.
    expect(
      flowOn({ delivery: line, volume: 2, inflow: 0.005, sense: 1, low: 0, high: 3, most: 5000 }).volume,
    ).toBeCloseTo(0.5, 9);
    expect(flowOn({ delivery: line, volume: 2, inflow: 0.005, sense: 1, low: 0, high: 3, most: 5000 }).time).toBe(5000);
  });
  it('two stretches come to what one does, and water is kept', () => {
    const table = fc.array(fc.double({ min: 0, max: 0.02, noNaN: true }), { minLength: 3, maxLength: 9 }).map((f) => ({
      volumes: Float64Array.from(f, (_, i) => i * 0.4),
      flows: Float64Array.from([...f].sort((a, b) => a - b)),
      unsure: false,
    }));
    fc.assert(
      fc.property(
        table,
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        fc.double({ min: 0, max: 0.02, noNaN: true }),
        fc.double({ min: 1, max: 2000, noNaN: true }),
        fc.double({ min: 0.1, max: 0.9, noNaN: true }),
        (d, share, inflow, time, part) => {
          const top = d.volumes.at(-1)!;
          const go = (v: number, t: number) =>
            flowOn({ delivery: d, volume: v, inflow, sense: 1, low: 0, high: top, most: t });
          const whole = go(share * top, time);
          const first = go(share * top, time * part);
          expect(whole.volume - share * top).toBeCloseTo(inflow * whole.time - whole.pumped, 9);
          fc.pre(first.time >= time * part && whole.time >= time);
          const second = go(first.volume, time - first.time);
          // Water that stands at the very edge has arrived there, and goes on no more.
          fc.pre(second.time >= time - first.time);
          expect(second.volume).toBeCloseTo(whole.volume, 9);
          expect(first.pumped + second.pumped).toBeCloseTo(whole.pumped, 8);
        },
      ),
    );
  });
  it('everything k times as large takes as long', () => {
    const big = (k: number) =>
      flowOn({
        delivery: {
          volumes: Float64Array.of(0, k, 2 * k),
          flows: Float64Array.of(0.01 * k, 0.012 * k, 0.013 * k),
        },
        volume: 1.9 * k,
        inflow: 0.002 * k,
        sense: 1,
        low: 0.1 * k,
        high: 2 * k,
        most: 1e9,
      }).time;
    expect(big(37)).toBeCloseTo(big(1), 9);
  });
});

describe('a station through time', () => {
  it('starts as often as the level rules predict', () => {
    for (const file of [
      'workshop-sump.json',
      'slip-gully-chamber.json',
      'lodge-grinder-well.json',
      'wash-bay-pit.json',
    ]) {
      const station = demo(file);
      const context = levelContext(station);
      const predicted = cycleAt(context, context.inflow.design);
      if (!predicted.ok) throw new Error(file);
      const { pumps, duration } = run(station, { duration: 6 * 86400 });
      expect(Math.abs(pumps[0]!.starts - (predicted.startsPerHour * duration) / 3600)).toBeLessThanOrEqual(1);
    }
  });

  it('a power cut: the overflow comes after the room left over the inflow, and the alarm before it', () => {
    const vessel = vesselOf(sump.vessel);
    const inflow = 0.0005;
    const r = run(sump, {
      startLevel: 0.3,
      duration: 4000,
      inflow: { kind: 'steps', rows: [{ time: 0, flow: inflow }], repeatEvery: null },
      powerCuts: [{ from: 0, to: 5000 }],
    });
    const spill = r.events.find((e) => e.kind === 'overflow')!;
    const room = vessel.volume(sump.vessel.overflow) - vessel.volume(0.3);
    expect(spill.at).toBeCloseTo(room / inflow, 6);
    const alarm = sensorTrips(sump).find((x) => x.sensor.role === 'alarm')!;
    expect(r.warningTime).toBeCloseTo((vessel.volume(sump.vessel.overflow) - vessel.volume(alarm.rise)) / inflow, 6);
    expect(r.balance.overflow).toBeCloseTo(inflow * 4000 - room, 9);
    expect(r.pumps[0]!.starts).toBe(0);
  });

  it('keeps every drop, whatever station, inflow and cuts', () => {
    const stations = demoStations().map((d) => d.station);
    fc.assert(
      fc.property(
        fc.constantFrom(...stations),
        fc.double({ min: 0, max: 3, noNaN: true }),
        fc.integer({ min: 0, max: 40000 }),
        fc.integer({ min: 1, max: 30000 }),
        (station, scale, from, lasts) => {
          const r = run(station, {
            duration: 86400,
            inflow: { kind: 'survey', scale },
            powerCuts: [{ from, to: from + lasts }],
          });
          expect(Math.abs(r.balance.residue)).toBeLessThan(1e-9 * Math.max(1, r.balance.inflow + r.balance.pumped));
          expect(r.highestLevel).toBeLessThanOrEqual(station.vessel.overflow + 1e-9);
          expect(r.lowestLevel).toBeGreaterThanOrEqual(0);
        },
      ),
      { numRuns: 25 },
    );
  });

  it('agrees with a plain loop of one-second steps: starts and water pumped', () => {
    const station = demo('workshop-sump.json');
    const inflow = 0.0007;
    const r = run(station, {
      duration: 21600,
      inflow: { kind: 'steps', rows: [{ time: 0, flow: inflow }], repeatEvery: null },
    });
    const vessel = vesselOf(station.vessel);
    const { flowAt, drainback } = hydraulicsOf(station);
    const { rise, fall } = sensorTrips(station).find((x) => x.sensor.role === 'pump')!;
    let [v, on, starts, pumped] = [vessel.volume(fall), false, 0, 0];
    for (let t = 0; t < 21600; t++) {
      const h = vessel.height(v);
      if (!on && h >= rise) [on, starts] = [true, starts + 1];
      else if (on && h <= fall) [on, v] = [false, v + drainback(1, fall).volume];
      const q = on ? flowAt(h)! : 0;
      pumped += q;
      v += inflow - q;
    }
    // The loop overshoots every trip by up to a second, and so starts a little less often.
    expect(Math.abs(r.pumps[0]!.starts - starts)).toBeLessThanOrEqual(0.03 * starts + 1);
    expect(r.balance.pumped / pumped).toBeCloseTo(1, 1);
  });

  it('every demo station rehearses a week with the alarms that are expected and no others', () => {
    // The dialler of the battery room is on the wrong pair: it is told all week. The header tank calls for water now and then.
    const told: Record<string, (time: number) => boolean> = {
      'battery-room-sump.json P9': (t) => t === 7 * 86400,
      'workshop-header-tank.json U30': (t) => t > 0 && t < 7 * 86400,
      'cold-store-condensate.json U41': (t) => t === 7 * 86400,
    };
    for (const { station, file } of demoStations()) {
      const r = run(station, { duration: 7 * 86400 });
      expect([file, r.endedEarly, r.alarmTime, r.overflowTime, r.dryRunTime]).toEqual([file, null, 0, 0, 0]);
      expect(Math.max(...r.pumps.map((p) => p.starts))).toBeGreaterThan(5);
      for (const lane of r.lanes.filter((l) => /^[PU]/.test(l.id)))
        expect([file, lane.id, (told[`${file} ${lane.id}`] ?? ((t) => t === 0))(lane.time)]).toEqual([
          file,
          lane.id,
          true,
        ]);
    }
  });

  it('agrees with quadrature over the solved pipe to a ten-thousandth: fill and run of a cycle', () => {
    for (const file of ['workshop-sump.json', 'lodge-grinder-well.json', 'wash-bay-pit.json']) {
      const station = demo(file);
      const context = levelContext(station);
      const cycle = cycleAt(context, context.inflow.design);
      if (!cycle.ok) throw new Error(file);
      const pumps = run(station, { duration: 86400 }).events.filter((e) => e.kind === 'pump');
      const [stop, start, next] = [pumps[1]!.at, pumps[2]!.at, pumps[3]!.at];
      expect([file, (start - stop) / cycle.fill]).toEqual([file, expect.closeTo(1, 4)]);
      expect([file, (next - start) / cycle.run]).toEqual([file, expect.closeTo(1, 4)]);
    }
  });

  it('what still runs into a tank after the stop comes on top of it: the flow for its time', () => {
    const tank = demo('workshop-header-tank.json');
    const filled = (runOn: number): Station => ({
      ...tank,
      duty: { ...tank.duty, from: { ...USUAL_VALVE, flow: 0.0008 }, runOn } as Station['duty'],
    });
    const high = (runOn: number) =>
      vesselOf(tank.vessel).volume(
        run(filled(runOn), {
          duration: 6 * 3600,
          inflow: { kind: 'steps', rows: [{ time: 0, flow: 0.0002 }], repeatEvery: null },
        }).highestLevel,
      );
    expect(high(30) - high(0)).toBeCloseTo(30 * (0.0008 - 0.0002), 9);
  });

  it('a tank filled through a valve and drawn from, everything k times as large: the same times', () => {
    const tank = demo('workshop-header-tank.json');
    const of = (k: number): Station => ({
      ...tank,
      vessel: { ...tank.vessel, shape: { kind: 'cylinder', diameter: 1.2 * Math.sqrt(k), depth: 1.1 } },
      duty: { ...tank.duty, from: { ...USUAL_VALVE, flow: 0.0009 * k } } as Station['duty'],
    });
    const starts = (k: number) =>
      run(of(k), {
        duration: 6 * 3600,
        inflow: {
          kind: 'steps',
          rows: [
            { time: 0, flow: 0.0003 * k },
            { time: 7000, flow: 0.0001 * k },
          ],
          repeatEvery: null,
        },
      })
        .events.filter((e) => e.kind === 'pump')
        .map((e) => e.at);
    expect(starts(1).length).toBeGreaterThan(4);
    expect(starts(3.7)).toHaveLength(starts(1).length);
    starts(3.7).forEach((t, i) => expect(t).toBeCloseTo(starts(1)[i]!, 6));
  });

  it('duplex: the pumps share the starts, and the worst hour is theirs', () => {
    const { pumps } = run(demo('underpass-storm-sump.json'), { duration: 7 * 86400 });
    expect(Math.abs(pumps[0]!.starts - pumps[1]!.starts)).toBeLessThanOrEqual(1);
    expect(Math.abs(pumps[0]!.runTime / pumps[1]!.runTime - 1)).toBeLessThan(0.02);
    expect(pumps[0]!.mostStartsInAnHour).toBeGreaterThan(0);
  });

  it('a timed bed doses by its timer, and no more often than its rest lets it', () => {
    const r = run(demo('sand-bed-dosing-tank.json'), { duration: 2 * 86400 });
    const starts = r.events.filter((e) => /^pump 1 starts/.test(sayPhrase(e.sentence, 'metric'))).map((e) => e.at);
    for (const [i, at] of starts.slice(1).entries()) expect(at - starts[i]!).toBeGreaterThan(2000);
    // Each dose is the timer that came in once.
    expect(sentences(r).filter((s) => s.startsWith('T2: running'))).toHaveLength(starts.length);
  });

  it('condensate stops being made when the cut-off opens: it fills no further than what was shed', () => {
    const station = demo('cold-store-condensate.json');
    const r = run(station, { duration: 86400, faults: [{ from: 0, to: null, id: 'blocked' }] });
    expect(r.overflowTime).toBe(0);
    expect(sentences(r)).toEqual(
      expect.arrayContaining([expect.stringMatching(/cold store coils is stopped: cut-off .* lifted/)]),
    );
    expect(r.balance.inflow).toBeLessThan(vesselOf(station.vessel).capacity);
  });

  it('says why: the float and the inflow with every start', () => {
    expect(sentences(run(sump))).toEqual(
      expect.arrayContaining([
        expect.stringMatching(/^pump 1 starts: pump float lifted at 591 mm; inflow 0\.\d+ L\/s$/),
        expect.stringMatching(/^pump 1 stops after .*: pump float hangs at 309 mm$/),
      ]),
    );
  });

  it('the same run is the same to the last byte, and a trace does not grow with its length', () => {
    const [a, b] = [run(demo('underpass-storm-sump.json')), run(demo('underpass-storm-sump.json'))];
    expect(JSON.stringify(a)).toBe(JSON.stringify(b));
    expect(run(sump, { duration: 40 * 86400 }).trace.least.length).toBe(a.trace.least.length);
    const { trace, pumps } = run(sump, { duration: 86400 });
    const on = trace.lanes[0]!.share.reduce((sum, share) => sum + share * trace.step, 0);
    expect(on).toBeCloseTo(pumps[0]!.runTime, 3);
  });

  it('a trip that leaves no water between is told as chatter, and ends', () => {
    const station: Station = {
      ...sump,
      control: { ...sump.control, scheme: 'contactor' },
      sensors: sump.sensors.map((s) =>
        s.role === 'pump'
          ? {
              id: 'pump',
              role: 'pump',
              kind: 'side',
              duty: 'control',
              contact: 'closes-on-rise',
              changeover: false,
              contactRating: 5,
              cordLength: 5,
              place: s.place,
              height: 0.5,
              differential: 1e-7,
            }
          : s,
      ),
      discharge: { ...sump.discharge, checkValve: { pipeBefore: 0 } },
    };
    const r = run(station, { duration: 86400 });
    expect(r.endedEarly && sayPhrase(r.endedEarly, 'metric')).toMatch(
      /chatter: the panel switches without end at 500 mm/,
    );
    expect(r.duration).toBeLessThan(86400);
  });

  it('can be stopped, and tells how far it is', () => {
    const told: number[] = [];
    const answer = rehearse(
      demo('ticket-office-cellar.json'),
      scenario(demo('ticket-office-cellar.json'), { duration: 300 * 86400 }),
      { progress: (s) => told.push(s), stopped: () => told.length > 2 },
    );
    expect(answer.ok && answer.run.endedEarly && sayPhrase(answer.run.endedEarly, 'metric')).toBe('stopped by hand');
    expect(told.length).toBe(3);
  });
});
