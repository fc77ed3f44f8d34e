import { describe, expect, it } from 'vitest';
import { across, between, potential, size, spice, type Component, type Settled } from '../circuit';
import { solveSpice } from '../circuit/simulator.fixture';
import { demoStations } from '../demo';
import { panelOf } from '../schemes';
import { solveWith, wire } from '../wiring';
import { applyFaults, faultsOf } from '.';

/** The simulator is a dense one: it is asked of one fault in so many. */
const ONE_IN = 9;

/** What flows into each node from a part, A, by its ends. */
function ends(settled: Settled, part: Component, of: 'ac' | 'dc'): [node: string, re: number, im: number][] {
  const { solution } = settled;
  const pair = (a: string, b: string, re: number, im: number): [string, number, number][] => [
    [a, -re, -im],
    [b, re, im],
  ];
  if (part.kind !== 'transformer') {
    const { amps } = across(solution, part, of);
    return pair(part.a, part.b, amps.re, amps.im);
  }
  if (of === 'dc') {
    if (!part.dc) return [];
    const [one, two] = [between(solution, part.a, part.b, of).re, between(solution, part.c, part.d, of).re];
    return [...pair(part.a, part.b, one / part.dc[0], 0), ...pair(part.c, part.d, two / part.dc[1], 0)];
  }
  const { amps } = across(solution, part, of);
  return [
    ...pair(part.a, part.b, amps.re, amps.im),
    ...pair(part.c, part.d, -amps.re / part.ratio, -amps.im / part.ratio),
  ];
}

/** The most that is left over at a node, as a share of the largest current there. */
function leftOver(settled: Settled, components: readonly Component[], of: 'ac' | 'dc'): number {
  const into = new Map<string, { re: number; im: number; most: number }>();
  for (const part of components)
    for (const [node, re, im] of ends(settled, part, of)) {
      const sum = into.get(node) ?? { re: 0, im: 0, most: 0 };
      into.set(node, { re: sum.re + re, im: sum.im + im, most: Math.max(sum.most, Math.hypot(re, im)) });
    }
  into.delete('0');
  return Math.max(...[...into.values()].map(({ re, im, most }) => Math.hypot(re, im) / (most + 1e-3)));
}

describe('every single fault of every demo station, solved', () => {
  it.each(demoStations().map((d) => [d.file, d.station] as const))(
    '%s: what flows into a node flows out of it, and another simulator finds the same volts',
    (_, station) => {
      const made = panelOf(station);
      if (!made.ok) throw new Error('it cannot be built');
      const healthy = wire(station, made.panel);
      const floats = made.panel.devices.filter((d) => d.sensor !== undefined).map((d) => d.tag);
      let n = 0;
      for (const fault of [null, ...faultsOf(station, made.panel)]) {
        const wired = applyFaults(station, made.panel, healthy, fault ? [fault] : []);
        const held = fault?.effects.holds ?? {};
        const up = Object.fromEntries(floats.flatMap((f) => (f in held ? [] : [[f, n % 2 ? 'up' : 'down']])));
        const settled = solveWith(wired, up);
        const { components } = wired.netlist;
        for (const of of ['ac', 'dc'] as const) {
          if (of === 'dc' && !settled.solution.dc) continue;
          // Every node hangs on earth by 1 GΩ: that much is left over.
          expect([fault?.id, of, leftOver(settled, components, of) < 1e-3]).toEqual([fault?.id, of, true]);
          if (n % ONE_IN !== 0) continue;
          const volts = [...solveSpice(spice(wired.netlist, settled.states, of))];
          expect(volts.length).toBeGreaterThan(10);
          const other = volts.filter(([name, v]) => {
            const mine = potential(settled.solution, name, of);
            // A node that only air holds up is known no better than the air.
            const scale = Math.max(1, size(mine));
            return !(Math.hypot(mine.re - v.re, mine.im - v.im) / scale < 1e-4);
          });
          expect([fault?.id, of, other]).toEqual([fault?.id, of, []]);
        }
        n++;
      }
    },
  );
});
