import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { account, plainScenario } from '../rehearsal';
import { panelOf, SCHEMES, type Scheme } from '../schemes';
import type { Station } from '../station';
import { sayPhrase } from '../units';
import { happens } from '../wiring';
import { catalogueOf } from './catalogue';
import { actsOf } from './finding';
import { predict } from './predict';
import { perform } from './perform';
import { atRest, inTime, runningIn } from './scene';
import { isolatedAt, resetsOnWay } from './onWay';
import { resetActs, resetsIn } from './resets';
import { worldOf, type World } from './world';

/* A sound station pumps when it is called, whatever was chosen for its panel: what hanging floats alone throw is no state to foretell from. */

const product = ({ options }: Scheme): Record<string, string>[] =>
  options.reduce<Record<string, string>[]>(
    (all, o) => all.flatMap((a) => o.choices.map((c) => ({ ...a, [o.id]: c.id }))),
    [{}],
  );

const as = (station: Station, scheme: string, options: Record<string, string>): Station => ({
  ...station,
  control: { ...station.control, scheme, options } as Station['control'],
});

const cistern = demoStations().find((d) => d.file === 'rain-cistern.json')!.station;
const drive = (input: string, supply: string): Station => as(cistern, 'drive', { input, supply });
const SUPPLIES = ['own', 'dc', 'ac'];

const bring = (world: World, setting: Parameters<typeof actsOf>[1]) =>
  actsOf(world, setting).reduce(perform, atRest(world));

const rings = (scene: ReturnType<typeof bring>): boolean =>
  scene.world.panel!.outcomes.some(
    (o) => (o.kind === 'lamp' || o.kind === 'alarm') && happens(scene.panel()!.settled, o),
  );

/** What each observation of a test comes to, in words. */
function told(world: World, id: string): Record<string, string> {
  const made = catalogueOf(world).find((t) => t.id === id)!;
  return Object.fromEntries(
    [...predict(world, made)].map(([name, p]) => [name, 'sentence' in p ? sayPhrase(p.sentence, 'metric') : p.kind]),
  );
}

describe('a sound station', () => {
  it.each(SCHEMES.map((s) => [s.id, s] as const))(
    '%s: runs at its call with every choice of its panel',
    (_, scheme) => {
      let asked = 0;
      for (const { file, station } of demoStations())
        for (const options of product(scheme)) {
          const s = as(station, scheme.id, options);
          if (!panelOf(s).ok) continue;
          const world = worldOf(s);
          asked++;
          if (!world.panel!.outcomes.some((o) => o.kind === 'pump')) continue;
          const called = bring(world, 'called');
          const runs = [called, inTime(called) ?? called].some((scene) => runningIn(scene).length > 0);
          expect([file, options, runs]).toEqual([file, options, true]);
        }
      expect(asked).toBeGreaterThan(0);
    },
  );
});

describe('a sound station with an alarm that latches and rings at low water too', () => {
  it.each(SCHEMES.map((s) => [s.id]))('%s: is quiet as it rests and as it is called', (scheme) => {
    for (const { file, station } of demoStations()) {
      const s: Station = {
        ...as(station, scheme, {}),
        alarm: { ...station.alarm, latch: true, low: true, faults: true },
      };
      if (!panelOf(s).ok) continue;
      const world = worldOf(s);
      const quiet = (['resting', 'called'] as const).map((setting) => !rings(bring(world, setting)));
      expect([file, ...quiet]).toEqual([file, true, true]);
    }
  });
});

