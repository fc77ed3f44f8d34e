import { describe, expect, it } from 'vitest';
import { clamp, EARTH, potential, read, rms, waitingOf } from '../circuit';
import { demoStations } from '../demo';
import { sensorTrips } from '../levels';
import { panelOf } from '../schemes';
import { newStation, type Station } from '../station';
import { inTheEnd, outcomesOf, solveWith, wire } from '../wiring';
import { applyFaults, faultsOf, heldBy } from '.';

const demo = (file: string): Station => demoStations().find((d) => d.file === file)!.station;
const built = (station: Station) => {
  const made = panelOf(station);
  if (!made.ok) throw new Error(station.identity.name);
  return made.panel;
};
const named = (station: Station, ...ids: string[]) => {
  const all = faultsOf(station, built(station));
  return ids.map((id) => {
    const found = all.find((f) => f.id === id);
    if (!found) throw new Error(`${id} is not one of ${all.map((f) => f.id).join(' ')}`);
    return found;
  });
};
/** What the panel does with a fault in it, in a posture. */
function does(station: Station, id: string, posture: Record<string, string>) {
  const panel = built(station);
  const faults = named(station, id);
  const wired = applyFaults(station, panel, wire(station, panel), faults);
  const held = heldBy(faults);
  const settled = solveWith(wired, Object.fromEntries(Object.entries(posture).filter(([tag]) => !(tag in held))));
  return { wired, settled, outcomes: outcomesOf(wired, settled) };
}
const duplex = demo('underpass-storm-sump.json');
const cord = demo('workshop-sump.json');
const sump = newStation('a', 'b', 'metric-230');
const contactor: Station = { ...sump, control: { ...sump.control, scheme: 'contactor' } };
const live = ({ solution }: ReturnType<typeof solveWith>, pin: string) =>
  rms(potential(solution, pin, 'ac'), potential(solution, pin, 'dc'));
const up = (...floats: string[]) => Object.fromEntries(floats.map((f) => [`S-${f}`, 'up']));

describe('the catalogue', () => {
  it('names every kind of fault of the trade somewhere among the demo stations', () => {
    const label = demoStations()
      .flatMap(({ station }) => faultsOf(station, built(station)).map((f) => f.label))
      .join('\n');
    for (const what of [
      'stuck up',
      'stuck down',
      'tangled',
      'waterlogged',
      'slipped',
      'blocked by deposit',
      'cord cut',
      'contact welded',
      'leaks through a wet housing',
      'wrong core',
      'bell or tube leaks',
      'breather',
      'upside down',
    ])
      expect(label).toContain(what);
    for (const what of [
      'is off',
      'fuse blown',
      'supply at',
      'leg L2 lost',
      'neutral lost',
      'earth lost',
      'disconnect left off',
      'ground-fault',
      'T1 dead',
      'battery of the alarm flat',
    ])
      expect(label).toContain(what);
    for (const what of [
      'left in Hand',
      'left in Off',
      'K1 welded',
      'coil of',
      'stuck pulled in',
      'stuck: pump 1 always first',
      'locked',
      'link left in',
      'never runs out',
      'not programmed',
      'drive in fault',
      'silence stuck',
      'horn dead',
      'lamp dead',
      'on the pair that opens',
      'switches the neutral',
      'cut-off of',
      'polarity reversed',
    ])
      expect(label).toContain(what);
    for (const what of [
      'winding open',
      'start capacitor',
      'thermal protector open',
      'overload tripped',
      'seized',
      'clogged',
      'worn',
      'air-locked',
    ])
      expect(label).toContain(what);
    for (const what of [
      'check valve stuck open',
      'check valve of pump 1 stuck shut',
      'blocked or frozen',
      'joint off',
      'weep hole blocked',
      'inflow twice',
      'water coming back',
    ])
      expect(label).toContain(what);
  });
  it('each station has those of its own parts, each once, and each label how it comes and is remedy', () => {
    for (const { station } of demoStations()) {
      const panel = built(station);
      const all = faultsOf(station, panel);
      expect(new Set(all.map((f) => f.id)).size).toBe(all.length);
      for (const f of all) {
        for (const tag of Object.keys(f.effects.holds ?? {}))
          expect(panel.devices.some((d) => d.tag === tag)).toBe(true);
        expect([f.id, f.cause.length > 0, f.remedy.length > 0, f.perYear > 0]).toEqual([f.id, true, true, true]);
        expect([f.id, Object.keys(f.effects).length]).not.toEqual([f.id, 0]);
      }
    }
  });
  it('every fault leaves a panel that can be wired and comes to rest, and other faults do not undo it', () => {
    for (const { station } of demoStations()) {
      const panel = built(station);
      const healthy = wire(station, panel);
      for (const f of faultsOf(station, panel)) {
        const wired = applyFaults(station, panel, healthy, [f]);
        expect([f.id, wired.strays]).toEqual([f.id, healthy.strays]);
        expect([f.id, solveWith(wired, {}).chatter]).toEqual([f.id, []]);
      }
    }
  });
  it('without a fault the panel is the one that it was', () => {
    const panel = built(duplex);
    const healthy = wire(duplex, panel);
    expect(applyFaults(duplex, panel, healthy, [])).toBe(healthy);
  });
});

