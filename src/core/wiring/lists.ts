import { coloursOf, type Device, leaves, type Panel, pinOf, type WireFunction } from '../schemes';
import type { Station } from '../station';
import { awgArea, sizeName } from './conductor';
import { guardsOf, sizeFor } from './guards';
import type { Wired } from './wired';

/** One wire: from, to, its number, colour, size and length. Lengths inside the panel are about what such a wire takes. */
export interface Wire {
  readonly from: string;
  readonly to: string;
  readonly number: string;
  readonly colour: string;
  readonly size: string;
  /** m */
  readonly length: number;
  readonly where: 'panel' | 'field';
}

export interface CableLine {
  readonly id: string;
  readonly label: string;
  readonly to: string;
  readonly cores: readonly { readonly colour: string; readonly pin: string; readonly terminal: string | null }[];
  readonly size: string;
  /** m */
  readonly length: number;
}

export interface PartLine {
  readonly kind: 'device' | 'terminal' | 'link' | 'wire' | 'cable';
  readonly description: string;
  readonly quantity: number;
  readonly unit: '' | 'm';
  readonly tags: readonly string[];
  readonly cost: Device['cost'];
}

/** The size of a wire whose guard is not in this panel. */
const UNKNOWN = 'as its own circuit is guarded';
/** No size that is sold carries what its guard lets through, by the table in force and as it is laid. */
const NONE = 'no size sold carries it';
/** A wire inside a panel, m: along a rail, or out to the door. */
const INSIDE = { panel: 0.5, door: 1.2, field: 0.5, board: 0.5 } as const;
/** The least that is used inside a panel, m²: 1.5 mm² and 14 AWG for power, 1 mm² and 16 AWG for control. */
const LEAST = {
  power: { 'metric-230': 1.5e-6, 'us-120': awgArea(14) },
  control: { 'metric-230': 1e-6, 'us-120': awgArea(16) },
} as const;

const PAINT: Readonly<Record<WireFunction, (colours: ReturnType<typeof coloursOf>) => string>> = {
  'line-1': (c) => c.lines[0]!,
  'line-2': (c) => c.lines[1]!,
  'line-3': (c) => c.lines[2]!,
  neutral: (c) => c.neutral,
  earth: (c) => c.earth,
};

/** Colour of a wire inside the panel, by what it is: mains never in a colour of extra-low voltage, and what others keep live in its own. */
function wireColour(station: Station, panel: Panel, net: string, circuitId: string): string {
  const colours = coloursOf(station);
  const circuit = panel.circuits.find((c) => c.id === circuitId);
  const is = panel.wires[net];
  if (is !== undefined) return PAINT[is](colours);
  if (!circuit || circuit.function === 'power') return colours.lines[0];
  if (circuit.function === 'others') return colours.others;
  if (circuit.safe) return colours.safe;
  return circuit.low ? colours.low[circuit.kind] : colours.control;
}

/** The circuit that each wire belongs to: by its terminal, else by the rung that it is in. */
function circuitsOf({ terminals, rungs, spans }: Panel): ReadonlyMap<string, string> {
  const found = new Map(terminals.map((t) => [t.net, t.circuit]));
  for (const rung of rungs)
    for (const net of [rung.from, rung.to, ...leaves(rung.tree).flatMap((leaf) => spans[leaf] ?? [])])
      if (!found.has(net)) found.set(net, rung.circuit);
  return found;
}

/** The wire at the other end of what a pin belongs to; the same where it belongs to nothing with two ends. */
function beyond({ devices, spans }: Panel, net: string, pin: string): string {
  const [tag, name] = pinOf(pin);
  const device = devices.find((d) => d.tag === tag);
  const leaf = Object.entries(device?.elements ?? {}).find(([, e]) => e.pins.includes(name))?.[0];
  const [a, b] = (leaf && spans[`${tag}.${leaf}`]) || [net, net];
  return a === net ? b : a;
}

/** Every wire of the panel and every core that comes to it, as they are landed now. */
export function wireList(station: Station, { panel, landed }: Wired): Wire[] {
  const ends = new Map<string, { pins: string[]; circuit: string }>();
  const end = (net: string, pin: string, circuit: string) => {
    const known = ends.get(net) ?? { pins: [], circuit };
    if (!known.pins.includes(pin)) known.pins.push(pin);
    ends.set(net, known);
  };
  const circuitOfNet = circuitsOf(panel);
  const guards = guardsOf(panel);
  for (const [pin, net] of Object.entries(panel.pinNets)) end(net, pin, circuitOfNet.get(net) ?? 'control');
  for (const t of panel.terminals) end(t.net, t.id, t.circuit);
  const place = (pin: string) => panel.devices.find((d) => d.tag === pinOf(pin)[0])?.place ?? 'panel';
  const most = Math.max(...guards.values());
  const known = (circuit: string | undefined) => {
    const c = panel.circuits.find(({ id }) => id === circuit);
    return c?.function !== 'others' || c.low;
  };
  const inside = [...ends].flatMap(([net, { pins: all, circuit }]): Wire[] => {
    const neutral = panel.wires[net] === 'neutral';
    // What hangs on a neutral brings no more than what guards its other end lets through.
    const at = (pin: string) => guards.get(beyond(panel, net, pin)) ?? guards.get(net) ?? 0;
    // A neutral goes on from its heaviest load to its lightest: each length carries what comes after it.
    const pins = neutral ? [...all].sort((a, b) => at(b) - at(a)) : all;
    return pins.slice(1).map((to, i) => {
      const from = pins[i]!;
      const amps = panel.wires[net] === 'earth' ? most : neutral ? at(to) : (guards.get(net) ?? 0);
      const of = neutral ? circuitOfNet.get(beyond(panel, net, to)) : circuit;
      const use = panel.circuits.find((c) => c.id === of)?.function === 'power' ? 'power' : 'control';
      const area = sizeFor(amps, LEAST[use][station.profile], station);
      return {
        from,
        to,
        number: net,
        colour: wireColour(station, panel, net, circuit),
        // What others feed they guard: this panel does not know by what.
        size: !guards.has(net) && !known(of) ? UNKNOWN : area === null ? NONE : sizeName(area, station.profile),
        length: Math.max(INSIDE[place(from)], INSIDE[place(to)]),
        where: 'panel',
      };
    });
  });
  const nets = new Map(panel.terminals.map((t) => [t.id, t.net]));
  const field = panel.cores.map((c): Wire => {
    const cable = panel.devices.find((d) => d.tag === pinOf(c.pin)[0])!.cable!;
    const terminal = landed.get(c.id) ?? null;
    return {
      from: terminal ?? 'capped',
      to: c.pin,
      number: terminal === null ? '–' : nets.get(terminal)!,
      colour: c.colour,
      size: sizeName(cable.area, station.profile),
      length: cable.length,
      where: 'field',
    };
  });
  return [...inside, ...field];
}

