import { describe, expect, it } from 'vitest';
import { traitsOf } from '../duties';
import { columnOver } from '../levels';
import { minutesBetween } from '../tests';
import { fieldInputs } from '../wiring';
import { benchAfter, offersOf } from './bench';
import type { DrillAct } from './drill';
import { hiding, lastOf, OFF } from './drill.fixture';
import { boardFor, reviewOf } from './review';

const named: DrillAct = { do: 'name', faults: ['x'] };
const wait = (minutes: number): DrillAct => ({ do: 'wait', minutes });

describe('hands at the panel', () => {
  const sump = hiding('workshop-sump', 'P1-dead');
  const { panel } = sump.asking;
  const float = panel.devices.find((d) => d.sensor === 'pump')!.tag;

  it('a float that is lifted calls its pump, and is held until it is let go', () => {
    const lift: DrillAct = { do: 'put', device: float, to: 'up' };
    const b = benchAfter(sump, [{ do: 'water', to: 'resting' }, lift]);
    expect(b.entries[1]!.found[0]!.words).toMatch(/pump/);
    expect(b.left.map((l) => l.key)).toEqual([`put ${float}`]);
    expect(b.toPutBack.map((p) => p.act)).toEqual([{ do: 'let go', device: float }]);
    expect(benchAfter(sump, [lift, { do: 'let go', device: float }]).left).toEqual([]);
    // One that is waterlogged and is lifted with the rod calls it all the same; one that has a broken cord does not.
    const dead = hiding('workshop-sump', 'pump-cord-cut');
    expect(lastOf(dead, { do: 'water', to: 'resting' }, lift).found[0]!.words).not.toMatch(/pump/);
  });
  it('straight into the outlet the pump draws the water down; left so it runs in air, and it is said', () => {
    const dead = hiding('workshop-sump', 'pump-stuck-down');
    const straight: DrillAct = { do: 'plug', straight: true };
    const before = benchAfter(dead, [wait(4)]).water!;
    const after = benchAfter(dead, [wait(1), straight, wait(2)]).water!;
    expect([before.running, after.running]).toEqual([[], [1]]);
    expect(after.level).toBeLessThan(before.level);
    const back = benchAfter(dead, [straight, wait(2), { do: 'plug', straight: false }]);
    expect([back.left, back.water!.running]).toEqual([[], []]);
    const left = lastOf(dead, straight, wait(1), named).incidents;
    expect(left).toMatchObject([{ kind: 'left', stopped: false }]);
    expect(left[0]!.would).toMatch(/a pump in air for \d+ (h|min)/);
    expect(lastOf(dead, straight, { do: 'plug', straight: false }, named).incidents).toEqual([]);
  });
  it('a selector in Hand runs its pump at any water; it is named as left until it is back in Auto', () => {
    const duplex = hiding('underpass-storm-sump', 'P1-dead');
    const hand: DrillAct = { do: 'put', device: 'S11', to: 'hand' };
    const b = benchAfter(duplex, [{ do: 'water', to: 'resting' }, hand, wait(3)]);
    expect([b.water!.running, b.toPutBack.map((p) => p.words)]).toEqual([[1], ['S11 in Hand']]);
    const auto = b.toPutBack[0]!.act;
    expect(benchAfter(duplex, [{ do: 'water', to: 'resting' }, hand, auto]).left).toEqual([]);
    expect(lastOf(duplex, hand, named).incidents[0]!.says).toBe('Left so: S11 in Hand.');
    expect(lastOf(duplex, hand, auto, named).incidents).toEqual([]);
  });
  it('cores are moved only where everything is dead; what is read then is read with them so', () => {
    const core = panel.cores.find((c) => c.pin.startsWith(`${float}:`) && c.terminal)!;
    const off: DrillAct = { do: 'land', core: core.id, to: null };
    const live = lastOf(sump, off);
    expect(live.incidents).toMatchObject([{ kind: 'live', stopped: true }]);
    expect(benchAfter(sump, [off]).left).toEqual([]);
    const b = benchAfter(sump, [...OFF, off, { do: 'give back' }, { do: 'water', to: 'called' }, wait(1)]);
    expect(b.left).toHaveLength(1);
    // By the circuit: with a core of its float off the pump is not called.
    const clamp = panel.cores.find((c) => c.pin === 'M1:U1' || /^M1:/.test(c.pin))!;
    const amps: DrillAct = { do: 'clamp', core: clamp.id };
    const figure = (acts: DrillAct[]) => (lastOf(sump, ...acts).evidence[0] as { found: number }).found;
    const water: DrillAct = { do: 'water', to: 'called' };
    expect(figure([water, amps])).toBeGreaterThan(1);
    const open: DrillAct[] = [...OFF, off, { do: 'give back' }, water, amps];
    expect(figure(open)).toBeLessThan(0.1);
    expect(lastOf(sump, ...open).title).toContain(`with core ${core.id} off`);
    expect(
      figure([...open, ...OFF, { do: 'land', core: core.id, to: core.terminal }, { do: 'give back' }, water, amps]),
    ).toBeGreaterThan(1);
  });
  it('a core is landed on another terminal too, is told as left so, and goes back to its own', () => {
    const core = panel.cores.find((c) => c.pin.startsWith(`${float}:`) && c.terminal)!;
    const to = panel.terminals.find((t) => t.id !== core.terminal)!.id;
    const b = benchAfter(sump, [...OFF, { do: 'land', core: core.id, to }]);
    expect(b.toPutBack).toMatchObject([
      { words: `core ${core.id} on ${to}`, act: { do: 'land', core: core.id, to: core.terminal } },
    ]);
    expect(benchAfter(sump, [...OFF, { do: 'land', core: core.id, to }, b.toPutBack[0]!.act]).left).toEqual([]);
  });
  it('what is locked off stays off until the locks are off', () => {
    const on: DrillAct = { do: 'put', device: 'Q1', to: 'on' };
    const b = benchAfter(sump, [{ do: 'isolate' }, on]);
    expect([b.entries[1]!.title, b.minutes]).toEqual(['Q1 is locked off: locks off and supply back first', 3]);
    expect(lastOf(sump, { do: 'isolate' }, { do: 'give back' }, { do: 'put', device: 'Q1', to: 'off' }).minutes).toBe(
      1,
    );
  });
  it('a bridge over the pair of a float is its contact closed, for the circuit and for the water', () => {
    const duplex = hiding('underpass-storm-sump', 'lead-cord-cut');
    const { a, b } = fieldInputs(duplex.asking.panel).find(
      (f) => f.device === duplex.asking.panel.devices.find((d) => d.sensor === 'lead')!.tag,
    )!;
    const rest: DrillAct = { do: 'water', to: 'called' };
    const bridge = { do: 'bridge', a, b, fitted: true } as const;
    expect(lastOf(duplex, rest, bridge).found[0]!.words).toMatch(/pump/);
    const now = benchAfter(duplex, [rest, bridge, wait(1)]);
    expect(now.water!.running.length).toBeGreaterThan(0);
    expect(benchAfter(duplex, [rest, bridge, { ...bridge, fitted: false }]).left).toEqual([]);
  });
  it('a cut-off that is bridged and left is told when one goes', () => {
    const cold = hiding('cold-store-condensate', 'P1-dead');
    const loop = ['1', '2'].map((p) => cold.asking.panel.cores.find((c) => c.pin === `U41:${p}`)!.terminal!);
    const left = lastOf(cold, { do: 'bridge', a: loop[0]!, b: loop[1]!, fitted: true }, named).incidents[0]!;
    expect(left.says).toContain(`${loop[0]} and ${loop[1]} bridged`);
    // On an ordinary day it does nothing; on one on which the line blocks the appliance is not stopped.
    expect(left.would).toMatch(/if the line blocks on that day, [\d.]+ gal over the top/);
    expect(left.would).not.toMatch(/no alarm/);
    // A circuit of the alarm that is left off does nothing on an ordinary day either.
    const cellar = hiding('ticket-office-cellar', 'P1-dead');
    const silent = lastOf(cellar, { do: 'put', device: 'QA', to: 'off' }, named).incidents[0]!;
    expect(silent.would).toMatch(/if the line blocks on that day, no alarm, where there would be one/);
  });
  it('what is not here is refused in words, and costs nothing', () => {
    const strange: DrillAct[] = [
      { do: 'put', device: 'ZZ', to: 'up' },
      { do: 'put', device: float, to: 'sideways' },
      { do: 'put', device: float, to: 'down' },
      { do: 'put', device: 'W0', to: 'cut' },
      { do: 'let go', device: 'M1' },
      { do: 'press', device: float },
      { do: 'land', core: 'none', to: null },
      { do: 'bridge', a: 'X', b: 'Y', fitted: true },
      { do: 'bridge', a: panel.terminals[0]!.id, b: panel.terminals[0]!.id, fitted: true },
    ];
    const { entries, minutes, left } = benchAfter(sump, strange);
    expect([minutes, left, entries.map((e) => e.found.length)]).toEqual([0, [], strange.map(() => 0)]);
    expect(new Set(entries.map((e) => e.title)).size).toBe(strange.length);
    expect(lastOf(hiding('underpass-storm-sump', 'P1-dead'), { do: 'plug', straight: true }).title).toBe(
      'Nothing is plugged here',
    );
    expect(
      lastOf(hiding('lodge-grinder-well', 'P1-dead'), {
        do: 'put',
        device: offersOf(hiding('lodge-grinder-well', 'P1-dead')).devices.find((d) => d.kind === 'float')!.tag,
        to: 'up',
      }).title,
    ).toMatch(/no rod lifts it/);
  });
  it('what hands find counts in looking back', () => {
    const dead = hiding('workshop-sump', 'pump-cord-cut');
    const acts: DrillAct[] = [{ do: 'water', to: 'resting' }, { do: 'put', device: float, to: 'up' }, named];
    const { steps } = reviewOf(dead, benchAfter(dead, acts), boardFor(dead));
    expect(steps[1]!.bits).toBeGreaterThan(0.5);
    expect(steps[1]!.after).toBeGreaterThan(steps[1]!.before);
  });
});

