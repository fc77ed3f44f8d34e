import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { panelOf, type Panel } from '../schemes';
import { newStation, type Station } from '../station';
import {
  asLanded,
  boxChecks,
  cableList,
  controlFigures,
  expectedReadings,
  partsList,
  solveWith,
  supplyFigures,
  wire,
  wireList,
} from '.';

/*
 * Mistakes of landing that people make, scheme by scheme: each is told in words, with the inputs at which it shows.
 */

const demo = (file: string): Station => demoStations().find((d) => d.file === file)!.station;
const built = (s: Station): Panel => {
  const made = panelOf(s);
  if (!made.ok) throw new Error(s.identity.name);
  return made.panel;
};
const tells = (s: Station, cores: Station['landings']['cores'], links: Station['landings']['links'] = []) =>
  asLanded({ ...s, landings: { cores, links } }, built(s)).effects.map((e) => `${e.sentence} (${e.when})`);
const core = (s: Station, pin: string) => built(s).cores.find((c) => c.pin === pin)!;
const swap = (s: Station, a: string, b: string): Station['landings']['cores'] => [
  { core: core(s, a).id, to: core(s, b).terminal },
  { core: core(s, b).id, to: core(s, a).terminal },
];
const plain = (scheme: string): Station => {
  const s = newStation('a', 'b', 'metric-230');
  return { ...s, control: { ...s.control, scheme } };
};

describe('mistakes of landing', () => {
  it('two cores of one float change places: nothing changes, and that is said by silence', () => {
    const s = plain('contactor');
    expect(tells(s, swap(s, 'S-pump:C', 'S-pump:NO'))).toEqual([]);
  });
  it('stop and lead floats change places: it starts at the stop and stops at the start', () => {
    const s = demo('underpass-storm-sump.json');
    const both = [...swap(s, 'S-stop:C', 'S-lead:C'), ...swap(s, 'S-stop:NO', 'S-lead:NO')];
    expect(tells(s, both)).toEqual(
      expect.arrayContaining([expect.stringMatching(/^pump 1 (stands|runs), though by design/)]),
    );
  });
  it('lag and alarm floats change places: the alarm acts at the lag, and the second pump waits for the flood', () => {
    const s = demo('underpass-storm-sump.json');
    const both = [...swap(s, 'S-lag:C', 'S-alarm:C'), ...swap(s, 'S-lag:NO', 'S-alarm:NO')];
    expect(tells(s, both)).toEqual(
      expect.arrayContaining([
        expect.stringMatching(/^the horn sounds, though by design the horn is quiet \(with lag float lifted\)/),
        expect.stringMatching(/^the lag pump is not called, though by design/),
      ]),
    );
  });
  it('a peak float left loose: the rest is never shortened, which only time shows', () => {
    const s = demo('sand-bed-dosing-tank.json');
    const report = asLanded(
      { ...s, landings: { cores: [{ core: core(s, 'S-peak:NO').id, to: null }], links: [] } },
      built(s),
    );
    expect(report.differences).toHaveLength(1);
    expect(report.differences[0]!.what).toMatch(/peak float, NO: hangs loose/);
  });
  it('the enable float of a drive bridged: the pump never stops', () => {
    const s = demo('rain-cistern.json');
    const float = [core(s, 'S-pump:C'), core(s, 'S-pump:NO')];
    const told = tells(s, [], [{ a: float[0]!.terminal!, b: float[1]!.terminal!, fitted: true }]);
    expect(told).toEqual(
      expect.arrayContaining([expect.stringMatching(/^pump 1 runs, though by design pump 1 stands/)]),
    );
  });
  it('the permission of another station left open: the pump never runs', () => {
    const s = demo('rain-cistern.json');
    expect(tells(s, [{ core: core(s, 'U51:1').id, to: null }])).toEqual([expect.stringMatching(/^pump 1 never runs/)]);
  });
  it('the header’s call not brought to the cistern: it is never called to fill', () => {
    const s = demo('workshop-header-tank.json');
    expect(tells(s, [{ core: core(s, 'U30:1').id, to: null }])).toEqual([
      expect.stringMatching(/^Rain cistern is never called to fill it/),
    ]);
  });
  it('two legs of a motor change places: it runs, and backwards, which no voltage tells', () => {
    const s = demo('wash-down-basin.json');
    expect(tells(s, swap(s, 'M1:U', 'M1:V'))).toEqual([expect.stringMatching(/^pump 1 turns backwards/)]);
  });
  it('a leg of one motor loose: that pump does not run, the other does', () => {
    const s = demo('underpass-storm-sump.json');
    const told = tells(s, [{ core: core(s, 'M2:V').id, to: null }]);
    expect(told).toEqual(expect.arrayContaining([expect.stringMatching(/^pump 2 never runs/)]));
    expect(told.some((t) => /^pump 1 never/.test(t))).toBe(false);
  });
  it('the alarm’s supply not landed: it lives from its battery, and without one it is dead', () => {
    const s = plain('contactor');
    const loose = [{ core: core(s, 'W9:L1').id, to: null }];
    expect(tells(s, loose)).toEqual([
      expect.stringMatching(/^the lamp is out, though by design.*once GB flat/),
      expect.stringMatching(/^the horn is quiet, though by design.*once GB flat/),
    ]);
    const bare = { ...s, alarm: { ...s.alarm, battery: false } };
    expect(tells(bare, loose)).toEqual(
      expect.arrayContaining([
        expect.stringMatching(/^the horn never sounds/),
        expect.stringMatching(/^the lamp is never lit/),
      ]),
    );
  });
  it('a live core on the earth bar opens the protection', () => {
    const s = plain('contactor');
    expect(tells(s, [{ core: core(s, 'M1:U').id, to: 'X1:PE' }]).join(' ')).toMatch(/pump 1 never runs/);
    const short = tells(s, [], [{ a: core(s, 'M1:U').terminal!, b: 'X1:PE', fitted: true }]).join(' ');
    expect(short).toMatch(/Q9 opens|Q1 opens/);
  });
});

describe('every demo station as it is wired', () => {
  it.each(demoStations().map((d) => [d.file, d.station] as const))(
    '%s: lists, figures, boxes and readings are whole',
    (_, s) => {
      const w = wire(s, built(s));
      expect(solveWith(w, {}).chatter).toEqual([]);
      const wires = wireList(s, w);
      expect(wires.every((x) => x.length > 0 && x.colour !== '' && x.size !== '')).toBe(true);
      expect(wires.filter((x) => x.where === 'field')).toHaveLength(w.panel.cores.length);
      expect(cableList(s, w).every((c) => new Set(c.cores.map((k) => k.colour)).size === c.cores.length)).toBe(true);
      expect(partsList(s, w).every((p) => p.quantity > 0)).toBe(true);
      expect(expectedReadings(w).every((r) => r.rest.ok && r.worked.ok)).toBe(true);
      const checks = [...supplyFigures(s), ...controlFigures(s, w), ...boxChecks(s)];
      expect(new Set(checks.map((c) => c.id)).size).toBe(checks.length);
      // A healthy demo station has no budget overdrawn, no contact overloaded, no float run too long.
      expect(
        checks.filter((c) => /^(contact|budget|run|pulls)-/.test(c.id) && c.state === 'broken').map((c) => c.title),
      ).toEqual([]);
    },
  );
});
