import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { outcomesOf, solveWith, wire } from '../wiring';
import { inputsToTry } from '../wiring/inputsToTry';
import { fold, leaves, namesOf, nets, panelOf, pinOf, rungOf, SCHEMES, type Tree } from './index';

/*
 * What schemes and devices declare of themselves is held against what the solved circuit does.
 */

const made = demoStations().flatMap(({ station }) =>
  SCHEMES.flatMap((scheme) => {
    const panel = panelOf(station, scheme.id);
    return panel.ok ? [{ name: `${station.identity.name}, ${scheme.id}`, station, scheme, panel: panel.panel }] : [];
  }),
);

describe('what a panel declares', () => {
  it.each(SCHEMES)('$id fits a demo station', (scheme) =>
    expect(made.filter((m) => m.scheme === scheme).length).toBeGreaterThan(0),
  );

  it.each(made)(
    '$name: as many pumps run at once as the scheme label, and never more',
    ({ station, scheme, panel }) => {
      const wired = wire(station, panel);
      const pumps = panel.outcomes.filter((o) => o.kind === 'pump');
      const most = Math.max(
        ...inputsToTry(panel).map((posture) => {
          const happens = outcomesOf(wired, solveWith(wired, posture));
          return pumps.filter((o) => happens[o.id]).length;
        }),
      );
      expect(most).toBe(scheme.together === 'all' ? station.pumps.length : Math.min(pumps.length, 1));
    },
  );

  it.each(made)('$name: outcomes are at devices that there are, and motors carry their pump', ({ station, panel }) => {
    const tags = new Map(panel.devices.map((d) => [d.tag, d]));
    expect(panel.outcomes.filter((o) => !tags.has(o.device)).map((o) => o.id)).toEqual([]);
    for (const o of panel.outcomes.filter((x) => x.kind === 'pump'))
      expect(tags.get(o.device)).toMatchObject({ function: 'motor', pump: o.pump });
    expect(panel.devices.flatMap((d) => (d.function === 'float' ? [d.sensor] : [])).sort()).toEqual(
      [...new Set(panel.devices.flatMap((d) => d.sensor ?? []))].sort(),
    );
    expect(panel.devices.flatMap((d) => d.pump ?? []).filter((n) => n < 1 || n > station.pumps.length)).toEqual([]);
  });
});

describe('walking a tree', () => {
  const tree: Tree = {
    series: [
      { leaf: 'A.1' },
      { net: '12' },
      { parallel: [{ leaf: 'B.x.y' }, { series: [{ leaf: 'C.2' }, { leaf: 'D.3' }] }] },
    ],
  };
  it('lists leaves and named wires as they are drawn', () => {
    expect(leaves(tree)).toEqual(['A.1', 'B.x.y', 'C.2', 'D.3']);
    expect(nets(tree)).toEqual(['12']);
  });
  it('folds from the leaves up', () => {
    const text = fold<string>(tree, {
      leaf: (l) => l[0]!,
      net: (n) => n,
      series: (p) => p.join('–'),
      parallel: (p) => `(${p.join('|')})`,
    });
    expect(text).toBe('A–12–(B|C–D)');
  });
  it('parts leaves and pins into the device and its own name', () => {
    expect(namesOf('B.x.y')).toEqual(['B', 'x.y']);
    expect(pinOf('S-low:NO')).toEqual(['S-low', 'NO']);
  });
  it('finds the rung of an element in every panel', () => {
    for (const { panel } of made)
      for (const leaf of Object.keys(panel.spans)) {
        const rung = rungOf(panel, (l) => l === leaf)!;
        expect(leaves(rung.tree)).toContain(leaf);
      }
  });
});
