import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { BY_FLOATS, brokenRules, judge, levelContext, RULE_IDS, surroundingsOf, type RuleId } from '../levels';
import { kindOf } from '../sensors';
import { type Sensor } from '../sensors';
import { newStation, type Station } from '../station';
import { sayPhrase, systemOf, tapeStep } from '../units';
import { bestFirst } from './bestFirst';
import { propose } from './index';
import { fieldOf, search } from './search';

const MUSTS: ReadonlySet<RuleId> = new Set(RULE_IDS.must.filter((id) => BY_FLOATS.has(id)));
const STEP = tapeStep('us');
const marks = (n: number) => Array.from({ length: n }, (_, i) => Number((i * STEP).toFixed(7)));

/** A pit small enough that every hanging of its floats can be tried: twelve inches deep, on a tape of quarter inches. */
function tiny(
  kind: 'rod' | 'tilt' | 'two',
  side: number,
  flow: number,
  starts: number,
  change: (s: Station) => void = () => {},
): Station {
  const s = newStation('a', 'b', 'us-120');
  const depth = 34 * STEP;
  s.vessel = {
    ...s.vessel,
    shape: { kind: 'box', length: side, width: side, depth },
    inletInvert: depth * 0.9,
    overflow: 32 * STEP,
  };
  s.pumps[0] = {
    ...s.pumps[0]!,
    intake: 0.002,
    volute: 0.01,
    motorTop: 0.03,
    diameter: 0.03,
    offset: 0.02,
    bearing: 270,
    riserOffset: 0.03,
    startsPerHour: starts,
    curve: [
      { flow: 0, head: 5 },
      { flow, head: 3 },
      { flow: flow * 1.5, head: 0.5 },
    ],
  };
  s.discharge = { ...s.discharge, outlet: 1.5, weepHole: null, checkValve: { pipeBefore: 0.05 } };
  s.inflow.source = { kind: 'steady', low: flow / 40, design: flow / 10, peak: flow / 3 };
  s.pole = { bearing: 90, offset: 0.05, diameter: 0.01 };
  s.settings = { ...s.settings, minimumTether: 3 * STEP, swingClearance: 0.01, reserveTime: 20, sideSwingDeg: 10 };
  const place = (bearing: number) => ({ from: 'pole' as const, bearing, offset: 0.02 });
  const common = {
    duty: 'control' as const,
    contact: 'closes-on-rise' as const,
    changeover: false,
    contactRating: 1,
    cordLength: 9,
  };
  const tilt = (role: 'pump' | 'stop' | 'lead' | 'alarm', bearing: number): Sensor => ({
    ...common,
    id: role,
    role,
    kind: 'tilt',
    place: place(bearing),
    clip: 10 * STEP,
    tether: 4 * STEP,
    body: 4 * STEP,
    thickness: 2 * STEP,
    riseDeg: 30,
    fallDeg: 30,
    measured: null,
    weight: null,
  });
  const pump: Sensor =
    kind === 'tilt'
      ? tilt('pump', 0)
      : {
          ...common,
          id: 'pump',
          role: 'pump',
          kind: 'rod',
          latch: 'snap',
          place: { from: 'axis', bearing: 200, offset: 0.08, facing: 0 },
          upperStop: 12 * STEP,
          lowerStop: 8 * STEP,
        };
  s.sensors = kind === 'two' ? [tilt('stop', 0), tilt('lead', 180), tilt('alarm', 90)] : [pump, tilt('alarm', 90)];
  change(s);
  return s;
}

/** Every hanging of the floats of a tiny pit on the tape, by plain nested loops. */
function* everyHanging(s: Station): Generator<Station> {
  const n = 35;
  if (s.sensors.length === 3) {
    const at = (i: number, clip: number) => ({ ...s.sensors[i]!, clip }) as Sensor;
    for (const a of marks(n))
      for (const b of marks(n))
        for (const c of marks(n)) if (b > a && c > b) yield { ...s, sensors: [at(0, a), at(1, b), at(2, c)] };
    return;
  }
  const [pump, alarm] = s.sensors as [Sensor, Sensor];
  const pumps: Sensor[] =
    pump.kind === 'rod'
      ? marks(n).flatMap((lowerStop) =>
          marks(n)
            .filter((u) => u > lowerStop)
            .map((upperStop) => ({ ...pump, lowerStop, upperStop })),
        )
      : marks(n).flatMap((clip) =>
          marks(n)
            .filter((t) => t > 0 && pump.kind === 'tilt' && t + pump.body <= 34 * STEP)
            .map((tether) => ({ ...pump, clip, tether }) as Sensor),
        );
  for (const p of pumps) for (const clip of marks(n)) yield { ...s, sensors: [p, { ...alarm, clip } as Sensor] };
}

const exhaustive = (s: Station): Station[] => {
  const around = surroundingsOf(s);
  return [...everyHanging(s)].filter((made) => brokenRules(made, MUSTS, around) === null);
};

