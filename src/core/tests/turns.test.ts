import { describe, expect, it } from 'vitest';
import { liveToEarth } from '../circuit';
import { demoStations } from '../demo';
import { faultsOf } from '../faults';
import type { Station } from '../station';
import { sayPhrase } from '../units';
import { faultTestsOf } from './finding';
import { holdOf } from './hold';
import { predict, predictByTurn } from './predict';
import { catalogueOf } from './catalogue';
import { perform } from './perform';
import { runningIn } from './scene';
import { byTurns } from './turns';
import { worldOf, type World } from './world';

/* Whose turn it is nobody who comes to a panel knows: by the turn of each pump it is asked. */

const demo = (file: string): Station => demoStations().find((d) => d.file === `${file}.json`)!.station;
const DUPLEX = 'underpass-storm-sump';
const TRIPLEX = 'slipway-drainage-pit';
const of = (file: string) => {
  const sound = worldOf(demo(file));
  const tests = new Map(faultTestsOf(sound).map(({ test }) => [test.id, test]));
  const faulted = (id: string): World =>
    worldOf(demo(file), [faultsOf(demo(file), sound.panel!).find((f) => f.id === id)!], 'designed', sound);
  /** Which pumps run, by the turn of each; once where it is the same. */
  const runs = (world: World, test: string) =>
    predictByTurn(world, tests.get(test)!)
      .get('now')!
      .map((p) => (p.kind === 'happening' ? p.which.filter((id) => id.startsWith('M')).join(' ') : p.kind));
  return { sound, tests, faulted, runs };
};

describe('whose turn it is', () => {
  it('is a matter of what runs at the first call, at two pumps and at three', () => {
    const [two, three] = [of(DUPLEX), of(TRIPLEX)];
    expect(two.runs(two.sound, 'now-called')).toEqual(['M1', 'M2']);
    expect(three.runs(three.sound, 'now-called')).toEqual(['M1', 'M2', 'M3']);
    expect(three.runs(three.sound, 'now-lag')).toEqual(['M1 M2', 'M2 M3', 'M1 M3']);
    // All that there are run, whosever turn it is.
    expect(two.runs(two.sound, 'now-lag')).toEqual(['M1 M2']);
  });
  it('is never passed where the coil is open: it may have stopped at either', () => {
    const { faulted, runs } = of(DUPLEX);
    expect(runs(faulted('A1-coil-open'), 'now-called')).toEqual(['M1', 'M2']);
    expect(runs(faulted('A1-stuck'), 'now-called')).toEqual(['M1']);
    expect(runs(faulted('A1-stuck-2'), 'now-called')).toEqual(['M2']);
  });
  it('one of two that does not turn shows by its own turn only; one that its panel knows to have failed is passed over', () => {
    const { faulted, runs } = of(DUPLEX);
    expect(runs(faulted('M1-winding-open'), 'now-called')).toEqual(['', 'M2']);
    expect(runs(faulted('K2-coil-open'), 'now-called')).toEqual(['M1', '']);
    expect(runs(faulted('M1-overload'), 'now-called')).toEqual(['M2']);
  });
  it('no meter reading goes by it: what is read of one pump while one is called is read with that pump first', () => {
    for (const file of [DUPLEX, TRIPLEX]) {
      const { sound, tests } = of(file);
      const metered = [...tests.values()].flatMap((t) =>
        [...predictByTurn(sound, t)].flatMap(([id, ways]) =>
          ways[0]!.kind === 'value' ? [[t.id, id, ways.length]] : [],
        ),
      );
      expect(metered.length).toBeGreaterThan(50);
      expect(metered.filter(([, , ways]) => ways !== 1)).toEqual([]);
    }
  });
  it('at the terminals of each pump that is called stands the supply, as the meter would show it there', () => {
    const { sound, tests } = of(DUPLEX);
    for (const test of [...tests.values()].filter((t) => /^volts-X1:(6-X1:7|10-X1:11)-called$/.test(t.id))) {
      const [p] = predictByTurn(sound, test).get('volts')!;
      // 400 V less what the cable drops.
      expect([test.id, p!.kind === 'value' && p!.value.value > 390 && p!.least! > 300]).toEqual([test.id, true]);
      expect(test.restores).toContainEqual({ kind: 'put', device: 'S5', to: 'turns' });
    }
  });
  it('amps of a pump that stands are none, to what a clamp shows', () => {
    const { faulted, tests } = of(DUPLEX);
    const [p] = predictByTurn(faulted('M2-winding-open'), tests.get('amps-M2-called')!).get('amps')!;
    expect(p!.kind === 'value' && p!.most! >= 0.05).toBe(true);
  });
});

