import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { HEALTHY, NO_PAST, suspectsOf } from '../trace';
import { benchAfter, offersOf } from './bench';
import { readyFor, type Ready } from './ready';
import { drillFile, readDrill, type Drill, type DrillAct } from './drill';
import { DRILL_LEVELS, type LevelName } from './level';
import { boardFor, hintAfter, reviewOf } from './review';

const demo = (file: string) => demoStations().find((d) => d.file === `${file}.json`)!.station;
const CELLAR = demo('ticket-office-cellar');
const drill = (over: Partial<Drill> = {}): Drill => ({
  ...{
    title: 'a drill',
    by: 'M. Oak',
    level: 'first week',
    seed: 5,
    faults: null,
    lesson: null,
    station: CELLAR,
    acts: [],
  },
  ...over,
});

function ready(over: Partial<Drill> = {}): Ready {
  const made = readyFor(drill(over));
  if (!made.ok) throw new Error(made.reasons.join('; '));
  return made.ready;
}

/** The first seed by which this is hidden. */
function hiding(id: RegExp, over: Partial<Drill> = {}): Ready {
  for (let seed = 0; seed < 400; seed++) {
    const r = ready({ ...over, seed });
    if (id.test(r.hidden.id)) return r;
  }
  throw new Error(`nothing hides ${id}`);
}

const off: DrillAct[] = [{ do: 'isolate' }, { do: 'prove dead' }];

describe('what is hidden', () => {
  it('is the same by the same seed, and another by others', () => {
    const ids = [1, 2, 3, 4, 5, 6].map((seed) => ready({ seed }).hidden.id);
    expect([1, 2, 3, 4, 5, 6].map((seed) => ready({ seed }).hidden.id)).toEqual(ids);
    expect(new Set(ids).size).toBeGreaterThan(2);
  });
  it.each(Object.keys(DRILL_LEVELS) as LevelName[])(
    '%s: as many faults as it says, and somebody would be called',
    (level) => {
      for (const file of ['workshop-sump', 'ticket-office-cellar', 'cold-store-condensate', 'rain-cistern'])
        for (const seed of [1, 2]) {
          const { asking, hidden, row } = ready({ station: demo(file), level, seed });
          const sound = asking.row(suspectsOf(asking.station, asking.panel, NO_PAST).find((s) => s.id === HEALTHY)!)!;
          expect(hidden.faults).toHaveLength(DRILL_LEVELS[level].faults);
          expect(new Set(hidden.faults.map((f) => f.part)).size).toBe(hidden.faults.length);
          expect(
            asking.symptoms.filter((s, i) => s.ofTheTrade === undefined && row.symptoms[i] && !sound.symptoms[i]),
          ).not.toEqual([]);
        }
    },
  );
  it('a station that no panel can be drawn for says why', () => {
    const made = readyFor(
      drill({ station: { ...CELLAR, control: { ...CELLAR.control, scheme: 'duplex-three' as never } } }),
    );
    expect(made).toMatchObject({ ok: false });
  });
});

