import { describe, expect, it } from 'vitest';
import { demoStations } from '../../demo';
import { faultsOf } from '../../faults';
import type { Station } from '../../station';
import { predictByTurn } from '../predict';
import { perform } from '../perform';
import { runningIn } from '../scene';
import { byTurns } from '../turns';
import { worldOf } from '../world';
import { actsOf, faultTestsOf } from './index';

const demo = (file: string): Station => demoStations().find((d) => d.file === `${file}.json`)!.station;

/** What is read on the cards of one supply, by pair; null for none, else rounded to ten volts: with a fault in it. */
function read(file: string, supply: string, fault: string | null) {
  const sound = worldOf(demo(file));
  const faults = faultsOf(demo(file), sound.panel!).filter((f) => f.id === fault);
  expect(faults).toHaveLength(fault === null ? 0 : 1);
  const world = worldOf(demo(file), faults, 'designed', sound);
  const tests = faultTestsOf(sound).filter(({ test }) => test.id === supply || test.id === `${supply}-earth`);
  return Object.fromEntries(
    tests.flatMap(({ test }) =>
      [...predictByTurn(world, test)].map(([id, [p]]) => {
        if (p!.kind !== 'value') throw new Error(id);
        return [id, p!.least === null ? null : Math.round(p!.value.value / 10) * 10];
      }),
    ),
  );
}

describe('a supply where it comes in', () => {
  it('of three legs shows each leg to the others, to neutral and to earth', () => {
    const [leg, phase] = [230, 400];
    expect(read('underpass-storm-sump', 'supply-W0', null)).toEqual({
      ...{ 'L1-L2': phase, 'L1-L3': phase, 'L2-L3': phase, 'L1-N': leg, 'L2-N': leg, 'L3-N': leg },
      ...{ 'L1-PE': leg, 'L2-PE': leg, 'L3-PE': leg, 'N-PE': null },
    });
  });
  it.each([
    ['L1', ['L1-L2', 'L1-L3', 'L1-N']],
    ['L2', ['L1-L2', 'L2-L3', 'L2-N']],
    ['L3', ['L1-L3', 'L2-L3', 'L3-N']],
    ['neutral', ['L1-N', 'L2-N', 'L3-N']],
  ])('with %s lost nothing stands on %j, and all else is there', (lost, none) => {
    for (const file of ['underpass-storm-sump', 'wash-down-basin']) {
      const [sound, now] = [null, `W0-${lost}-lost`].map((f) => read(file, 'supply-W0', f));
      const among = Object.keys(sound!).filter((id) => !id.endsWith('PE'));
      expect(among.filter((id) => now![id] === null)).toEqual(none);
      for (const id of among) if (!none.includes(id)) expect([id, now![id]]).toEqual([id, sound![id]]);
    }
  });
  it('of one leg tells a lost neutral, a lost earth and a dead circuit apart', () => {
    const of = (fault: string | null) => read('underpass-storm-sump', 'supply-W9', fault);
    expect(of(null)).toEqual({ 'L1-N': 230, 'L1-PE': 230, 'N-PE': null });
    expect(of('W9-cut')).toEqual({ 'L1-N': null, 'L1-PE': null, 'N-PE': null });
    // Over what is switched on neutral comes up to the leg.
    expect(of('W9-neutral-lost')).toEqual({ 'L1-N': null, 'L1-PE': 230, 'N-PE': 230 });
  });
  it('is never read to earth in low-impedance mode: through the meter that would lift a lost earth', () => {
    for (const { file, station } of demoStations()) {
      const all = faultTestsOf(worldOf(station)).flatMap(({ test }) => test.parts.flatMap((p) => p.observes));
      const low = all.flatMap((o) => (o.kind === 'volts' && o.probes.mode === 'low-z-volts' ? [o.id] : []));
      expect([file, low.length > 0, low.filter((id) => id.endsWith('PE'))]).toEqual([file, true, []]);
    }
  });
  it('of several legs is read with the main switch off, which is put back', () => {
    const tests = faultTestsOf(worldOf(demo('wash-down-basin'))).filter(({ test }) => test.id.startsWith('supply-W0'));
    expect(tests.map(({ test }) => test.parts[0]!.acts)).toEqual(
      Array(2).fill([{ kind: 'put', device: 'Q0', to: 'off' }]),
    );
    for (const { test } of tests) expect(test.restores).toEqual([{ kind: 'put', device: 'Q0', to: 'on' }]);
  });
  it('while the main switch is off for it nothing pumps, whosever turn it is', () => {
    let asked = 0;
    for (const { file, station } of demoStations()) {
      const world = worldOf(station);
      for (const { test } of faultTestsOf(world).filter((t) => t.test.cautions.join().includes('Nothing pumps')))
        for (const rest of byTurns(world))
          for (const setting of ['called', 'high'] as const) {
            if (!test.id.startsWith('supply-')) continue;
            const scene = [...actsOf(world, setting), ...test.parts[0]!.acts].reduce(perform, rest);
            expect([file, test.id, setting, runningIn(scene)]).toEqual([file, test.id, setting, []]);
            asked++;
          }
    }
    expect(asked).toBeGreaterThan(10);
  });
});