export function cableList(station: Station, { panel, landed }: Wired): CableLine[] {
  return panel.devices.flatMap((d): CableLine[] =>
    d.cable
      ? [
          {
            id: d.cable.id,
            label: d.cable.label,
            to: d.tag,
            cores: panel.cores
              .filter((c) => pinOf(c.pin)[0] === d.tag)
              .map((c) => ({ colour: c.colour, pin: c.pin, terminal: landed.get(c.id) ?? null })),
            size: sizeName(d.cable.area, station.profile),
            length: d.cable.length,
          },
        ]
      : [],
  );
}

/** Terminals by the largest wire that they take, m², with their current, A (IEC 60947-7-1, table 1). */
const TERMINALS = [
  [2.5e-6, 24],
  [4e-6, 32],
  [6e-6, 41],
  [10e-6, 57],
  [16e-6, 76],
  [35e-6, 125],
] as const;

/** The terminal for a wire: large enough for its cable and its guard; earth has its own kind. */
function terminalFor(station: Station, panel: Panel, net: string): string {
  const ids = new Set(panel.terminals.filter((t) => t.net === net).map((t) => t.id));
  const areas = panel.cores
    .filter((c) => c.terminal !== null && ids.has(c.terminal))
    .map((c) => panel.devices.find((d) => d.tag === pinOf(c.pin)[0])!.cable!.area);
  const amps = guardsOf(panel).get(net) ?? 0;
  const [area, rated] = TERMINALS.find(([a, i]) => a >= Math.max(...areas, 0) && i >= amps) ?? TERMINALS.at(-1)!;
  const earth = panel.wires[net] === 'earth';
  return `${earth ? 'earth terminal' : 'terminal'}, to ${sizeName(area, 'metric-230')}${earth ? '' : `, ${rated} A`}`;
}

/** What to buy: devices by kind, terminals, links, wire and cable. What comes from others is left out. */
export function partsList(station: Station, wired: Wired): PartLine[] {
  const { panel, links } = wired;
  const lines = new Map<string, PartLine>();
  const add = (
    kind: PartLine['kind'],
    description: string,
    quantity: number,
    tag: string,
    cost: Device['cost'],
    unit: '' | 'm' = '',
  ) => {
    const known = lines.get(description);
    lines.set(description, {
      kind,
      description,
      unit,
      quantity: (known?.quantity ?? 0) + quantity,
      tags: [...new Set([...(known?.tags ?? []), ...(tag ? [tag] : [])])],
      cost,
    });
  };
  for (const d of panel.devices) if (d.cost > 0) add('device', d.description, 1, d.tag, d.cost);
  for (const t of panel.terminals) add('terminal', terminalFor(station, panel, t.net), 1, pinOf(t.id)[0], 1);
  if (links.length > 0) add('link', 'terminal link', links.length, '', 1);
  const inside = wireList(station, wired).filter((w) => w.where === 'panel');
  for (const w of inside) add('wire', `wire ${w.size} ${w.colour}`, w.length, '', 1, 'm');
  for (const c of cableList(station, wired))
    add('cable', `cable ${c.cores.length} × ${c.size}`, c.length, c.id, 1, 'm');
  return [...lines.values()].map((l) => ({ ...l, quantity: l.unit === 'm' ? Math.ceil(l.quantity) : l.quantity }));
}

const row = (...cells: readonly (string | number)[]): string[] => cells.map(String);

/** The three lists as rows of text with a heading. Lengths in metres. */
export const wireRows = (wires: readonly Wire[]): string[][] => [
  row('from', 'to', 'number', 'colour', 'size', 'length (m)', 'where'),
  ...wires.map((w) => row(w.from, w.to, w.number, w.colour, w.size, Number(w.length.toFixed(1)), w.where)),
];
export const cableRows = (cables: readonly CableLine[]): string[][] => [
  row('cable', 'label', 'to', 'core', 'pin', 'terminal', 'size', 'length (m)'),
  ...cables.flatMap((c) =>
    c.cores.map((k) =>
      row(c.id, c.label, c.to, k.colour, k.pin, k.terminal ?? 'capped', c.size, Number(c.length.toFixed(1))),
    ),
  ),
];
export const partRows = (parts: readonly PartLine[]): string[][] => [
  row('part', 'quantity', 'unit', 'tags', 'cost class'),
  ...parts.map((p) => row(p.description, p.quantity, p.unit, p.tags.join(' '), p.cost)),
];