describe('the bench', () => {
  it('a look round asks every symptom that shows at once; a test of another station is refused and costs nothing', () => {
    const r = ready();
    const at = (acts: DrillAct[]) => benchAfter(r, acts).entries.at(-1)!;
    const round = at([{ do: 'look', round: 'round' }]);
    expect(round.minutes).toBe(4);
    expect(round.evidence.length).toBeGreaterThan(5);
    expect(at([{ do: 'test', id: 'of another station' }])).toMatchObject({ minutes: 0, found: [] });
  });
  it('a meter between any two points says what the circuit says: mains before it is isolated, none after', () => {
    const r = hiding(/waterlogged|stuck-down|deposit/);
    const volts = { do: 'meter', a: 'L1', b: 'earth', mode: 'ac-volts' } as const;
    const before = benchAfter(r, [volts]).entries[0]!;
    const nominal = CELLAR.supply.voltage;
    expect((before.evidence[0] as { found: number }).found).toBeGreaterThan(0.9 * nominal);
    expect((before.evidence[0] as { found: number }).found).toBeLessThan(1.1 * nominal);
  });
  it('the same acts show the same, digit by digit, on any machine', () => {
    const acts: DrillAct[] = [
      { do: 'look', round: 'cycles' },
      { do: 'meter', a: 'L1', b: 'N', mode: 'ac-volts' },
      ...off,
    ];
    expect(benchAfter(ready(), acts)).toEqual(benchAfter(ready(), acts));
  });
  it('gone on from an earlier moment it is what it is from the beginning; one of other acts is no beginning', () => {
    const r = ready();
    const acts: DrillAct[] = [{ do: 'look', round: 'round' }, ...off, { do: 'meter', a: 'L1', b: 'N', mode: 'ohms' }];
    const whole = benchAfter(r, acts);
    for (let n = 0; n <= acts.length; n++) expect(benchAfter(r, acts, benchAfter(r, acts.slice(0, n)))).toEqual(whole);
    expect(benchAfter(r, acts, benchAfter(r, [{ do: 'wait', minutes: 5 }]))).toEqual(whole);
  });
  it('minutes add up, a change of state among them; what is refused costs none', () => {
    const { entries, minutes } = benchAfter(ready(), [
      { do: 'look', round: 'round' },
      { do: 'give back' },
      ...off,
      { do: 'water', to: 'high' },
      { do: 'wait', minutes: 30 },
    ]);
    expect(entries.map((e) => e.minutes)).toEqual([4, 0, 3, 3, 0, 30]);
    expect(minutes).toBe(40);
    expect(entries.map((e) => e.at)).toEqual([0, 4, 4, 7, 10, 10]);
  });
  it('is over when it is named: nothing more is done', () => {
    const b = benchAfter(ready(), [
      { do: 'name', faults: ['x'] },
      { do: 'wait', minutes: 5 },
    ]);
    expect([b.entries.length, b.minutes, b.named]).toEqual([1, 0, ['x']]);
  });
});

describe('what is dangerous', () => {
  const ohms = { do: 'meter', a: 'L1', b: 'N', mode: 'ohms' } as const;
  it('ohms on what is live are stopped, and it is said what stood there', () => {
    const [e] = benchAfter(hiding(/waterlogged|stuck-down|deposit/), [ohms]).entries;
    expect(e!.incidents).toMatchObject([{ kind: 'live', stopped: true }]);
    const [, volts, point] = /([\d.]+) V to earth stands on (\w+)/.exec(e!.incidents[0]!.would)!;
    expect(Number(volts)).toBeGreaterThan(0.9 * CELLAR.supply.voltage);
    expect(point).toBe('L1');
    expect(e!.evidence).toEqual([]);
  });
  it('isolated and not proved is counted and goes on; proved is right', () => {
    const [, bad] = benchAfter(ready(), [{ do: 'isolate' }, ohms]).entries;
    expect(bad!.incidents).toMatchObject([{ kind: 'not proved', stopped: false }]);
    expect(bad!.evidence).toHaveLength(1);
    const good = benchAfter(ready(), [...off, ohms]);
    expect([good.proved, good.entries[2]!.incidents, good.entries[2]!.evidence.length]).toEqual([true, [], 1]);
    // Given back it must be proved anew.
    expect(benchAfter(ready(), [...off, { do: 'give back' }]).proved).toBe(false);
  });
  it('a voltmeter after isolating is how one looks, and no incident; what is not proved is not called so', () => {
    const volts = { do: 'meter', a: 'L1', b: 'N', mode: 'ac-volts' } as const;
    const { entries } = benchAfter(ready(), [{ do: 'isolate' }, volts, ohms]);
    expect(entries[1]!.incidents).toEqual([]);
    for (const e of entries.slice(1)) expect(e.title).toMatch(/isolated, not proved dead$/);
    // Only of the terminals that were touched, never of the board that stays live before the breaker.
    expect(entries[2]!.incidents[0]!.would).toMatch(/ on (L1|N)\b|on L1, N this time/);
  });
  it('of points and cores that are not there nothing is said, and nothing is done', () => {
    const { entries, minutes } = benchAfter(ready(), [
      { ...ohms, a: 'ZZ:9' },
      { do: 'clamp', core: 'none' },
      { do: 'isolate' },
      { do: 'isolate' },
    ]);
    expect(entries.map((e) => [e.minutes, e.incidents.length, e.found.length])).toEqual([
      [0, 0, 0],
      [0, 0, 0],
      [3, 0, 0],
      [0, 0, 0],
    ]);
    expect([entries[0]!.title, minutes]).toEqual(['There is no ZZ:9 at this station', 3]);
  });
  it('every test with hands, tools or ohms is stopped on what is live, at every station', () => {
    for (const file of ['workshop-sump', 'cold-store-condensate', 'rain-cistern']) {
      const r = ready({ station: demo(file) });
      const dead = offersOf(r).tests.filter((o) => o.setting === 'dead');
      expect(dead.length).toBeGreaterThan(3);
      for (const { id } of dead)
        expect(benchAfter(r, [{ do: 'test', id }]).entries[0]!.incidents[0]?.stopped, id).toBe(true);
    }
  });
});