describe('what is drawn, in words', () => {
  it('has every float with its trips, and every terminal with its cores', () => {
    const ready = hiding('underpass-storm-sump', 'P1-dead');
    const { floats, strip } = offersOf(ready);
    const { sensors } = ready.asking.world.levels;
    expect(floats.map((f) => [f.rise, f.fall])).toEqual(sensors.map((s) => [s.rise, s.fall]));
    expect(floats.map((f) => f.label)).toContain('lag float');
    const landed = ready.asking.panel.cores.filter((c) => c.terminal !== null);
    expect(strip.flatMap((t) => t.cores)).toHaveLength(landed.length);
    expect(strip.find((t) => t.terminal === landed[0]!.terminal)!.cores).toContain(
      `${landed[0]!.id} to ${landed[0]!.pin}`,
    );
  });
});

describe('what is poured, opened, asked', () => {
  it('a hose brings its litres on top of what comes in', () => {
    const dead = hiding('workshop-sump', 'pump-stuck-down');
    const { vessel, overflow } = dead.asking.world.levels;
    const volume = (acts: DrillAct[]) => {
      const { level, spilt } = benchAfter(dead, acts).water!;
      return Math.min(vessel.volume(level), vessel.volume(overflow)) + spilt;
    };
    const poured = volume([{ do: 'hose', minutes: 2 }]) - volume([wait(2)]);
    expect(poured).toBeCloseTo(120 * dead.drill.station.settings.hoseFlow, 6);
    expect(lastOf(hiding('workshop-header-tank', 'P1-dead'), { do: 'hose', minutes: 2 }).minutes).toBe(0);
  });
  it('the water is brought where something acts here, by the minutes that it takes; elsewhere it is refused', () => {
    const tank = hiding('workshop-header-tank', 'P1-dead');
    const low = lastOf(tank, { do: 'water', to: 'low' });
    expect([low.title, low.minutes]).toEqual([
      'Bring it to: the water under the low alarm',
      minutesBetween(tank.asking.world, 'called', 'low'),
    ]);
    expect(low.minutes).toBeGreaterThan(5);
    const none = lastOf(tank, { do: 'water', to: 'lag' });
    expect([none.title, none.minutes]).toEqual([
      'Nothing acts there at this station: the water under the lag and no lower',
      0,
    ]);
  });
  it('the pipe opened over its column is counted with its litres; drained before it is not; over a pump that may start it is stopped', () => {
    const sump = hiding('workshop-sump', 'P1-dead');
    const open: DrillAct = { do: 'open pipe' };
    expect(lastOf(sump, open).incidents).toMatchObject([{ kind: 'column', stopped: true }]);
    const litres = 1000 * columnOver(sump.asking.world.levels);
    const wet = lastOf(sump, ...OFF, open).incidents.find((i) => i.kind === 'column')!;
    expect(Number(/about ([\d.]+) L/.exec(wet.would)![1])).toBeCloseTo(litres, 0);
    expect(lastOf(sump, ...OFF, { do: 'drain pipe' }, open).incidents.filter((i) => i.kind === 'column')).toEqual([]);
    // A check valve that leaks has let nearly all of it go: it is counted all the same, by what is left.
    const leaks = hiding('workshop-sump', 'check-open');
    const said = (words: string) => Number(/about ([\d.]+) L/.exec(words)![1]);
    const left = said(lastOf(leaks, ...OFF, open).incidents[0]!.would);
    expect(left).toBeLessThan(0.1 * litres);
    expect(said(lastOf(leaks, ...OFF, { do: 'drain pipe' }).found[0]!.words)).toBe(left);
    // A tank that is filled by a valve has no pump under a pipe, and nothing is said of one.
    const tank = hiding('workshop-header-tank', 'P1-dead');
    const { mover } = traitsOf(tank.drill.station);
    expect([offersOf(tank).pipe, lastOf(tank, open).incidents.length > 0]).toEqual([
      mover.kind === 'pump',
      mover.kind === 'pump',
    ]);
  });
  it('into a pit deeper than an arm without a test of its air is counted, and what lies in it is not claimed', () => {
    const pit = hiding('washroom-pit', 'check-open');
    const acts: DrillAct[] = [...OFF, { do: 'drain pipe' }, { do: 'open pipe' }];
    expect(lastOf(pit, ...acts).incidents).toMatchObject([
      { kind: 'air', would: expect.stringContaining('not asked') as string },
    ]);
    expect(lastOf(pit, { do: 'test air' }, ...acts).incidents).toEqual([]);
    const shaft = pit.asking.tests.find((t) => t.test.risk === 'pit')!;
    expect(lastOf(pit, ...OFF, { do: 'test', id: shaft.test.id }).incidents.map((i) => i.kind)).toEqual(['air']);
    // One that an arm reaches has none.
    expect(
      lastOf(hiding('cold-store-condensate', 'check-open'), ...OFF, { do: 'drain pipe' }, { do: 'open pipe' })
        .incidents,
    ).toEqual([]);
  });
  it('the owner tells what shows, and never what does not', () => {
    const dead = hiding('workshop-sump', 'pump-stuck-down');
    const { evidence } = lastOf(dead, { do: 'ask' });
    const shows = new Set(dead.asking.symptoms.flatMap((s, i) => (dead.row.symptoms[i] ? [s.id] : [])));
    expect(evidence.length).toBeGreaterThan(0);
    for (const e of evidence) expect(e).toMatchObject({ kind: 'symptom', shown: true });
    expect(evidence.every((e) => e.kind === 'symptom' && shows.has(e.symptom))).toBe(true);
  });
  it('an alarm that goes on is heard, and the owner calls after twenty minutes of it', () => {
    const dead = hiding('workshop-sump', 'pump-stuck-down');
    const { heard, line } = benchAfter(dead, [wait(600)]).water!;
    const rang = heard.find((h) => h.says.startsWith('the alarm '))!;
    expect(heard.find((h) => h.says.startsWith('the owner calls'))!.at - rang.at).toBeCloseTo(20, 0);
    expect(line.length).toBeLessThanOrEqual(601);
    expect(line.at(-1)![1]).toBe(benchAfter(dead, [wait(600)]).water!.level);
  });
  it('one who goes while everything is off leaves a pit that runs over, and is told when', () => {
    const left = lastOf(hiding('workshop-sump', 'P1-dead'), ...OFF, named).incidents[0]!;
    expect(left.says).toBe('Left so: everything isolated.');
    expect(left.would).toMatch(/over the top, the first after \d+ (h|min)/);
  });
});

describe('what somebody chose to hide', () => {
  it('is hidden, one or two; what the station has not is refused by its name', () => {
    expect(hiding('workshop-sump', 'check-open').hidden.faults.map((f) => f.id)).toEqual(['check-open']);
    expect(hiding('workshop-sump', 'check-open', 'P1-dead').hidden.faults).toHaveLength(2);
    expect(() => hiding('workshop-sump', 'S11-hand')).toThrow('this station has no part that could fail as S11-hand');
  });
});
