import { describe, expect, it } from 'vitest';
import { demoStations } from '../../demo';
import { applyFaults, faultsOf } from '../../faults';
import type { Running } from '../../hydraulics';
import type { Station } from '../../station';
import { sayPhrase } from '../../units';
import { wire, wireList } from '../../wiring';
import { catalogueOf } from '../catalogue';
import { timeDrawn } from '../drawn';
import { predict } from '../predict';
import type { Prediction } from '../prediction';
import { worldOf, type World } from '../world';
import { faultTestsOf, levelOf } from './index';

/* Tests by which a fault is looked for: each hidden fault has one that shows it, and each shows what it is for and nothing else. */

const demo = (file: string): Station => demoStations().find((d) => d.file === `${file}.json`)!.station;

const text = (p: Prediction): string =>
  p.kind === 'value' ? 'a figure' : sayPhrase(p.kind === 'untold' ? p.why : p.sentence, 'metric');

/** A station sound, and with one of its faults. */
function worlds(station: Station) {
  const sound = worldOf(station);
  const all = faultsOf(station, sound.panel!);
  return {
    sound,
    all,
    with: (id: string): World => worldOf(station, [all.find((f) => f.id === id)!], 'designed', sound),
  };
}

const askedOf = (world: World, sound: World, id: string) =>
  predict(world, faultTestsOf(sound).find((t) => t.test.id === id)!.test);

/** What a test shows of one observation: words, or a figure. */
function shown(file: string, test: string, observation: string, ...faults: string[]): (string | number)[] {
  const of = worlds(demo(file));
  return [of.sound, ...faults.map(of.with)].map((world) => {
    const p = askedOf(world, of.sound, test).get(observation)!;
    return p.kind === 'value' ? p.value.value : text(p);
  });
}

/** Whether two predictions are told from one another by a person: other words, or figures that lie outside each other’s bounds. */
function differs(a: Prediction, b: Prediction): boolean {
  if (a.kind !== 'value' || b.kind !== 'value') return a.kind !== b.kind || text(a) !== text(b);
  const outside = (x: number, p: typeof a) => (p.least !== null && x < p.least) || (p.most !== null && x > p.most);
  return outside(a.value.value, b) || outside(b.value.value, a);
}

describe('a fault that hides is shown by some test', () => {
  // What nobody sees before it is asked: contacts that weld or leak, floats that hang fast, earths, batteries.
  const HIDES = /-(welded|leaking|wrong-core|stuck-up|stuck-down|cord-cut|earth-lost|earth-core|flat)$/;

  it.each(demoStations().map((d) => [d.file, d.station] as const))('%s', (_, station) => {
    const of = worlds(station);
    const tests = faultTestsOf(of.sound);
    const hidden = of.all.filter((f) => HIDES.test(f.id));
    expect(hidden.length).toBeGreaterThan(5);
    const unseen = hidden.filter((fault) => {
      const world = of.with(fault.id);
      return !tests.some(({ test }) => {
        const [is, should] = [predict(world, test), predict(of.sound, test)];
        return [...is].some(([id, p]) => differs(p, should.get(id)!));
      });
    });
    expect(unseen.map((f) => f.id)).toEqual([]);
  });
});

it.each(demoStations().map((d) => [d.file, d.station] as const))('no two tests of %s have one name', (_, station) => {
  const ids = faultTestsOf(worldOf(station)).map((t) => t.test.id);
  expect(ids.filter((id, i) => ids.indexOf(id) !== i)).toEqual([]);
});

it('the display of a drive tells a dead output from an input that it was not told to heed, and both from a drive without mains or in fault', () => {
  const says = (test: string) =>
    shown('rain-cistern', test, 'U1', 'U1-dead', 'U1-input', 'U1S-dead', 'U1F-fault', 'Q1-off', 'pump-stuck-down');
  const waits = 'ready: it waits to be told to run';
  expect(says('levers-called')).toEqual(['running', 'running', waits, 'dark', 'in fault', 'dark', waits]);
  expect(says('levers-resting')).toEqual([waits, waits, waits, 'dark', 'in fault', 'dark', waits]);
  // What is dark keeps its charge: it is said where somebody reads it.
  const { test } = faultTestsOf(worldOf(demo('rain-cistern'))).find((t) => t.test.id === 'levers-called')!;
  expect(test.cautions.join()).toMatch(/A dark display is no proof that U1 is dead\..*deadly charge/);
  const without = faultTestsOf(worldOf(demo('workshop-sump'))).find((t) => t.test.id === 'levers-called')!;
  expect(without.test.cautions).toEqual([]);
});