describe('the water meanwhile', () => {
  it('rises while everything is off, by the volume that comes in', () => {
    const r = hiding(/alarm/);
    const { vessel, inflow, overflow } = r.asking.world.levels;
    const level = (minutes: number) => benchAfter(r, [{ do: 'isolate' }, { do: 'wait', minutes }]).water!;
    const [soon, later] = [level(10), level(30)];
    const room = vessel.volume(overflow);
    const came = 20 * 60 * inflow.design;
    expect(Math.min(vessel.volume(later.level), room) + later.spilt).toBeCloseTo(
      Math.min(vessel.volume(soon.level), room) + soon.spilt + came,
      6,
    );
  });
  it('runs over where nobody comes to an end, and says how much', () => {
    const r = hiding(/alarm/);
    const { vessel, inflow, overflow } = r.asking.world.levels;
    const minutes = (2 * vessel.volume(overflow)) / inflow.design / 60;
    const waits = Array.from({ length: Math.ceil(minutes / 600) }, (): DrillAct => ({ do: 'wait', minutes: 600 }));
    const { water } = benchAfter(r, [{ do: 'isolate' }, ...waits]);
    expect(water!.level).toBeGreaterThanOrEqual(overflow - 1e-9);
    expect(water!.spilt).toBeGreaterThan(0);
    // While it runs over, what comes in goes over.
    expect(water!.spilt).toBeCloseTo(water!.spilling * inflow.design, 4);
  });
});