describe('what they do to the circuit, written down from the trade', () => {
  it.each([
    ['pump-cord-cut', up('pump'), { M1: false }],
    ['pump-welded', {}, { M1: true }],
    ['pump-upside-down', {}, { M1: true }],
    ['pump-upside-down', up('pump'), { M1: false }],
    ['pump-stuck-up', {}, { M1: true }],
    ['Q1-off', up('pump'), { M1: false }],
    ['Q9-off', up('pump'), { M1: false }],
    ['W0-cut', up('pump', 'alarm'), { M1: false, horn: true }],
    ['W9-cut', up('alarm'), { horn: true }],
    ['GB-flat', { ...up('alarm'), W9: 'cut', W0: 'cut' }, { horn: false }],
    ['W9-cut', { ...up('alarm'), GB: 'flat' }, { horn: false }],
    ['alarm-cord-cut', up('alarm'), { horn: false, lamp: false }],
    ['K8-coil-open', up('alarm'), { horn: false, lamp: false }],
    ['K8-stuck', {}, { horn: true, lamp: true }],
    ['silence-stuck', up('alarm'), { horn: false, lamp: true }],
    ['P2-dead', up('alarm'), { horn: false, lamp: true }],
    ['P1-dead', up('alarm'), { horn: true, lamp: false }],
    ['M1-winding-open', up('pump'), { M1: false }],
    ['W0-neutral-lost', up('pump'), { M1: false }],
  ])('float in the cord, %s in %j: %j', (id, posture, expected) =>
    expect(does(cord, id, posture).outcomes).toMatchObject(expected),
  );

  it.each([
    ['K1-coil-open', up('stop', 'lead'), { M1: false, M2: false }],
    ['K7R-coil-open', up('stop', 'lead'), { M1: false, M2: true }],
    ['K1-stuck', {}, { M1: true, M2: false }],
    ['S11-hand', {}, { M1: true }],
    ['S11-left-off', up('stop', 'lead'), { M1: false, M2: true }],
    ['S5-two', up('stop', 'lead'), { M1: false, M2: true }],
    ['F1-off', up('stop', 'lead'), { M1: false, M2: false, horn: true }],
    ['K5I-coil-open', up('stop', 'lead', 'lag', 'alarm'), { M1: true, M2: true, horn: false }],
    ['lag-cord-cut', up('stop', 'lead', 'lag', 'alarm'), { M1: true, M2: false, horn: true }],
    ['link-left-in', up('stop', 'lead', 'lag'), { M1: true, M2: true, horn: true }],
    ['P9-loose', up('stop', 'lead', 'alarm'), { horn: true, P9: false }],
    ['P9-wrong-pair', {}, { horn: false, P9: true }],
    ['M1-overload', up('stop', 'lead'), { M1: false, M2: true }],
    ['W0-L2-lost', up('stop', 'lead'), { M1: false }],
  ])('duplex, %s in %j: %j', (id, posture, expected) =>
    expect(does(duplex, id, posture).outcomes).toMatchObject(expected),
  );

  it('a stuck alternator gives the pump at which it stands every call; a well one passes the turn', () => {
    const call = (id: string | null) => {
      const panel = built(duplex);
      const wired = applyFaults(duplex, panel, wire(duplex, panel), id === null ? [] : named(duplex, id));
      const first = solveWith(wired, up('stop', 'lead'));
      const over = solveWith(wired, { 'S-lead': 'down', 'S-stop': 'down' }, first.states);
      const second = solveWith(wired, up('stop', 'lead'), over.states);
      return [first, second].map((s) => {
        const { M1, M2 } = outcomesOf(wired, s);
        return [M1, M2];
      });
    };
    const [one, two] = [
      [true, false],
      [false, true],
    ];
    expect(call(null)).toEqual([one, two]);
    expect(call('A1-stuck')).toEqual([one, one]);
    expect(call('A1-stuck-2')).toEqual([two, two]);
  });
  it('a rotor that stands draws the starting current, and the overload of a contactor opens', () => {
    const run = solveWith(wire(sump, built(sump)), up('pump'));
    const { settled, wired, outcomes: stands } = does(sump, 'M1-seized', up('pump'));
    expect([settled.states.M1, stands.M1]).toEqual(['stalled', false]);
    // A little under twice its rating: a breaker carries that for about a minute, and opens.
    expect(waitingOf(settled)).toEqual([{ device: 'Q1', from: 'on', to: 'tripped', after: expect.closeTo(70, -1) }]);
    expect(inTheEnd(wired, settled).states).toMatchObject({ Q1: 'tripped', M1: 'still' });
    const amps = (s: typeof run) => {
      const core = built(sump).cores.find((c) => c.pin === 'M1:U')!.id;
      const reading = clamp(s.solution, [core]);
      if (!reading.ok) throw new Error(reading.reason);
      return reading.value;
    };
    expect(amps(settled) / amps(run)).toBeGreaterThan(0.8 * sump.pumps[0]!.motor.starting);
    const behind = does(contactor, 'M1-seized', up('pump'));
    // The overload of class 10 and the breaker both warm: what is quicker opens, and one is enough.
    expect(waitingOf(behind.settled).map((x) => x.device)).toEqual(expect.arrayContaining(['Q1', 'F11']));
    expect(behind.outcomes.M1).toBe(false);
    expect(inTheEnd(behind.wired, behind.settled).states).toMatchObject({
      F11: 'tripped',
      Q1: 'on',
      K1: 'off',
      M1: 'still',
    });
  });
  it('a float in the neutral leaves the motor live when it is off; polarity reversed does as much', () => {
    for (const id of ['neutral-switched', 'polarity']) {
      const station: Station = cord;
      const { settled, outcomes } = does(station, id, {});
      expect(outcomes.M1).toBe(false);
      const volts = Math.max(...['M1:U', 'M1:V'].map((pin) => live(settled, pin)));
      expect([id, volts > 200]).toEqual([id, true]);
    }
    const { settled } = does(cord, 'Q1-off', {});
    expect(live(settled, 'M1:U')).toBeLessThan(5);
  });
  it('a lost earth: the frame is held by the water only', () => {
    const ohms = (id: string) => {
      const { wired } = does(contactor, id, {});
      const off = { ...wired.states, Q0: 'off', W0: 'cut', W9: 'cut', GB: 'flat' };
      const reading = read(wired.structure, off, wired.points.get('M1:PE')!, EARTH, 'ohms');
      return reading.ok ? reading.value : NaN;
    };
    // The alarm has an earth of its own circuit on the same bar: both must go.
    expect(ohms('M1-worn')).toBeLessThan(5);
    expect(ohms('W0-earth-lost')).toBeGreaterThanOrEqual(ohms('M1-worn'));
  });
  it('an open coil reads an open line with all off, a whole one its winding', () => {
    const ohms = (id: string) => {
      const { wired } = does(contactor, id, {});
      const off = { ...wired.states, Q0: 'off', F1: 'off', W0: 'cut', W9: 'cut', GB: 'flat' };
      const reading = read(wired.structure, off, wired.points.get('K1:A1')!, wired.points.get('K1:A2')!, 'ohms');
      return reading.ok ? reading.value : NaN;
    };
    expect(ohms('K1-coil-open')).toBeGreaterThan(1e6);
    expect(ohms('M1-clogged')).toBeLessThan(1e5);
  });
  it('a cut-off that is not connected lets the appliance run whatever the water does', () => {
    const station = demo('cold-store-condensate.json');
    expect(does(station, 'U41-bridged', up('cutoff')).outcomes.U41).toBe(true);
    expect(does(station, 'M1-worn', up('cutoff')).outcomes.U41).toBe(false);
  });
});

