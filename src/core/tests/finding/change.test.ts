import { describe, expect, it } from 'vitest';
import { demoStations } from '../../demo';
import type { Station } from '../../station';
import { worldOf } from '../world';
import { minutesBetween } from './change';
import { heightsOf, levelOf, type Setting } from './setting';

const demo = (file: string): Station => demoStations().find((d) => d.file === `${file}.json`)!.station;
const litres = (of: Station, from: number, to: number) => {
  const { vessel } = worldOf(of).levels;
  return 1000 * (vessel.volume(to) - vessel.volume(from));
};

describe('minutes from one setting into another', () => {
  it('are none where nothing changes or it does not matter, and whole and some everywhere else', () => {
    for (const { station } of demoStations()) {
      const world = worldOf(station);
      const settings: Setting[] = [...heightsOf(world).keys(), 'dead'];
      for (const a of settings) {
        expect(minutesBetween(world, a, null)).toBe(0);
        for (const b of settings) {
          const minutes = minutesBetween(world, a, b);
          expect(minutes > 0).toBe(a !== b);
          expect(Number.isInteger(minutes)).toBe(true);
        }
      }
    }
  });
  it('by hose are its water over the flow of the hose', () => {
    const cellar = demo('ticket-office-cellar');
    const world = worldOf(cellar);
    const [called, high] = [levelOf(world, 'called')!, levelOf(world, 'high')!];
    const perMinute = cellar.settings.hoseFlow * 60_000;
    expect(minutesBetween(world, 'called', 'high')).toBe(Math.ceil(litres(cellar, called, high) / perMinute));
    // A hose of a tenth takes ten times as long, within the minute that it is rounded up to.
    const thin = worldOf({ ...cellar, settings: { ...cellar.settings, hoseFlow: cellar.settings.hoseFlow / 10 } });
    const long = (10 * litres(cellar, called, high)) / perMinute;
    expect(minutesBetween(thin, 'called', 'high')).toBe(Math.ceil(long));
  });
  it('of a large pit are those of its inflow too: a storm sump is no matter of two minutes', () => {
    const world = worldOf(demo('underpass-storm-sump'));
    expect(minutesBetween(world, 'resting', 'called')).toBe(10);
    // 151 minutes by hose alone; with 9 L/min of an ordinary day it is a third less.
    expect(minutesBetween(worldOf(demo('rain-cistern')), 'resting', 'called')).toBe(102);
  });
  it('a tank that is filled goes up by its pump and down by what is drawn', () => {
    const tank = demo('workshop-header-tank');
    const world = worldOf(tank);
    const [resting, called] = [levelOf(world, 'resting')!, levelOf(world, 'called')!];
    expect(minutesBetween(world, 'resting', 'called')).toBe(
      Math.ceil(litres(tank, called, resting) / (tank.settings.hoseFlow * 60_000)),
    );
    expect(minutesBetween(world, 'called', 'resting')).toBeLessThan(minutesBetween(world, 'resting', 'called'));
  });
  it('a pump that a timer calls rests first', () => {
    const doser = demo('sand-bed-dosing-tank');
    if (doser.duty.kind !== 'dose') throw new Error('no doser');
    const world = worldOf(doser);
    const rest = Math.ceil(doser.duty.off! / 60);
    const before = minutesBetween(world, 'resting', 'called');
    expect(before).toBeGreaterThanOrEqual(rest);
    const short = worldOf({ ...doser, duty: { ...doser.duty, off: doser.duty.off! - 1200 } });
    expect(before - minutesBetween(short, 'resting', 'called')).toBe(20);
  });
  it('isolating is the same from anywhere; to give back comes beside the water', () => {
    const world = worldOf(demo('workshop-sump'));
    for (const a of ['resting', 'called', 'high'] as const) expect(minutesBetween(world, a, 'dead')).toBe(6);
    expect(minutesBetween(world, 'dead', 'resting')).toBe(3);
    expect(minutesBetween(world, 'dead', 'high')).toBe(3 + minutesBetween(world, 'resting', 'high'));
  });
  it('where nobody has said how it stands it is the longest, with the supplies on', () => {
    const world = worldOf(demo('washroom-pit'));
    expect(minutesBetween(world, null, 'high')).toBe(minutesBetween(world, 'resting', 'high'));
    expect(minutesBetween(world, null, 'resting')).toBe(minutesBetween(world, 'high', 'resting'));
  });
});