describe('looking back', () => {
  const r = hiding(/^alarm.*upside|alarm.*stuck/);
  const board = boardFor(r);
  const after = (acts: DrillAct[]) => reviewOf(r, benchAfter(r, acts), board);
  it('what was hidden and named is right, another is not, and what no test tells from it is', () => {
    const own = r.hidden.faults[0]!.id;
    expect(after([{ do: 'name', faults: [own] }]).right).toEqual([true]);
    const other = board.suspects.find((s) => s.kind === 'fault' && s.faults[0]!.part !== r.hidden.faults[0]!.part)!;
    expect(after([{ do: 'name', faults: [other.id] }]).right).toEqual([false]);
    expect(after([{ do: 'name', faults: ['no such fault'] }]).right).toEqual([false]);
  });
  it('what one would do is said beside what mends it; where nothing was said nothing is', () => {
    const [fault] = r.hidden.faults;
    const others = offersOf(r).mends.filter((m) => m !== fault!.remedy);
    const named = (...mends: string[]) => after([{ do: 'name', faults: [fault!.id], mends }]).mends;
    expect(named(fault!.remedy)).toEqual([{ says: fault!.remedy, is: true }]);
    expect(named(others[0]!, '')).toEqual([{ says: others[0], is: false }]);
    expect(after([{ do: 'name', faults: [fault!.id] }]).mends).toEqual([]);
  });
  it('each step says how much surer one could be after it; a look that shows it tells bits, waiting tells none', () => {
    const { steps } = after([
      { do: 'wait', minutes: 5 },
      { do: 'look', round: 'round' },
      { do: 'look', round: 'cycles' },
      { do: 'name', faults: ['x'] },
    ]);
    expect(steps[0]!.bits).toBe(0);
    expect(steps[1]!.bits).toBeGreaterThan(0.5);
    expect(steps[2]!.after).toBeGreaterThan(steps[0]!.before);
    expect(steps.every((s) => s.before >= 0 && s.after <= 1)).toBe(true);
  });
  it('what is seen twice was seen once: asked again, the owner tells no more', () => {
    const twice = after([{ do: 'ask' }, { do: 'ask' }]).steps;
    expect(twice[0]!.bits).toBeGreaterThan(0);
    expect([twice[1]!.bits, twice[1]!.after]).toEqual([0, twice[1]!.before]);
  });
  it('a hint is what Trace would do next, and never what was done already', () => {
    const first = hintAfter(benchAfter(r, []), board);
    expect(first).not.toBeNull();
    const looked = benchAfter(r, [
      { do: 'look', round: 'round' },
      { do: 'look', round: 'cycles' },
    ]);
    expect(hintAfter(looked, board)).not.toMatch(/^(Look round|Stay for)/);
  });
  it('Trace’s own way to it stands beside, and ends at what is true', () => {
    const { best } = after([{ do: 'name', faults: ['x'] }]);
    expect(best.right).toBe(true);
    expect(best.titles.length).toBeGreaterThan(0);
    expect(best.minutes).toBeGreaterThan(0);
  });
  it('after the looks, and a dozen tests made as it stands, one is sure of it, with nothing dangerous on the way', () => {
    const ids = r.asking.tests.filter((t) => t.setting !== 'dead').map((t) => t.test.id);
    const acts: DrillAct[] = [
      { do: 'look', round: 'round' },
      { do: 'look', round: 'cycles' },
      ...ids.slice(0, 12).map((id) => ({ do: 'test', id }) as const),
    ];
    const seen = after([...acts, { do: 'name', faults: [r.hidden.faults[0]!.id] }]);
    expect(seen.sure).toBeGreaterThan(0.9);
    expect(seen.steps.flatMap((s) => s.incidents)).toEqual([]);
  });
});

describe('a drill as a file', () => {
  it('is read as it was written', () => {
    const one = drill({ acts: [...off, { do: 'meter', a: 'L1', b: 'N', mode: 'ohms' }] });
    const read = readDrill(JSON.parse(JSON.stringify(drillFile(one))));
    expect(read.ok && read.drill).toEqual(one);
  });
  it('one of the first version hides what its level and number hide', () => {
    const { faults: _, lesson: __, ...first } = drillFile(drill());
    const read = readDrill({ ...first, version: 1 });
    expect(read.ok && read.drill).toEqual(drill());
  });
  it.each([
    ['no file at all', 7, 'file'],
    ['another format', { format: 'pit-bell/trace' }, 'format'],
    ['a newer version', { version: 9 }, 'version'],
    ['a level that is none', { level: 'master' }, 'level'],
    ['a seed that is no whole number', { seed: 1.5 }, 'seed'],
    ['an act that nobody can do', { acts: [{ do: 'hope' }] }, 'acts.0.do'],
    ['a station that contradicts itself', { station: { version: 8 } }, /^station\./],
  ])('%s is refused, and where', (_, over, path) => {
    const read = readDrill(typeof over === 'number' ? over : { ...drillFile(drill()), ...over });
    expect(read).toMatchObject({ ok: false });
    if (!read.ok)
      expect(read.problems.map((p) => p.path)).toContainEqual(
        typeof path === 'string' ? path : expect.stringMatching(path),
      );
  });
});