describe('what they do to levels and pumps', () => {
  it('a slipped clip takes both trips down with it', () => {
    const [fault] = named(sump, 'pump-slipped');
    const trips = (s: Station) => sensorTrips(s).find((t) => t.sensor.role === 'pump')!;
    const [was, is] = [trips(sump), trips(fault!.effects.station!(sump))];
    expect([was.rise - is.rise, was.fall - is.fall]).toEqual([expect.closeTo(0.15, 9), expect.closeTo(0.15, 9)]);
  });
  it('a blocked breather lets a bell act later, by the head of what it holds and a little more', () => {
    const well = demo('lodge-grinder-well.json');
    const [fault] = named(well, 'pump-breather');
    const trips = (s: Station) => sensorTrips(s).find((t) => t.sensor.id === 'pump')!;
    const later = trips(fault!.effects.station!(well)).rise - trips(well).rise;
    expect(later).toBeGreaterThan(600 / (1000 * 9.81));
    expect(later).toBeLessThan(0.1);
  });
  it('a worn impeller has less flow and head, a clogged one less flow; a joint off takes half of every pump', () => {
    const curve = (id: string, n = 0) => named(duplex, id)[0]!.effects.station!(duplex).pumps[n]!.curve.at(-1)!;
    const whole = duplex.pumps[0]!.curve.at(-1)!;
    expect(curve('M1-worn')).toEqual({ flow: whole.flow * 0.85, head: whole.head * 0.85 });
    expect(curve('M1-clogged')).toEqual({ flow: whole.flow * 0.5, head: whole.head });
    expect(curve('M1-clogged', 1)).toEqual(duplex.pumps[1]!.curve.at(-1));
    expect([curve('joint-off', 0).flow, curve('joint-off', 1).flow]).toEqual([
      whole.flow * 0.5,
      duplex.pumps[1]!.curve.at(-1)!.flow * 0.5,
    ]);
  });
});