describe('a contact that changes over', () => {
  it('welds where the panel uses it: a cut-off of which the closed throw is stuck never stops the coils', () => {
    expect(shown('cold-store-condensate', 'lift-cutoff', 'now', 'cutoff-welded', 'cutoff-stuck-down')).toEqual([
      'the lamp is lit',
      'cold store coils may run',
      'cold store coils may run',
    ]);
    const [sound, welded] = shown('cold-store-condensate', 'contact-cutoff', 'lifted', 'cutoff-welded');
    expect(sound).toBe('open line');
    expect(welded).toBeLessThan(1);
  });
  it('that is welded to the one throw never comes to the other', () => {
    const station = demo('cold-store-condensate');
    const { sound, all } = worlds(station);
    const made = wire(station, sound.panel!);
    const parts = (ids: string[]) =>
      applyFaults(
        station,
        sound.panel!,
        made,
        all.filter((f) => ids.includes(f.id)),
      ).netlist.components.map((c) => c.id);
    expect(parts([])).toContain('S-cutoff.NO');
    expect(parts(['cutoff-welded'])).not.toContain('S-cutoff.NO');
    expect(parts(['cutoff-welded'])).toContain('S-cutoff.NC');
  });
  it('its spare core, landed in place of the other, turns it round', () => {
    expect(shown('cold-store-condensate', 'now-called', 'now', 'cutoff-wrong-core')[1]).toContain('the lamp is lit');
    expect(shown('cold-store-condensate', 'lift-cutoff', 'now', 'cutoff-wrong-core')[1]).toBe(
      'cold store coils may run',
    );
  });
  it('that no panel uses has no faults', () => {
    const station = demo('cold-store-condensate');
    const panel = worldOf(station).panel!;
    const cut = {
      ...panel,
      cores: panel.cores.map((c) => (c.pin.startsWith('S-cutoff:') ? { ...c, terminal: null } : c)),
    };
    const ids = (p: typeof panel) => faultsOf(station, p).flatMap((f) => (f.part === 'S-cutoff' ? [f.id] : []));
    expect(ids(panel)).toEqual(expect.arrayContaining(['cutoff-welded', 'cutoff-leaking', 'cutoff-wrong-core']));
    expect(ids(cut).filter((id) => /welded|leaking|wrong-core/.test(id))).toEqual([]);
    expect(ids(cut)).toContain('cutoff-stuck-up');
  });
});

describe('the earth of each feeder', () => {
  it('is read with its core off the bar: beside the other a lost one reads less than an ohm', () => {
    const [lost, other] = ['W0-earth-lost', 'W9-earth-lost'] as const;
    for (const r of shown('underpass-storm-sump', 'earth-X1:PE', 'earth', lost, other)) expect(r).toBeLessThan(1);
    const [sound, own, beside] = shown('underpass-storm-sump', 'feed-earth-W0', 'earth', lost, other);
    expect(sound).toBeLessThan(1);
    expect(own).toBe('open line');
    expect(beside).toBe(sound);
    expect(shown('underpass-storm-sump', 'feed-earth-W9', 'earth', lost, other)[2]).toBe('open line');
  });
  it('is landed again, and there is none to tell apart where one feeder is all', () => {
    const { sound } = worlds(demo('underpass-storm-sump'));
    for (const { test } of faultTestsOf(sound).filter((t) => t.test.id.startsWith('feed-earth-'))) {
      const [off] = test.parts[0]!.acts;
      const [back] = test.restores;
      expect(off).toMatchObject({ kind: 'land', cores: [{ to: null }] });
      expect(back).toMatchObject({ kind: 'land', cores: [{ to: expect.stringMatching(/:PE$/) as string }] });
    }
    const one = demo('wash-down-basin');
    const earthed = worldOf({ ...one, alarm: { ...one.alarm, ownSupply: false } });
    const feeders = earthed.panel!.devices.filter((d) => d.function === 'supply' || d.function === 'alarm-supply');
    expect(feeders).toHaveLength(1);
    expect(faultTestsOf(earthed).filter((t) => t.test.id.startsWith('feed-earth-'))).toEqual([]);
  });
});

