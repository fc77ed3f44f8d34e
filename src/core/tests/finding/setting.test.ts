import { describe, expect, it } from 'vitest';
import { demoStations } from '../../demo';
import { perform } from '../perform';
import { atRest } from '../scene';
import { worldOf } from '../world';
import { actsOf, heightsOf, levelOf } from './setting';

const demo = (file: string) => worldOf(demoStations().find((d) => d.file === `${file}.json`)!.station);

/** How everything that the water works stands in a setting. */
function floats(world: ReturnType<typeof demo>, height: Parameters<typeof levelOf>[1]) {
  const { states } = actsOf(world, height).reduce(perform, atRest(world)).panel()!.settled;
  return world.panel!.devices.flatMap((d) => (d.sensor === undefined ? [] : [`${d.tag} ${states[d.tag]}`])).join();
}

describe('heights at which the water can stand', () => {
  it('are of what this station has, from the floor up', () => {
    const of = (file: string) => [...heightsOf(demo(file)).keys()].join(' ');
    expect(of('workshop-sump')).toBe('resting called high');
    expect(of('slipway-drainage-pit')).toBe('resting called lag lag2 high');
    expect(of('workshop-header-tank')).toBe('low called resting high');
    expect(of('sand-bed-dosing-tank')).toBe('low resting called peak high');
    expect(of('rain-cistern')).toBe('low resting called');
  });
  it.each(demoStations())('$file: each is another state of what the water works', ({ station }) => {
    const world = worldOf(station);
    const all = [...heightsOf(world).keys()].map((h) => floats(world, h));
    expect(new Set(all).size).toBe(all.length);
  });
  it('what acts at the height of another is one with it, and what is over the overflow is none', () => {
    const world = demo('slipway-drainage-pit');
    const { levels } = world;
    const near = (at: number) =>
      heightsOf({
        ...world,
        levels: { ...levels, marks: levels.marks.map((m) => (m.name === 'lag2' ? { ...m, level: at } : m)) },
      });
    expect(near(levels.calls[1]!).has('lag2')).toBe(false);
    expect(near(levels.calls[1]! + 0.05).has('lag2')).toBe(true);
    expect(near(levels.overflow + 0.05).has('lag2')).toBe(false);
  });
  it('what hangs there and is in no circuit of the panel acts nowhere', () => {
    const { station } = demoStations().find((d) => d.file === 'workshop-sump.json')!;
    const like = station.sensors.find((s) => s.role === 'alarm')!;
    const sensors = station.sensors.map((x) => (x === like ? { ...x, id: 'peak', role: 'peak' as const } : x));
    const idle = worldOf({ ...station, sensors });
    expect(idle.levels.marks.some((m) => m.name === 'peak')).toBe(true);
    expect(heightsOf(idle).has('peak')).toBe(false);
  });
  it('what is over a call is come to by that call: the pump runs there; what is under it is not', () => {
    const storm = demo('underpass-storm-sump');
    const levels = (h: Parameters<typeof levelOf>[1]) =>
      actsOf(storm, h).flatMap((a) => (a.kind === 'water' ? [a.to] : []));
    expect(levels('lag')).toEqual(['resting', 'called', 'lag'].map((h) => levelOf(storm, h as 'lag')));
    const doser = demo('sand-bed-dosing-tank');
    expect(actsOf(doser, 'low')).toEqual(
      ['resting', 'low'].map((h) => ({ kind: 'water', to: levelOf(doser, h as 'low') })),
    );
    const tank = demo('workshop-header-tank');
    expect(actsOf(tank, 'low').map((a) => a.kind === 'water' && a.to)).toEqual(
      ['resting', 'called', 'low'].map((h) => levelOf(tank, h as 'low')),
    );
  });
});
