import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { setAt } from '../editing';
import { judge } from '../levels';
import { exampleStation } from '../starting';
import { assumedThroughout, withConfirmed, withStandings } from '../surveyed';
import { dependence, hangingWords, readingsSentence, restingSentence } from './index';
import { alike, nudged } from './nudge';

const of = (file: string) => demoStations().find((d) => d.file === file)!.station;
const only = (file: string, ...paths: string[]) =>
  withStandings(of(file), (path) => (paths.includes(path) ? 'assumed' : 'confirmed'));

describe('a figure moved a little', () => {
  it('is a tenth of it; of a table the column that matters; ten degrees of a bearing, round the circle', () => {
    const s = of('workshop-sump.json');
    expect(nudged(s, 'vessel.overflow', true)!.vessel.overflow).toBeCloseTo(1.35 * 1.1, 12);
    const heads = (up: boolean) => nudged(s, 'pumps.0.curve', up)!.pumps[0]!.curve.map((c) => c.head);
    expect(heads(false)).toEqual(s.pumps[0]!.curve.map((c) => c.head * 0.9));
    expect(nudged(s, 'pumps.0.curve', true)!.pumps[0]!.curve.map((c) => c.flow)).toEqual(
      s.pumps[0]!.curve.map((c) => c.flow),
    );
    expect(nudged(setAt(s, 'pole.bearing', 355), 'pole.bearing', true)!.pole.bearing).toBe(5);
    expect(nudged(s, 'inflow.infiltration', true)).toBeNull();
  });
  it('is that of every pump of one kind, for they are measured once', () => {
    const s = of('slipway-drainage-pit.json');
    expect(alike(s, 'pumps.0.curve')).toEqual(['pumps.0.curve', 'pumps.1.curve', 'pumps.2.curve']);
    expect(alike(s, 'pumps.0.bearing')).toEqual(['pumps.0.bearing']);
    const moved = nudged(s, 'pumps.0.curve', true)!;
    expect(moved.pumps[2]!.curve).toEqual(moved.pumps[0]!.curve);
  });
});

describe('what hangs on figures that nobody measured', () => {
  it('nothing, where all were typed or confirmed', () => {
    const r = dependence(of('workshop-sump.json'));
    expect(r).toMatchObject({ unconfirmed: 0, rules: [], first: [], notAsked: [] });
    expect(restingSentence(r)).toBe(`All ${r.figures} figures taken on site were typed or confirmed.`);
  });
  it('says of the top of the motor what the submergence rule says when it is moved by hand', () => {
    const file = 'lodge-grinder-well.json';
    const s = only(file, 'pumps.0.motorTop');
    const r = dependence(s);
    const rule = (station: typeof s) => judge(station).rules.find((x) => x.id === 'submergence')!;
    const shares = [1.1, 0.9].map((by) => rule(setAt(s, 'pumps.0.motorTop', s.pumps[0]!.motorTop * by)).share!);
    const [hangs] = r.rules.find((x) => x.rule === 'submergence')!.on;
    expect(hangs!.moves).toBeCloseTo(Math.max(...shares.map((x) => Math.abs(x - rule(s).share!))), 9);
    expect(hangs!.left).toBeCloseTo(Math.min(...shares, rule(s).share!), 9);
    expect(hangs!.turns).toBe(true);
    expect(r.first).toEqual([{ path: 'pumps.0.motorTop', name: 'top of motor', breaks: [rule(s).title], mends: [] }]);
    expect(restingSentence(r)).toMatch(
      /^1 of the \d+ figures taken on site are assumed.* top of motor \(a tenth more or less breaks “/,
    );
    expect(hangingWords(hangs!, true)).toBe('top of motor: a tenth more or less breaks it');
  });
  it('a figure that mends a broken rule is told so', () => {
    const file = 'battery-room-sump.json';
    const s = assumedThroughout(of(file));
    const broken = judge(s)
      .rules.filter((x) => x.state === 'broken')
      .map((x) => x.title);
    const r = dependence(s);
    expect(broken.length).toBeGreaterThan(0);
    for (const f of r.first) expect(f.breaks.some((t) => broken.includes(t))).toBe(false);
    for (const rule of r.rules) expect(rule.on.length).toBeLessThanOrEqual(3);
  });
  it('tells the tightest first, and never of a figure that was confirmed', () => {
    const s = withConfirmed(exampleStation('a', 'b', 'metric-230', 'empty'), (_, g) => g !== 'vessel' && g !== 'pump');
    const r = dependence(s);
    const paths = r.rules.flatMap((x) => x.on.map((h) => h.path));
    expect(paths.every((p) => p.startsWith('vessel.') || p.startsWith('pumps.'))).toBe(true);
    const order = judge(s).rules.map((x) => x.id);
    const told = r.rules.map((x) => order.indexOf(x.rule));
    expect(told).toEqual([...told].sort((a, b) => a - b));
  });
  it('says what was not asked: what is nothing cannot be moved', () => {
    expect(dependence(only('workshop-sump.json', 'inflow.infiltration', 'discharge.exposed')).notAsked).toEqual([
      'rain seeps in',
      'in the open',
    ]);
  });
  it('readings rest on the supply, its cables and the motor', () => {
    expect(readingsSentence(of('workshop-sump.json'))).toBeNull();
    expect(readingsSentence(only('workshop-sump.json', 'vessel.overflow'))).toBeNull();
    expect(readingsSentence(only('workshop-sump.json', 'supply.loop', 'pumps.0.ratedCurrent'))).toBe(
      'These readings rest on figures that are assumed, not measured: rated current, loop at the board.',
    );
    const old = { ...of('workshop-sump.json'), surveyed: { rest: 'unknown' as const, figures: {} } };
    expect(readingsSentence(old)).toMatch(/^Whether these were measured is not known/);
    expect(restingSentence({ ...dependence(of('workshop-sump.json')), unconfirmed: 3, unknown: true })).toMatch(
      /is not known: the document is older/,
    );
  });
});