describe('the earth of a pump on a plug', () => {
  it('has no second way over the alarm in its box: lost, its metal is open to earth, and no wire joins the two', () => {
    for (const file of ['workshop-sump', 'ticket-office-cellar'] as const) {
      const [sound, own, alarms] = shown(file, 'frame-M1', 'frame', 'W0-earth-lost', 'W9-earth-lost');
      expect(sound).toBeLessThan(1);
      expect(own).toBeGreaterThan(1000);
      expect(alarms).toBe(sound);
      const station = demo(file);
      const wires = wireList(station, wire(station, worldOf(station).panel!));
      const box = wires.filter((w) => [w.from, w.to].includes('X3:PE'));
      expect(box.map((w) => [w.from, w.to].find((end) => end !== 'X3:PE'))).toEqual(['W9:PE']);
    }
  });
});

describe('what each pump moves', () => {
  it('is its own: a worn second pump shows in its drawdown and not in that of the first, and the other way round', () => {
    const flow = (test: string) => shown('underpass-storm-sump', test, 'flow', 'M1-worn', 'M2-worn') as number[];
    const [first, second] = [flow('drawdown'), flow('drawdown-2')];
    expect(first[1]! / first[0]!).toBeLessThan(0.9);
    expect(first[2]! / first[0]!).toBeCloseTo(1, 6);
    expect(second[1]! / second[0]!).toBeCloseTo(1, 6);
    // The pumps are alike: what wear takes from the one it takes from the other.
    expect(second[2]!).toBeCloseTo(first[1]!, 6);
  });
  it('takes its own time: so many pumps, and the pump of that number, are two things', () => {
    const { levels } = worlds(demo('underpass-storm-sump')).with('M2-worn');
    const time = (running: Running) => timeDrawn(levels, levels.lead, levels.stop, running);
    expect(time(1)).toBeCloseTo(time([0]), 6);
    expect(time([1]) / time(1)).toBeGreaterThan(1.1);
  });
  it('is nothing where that pump turns and moves none, whatever the other does', () => {
    const none = 'the pump turns and moves no water';
    expect(shown('underpass-storm-sump', 'drawdown-2', 'flow', 'M2-airlocked')[1]).toBe(none);
    expect(shown('underpass-storm-sump', 'drawdown-2', 'flow', 'M1-airlocked')[1]).toBeGreaterThan(0.01);
    expect(shown('underpass-storm-sump', 'drawdown', 'flow', 'M1-airlocked')[1]).toBe(none);
  });
});

describe('what each pump takes', () => {
  const amps = (pump: number, ...faults: string[]) =>
    shown('underpass-storm-sump', `amps-M${pump}-high`, 'amps', ...faults) as number[];
  it('is by its own flow beside the other: alike pumps change places with their faults', () => {
    for (const what of ['worn', 'clogged', 'airlocked']) {
      const [first, second] = [1, 2].map((n) => amps(n, `M1-${what}`, `M2-${what}`));
      expect(second![0]!).toBeCloseTo(first![0]!, 6);
      expect(second![2]!).toBeCloseTo(first![1]!, 6);
      expect(second![1]!).toBeCloseTo(first![2]!, 6);
    }
  });
  it('is that of one alone where the other moves no water', () => {
    // Alone on the line a pump moves more than beside another, and takes more for it.
    const [beside, alone] = amps(2, 'M1-airlocked');
    expect(alone!).toBeGreaterThan(beside!);
  });
});

