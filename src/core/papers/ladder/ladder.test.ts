import { describe, expect, it } from 'vitest';
import { demoStations } from '../../demo';
import { panelOf, SCHEMES, type Panel } from '../../schemes';
import { energised, solveWith, wire } from '../../wiring';
import { faultTestsOf, worldOf } from '../../tests';
import { ladderScene, ladderSvg, probedRungs, probeSpots, sheetsOf, symbol } from '..';

const panels = demoStations().flatMap(({ station }) =>
  SCHEMES.flatMap(({ id }): { panel: Panel; station: typeof station }[] => {
    const made = panelOf(station, id);
    return made.ok ? [{ panel: made.panel, station }] : [];
  }),
);
const underpass = panels.find((p) => p.panel.scheme === 'duplex')!;

describe('the ladder', () => {
  it('draws every element that is in a rung once, on one sheet, whatever the scheme and the width', () => {
    for (const { panel } of panels)
      for (const width of [500, 980, 1500]) {
        const sheets = sheetsOf(panel).filter((s) => s.id !== 'all');
        expect(sheets.flatMap((s) => s.rungs).length).toBe(panel.rungs.length);
        const drawn = sheets.flatMap((s) => ladderScene(panel, s.rungs, width).leaves.map((l) => l.id));
        expect([...drawn].sort()).toEqual(Object.keys(panel.spans).sort());
      }
  });
  it('no two symbols lie over each other, and all lie within the drawing', () => {
    for (const { panel } of panels)
      for (const sheet of sheetsOf(panel)) {
        const { leaves, width, height } = ladderScene(panel, sheet.rungs, 980);
        for (const [i, a] of leaves.entries()) {
          expect(a.x > 20 && a.x < width - 20 && a.y > 10 && a.y < height).toBe(true);
          for (const b of leaves.slice(i + 1))
            expect(Math.abs(a.x - b.x) >= 60 || Math.abs(a.y - b.y) >= 40).toBe(true);
        }
      }
  });
  it('the wire at each side of a symbol is of the net that the circuit has there', () => {
    const { panel } = underpass;
    const { leaves, wires } = ladderScene(panel, panel.rungs, 980);
    for (const leaf of leaves) {
      const touching = wires.filter((w) => w.d.startsWith(`M${leaf.x + 15} ${leaf.y} `)).map((w) => w.net);
      expect(touching).toContain(panel.spans[leaf.id]![1]);
    }
  });
  it('fits the duplex into 980 px in two columns', () => {
    const control = sheetsOf(underpass.panel).find((s) => s.id === 'control')!;
    const { width, leaves } = ladderScene(underpass.panel, control.rungs, 980);
    expect(width).toBeLessThanOrEqual(980);
    expect(leaves.some((l) => l.x < 490) && leaves.some((l) => l.x > 490)).toBe(true);
  });
  it('a coil names the rungs of its contacts, a contact the rung of its coil', () => {
    const { panel } = underpass;
    const { leaves } = ladderScene(panel, panel.rungs, 980);
    const rung = (says: string) => panel.rungs.find((r) => r.label === says)!.number;
    const coil = leaves.find((l) => l.id === 'K1.coil')!;
    for (const says of ['pump 1', 'pump 1, L2', 'pump 1, L3']) expect(coil.refs).toContain(`▸${rung(says)}`);
    expect(leaves.find((l) => l.tag === 'K1' && !l.load)!.refs).toBe(`◂${rung('pump 1 called')}`);
  });
  it('as SVG: live wires heavy, names made safe, and the deference on it', () => {
    const { panel, station } = underpass;
    const wired = wire(station, panel);
    const control = sheetsOf(panel).find((s) => s.id === 'control')!;
    const scene = ladderScene(panel, control.rungs, 980);
    const svg = (posture = {}) => ladderSvg(scene, energised(wired, solveWith(wired, posture)), 'Sump <1> & co');
    const heavy = (text: string) => text.match(/stroke-width="2.6"/g)!.length;
    expect(heavy(svg({ 'S-stop': 'up', 'S-lead': 'up' }))).toBeGreaterThan(heavy(svg()));
    expect(svg({ Q0: 'off' })).not.toContain('stroke-width="2.6"');
    expect(svg()).toContain('Sump &lt;1&gt; &amp; co');
    expect(svg()).toContain('certifies nothing');
  });
  it('symbols differ open from closed, and rest-closed from rest-open', () => {
    const d = (sign: Parameters<typeof symbol>[0], on: boolean) => JSON.stringify(symbol(sign, 0, 0, on));
    for (const sign of [
      'make',
      'break',
      'float',
      'button',
      'selector',
      'breaker',
      'coil',
      'lamp',
      'motor',
      'horn',
      'timer',
    ] as const)
      expect(d(sign, true)).not.toBe(d(sign, false));
    expect(d('make', false)).not.toBe(d('break', false));
  });
});

