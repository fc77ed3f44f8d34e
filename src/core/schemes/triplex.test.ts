import { describe, expect, it } from 'vitest';
import type { Station } from '../station';
import { sayPhrase } from '../units';
import { FLOAT, postures, standing, station, table, up, type Change } from './truth.fixture';
import { reasonsAgainst, schemeOf } from '.';

const three: Change = (s) => ({
  pumps: [1, 2, 3].map((n) => ({ ...s.pumps[0]!, name: `pump of three, ${n}` })),
  control: { ...s.control, alternates: true },
});
const five = ['stop', 'lead', 'lag', 'lag2', 'alarm'] as const;
const floats = (roles: readonly string[]) => Object.fromEntries(roles.map((r) => [`S-${r}`, FLOAT]));

/** Who runs: of the pumps in their order, the first that are ready, as many as are called; and whoever is in Hand. */
function must(wanted: (p: Record<string, string>) => number) {
  return (p: Record<string, string>) => {
    const first = ['one', 'two', 'three'].indexOf(p.S5!);
    const selector = [p.S11!, p.S12!, p.S13!];
    const order = [0, 1, 2].map((i) => (Math.max(first, 0) + i) % 3);
    const called = order.filter((i) => selector[i] !== 'off').slice(0, wanted(p));
    const runs = (i: number) => selector[i] === 'hand' || (selector[i] === 'auto' && called.includes(i));
    return { M1: runs(0), M2: runs(1), M3: runs(2), horn: up(p, 'alarm') };
  };
}
const byFive = (p: Record<string, string>) =>
  up(p, 'lag2') ? 3 : up(p, 'lag') ? 2 : up(p, 'stop') && up(p, 'lead') ? 1 : 0;

describe('alternating triplex', () => {
  it('five floats, every posture, any pump skipped, any first', () => {
    const rows = table(
      station('triplex', five, three),
      {
        ...floats(five),
        S11: ['off', 'auto'],
        S12: ['off', 'auto'],
        S13: ['off', 'auto'],
        S5: ['one', 'turns', 'two', 'three'],
      },
      must(byFive),
    );
    expect(rows).toBe(1024);
  });
  it('one in Hand runs, and counts as ready for the others', () => {
    const hoa = ['hand', 'off', 'auto'];
    table(
      station('triplex', five, three),
      { 'S-stop': ['up'], 'S-lead': ['up'], 'S-lag': FLOAT, S11: hoa, S12: hoa, S13: hoa, S5: ['two'] },
      must(byFive),
    );
  });
  it('four floats and the link: the high float is the second lag float too', () => {
    const s = station('triplex', ['stop', 'lead', 'lag', 'alarm'], (d) => ({
      ...three(d),
      control: { ...d.control, alternates: true, floats: 'three' },
    }));
    table(s, { ...floats(['stop', 'lead', 'lag', 'alarm']), S12: ['off', 'auto'], S5: ['turns', 'three'] }, (p) =>
      must((q) => byFive({ ...q, 'S-lag2': q['S-alarm']! }))({ ...p, S11: 'auto', S13: 'auto' }),
    );
  });
  it('runs on three legs, and a low float is under all of it', () => {
    const s = station('triplex', ['low', 'pump', 'lag', 'lag2', 'alarm'], (d) => ({
      ...three(d),
      supply: { ...d.supply, source: 'three', voltage: 400, residualCurrent: false },
    }));
    const wanted = (p: Record<string, string>) => (up(p, 'lag2') ? 3 : up(p, 'lag') ? 2 : up(p, 'pump') ? 1 : 0);
    table(s, { ...floats(['low', 'pump', 'lag', 'lag2']), S5: ['turns'] }, (p) =>
      must((q) => (up(q, 'low') ? wanted(q) : 0))({ ...p, S11: 'auto', S12: 'auto', S13: 'auto' }),
    );
  });

  const call = (p: ReturnType<typeof standing>) => {
    p.put({ 'S-stop': 'up' });
    const run = p.put({ 'S-lead': 'up' });
    p.put({ 'S-lead': 'down' });
    p.put({ 'S-stop': 'down' });
    return ['M1', 'M2', 'M3'].filter((m) => run[m]).join();
  };
  it('the turn passes over three, and round', () => {
    const p = standing(station('triplex', five, three));
    expect([1, 2, 3, 4].map(() => call(p))).toEqual(['M1', 'M2', 'M3', 'M1']);
  });
  it.each([
    ['its overload tripped', { F12: 'tripped' }],
    ['its breaker off', { Q2: 'off' }],
    ['its selector off', { S12: 'off' }],
  ])('a pump with %s is skipped: the next takes its call', (_, fault) => {
    const p = standing(station('triplex', five, three));
    p.put(fault);
    expect([1, 2, 3, 4].map(() => call(p))).toEqual(['M1', 'M3', 'M3', 'M1']);
  });
  it.each([
    ['one', 'M1'],
    ['two', 'M2'],
    ['three', 'M3'],
  ])('locked to pump %s it stays so, call after call', (lock, who) => {
    const p = standing(station('triplex', five, three));
    p.put({ S5: lock });
    expect([1, 2, 3].map(() => call(p))).toEqual([who, who, who]);
  });
  it('each lag float brings one pump more, and all run to the stop', () => {
    const p = standing(station('triplex', five, three));
    const runs = (posture: Record<string, string>) => {
      const does = p.put(posture);
      return ['M1', 'M2', 'M3'].filter((m) => does[m]).length;
    };
    const steps: Record<string, string>[] = [
      { 'S-stop': 'up' },
      { 'S-lead': 'up' },
      { 'S-lag': 'up' },
      { 'S-lag2': 'up' },
      { 'S-lag2': 'down' },
      { 'S-lag': 'down' },
      { 'S-lead': 'down' },
      { 'S-stop': 'down' },
    ];
    expect(steps.map(runs)).toEqual([0, 1, 2, 3, 3, 3, 3, 0]);
  });
  it('whatever is lost of who leads, a call runs a pump, and never more than are called', () => {
    const p = standing(station('triplex', five, three));
    for (const gone of ['K6C', 'K16C'])
      for (const posture of postures({ 'S-lag': FLOAT, S5: ['one', 'two', 'three'] })) {
        const does = p.fresh({ 'S-stop': 'up', 'S-lead': 'up', ...posture, [gone]: 'off' });
        expect(['M1', 'M2', 'M3'].filter((m) => does[m])).toHaveLength(posture['S-lag'] === 'up' ? 2 : 1);
      }
  });
  it('is refused where it does not belong, each with its reason', () => {
    const why = (s: Station) =>
      reasonsAgainst(schemeOf('triplex')!, s)
        .map((r) => sayPhrase(r, 'metric'))
        .join('; ');
    expect(why(station('triplex', five))).toBe('it alternates three pumps, and there is one');
    expect(why(station('triplex', ['stop', 'lead', 'lag', 'alarm'], three))).toBe('it needs a second lag float');
    expect(why(station('triplex', ['stop', 'lead', 'lag2', 'alarm'], three))).toBe('it needs a lag float');
    expect(
      reasonsAgainst(schemeOf('duplex')!, station('duplex', five, three)).map((r) => sayPhrase(r, 'metric')),
    ).toEqual(['it alternates two pumps, and there are 3']);
  });
});