describe('a float that the water holds up at rest', () => {
  it('is held down while the pump is called: one that is stuck up lets it run on', () => {
    expect(shown('wash-down-basin', 'down-low', 'now', 'low-stuck-up')).toEqual([
      'nothing runs, sounds or is lit',
      'pump 1 runs',
    ]);
    const tests = faultTestsOf(worldOf(demo('sand-bed-dosing-tank'))).map((t) => t.test.id);
    expect(tests).toContain('down-low');
    expect(tests).not.toContain('lift-low');
    expect(tests).toContain('lift-pump');
  });
  it('no rod lifts a transmitter: it is drawn out of the water where it shows some, and else left to a bucket', () => {
    const basin = demo('wash-down-basin');
    const tests = faultTestsOf(worldOf(basin)).map((t) => t.test.id);
    expect(basin.sensors.find((x) => x.role === 'pump')!.kind).toBe('transmitter');
    expect(tests.filter((id) => /^(lift|down)-/.test(id))).toEqual(['down-low', 'lift-alarm']);
  });
  it('of a tank that is filled, its stop at rest: held down, filling starts', () => {
    expect(shown('workshop-header-tank', 'down-pump', 'now')).toEqual(['pump 1 runs, Rain cistern may fill it']);
  });
});

describe('high water', () => {
  it('is over the peak float where no alarm hangs above it', () => {
    const dosed = demo('sand-bed-dosing-tank');
    const bare: Station = { ...dosed, sensors: dosed.sensors.filter((s) => s.role !== 'alarm') };
    const world = worldOf(bare);
    expect(levelOf(world, 'high')).toBeGreaterThan(world.levels.peak!.rise);
    const { test } = faultTestsOf(world).find((t) => t.test.id === 'floats-high')!;
    const found = predict(world, test);
    expect(text(found.get('S-peak')!)).toBe('lifted');
  });
});

describe('an alarm on its battery', () => {
  it('is not tried at high water that rings nothing: over the peak float alone its button is held', () => {
    const dosed = demo('sand-bed-dosing-tank');
    const bare: Station = { ...dosed, sensors: dosed.sensors.filter((s) => s.role !== 'alarm') };
    const world = worldOf(bare);
    const { test, setting } = faultTestsOf(world).find((t) => t.test.id === 'battery')!;
    expect(levelOf(world, 'high')).not.toBeNull();
    expect(setting).toBe('resting');
    expect(sayPhrase(test.actions[0]!, 'metric')).not.toContain('water');
    expect(text(predict(world, test).get('now')!)).toContain('the lamp is lit');
  });
  it('is tried by its button where nothing rings at high water', () => {
    const { sound } = worlds(demo('rain-cistern'));
    const { test, setting } = faultTestsOf(sound).find((t) => t.test.id === 'battery')!;
    expect(setting).toBe('resting');
    expect(sayPhrase(test.actions[0]!, 'metric')).toContain('with S3 held');
    expect(shown('rain-cistern', 'battery', 'now', 'GB-flat')).toEqual([
      'the lamp is lit',
      'nothing runs, sounds or is lit',
    ]);
  });
});

describe('a timer that rests less at peak', () => {
  it('is waited for there: one that never runs out starts nothing, though the usual one would', () => {
    const [sound, never, usual] = shown('sand-bed-dosing-tank', 'rest-peak', 'starts', 'T3-never', 'T2-never');
    expect(sound).toMatch(/[Pp]ump/);
    expect(never).not.toBe(sound);
    expect(usual).toBe(sound);
  });
  it('is proved: the rest by the survey, and none where no peak float is fitted', () => {
    const station = demo('sand-bed-dosing-tank');
    const test = catalogueOf(worldOf(station)).find((t) => t.id === 'rest-peak')!;
    const rest = predict(worldOf(station), test).get('rest')!;
    if (station.duty.kind !== 'dose' || rest.kind !== 'value') throw new Error('no doser');
    expect(rest.value.value).toBe(station.duty.peakOff);
    const without = { ...station, sensors: station.sensors.filter((s) => s.role !== 'peak') };
    expect(catalogueOf(worldOf(without)).some((t) => t.id === 'rest-peak')).toBe(false);
  });
});

