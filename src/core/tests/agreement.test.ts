import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { traitsOf } from '../duties';
import { faultsOf } from '../faults';
import { readyScenarios, rehearse, type Scenario } from '../rehearsal';
import { panelOf, SCHEMES } from '../schemes';
import type { Station } from '../station';
import type { Act } from './act';
import { catalogueOf } from './catalogue';
import { predict } from './predict';
import { response } from './response';
import { perform } from './perform';
import { atRest } from './scene';
import { worldOf } from './world';

/* What a test expects is what the rehearsal does when the same acts are made in it: another engine, with its own clock, over the same circuit. */

const asDesigned = (s: Station): Station => ({ ...s, landings: { cores: [], links: [] } });
const every = demoStations().flatMap(({ file, station }) =>
  SCHEMES.flatMap((scheme): [string, Station][] => {
    const s = asDesigned({ ...station, control: { ...station.control, scheme: scheme.id } });
    return panelOf(s).ok ? [[`${file}, ${scheme.id}`, s]] : [];
  }),
);

function run(station: Station, more: Partial<Scenario>) {
  const answer = rehearse(station, {
    ...readyScenarios(station)[0]!,
    powerCuts: [],
    faults: [],
    operations: [],
    ...more,
  });
  if (!answer.ok) throw new Error(answer.problems.join('; '));
  return answer.run;
}

/** Every pump turns in air from the beginning, and moves nothing. */
const airlocked = (station: Station) =>
  faultsOf(station, worldOf(station).panel!)
    .filter((f) => Object.values(f.effects.pumps ?? {}).some((e) => e.moves === false) && /airlock/.test(f.id))
    .map((f) => ({ id: f.id, from: 0, to: null }));

const DRY: Scenario['inflow'] = { kind: 'level', which: 'low', scale: 0 };

/**
 * Acts of hands, one a second, as a rehearsal takes them: a float that is held up is one that is stuck there meanwhile. Null where an act has
 * no such thing.
 */
function rehearsed(station: Station, acts: readonly Act[]): Pick<Scenario, 'operations' | 'faults'> | null {
  const { panel } = worldOf(station);
  const stuck = faultsOf(station, panel!);
  const faults: { id: string; from: number; to: number | null }[] = [];
  const operations: Scenario['operations'] = [];
  for (const [i, act] of acts.entries()) {
    if (act.kind !== 'put' && act.kind !== 'let go') return null;
    const device = panel!.devices.find((d) => d.tag === act.device)!;
    if (device.sensor === undefined) {
      if (act.kind === 'put') operations.push({ at: i + 1, device: act.device, position: act.to });
      continue;
    }
    const id = `${device.sensor}-stuck-up`;
    if (!stuck.some((f) => f.id === id) || (act.kind === 'put' && act.to !== 'up')) return null;
    if (act.kind === 'put') faults.push({ id, from: i + 1, to: null });
    else faults.filter((f) => f.id === id && f.to === null).forEach((f) => (f.to = i + 1));
  }
  return { operations, faults };
}

/** Words of an event as the panel says its outcomes: what comes before the reason. */
const words = (sentence: string): string =>
  sentence
    .replace(/^pump (\d) starts.*$/s, 'pump $1 runs')
    .replace(/^pump (\d) stops after.*$/s, 'pump $1 stands')
    .replace(/: .*$/s, '');

const TELLS: ReadonlySet<string> = new Set(['pump', 'alarm', 'interlock', 'report', 'lamp']);

