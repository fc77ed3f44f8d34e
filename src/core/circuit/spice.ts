import { conducts, EARTH, type Netlist, type States } from './netlist';

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
  const figure = (v: number) => v.toExponential(15);

  const lines = components.flatMap((p, i): string[] => {
    const n = i + 1;
    const [a, b] = [node(p.a), node(p.b)];
    const mid = `m${n}`;
    if (!conducts(p, states)) return p.when?.leak ? [`R${n} ${a} ${b} ${figure(1 / p.when.leak)}`] : [];
    switch (p.kind) {
      case 'impedance':
        return p.l
          ? [`R${n} ${a} ${mid} ${figure(p.r)}`, `L${n} ${mid} ${b} ${figure(p.l)}`]
          : [`R${n} ${a} ${b} ${figure(p.r)}`];
      case 'capacitor':
        return [`C${n} ${a} ${b} ${figure(p.c)}`];
      case 'source': {
        const here = p.frequency === (of === 'ac' ? frequency : 0);
        const value = !here
          ? 'DC 0'
          : of === 'ac'
            ? `DC 0 AC ${figure(p.volts)} ${figure(p.phaseDeg)}`
            : `DC ${figure(p.volts)}`;
        return [`R${n} ${a} ${mid} ${figure(p.r)}`, `V${n} ${mid} ${b} ${value}`];
      }
      case 'transformer':
        if (of === 'dc') return [];
        return [
          `E${n} ${mid} ${node(p.d)} ${a} ${b} ${figure(p.ratio)}`,
          `V${n} ${mid} k${n} DC 0`,
          `R${n} k${n} ${node(p.c)} ${figure(p.r)}`,
          `F${n} ${a} ${b} V${n} ${figure(p.ratio)}`,
        ];
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
