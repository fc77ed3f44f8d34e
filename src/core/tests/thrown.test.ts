import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { account, plainScenario } from '../rehearsal';
import { panelOf, SCHEMES, type Scheme } from '../schemes';
import type { Station } from '../station';
import { sayPhrase } from '../units';
import { catalogueOf } from './catalogue';
import { actsOf, thrownByCut } from './finding';
import { predict } from './predict';
import { atRest, inTime, perform, runningIn } from './scene';
import { standing } from './standing';
import { thrownDry } from './thrown';
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

describe('a drive that low water puts in external fault', () => {
  it.each(SUPPLIES)('%s: is thrown by its hanging float alone, and by nothing where it is run enable', (supply) => {
    expect(thrownDry(worldOf(drive('external-fault', supply)))).toEqual({ U1F: 'on' });
    expect(thrownDry(worldOf(drive('run-enable', supply)))).toEqual({});
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
  it('has in low water what is told of it, and is reset as the water is brought on', () => {
    const world = worldOf(drive('external-fault', 'own'));
    expect(standing(bring(world, 'low'))).toEqual([{ is: 'U1F in fault', undo: 'reset U1F' }]);
    for (const setting of ['resting', 'called', 'dead'] as const)
      expect(standing(bring(world, setting)).map((s) => s.is)).not.toContain('U1F in fault');
  });
  it('sees no fault while its own mains are off, whatever else feeds its floats', () => {
    for (const supply of SUPPLIES) {
      const world = worldOf(drive('external-fault', supply));
      const off = perform(bring(world, 'resting'), { kind: 'put', device: 'Q1', to: 'off' });
      expect([supply, off.panel()!.settled.states.U1F]).toEqual([supply, 'on']);
    }
  });
  it('is thrown by a power cut where its floats lose their supply before its link runs down, and not by its own', () => {
    const by = (supply: string) => thrownByCut(worldOf(drive('external-fault', supply))).map((d) => d.tag);
    expect(SUPPLIES.map(by)).toEqual([[], ['U1F'], ['U1F']]);
    expect(thrownByCut(worldOf(drive('run-enable', 'dc')))).toEqual([]);
  });
});