describe('against trying every hanging', () => {
  const cases: [string, Station][] = [
    ['a rod float with room to spare', tiny('rod', 0.3, 4e-4, 60)],
    ['a rod float near its limit of starts', tiny('rod', 0.3, 4e-4, 24)],
    ['a rod float that cannot do it: the pump starts too often whatever is set', tiny('rod', 0.3, 2e-3, 60)],
    ['a tilt float among pump and wall', tiny('tilt', 0.3, 3e-4, 60)],
    [
      'a tilt float whose swing the pole leaves little room',
      tiny('tilt', 0.2, 2e-4, 60, (s) => (s.pole.offset = 0.02)),
    ],
    [
      'a tilt float and a post in the way',
      tiny('tilt', 0.3, 3e-4, 60, (s) =>
        s.obstacles.push({ kind: 'round', name: 'post', bearing: 45, offset: 0.09, diameter: 0.03, from: 0, to: 0.2 }),
      ),
    ],
    ['a stop and a lead float', tiny('two', 0.3, 3e-4, 60)],
    ['a pump that cannot keep up', tiny('rod', 0.3, 4e-4, 60, (s) => Object.assign(s.inflow.source, { peak: 9e-4 }))],
  ];
  const possible = new Set<boolean>();
  it.each(cases)('%s: it finds one just where there is one, and the best for its aim', (_, s) => {
    const all = exhaustive(s);
    const found = search(fieldOf(s, surroundingsOf(s), s.sensors), 'fewest-starts', MUSTS);
    expect(found !== null).toBe(all.length > 0);
    possible.add(all.length > 0);
    if (!found) return;
    const drawdown = (x: Station) => levelContext(x).drawdown;
    expect(drawdown(found)).toBeCloseTo(Math.max(...all.map(drawdown)), 9);
    const lowest = search(fieldOf(s, surroundingsOf(s), s.sensors), 'longest-reserve', MUSTS)!;
    expect(levelContext(lowest).lead).toBeCloseTo(Math.min(...all.map((x) => levelContext(x).lead)), 9);
    const stored = (x: Station) => ((c) => c.vessel.volume(c.stop) + c.vessel.volume(c.lead))(levelContext(x));
    expect(stored(search(fieldOf(s, surroundingsOf(s), s.sensors), 'least-stored', MUSTS)!)).toBeCloseTo(
      Math.min(...all.map(stored)),
      9,
    );
  });
  it('both kinds of case are among them', () => expect(possible).toEqual(new Set([true, false])));
});

describe('proposals for the demo stations', () => {
  it.each(demoStations().map((d) => [d.file, d.station] as const))(
    '%s: every must holds, and every setting is a mark of the tape',
    (_, station) => {
      const step = tapeStep(systemOf(station.profile));
      for (const p of propose(station)) {
        if (!p.ok) throw new Error(`${p.aim}: ${p.bites.join()}`);
        const after = { ...station, sensors: [...p.sensors] };
        expect(
          judge(after).rules.filter((r) => r.severity === 'must' && (r.state === 'broken' || r.state === 'unknown')),
        ).toEqual([]);
        for (const s of p.sensors) {
          const before = station.sensors.find((x) => x.id === s.id)!;
          for (const m of kindOf(s).measures(s)) {
            const same =
              kindOf(before)
                .measures(before)
                .find((x) => x.field === m.field)!.value === m.value;
            if (!same && s.kind !== 'rod')
              expect(Math.abs(m.value / step - Math.round(m.value / step))).toBeLessThan(1e-4);
          }
        }
        expect(p.gives).toEqual(
          judge(after)
            .rules.filter((r) => r.severity === 'should' && r.state === 'broken')
            .map((r) => r.title),
        );
      }
    },
  );
  it('a healthy station set on the tape needs no change for the fewest changes', () => {
    const [p] = propose(newStation('a', 'b', 'metric-230'), ['fewest-changes']);
    expect(p).toMatchObject({ ok: true, moves: [] });
  });
  it('counts moves from what was found, not from what is on the screen', () => {
    const s = newStation('a', 'b', 'metric-230');
    const found = s.sensors.map((x) => kindOf(x).moved(x, 0.05));
    const [p] = propose({ ...s, found }, ['fewest-changes']);
    if (!p?.ok) throw new Error('none');
    expect(p.moves.reduce((sum, m) => sum + m.by, 0)).toBeLessThan(0.1);
  });
  it('does not offer what levels cannot serve: a timer’s starts', () => {
    const timed = demoStations().find((d) => d.file === 'sand-bed-dosing-tank.json')!.station;
    expect(propose(timed).map((p) => p.aim)).not.toContain('fewest-starts');
  });
});

describe('where nothing on the tape will do', () => {
  it('says which rule stands in the way, and every change it offers makes the musts hold', () => {
    const [p] = propose(tiny('rod', 0.3, 2e-3, 60));
    if (!p || p.ok) throw new Error('it was feasible');
    expect(p.bites).toEqual(['starts per hour at worst inflow']);
    expect(p.remedies.length).toBeGreaterThan(1);
    for (const r of p.remedies) {
      expect(sayPhrase(r.sentence, 'us').length).toBeGreaterThan(10);
      expect(brokenRules(r.station, MUSTS, surroundingsOf(r.station))).toBeNull();
    }
    // The pit is made no wider than it must be: one step less, and nothing on the tape will do.
    const wide = p.remedies.find(
      (r) => JSON.stringify(r.station.vessel) !== JSON.stringify(tiny('rod', 0.3, 2e-3, 60).vessel),
    )!;
    const { shape } = wide.station.vessel;
    if (shape.kind !== 'box') throw new Error('another shape');
    const less: Station = {
      ...wide.station,
      vessel: {
        ...wide.station.vessel,
        shape: { ...shape, length: shape.length - 0.0508, width: shape.width - 0.0508 },
      },
    };
    expect(propose(less, ['fewest-starts'])[0]!.ok).toBe(false);
  });
  it('a pump that cannot lift is told by its rules', () => {
    const [p] = propose(tiny('rod', 0.3, 4e-4, 60, (s) => (s.discharge.outlet = 20)));
    expect(p).toMatchObject({ ok: false, remedies: [] });
  });
});

describe('best first', () => {
  it('is the order of sorting', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: -5, max: 5, noNaN: true }), { maxLength: 200 }), (scores) => {
        const order = [...bestFirst(Float64Array.from(scores))];
        expect(order).toEqual(scores.map((_, i) => i).sort((a, b) => scores[a]! - scores[b]! || a - b));
      }),
    );
  });
});