describe('what is proved of pumps that take turns', () => {
  it('volts and amps of each, that one first; the toggle is put back', () => {
    for (const [file, pumps] of [
      [DUPLEX, 2],
      [TRIPLEX, 3],
    ] as const) {
      const world = worldOf(demo(file));
      const made = catalogueOf(world).filter((t) => t.id.startsWith('running'));
      expect(made.map((t) => t.title)).toEqual(
        Array.from({ length: pumps }, (_, i) => `Volts and amps of pump ${i + 1}`),
      );
      for (const t of made) {
        const amps = predict(world, t).get('amps-at-flow')!;
        expect(amps.kind === 'value' && amps.value.value > 1).toBe(true);
        expect(t.restores).toContainEqual({ kind: 'put', device: 'S5', to: 'turns' });
      }
    }
    expect(
      catalogueOf(worldOf(demo('workshop-sump')))
        .filter((t) => t.id.startsWith('running'))
        .map((t) => t.title),
    ).toEqual(['Volts and amps']);
  });
  it('what a step puts somewhere and takes for put back, it says', () => {
    for (const { file, station } of demoStations()) {
      const world = worldOf(station);
      for (const t of catalogueOf(world)) {
        const said = t.actions.map((a) => sayPhrase(a, 'metric')).join(' ');
        const back = t.restores.flatMap((a) => (a.kind === 'put' ? [a.device] : []));
        const isSaid = (tag: string) => said.includes(`${tag} back to`) || said.includes(holdOf(world).back);
        for (const tag of new Set(back)) expect([file, t.id, tag, isSaid(tag)]).toEqual([file, t.id, tag, true]);
      }
    }
    const { sound } = of(DUPLEX);
    const last = (id: string) =>
      sayPhrase(
        catalogueOf(sound)
          .find((t) => t.id === id)!
          .actions.at(-1)!,
        'metric',
      );
    expect(last('running-2')).toBe('Then S5 back to take turns.');
    // While one of them runs.
    expect(
      catalogueOf(sound)
        .find((t) => t.id === 'running-2')!
        .cautions.join(),
    ).toContain('the pumps may change over');
    expect(last('drawdown')).toBe('Then S11 back to Auto, S12 back to Auto.');
    // A pump that hangs on its chain must not be called as it comes back to Auto.
    const turned = catalogueOf(sound).find((t) => t.id === 'rotation')!;
    expect(last('rotation')).toBe('Then S11 back to Auto, S12 back to Auto.');
    expect(turned.cautions.join()).toContain('In Auto it can start by itself');
    let scene = [...turned.needs, ...turned.parts.flatMap((p) => p.acts)].reduce(perform, byTurns(sound)[0]!);
    expect(runningIn(scene)).toEqual([0, 1]);
    for (const act of turned.restores) {
      scene = perform(scene, act);
      if (act.kind !== 'put') continue;
      const { pump } = sound.panel!.devices.find((d) => d.tag === act.device)!;
      expect([act.device, runningIn(scene).includes(pump! - 1)]).toEqual([act.device, false]);
    }
  });
  it('a look that goes by it is told with each, and a figure that does is none to be held to', () => {
    const { sound, faulted, tests } = of(DUPLEX);
    const says = (world: World, id: string) => {
      const p = predict(world, tests.get('pump-down')!).get(id)!;
      return sayPhrase(p.kind === 'untold' ? p.why : p.kind === 'value' ? [p.value] : p.sentence, 'metric');
    };
    expect(says(sound, 'stops')).toBe('the pump that ran stands');
    expect(says(faulted('M2-airlocked'), 'run')).toMatch(/^goes by whose turn it is: .* does not come/);
  });
});

describe('water that is live by the turn of one pump alone', () => {
  it('is found: a leak of pump 2 whose earth is lost, whosever turn comes first', () => {
    const station = demo(DUPLEX);
    const sound = worldOf(station);
    const all = faultsOf(station, sound.panel!);
    const pair = ['M2-leak', 'M2-earth-core'].map((id) => all.find((f) => f.id === id)!);
    const world = worldOf(station, pair, 'designed', sound);
    const at = byTurns(world).map((rest) => {
      const { wired, settled } = perform(rest, { kind: 'water', to: world.levels.lead + 0.01 }).panel()!;
      return liveToEarth(settled.solution, wired.points.get('M2:PE')!);
    });
    expect(at[0]).toBe(0);
    expect(at[1]).toBeGreaterThan(25);
  });
});
