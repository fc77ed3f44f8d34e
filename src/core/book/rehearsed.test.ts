import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { sayPhrase } from '../units';
import { analyse, byFillTimes, byRehearsal, plantedYear, type FindingKind, type Trouble } from '.';

const FROM = Date.UTC(2025, 10, 26);
const WEEK = 7 * 86_400_000;
const demo = (file: string) => demoStations().find((d) => d.file === `${file}.json`)!.station;
const findings = (file: string, trouble: Trouble, begins = 20, seed = 11) => {
  const station = demo(file);
  const { readings } = plantedYear(station, trouble, seed, FROM, begins, byRehearsal);
  return analyse({ station, readings, alarms: [] }).findings;
};

describe('years that were rehearsed week by week', () => {
  it.each([
    ['underpass-storm-sump', 'wear', 24, 'pump-weaker'],
    ['lodge-grinder-well', 'runs-back', 30, 'runs-back'],
    ['slipway-drainage-pit', 'stuck-turns', 44, 'turns'],
    ['slip-gully-chamber', 'wet', 14, 'rain'],
    ['battery-room-sump', 'slipped', 33, 'volume-changed'],
  ] as const)('%s with %s from week %d on: %s is found, about then', (file, trouble, begins, kind) => {
    const found = findings(file, trouble, begins).find((f) => f.kind === (kind as FindingKind));
    expect(found).toBeDefined();
    if (found!.since !== null) {
      const week = (found!.since - FROM) / WEEK;
      expect(week).toBeGreaterThan(begins - 4);
      expect(week).toBeLessThan(begins + 9);
    }
  });
  it('of a line that drains back whole it is said how many times as often pumps start, not by how many hundred per cent', () => {
    const found = findings('lodge-grinder-well', 'runs-back', 30).find((f) => f.kind === 'runs-back')!;
    expect(sayPhrase(found.sentence, 'metric')).toMatch(/^Pumps start \d{2,3} times as often, and/);
  });
  it.each(['workshop-sump', 'wash-bay-pit', 'underpass-storm-sump', 'lodge-grinder-well'])(
    '%s with nothing planted: nothing but rain and the model is told',
    (file) => {
      const told = findings(file, 'none').map((f) => f.kind);
      expect(told.filter((k) => !['rain', 'unlike-model', 'short-runs'].includes(k))).toEqual([]);
    },
  );
  it('are what the fill and run times of the model come to, within a few starts of each week', () => {
    const station = demo('workshop-sump');
    const counted = (how: typeof byRehearsal) => plantedYear(station, 'none', 3, FROM, 20, how).readings['starts-1']!;
    const weekly = (list: readonly { value: number }[]) => list.slice(1).map((r, i) => r.value - list[i]!.value);
    const by = weekly(counted(byFillTimes));
    for (const [i, n] of weekly(counted(byRehearsal)).entries()) expect(Math.abs(n / by[i]! - 1)).toBeLessThan(0.02);
  });
});