describe('a pump that runs and moves no water', () => {
  it('never brings it down: nothing stops, no alarm clears, and its flow is none', () => {
    const sump = (test: string, observation: string) =>
      shown('workshop-sump', test, observation, 'M1-airlocked', 'check-shut-1', 'M1-clogged');
    const [sound, ...others] = sump('pump-down', 'stops');
    expect(sound).toBe('pump 1 stands');
    expect(others).toEqual([...Array<string>(2).fill('does not come: what runs moves no water'), 'pump 1 stands']);
    expect(typeof sump('recover', 'clears')[0]).toBe('number');
    expect(
      sump('recover', 'clears')
        .slice(1, 3)
        .every((x) => typeof x === 'string'),
    ).toBe(true);
    const of = worlds(demo('workshop-sump'));
    const flow = askedOf(of.with('M1-airlocked'), of.sound, 'drawdown').get('flow')!;
    if (flow.kind !== 'untold') throw new Error('it has a flow');
    // What a tape is off in two minutes, over the area of the pit.
    const { levels } = of.sound;
    expect(flow.nothing).toBeCloseTo((Math.SQRT2 * 0.005 * levels.vessel.area(levels.lead)) / 120, 9);
  });
  it('of a tank is not waited for to the stop; one that pumps takes no longer than its curve says', () => {
    const [sound, airlocked, clogged] = shown('workshop-header-tank', 'fill-up', 'run', 'M1-airlocked', 'M1-clogged');
    expect(airlocked).toBe('does not come: what runs moves no water');
    expect(clogged).toBeGreaterThan(1.5 * (sound as number));
  });
  it('one of two that take turns brings it down or not by whose turn it is: by its own it waits in vain', () => {
    const down = (observation: string) =>
      shown('underpass-storm-sump', 'pump-down', observation, 'M1-airlocked', 'M2-airlocked');
    expect(down('stops')[0]).toBe('the pump that ran stands');
    const vain = 'does not come: what runs moves no water';
    expect(down('stops').slice(1)).toEqual([
      `${vain}, or, by whose turn it is: pump 2 stands`,
      `pump 1 stands, or, by whose turn it is: ${vain}`,
    ]);
    for (const observation of ['run', 'level'])
      expect(down(observation).slice(1)).toEqual([
        expect.stringMatching(new RegExp(`^goes by whose turn it is: ${vain}, or, by whose turn it is: \\d`)),
        expect.stringMatching(new RegExp(`^goes by whose turn it is: \\d.*, or, by whose turn it is: ${vain}$`)),
      ]);
    // Where none moves any it comes by neither.
    expect(shown('underpass-storm-sump', 'pump-down', 'stops', 'blocked')[1]).toBe(
      'does not come: what runs moves no water',
    );
  });
  it('a drawdown of several is of the pump that it names, whoever’s turn it is: the others are off', () => {
    const made = faultTestsOf(worldOf(demo('underpass-storm-sump')));
    const drawn = ['drawdown', 'drawdown-2'].map((id) => made.find((t) => t.test.id === id)!.test);
    expect(drawn.map((t) => t.title)).toEqual(['Drawdown of pump 1', 'Drawdown of pump 2']);
    const hands = drawn.map((t) =>
      t.parts.flatMap((p) => p.acts).flatMap((a) => (a.kind === 'put' ? [a.device, a.to] : [])),
    );
    expect(hands).toEqual([
      ['S11', 'hand', 'S11', 'off'],
      ['S12', 'hand', 'S12', 'off'],
    ]);
    expect(shown('underpass-storm-sump', 'drawdown', 'flow', 'M2-worn')[1]).toBe(
      shown('underpass-storm-sump', 'drawdown', 'flow')[0],
    );
  });
  it('one of several is told by its own drawdown', () => {
    const file = 'slipway-drainage-pit';
    const none = (n: number) => {
      const of = worlds(demo(file));
      return [2, 3].map((k) => askedOf(of.with(`M${n}-airlocked`), of.sound, `drawdown-${k}`).get('flow')!.kind);
    };
    expect([none(2), none(3)]).toEqual([
      ['untold', 'value'],
      ['value', 'untold'],
    ]);
  });
});

describe('a core that is broken', () => {
  it('carries nothing round which a clamp could read; one that leaks does', () => {
    const leak = shown('workshop-sump', 'leak-M1-called', 'leak', 'M1-earth-core', 'W0-in-the-water');
    expect(leak[1]).toBe(0);
    expect(leak[2]).toBeGreaterThan(0.1);
  });
});
