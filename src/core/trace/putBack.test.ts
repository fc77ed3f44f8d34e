import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import type { Station } from '../station';
import { faultTestsOf, worldOf, type World } from '../tests';
import { bringing } from './bringing';
import { toPutBack } from './card';

const station = (file: string) => demoStations().find((d) => d.file === `${file}.json`)!.station;
const demo = (file: string) => worldOf(station(file));
const after = (world: World, id: string) =>
  toPutBack(
    world,
    faultTestsOf(world).find((t) => t.test.id === id)!,
  );

const cistern = station('rain-cistern');
const drive = (supply: string): World =>
  worldOf({
    ...cistern,
    control: { ...cistern.control, options: { input: 'external-fault', supply } } as Station['control'],
  });

describe('what a card says is put back', () => {
  it('is the hold of the pumps, where a test of the proof began with it', () => {
    expect(after(demo('wash-down-basin'), 'silence')).toEqual([expect.stringMatching(/^S1 back to /)]);
    expect(after(demo('battery-room-sump'), 'remote')).toEqual(['plug M1 in again']);
  });
  it('is a float in the hand and its cores, but not the isolation that the next bench test needs as well', () => {
    expect(after(demo('wash-down-basin'), 'contact-alarm')).toEqual([
      'let S-alarm go',
      'cores of S-alarm back on their terminals',
    ]);
  });
  it('lets floats go before a selector goes back to Auto', () => {
    const world = demo('wash-down-basin');
    const all = after(world, 'rotation');
    const firstBack = all.findIndex((s) => / back to /.test(s));
    const lastGo = all.findLastIndex((s) => /^let .* go$/.test(s));
    expect(lastGo).toBeGreaterThanOrEqual(0);
    expect(firstBack).toBeGreaterThan(lastGo);
  });
  it('is the fault of a drive that a float held down has thrown', () => {
    expect(after(drive('own'), 'down-low')).toEqual([
      'let S-low go',
      'reset U1F (external fault of the drive), nobody at the pump: it starts with it',
    ]);
  });
  it('is nothing where nothing is left, whichever station', () => {
    for (const { station } of demoStations()) {
      const world = worldOf(station);
      for (const t of faultTestsOf(world))
        if (t.test.parts.every((p) => p.acts.length === 0) && t.test.restores.length === 0 && t.test.needs.length === 0)
          expect([t.test.id, toPutBack(world, t)]).toEqual([t.test.id, []]);
    }
  });
});

describe('before a card that wants the station on again', () => {
  it('a drive is reset where switching off and on throws it, and only there', () => {
    const reset = (supply: string, from: 'dead' | 'called') =>
      bringing(drive(supply), from, 'resting').filter((s) => s.startsWith('reset'));
    expect(reset('dc', 'dead')).toEqual([expect.stringMatching(/^reset U1F/)]);
    expect(reset('ac', 'dead')).toEqual([expect.stringMatching(/^reset U1F/)]);
    expect(reset('own', 'dead')).toEqual([]);
    expect(reset('dc', 'called')).toEqual([]);
  });
});
