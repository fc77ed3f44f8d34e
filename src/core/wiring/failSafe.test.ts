import { describe, expect, it } from 'vitest';
import { faultsOf } from '../faults';
import { readyScenarios, rehearse } from '../rehearsal';
import { panelOf } from '../schemes';
import { newStation, type Station } from '../station';
import { demoStations } from '../demo';
import { sayPhrase } from '../units';
import { controlFigures, outcomesOf, solveWith, wire } from '.';

const demo = (file: string) => demoStations().find((d) => d.file === file)!.station;
const built = (s: Station) => {
  const made = panelOf(s);
  if (!made.ok) throw new Error(made.reasons.map((r) => sayPhrase(r, 'metric')).join('; '));
  return made.panel;
};
const figures = (s: Station) => Object.fromEntries(controlFigures(s, wire(s, built(s))).map((c) => [c.id, c] as const));
const scheme = (id: string, s = newStation('a', 'b', 'metric-230')): Station => ({
  ...s,
  control: { ...s.control, scheme: id },
});
const withAlarmFloat = (s: Station, contact: 'closes-on-rise' | 'opens-on-rise'): Station => ({
  ...s,
  sensors: s.sensors.map((x) => (x.role === 'alarm' ? { ...x, contact } : x)),
});

describe('what a cut cord or a lost supply disables', () => {
  it.each([
    ['cord', scheme('cord')],
    ['contactor', scheme('contactor')],
    ['duplex', demo('underpass-storm-sump.json')],
  ])('%s: an alarm float that closes on rise is silent with its cord cut, one that opens on rise rings', (_, s) => {
    const [closes, opens] = [withAlarmFloat(s, 'closes-on-rise'), withAlarmFloat(s, 'opens-on-rise')];
    expect(figures(closes)['fails-S-alarm']!.title).toMatch(/is not told$/);
    expect(figures(opens)['fails-S-alarm']!.title).toMatch(/safe side$/);
    // Either rings at high water and is quiet below it.
    for (const x of [closes, opens]) {
      const wired = wire(x, built(x));
      const rings = (at: string) => outcomesOf(wired, solveWith(wired, { 'S-alarm': at })).horn;
      expect([rings('down'), rings('up')]).toEqual([false, true]);
    }
    const cut = wire(opens, built(opens), {
      cores: [{ core: built(opens).cores.find((c) => c.pin === 'S-alarm:C')!.id, to: null }],
      links: [],
    });
    expect(outcomesOf(cut, solveWith(cut, {})).horn).toBe(true);
  });
  it('an alarm without battery is silent without its circuit, and says so; with one it is not', () => {
    const s = scheme('contactor');
    const bare = { ...s, alarm: { ...s.alarm, battery: false } };
    expect(figures(bare)['fails-W9']!.title).toMatch(/is not told$/);
    expect(figures(s)['fails-W9']!.title).toMatch(/still acts$/);
    // On the circuit of the pump it goes with that.
    const shared = { ...bare, alarm: { ...bare.alarm, ownSupply: false } };
    expect(figures(shared)['fails-W0']!.title).toMatch(/is not told$/);
  });
  it('after a power cut a pump whose thermal relay latches waits for a hand, and names the button; one that returns does not', () => {
    const s = demo('underpass-storm-sump.json');
    const carrying = (motorThermal: 'returns' | 'latches'): Station => ({
      ...s,
      control: { ...s.control, parts: { ...s.control.parts, motorThermal } },
    });
    expect(figures(s)['after-cut']).toMatchObject({ state: 'holds' });
    expect(sayPhrase(figures(s)['after-cut']!.why, 'metric')).toMatch(/^Pumps that are called run again by themselves/);
    expect(figures(carrying('returns'))['after-cut']).toMatchObject({ state: 'holds' });
    const latched = figures(carrying('latches'))['after-cut']!;
    expect(latched.state).toBe('broken');
    expect(sayPhrase(latched.why, 'metric')).toMatch(/M1, M2 that ran before stands until somebody presses S61, S62/);
    // A tank that is filled calls with its floats hanging; a timed dose comes after its rest.
    for (const file of [
      'workshop-header-tank.json',
      'sand-bed-dosing-tank.json',
      'lodge-grinder-well.json',
      'rain-cistern.json',
    ])
      expect([file, figures(demo(file))['after-cut']?.state]).toEqual([file, 'holds']);
  });
  it('three floats over a link cannot have an alarm float that opens', () => {
    const s = withAlarmFloat(demo('underpass-storm-sump.json'), 'opens-on-rise');
    expect(panelOf({ ...s, control: { ...s.control, floats: 'three' } }).ok).toBe(false);
  });
});

describe('a winding to its frame', () => {
  const why = (s: Station) => sayPhrase(figures(s)['earth-M1']!.why, 'metric');
  const guarded = (s: Station, residualCurrent: boolean): Station => ({
    ...s,
    supply: { ...s.supply, residualCurrent },
  });
  it('is live until something opens: at once here, by the breaker or the residual-current device', () => {
    expect(why(guarded(scheme('contactor'), true))).toMatch(/^\d+ V stand on the frame.*; (Q1|Q9) opens at once\./);
    expect(why(guarded(scheme('contactor'), false))).toMatch(/; (F11|Q1) opens (after [\d.]+ s|at once)\./);
  });
  it('with no earth at all opens nothing, and stays', () => {
    const s = guarded(scheme('contactor'), false);
    const { cores } = built(s);
    const loose = cores.filter((c) => c.pin.endsWith(':PE')).map((c) => ({ core: c.id, to: null }));
    const bare: Station = { ...s, landings: { cores: loose, links: [] } };
    expect(figures(bare)['earth-M1']).toMatchObject({ state: 'broken' });
    expect(why(bare)).toMatch(/nothing opens, and 2\d\d V stay/);
  });
});

