import { describe, expect, it } from 'vitest';
import { newStation, type Station } from '../station';
import { chance, usualChances, type Chances } from '.';

const sump = newStation('a', 'b', 'metric-230');

describe('chance', () => {
  const few: Chances = {
    ...usualChances,
    years: 40,
    storms: { ...usualChances.storms, perYear: 0 },
    powerCuts: { ...usualChances.powerCuts, perYear: 0 },
  };
  const drawn = (station: Station, more: Partial<Chances>) => {
    const answer = chance(station, { ...few, ...more });
    if (!answer.ok) throw new Error('refused');
    return answer.chance;
  };
  it('the same seed gives the same years, another gives others', () => {
    const [a, b, c] = [drawn(sump, { seed: 5 }), drawn(sump, { seed: 5 }), drawn(sump, { seed: 6 })];
    expect(JSON.stringify(a)).toBe(JSON.stringify(b));
    expect(JSON.stringify(c)).not.toBe(JSON.stringify(a));
  });
  it('nothing comes, nothing floods: the interval still does not promise it', () => {
    expect(drawn(sump, { faults: 0 })).toMatchObject({
      yearsWithOverflow: 0,
      share: 0,
      low: 0,
      high: expect.closeTo(3.8414588 / (40 + 3.8414588), 6),
      alarms: 0,
      overflow: 0,
      causes: [],
    });
  });
  it('power cuts of two days flood every year that has one: one cut a year, as Poisson has it', () => {
    const cuts = drawn(sump, {
      faults: 0,
      years: 400,
      powerCuts: { perYear: 1, middle: 2 * 86400, spread: 0, withStorm: 0 },
    });
    expect(Math.abs(cuts.share - (1 - Math.exp(-1)))).toBeLessThan(
      3 * Math.sqrt((Math.exp(-1) * (1 - Math.exp(-1))) / 400),
    );
    expect(cuts.causes).toEqual([{ label: 'power cut', floods: expect.any(Number) }]);
  });
  it('whoever comes sooner has fewer floods', () => {
    const [soon, late] = [
      drawn(sump, { responseTime: 60, faults: 4, years: 60 }),
      drawn(sump, { responseTime: 86400, faults: 4, years: 60 }),
    ];
    expect(soon.yearsWithOverflow).toBeLessThan(late.yearsWithOverflow);
  });
  it('what hides is found at visits: with many there are fewer silent floods', () => {
    const [often, never] = [
      drawn(sump, { faults: 6, years: 60, visitInterval: 30 * 86400, responseTime: 60 }),
      drawn(sump, { faults: 6, years: 60, visitInterval: 20 * 365 * 86400, responseTime: 60 }),
    ];
    expect(often.floodsWithoutAlarm).toBeLessThan(never.floodsWithoutAlarm);
  });
  it('tells how far it is, and can be stopped', () => {
    const shares: number[] = [];
    expect(chance(sump, few, { progress: (s) => shares.push(s), stopped: () => shares.length > 3 })).toEqual({
      ok: false,
      problems: ['stopped by hand'],
    });
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
  });
});