describe('a core landed elsewhere', () => {
  it('breaks its rung in the drawing and names the terminal it is on', () => {
    const { panel } = underpass;
    const lag = panel.cores.find((c) => c.id === 'W-lag/black')!;
    const rungs = panel.rungs.filter((r) => r.label === 'lag input');
    const leafOf = (landed?: ReadonlyMap<string, string | null>) => ladderScene(panel, rungs, 980, landed);
    const [asDrawn, moved] = [leafOf(), leafOf(new Map([[lag.id, 'X2:8']]))];
    expect(asDrawn.leaves[0]!.terminals.map((t) => t.moved)).toEqual([false, false]);
    expect(moved.leaves[0]!.terminals[1]).toMatchObject({ id: 'X2:8', moved: true });
    expect(moved.wires.map((w) => w.d)).not.toEqual(asDrawn.wires.map((w) => w.d));
    expect(leafOf(new Map([[lag.id, null]])).leaves[0]!.terminals[1]).toMatchObject({ id: 'loose', moved: true });
  });
});

describe('probes on the drawing', () => {
  it('of every reading by which a fault is looked for: the red one stands on a rung that is drawn, each on its own wire', () => {
    let both = 0;
    for (const { station } of demoStations()) {
      const world = worldOf(station);
      const panel = world.panel!;
      const { points } = wire(world.station, panel);
      const pairs = faultTestsOf(world).flatMap(({ test }) =>
        test.parts.flatMap((p) => p.observes.flatMap((o) => (o.kind === 'volts' ? [o.probes] : []))),
      );
      expect(pairs.length).toBeGreaterThan(3);
      for (const probes of pairs) {
        const rungs = probedRungs(panel, probes, points);
        const scene = ladderScene(panel, rungs, 700);
        const nets = new Set(scene.wires.map((w) => w.net));
        const spots = probeSpots(panel, scene, probes, points);
        expect(rungs.length).toBeLessThanOrEqual(4);
        expect(rungs.map((r) => r.number)).toEqual([...rungs.map((r) => r.number)].sort((a, b) => a - b));
        for (const { probe, x, y } of spots) {
          expect(x).toBeGreaterThanOrEqual(0);
          expect(x).toBeLessThanOrEqual(scene.width);
          expect(y).toBeLessThanOrEqual(scene.height);
          expect(
            nets.has(points.get(probes[probe])!) || scene.texts.some((t) => t.net === points.get(probes[probe])),
          ).toBe(true);
        }
        if (spots.length === 2) both++;
      }
    }
    expect(both).toBeGreaterThan(100);
  });
  it('over a float of the duplex: at its two terminals, in its own rung', () => {
    const { panel, station } = underpass;
    const { points } = wire(station, panel);
    const [a, b] = panel.cores.flatMap((c) => (c.id.startsWith('W-lag/') ? [c.terminal!] : []));
    const rungs = probedRungs(panel, { a: a!, b: b! }, points);
    expect(rungs.map((r) => r.label)).toContain('lag input');
    const scene = ladderScene(panel, rungs, 700);
    const lag = scene.leaves.find((l) => l.terminals.some((t) => t.id === b))!;
    const spots = probeSpots(panel, scene, { a: a!, b: b! }, points);
    expect(spots.map((s) => [s.probe, s.x, s.y])).toEqual(
      [a, b].map((id, i) => {
        const t = lag.terminals.find((x) => x.id === id)!;
        return [i === 0 ? 'a' : 'b', t.x, t.y];
      }),
    );
  });
  it('a point that is nowhere in a rung has no spot, and no rung is invented for it', () => {
    const { panel, station } = underpass;
    const { points } = wire(station, panel);
    expect(probedRungs(panel, { a: 'X9:99', b: 'nothing' }, points)).toEqual([]);
    const scene = ladderScene(panel, panel.rungs, 900);
    expect(probeSpots(panel, scene, { a: 'X9:99', b: null }, points)).toEqual([]);
  });
});