describe('proved as it is rehearsed', () => {
  it('every act of a hand, in every scheme that fits every demo station, does the same in both', () => {
    let compared = 0;
    for (const [name, station] of every) {
      const world = worldOf(station);
      // Every pump turns and moves nothing: the pit is dry, and no water lets go what a hand holds.
      const still = airlocked(station);
      expect([name, still.length]).toEqual([name, world.panel!.devices.filter((d) => d.function === 'motor').length]);
      for (const t of catalogueOf(world)) {
        const acts = [...t.needs, ...t.parts.flatMap((p) => p.acts)];
        if (acts.length === 0 || !t.parts.some((p) => p.observes.some((o) => o.kind === 'reacts'))) continue;
        const same = rehearsed(station, acts);
        if (!same) continue;
        // The pit dry, and every pump turning in air: nothing but hands moves anything.
        const { events } = run(station, {
          ...same,
          faults: [...same.faults, ...still],
          duration: acts.length + 2,
          startLevel: 0,
          inflow: DRY,
        });
        let scene = atRest(world);
        acts.forEach((act, i) => {
          const before = scene;
          scene = perform(scene, act);
          const does = [...response(before, scene).at].sort();
          const rehearsed = events
            .filter((e) => e.at === i + 1 && TELLS.has(e.kind))
            .map((e) => words(e.sentence.filter((p) => typeof p === 'string').join('')))
            .sort();
          expect([name, t.id, i, does]).toEqual([name, t.id, i, rehearsed]);
          compared++;
        });
      }
    }
    expect(compared).toBeGreaterThan(350);
  });

  it('filled by hose from the stop, the pump starts after the time that the card says, and stops after its run', () => {
    let compared = 0;
    for (const [name, station] of every) {
      const traits = traitsOf(station);
      const world = worldOf(station);
      const fill = catalogueOf(world).find((t) => t.id === 'fill-lead');
      const down = catalogueOf(world).find((t) => t.id === 'pump-down');
      // A timer starts it later; a line that drains by itself or leaks back fills it otherwise than the hose.
      if (!fill || !down || traits.timer || !world.panel!.outcomes.some((o) => o.kind === 'pump')) continue;
      if (world.levels.hydraulics.flowsStill(world.levels.lead)) continue;
      const said = predict(world, fill).get('time')!;
      const ran = predict(world, down).get('run')!;
      if (said.kind !== 'value' || ran.kind !== 'value') continue;
      const hose = said.value.value;
      const { hoseFlow } = station.settings;
      // The hose is shut as the pump starts.
      const rows = [
        { time: 0, flow: hoseFlow },
        { time: hose * 1.0001, flow: 0 },
      ];
      const { events } = run(station, {
        duration: hose + 3 * ran.value.value + 60,
        startLevel: world.levels.stop,
        inflow: { kind: 'steps', rows, repeatEvery: null },
      });
      const pumps = events.filter((e) => e.kind === 'pump').map((e) => e.at);
      expect([name, pumps.length >= 2]).toEqual([name, true]);
      expect(pumps[0]! / hose, name).toBeCloseTo(1, 3);
      expect((pumps[1]! - pumps[0]!) / ran.value.value, name).toBeCloseTo(1, 2);
      compared++;
    }
    expect(compared).toBeGreaterThan(15);
  });

  /** Water over the calls as a rehearsal takes it: pumps that turn and move nothing, and a hose. */
  const rising = (station: Station, until: number) => {
    const world = worldOf(station);
    const { hoseFlow } = station.settings;
    const { vessel, stop } = world.levels;
    const seconds = (vessel.volume(until) - vessel.volume(stop)) / hoseFlow;
    return run(station, {
      faults: airlocked(station),
      duration: seconds * 1.05 + 60,
      startLevel: stop,
      inflow: { kind: 'steps', rows: [{ time: 0, flow: hoseFlow }], repeatEvery: null },
    }).events;
  };
  const WARNS: ReadonlySet<string> = new Set(['alarm', 'lamp', 'report', 'interlock']);
  const does = (e: { readonly sentence: readonly unknown[] }) =>
    words(e.sentence.filter((p) => typeof p === 'string').join(''));

  it('filled on over its calls, the alarm acts at the height and after the time that the card says, and does the same', () => {
    let compared = 0;
    for (const [name, station] of every) {
      const world = worldOf(station);
      const fill = catalogueOf(world).find((t) => t.id === 'fill-alarm');
      const { alarm, stop, lead, vessel } = world.levels;
      if (!fill || !alarm || world.levels.hydraulics.flowsStill(alarm.rise)) continue;
      if (!world.panel!.outcomes.some((o) => WARNS.has(o.kind))) continue;
      const said = predict(world, fill);
      const time = said.get('time')!;
      if (time.kind !== 'value') continue;
      // A float that is low may ring at the beginning: what is meant is the last that begins.
      const first = rising(station, alarm.rise).findLast((e) => /is lit$|sounds$/.test(does(e)));
      // The card counts from the call on, the rehearsal from the stop.
      const before = (vessel.volume(lead) - vessel.volume(stop)) / station.settings.hoseFlow;
      expect([name, first !== undefined]).toEqual([name, true]);
      expect((first!.at - before) / time.value.value, name).toBeCloseTo(1, 2);
      expect(first!.level, name).toBeCloseTo(alarm.rise, 3);
      compared++;
    }
    expect(compared).toBeGreaterThan(40);
  });

  it('filled on to its cut-off, what makes the water stops at the height that the card says, and may run again below it', () => {
    let compared = 0;
    for (const [name, station] of every) {
      const world = worldOf(station);
      const test = catalogueOf(world).find((t) => t.id === 'cut-off');
      const { cutoff } = world.levels;
      if (!test || !cutoff || traitsOf(station).direction === 'fill') continue;
      const said = predict(world, test);
      const level = said.get('level')!;
      const stops = rising(station, cutoff.rise).filter((e) => e.kind === 'interlock');
      if (stops.length === 0) {
        // Nothing is wired to it in this scheme, and the card says that nothing happens.
        expect(
          world.panel!.outcomes.some((o) => o.makesWater),
          name,
        ).toBe(false);
        continue;
      }
      expect(level.kind === 'value' && vesselDepth(world) - level.value.value, name).toBeCloseTo(stops[0]!.level, 3);
      expect(does(stops[0]!), name).toMatch(/is stopped$/);
      compared++;
    }
    expect(compared).toBeGreaterThan(2);
  });
});

const vesselDepth = (world: ReturnType<typeof worldOf>) => world.levels.vessel.depth;
