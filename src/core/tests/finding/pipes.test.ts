import { describe, expect, it } from 'vitest';
import { demoStations } from '../../demo';
import { faultsOf } from '../../faults';
import type { Station } from '../../station';
import { sayPhrase } from '../../units';
import { predictByTurn } from '../predict';
import { worldOf } from '../world';
import { faultTestsOf } from './index';

const demo = (file: string): Station => demoStations().find((d) => d.file === `${file}.json`)!.station;

/** What is seen in a test of a station with one fault in it; null: that cannot be told. */
function seen(file: string, id: string, fault: string): string | null {
  const sound = worldOf(demo(file));
  const { test } = faultTestsOf(sound).find((t) => t.test.id === id)!;
  const of = faultsOf(demo(file), sound.panel!).find((f) => f.id === fault)!;
  const [p] = predictByTurn(worldOf(demo(file), [of], 'designed', sound), test).get('seen')!;
  return p!.kind === 'seen' ? sayPhrase(p!.sentence, 'metric') : null;
}

describe('what is told by looking alone', () => {
  it('a check valve that is stuck shut, or held open, is told from a line that is blocked beyond it', () => {
    const valve = (fault: string) => seen('workshop-sump', 'valve-1', fault);
    expect(['check-shut-1', 'check-open', 'blocked'].map(valve)).toEqual([
      'stuck shut',
      'held open: it does not shut',
      'swings open, falls shut',
    ]);
  });
  it('of three check valves each is looked into by itself', () => {
    const file = 'slipway-drainage-pit';
    const open = [1, 2, 3].map((n) => [1, 2, 3].map((v) => seen(file, `valve-${v}`, `check-open-${n}`)!.slice(0, 4)));
    expect(open).toEqual([
      ['held', 'swin', 'swin'],
      ['swin', 'held', 'swin'],
      ['swin', 'swin', 'held'],
    ]);
  });
  it('water that comes back is told from more that comes in at the end of the line', () => {
    const end = (fault: string) => seen('workshop-sump', 'outlet', fault);
    expect(['water-back', 'inflow-double'].map(end)).toEqual([
      'drowned: it stands over the end of the line',
      'stands free',
    ]);
  });
  it('a float that did not rise is told in the hand: stuck, wound up, full of water', () => {
    const float = (what: string) => seen('workshop-sump', 'contact-alarm', `alarm-${what}`);
    const said = ['stuck-down', 'tangled', 'waterlogged', 'slipped'].map(float);
    expect(new Set(said).size).toBe(4);
    expect(said.at(-1)).toMatch(/^free/);
  });
  it('the impeller tells wipes from wear; of one that is held fast it is not foretold what holds it', () => {
    const impeller = (fault: string) => seen('workshop-sump', 'shaft-M1', fault);
    expect(['M1-clogged', 'M1-worn', 'M1-seized', 'M1-thermal'].map(impeller)).toEqual([
      'wipes or rope in it',
      'worn at its edges',
      null,
      null,
    ]);
  });
  it('what may look so or so is not foretold: the end of a line that is blocked, a float that is upside down', () => {
    expect(seen('workshop-sump', 'outlet', 'blocked')).toBeNull();
    expect(seen('workshop-sump', 'contact-alarm', 'alarm-upside-down')).toBeNull();
  });
  it('nothing hangs in the hand of a bell, and a tank that is filled has no pit to drain into', () => {
    const tests = (file: string) => faultTestsOf(worldOf(demo(file))).map((t) => t.test);
    const bells = tests('lodge-grinder-well').filter((t) => t.id.startsWith('contact-'));
    expect(bells.length).toBeGreaterThan(0);
    for (const t of bells) expect(t.parts.flatMap((p) => p.observes).map((o) => o.kind)).not.toContain('seen');
    const drains = (file: string) => sayPhrase(tests(file).find((t) => t.id === 'valve-1')!.actions[0]!, 'metric');
    expect(drains('workshop-sump')).toMatch(/back into the (sump|pit|basin)/);
    expect(drains('workshop-header-tank')).not.toMatch(/back into/);
  });
  it('the pipe is drained before it is opened, and everything is dead', () => {
    for (const { station } of demoStations())
      for (const { test, setting } of faultTestsOf(worldOf(station)).filter((t) => t.test.id.startsWith('valve-'))) {
        expect(setting).toBe('dead');
        expect(test.cautions.join()).toMatch(/locked, proved dead.*Drained before it is opened/);
      }
  });
});