describe('24 V over a long run', () => {
  it('is told when the coil no longer pulls in: 6 km of copper out and back take too much of it', () => {
    const s = scheme('contactor');
    const at = (length: number): Station => ({
      ...s,
      wiring: { ...s.wiring, field: { ...s.wiring.field, length } },
      control: { ...s.control, parts: { ...s.control.parts, extraLow: 'ac' } },
    });
    const pulls = (x: Station) => Object.values(figures(x)).filter((c) => c.id.startsWith('pulls-'));
    expect(pulls(at(20)).map((c) => c.state)).toContain('holds');
    expect(pulls(at(20)).map((c) => c.state)).not.toContain('broken');
    expect(pulls(at(6000)).map((c) => c.state)).toContain('broken');
  });
});

describe('barriers', () => {
  const carrying = (length: number): Station => {
    const s = scheme('contactor');
    return {
      ...s,
      wiring: { ...s.wiring, field: { ...s.wiring.field, length } },
      control: {
        ...s.control,
        parts: {
          ...s.control.parts,
          barrier: { voltage: 9.6, current: 0.012, capacitance: 0.1e-6, inductance: 0.3e-3 },
        },
      },
    };
  };
  it('hold the cable of each float against what may hang on them: 200 pF and 1 µH a metre where nothing else is known', () => {
    // 0.1 µF are 500 m at 200 pF/m, 0.3 mH are 300 m at 1 µH/m.
    const at = (length: number) => figures(carrying(length));
    expect([at(100)['barrier-co-S-alarm']!.state, at(100)['barrier-lo-S-alarm']!.state]).toEqual(['holds', 'holds']);
    expect([at(400)['barrier-co-S-alarm']!.state, at(400)['barrier-lo-S-alarm']!.state]).toEqual(['holds', 'broken']);
    expect(at(600)['barrier-co-S-alarm']!.state).toBe('broken');
  });
  it('and say nothing where there are none', () =>
    expect(Object.keys(figures(scheme('contactor'))).filter((id) => id.startsWith('barrier'))).toEqual([]));
});

describe('what the rehearsal makes of motors', () => {
  const duplex = demo('underpass-storm-sump.json');
  const run = (s: Station, faults: readonly string[], more: object = {}) => {
    const made = rehearse(s, {
      ...readyScenarios(s).find((x) => x.name === 'two hours at peak')!,
      duration: 6 * 3600,
      faults: faults.map((id) => ({ from: 0, to: null, id })),
      ...more,
    });
    if (!made.ok) throw new Error('it cannot be rehearsed');
    return { ...made.run, said: made.run.events.map((e) => sayPhrase(e.sentence, 'metric')) };
  };
  it('a pump that turns backwards runs longer for less; both of a pair backwards longer still', () => {
    const hours = (r: ReturnType<typeof run>) => r.balance.pumped / r.pumps.reduce((sum, p) => sum + p.runTime, 0);
    const [well, one, both] = [[], ['M1-backwards'], ['M1-backwards', 'M2-backwards']].map((f) =>
      hours(run(duplex, f)),
    );
    expect(one! < well! && both! < one!).toBe(true);
  });
  it('a thermal contact stops a pump in air and lets it come back when it has cooled; the alarm tells', () => {
    const s = scheme('contactor');
    const felt: Station = {
      ...s,
      control: { ...s.control, parts: { ...s.control.parts, motorThermal: 'returns' } },
    };
    const { said } = run(felt, ['pump-stuck-up'], {
      inflow: { kind: 'steps', rows: [{ time: 0, flow: 0 }], repeatEvery: null },
    });
    expect(said).toContainEqual(expect.stringMatching(/ran without water: its windings are too hot/));
    expect(said).toContainEqual(expect.stringMatching(/^pump 1 starts.*the windings of pump 1 have cooled/));
  });
  it('every fault of every part that a panel can carry is in the catalogue, and does something', () => {
    const s = scheme('contactor', { ...newStation('a', 'b', 'metric-230') });
    const all: Station = {
      ...s,
      supply: { ...s.supply, source: 'three', voltage: 400, residualCurrent: false },
      control: {
        ...s.control,
        parts: {
          ...s.control.parts,
          sealProbe: 'stop',
          motorThermal: 'returns',
          phaseMonitor: true,
          surge: true,
          heater: 40,
          generator: 'neutral-solid',
          barrier: { voltage: 9.6, current: 0.012, capacitance: 1e-6, inductance: 1e-3 },
        },
      },
    };
    const panel = built(all);
    const ids = faultsOf(all, panel).map((f) => f.id);
    for (const id of [
      'M1-seal',
      'H1-open',
      'K40-dead',
      'K40-stuck',
      'B-pump-dead',
      'B-pump-stuck',
      'E5-dead',
      'E6-shorted',
      'Q7-off',
      'Q7-generator',
    ])
      expect(ids).toContain(id);
  });
});
