import { conducts, EARTH, type Impedance, type Netlist, type States, type Transformer } from './netlist';

const figure = (v: number) => v.toExponential(15);

/** R and L in series over a node between; at 0 Hz what it is there. `from`: its number and its first node. */
function impedance({ r, l, dc }: Impedance, from: string, mid: string, b: number, of: 'ac' | 'dc'): string[] {
  const [n] = from.split(' ');
  if (of === 'dc' && dc !== undefined) return dc === Infinity ? [] : [`R${from} ${b} ${figure(dc)}`];
  return l ? [`R${from} ${mid} ${figure(r)}`, `L${n} ${mid} ${b} ${figure(l)}`] : [`R${from} ${b} ${figure(r)}`];
}

/** Its two windings at 0 Hz; else a source at the secondary that follows the primary, and a current at the primary that follows it. */
function transformer(
  { ratio, r, dc }: Transformer,
  n: number,
  [a, b, c, d]: readonly [number, number, number, number],
  of: 'ac' | 'dc',
): string[] {
  if (of === 'dc') return dc ? [`R${n} ${a} ${b} ${figure(dc[0])}`, `R${n}s ${c} ${d} ${figure(dc[1])}`] : [];
  return [
    `E${n} m${n} ${d} ${a} ${b} ${figure(ratio)}`,
    `V${n} m${n} k${n} DC 0`,
    `R${n} k${n} ${c} ${figure(r)}`,
    `F${n} ${a} ${b} V${n} ${figure(ratio)}`,
  ];
}

/**
 * A circuit in given states as a netlist in the common text format of circuit simulators: R, L, C, V, and E with F for a
 * transformer. Sources are r.m.s. values; `dc` writes the direct part for `.op`, `ac` the mains part for `.ac` at its one frequency.
 */
export function spice({ frequency, components }: Netlist, states: States, of: 'ac' | 'dc', title = 'pit bell'): string {
  const nodes = new Map<string, number>([[EARTH, 0]]);
  const node = (name: string): number => {
    if (!nodes.has(name)) nodes.set(name, nodes.size);
    return nodes.get(name)!;
  };
  for (const p of components) [p.a, p.b, ...(p.kind === 'transformer' ? [p.c, p.d] : [])].forEach(node);
  const named = [...nodes].filter(([name]) => name !== EARTH);
  const lines = components.flatMap((p, i): string[] => {
    const n = i + 1;
    const [a, b] = [node(p.a), node(p.b)];
    if (!conducts(p, states)) return p.when?.leak ? [`R${n} ${a} ${b} ${figure(1 / p.when.leak)}`] : [];
    switch (p.kind) {
      case 'impedance':
        return impedance(p, `${n} ${a}`, `m${n}`, b, of);
      case 'capacitor':
        return [`C${n} ${a} ${b} ${figure(p.c)}`];
      case 'source': {
        const here = p.frequency === (of === 'ac' ? frequency : 0);
        const value = !here
          ? 'DC 0'
          : of === 'ac'
            ? `DC 0 AC ${figure(p.volts)} ${figure(p.phaseDeg)}`
            : `DC ${figure(p.volts)}`;
        return [`R${n} ${a} m${n} ${figure(p.r)}`, `V${n} m${n} ${b} ${value}`];
      }
      case 'transformer':
        return transformer(p, n, [a, b, node(p.c), node(p.d)], of);
    }
  });
  return [
    `* ${title}`,
    ...named.map(([name, n]) => `* node ${n}: ${name}`),
    ...lines,
    ...named.map(([, n]) => `Rair${n} ${n} 0 ${figure(1e9)}`),
    of === 'ac' ? `.ac lin 1 ${frequency} ${frequency}` : '.op',
    '.end',
    '',
  ].join('\n');
}