describe('a drive that low water puts in external fault', () => {
  it.each(SUPPLIES)('%s: is thrown by its hanging float alone, and by nothing where it is run enable', (supply) => {
    expect(resetActs(worldOf(drive('external-fault', supply)))).toEqual([{ kind: 'put', device: 'U1F', to: 'on' }]);
    expect(resetActs(worldOf(drive('run-enable', supply)))).toEqual([]);
  });
  it.each(SUPPLIES)('%s: rehearses as it does with run enable, for low water never comes', (supply) => {
    const starts = (input: string) => {
      const station = drive(input, supply);
      const ran = account(
        station,
        plainScenario('a day', station, 86_400, { kind: 'level', which: 'design', scale: 1 }, {}),
      );
      if (!ran.ok) throw new Error('it is not rehearsed');
      return ran.account.pumps.map((p) => p.starts);
    };
    expect(starts('external-fault')).toEqual(starts('run-enable'));
    expect(starts('run-enable')[0]).toBeGreaterThan(0);
  });
  it('begins a rehearsal in fault where it begins with no water', () => {
    const station = drive('external-fault', 'own');
    const scenario = plainScenario('from empty', station, 86_400, { kind: 'level', which: 'design', scale: 1 }, {});
    const ran = account(station, { ...scenario, startLevel: 0 });
    expect(ran.ok && ran.account.pumps.map((p) => p.starts)).toEqual([0]);
  });
  it.each(SUPPLIES)('%s: waits for a person after low water, where run enable starts by itself', (supply) => {
    expect(told(worldOf(drive('run-enable', supply)), 'low-water')).toEqual({
      held: 'pump 1 stands',
      free: 'pump 1 runs',
    });
    expect(told(worldOf(drive('external-fault', supply)), 'low-water')).toEqual({
      held: 'pump 1 stands, the lamp is lit',
      free: 'pump 1 stands',
      reset: 'pump 1 runs, the lamp is out',
    });
  });
  it('is reset on the way from low water to more, and not on the way there', () => {
    const world = worldOf(drive('external-fault', 'own'));
    const [low, called] = [bring(world, 'low'), bring(world, 'called')];
    expect(resetsOnWay(low, called)).toEqual([
      'reset U1F (external fault of the drive), nobody at the pump: it starts with it',
    ]);
    expect(resetsOnWay(low, bring(world, 'resting'))).toEqual(['reset U1F (external fault of the drive)']);
    expect(resetsOnWay(called, low)).toEqual([]);
    expect(resetsOnWay(low, bring(world, 'dead'))).toEqual([]);
  });
  it('sees no fault while its own mains are off, whatever else feeds its floats', () => {
    for (const supply of SUPPLIES) {
      const world = worldOf(drive('external-fault', supply));
      const off = perform(bring(world, 'resting'), { kind: 'put', device: 'Q1', to: 'off' });
      expect([supply, off.panel()!.settled.states.U1F]).toEqual([supply, 'on']);
    }
  });
  it('is thrown by a power cut where its floats lose their supply before its link runs down, and not by its own', () => {
    const by = (input: string, supply: string) => {
      const world = worldOf(drive(input, supply));
      return resetsOnWay(isolatedAt(world, actsOf(world, 'resting')), bring(world, 'called')).length;
    };
    expect(SUPPLIES.map((s) => by('external-fault', s))).toEqual([0, 1, 1]);
    expect(SUPPLIES.map((s) => by('run-enable', s))).toEqual([0, 0, 0]);
  });
});

describe('an alarm that latches', () => {
  const latching = (file: string, alarm: Partial<Station['alarm']>): Station => {
    const { station } = demoStations().find((d) => d.file === `${file}.json`)!;
    return { ...station, alarm: { ...station.alarm, latch: true, ...alarm } };
  };
  it('by low water too rings while the floats hang, and is quiet in a station that is in service', () => {
    const world = worldOf(latching('wash-down-basin', { low: true }));
    expect(resetActs(world)).toEqual([{ kind: 'press', device: 'S4' }]);
    expect(rings(atRest(world))).toBe(true);
    expect((['resting', 'called', 'low'] as const).map((s) => rings(bring(world, s)))).toEqual([false, false, true]);
  });
  it('is pressed on the way down from where it rings', () => {
    const world = worldOf(latching('wash-down-basin', { low: false }));
    expect(resetActs(world)).toEqual([]);
    const [high, resting] = [bring(world, 'high'), bring(world, 'resting')];
    expect([rings(high), rings(resting)]).toEqual([true, false]);
    expect(resetsIn(high)).toEqual([]);
    expect(resetsOnWay(high, resting)).toEqual(['press S4 (resets the alarm)']);
  });
  it('rings through no rehearsal in which nothing happens', () => {
    const station = latching('wash-down-basin', { low: true });
    const scenario = plainScenario('a day', station, 86_400, { kind: 'level', which: 'design', scale: 1 }, {});
    const ran = account(station, scenario);
    expect(ran.ok && ran.account.alarmTime).toBe(0);
  });
});
