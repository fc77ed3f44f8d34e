import { coloursOf, type Device, type Panel, pinOf, type WireFunction } from '../schemes';
import type { Station } from '../station';
import { sizeName } from './conductor';
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

/** A wire inside a panel, m: along a rail, or out to the door. */
const INSIDE = { panel: 0.5, door: 1.2, field: 0.5, board: 0.5 } as const;
const CONTROL_AREA = { 'metric-230': 1e-6, 'us-120': 1.31e-6 } as const;

const PAINT: Readonly<Record<WireFunction, (colours: ReturnType<typeof coloursOf>) => string>> = {
  'line-1': (c) => c.lines[0]!,
  'line-2': (c) => c.lines[1]!,
  'line-3': (c) => c.lines[2]!,
  neutral: (c) => c.neutral,
  earth: (c) => c.earth,
};

/** Colour of a wire inside the panel, by what it is. */
function wireColour(station: Station, panel: Panel, net: string, circuitId: string): string {
  const colours = coloursOf(station);
  const circuit = panel.circuits.find((c) => c.id === circuitId);
  const is = panel.wires[net];
  if (is !== undefined) return PAINT[is](colours);
  return circuit?.function === 'power' ? colours.lines[0] : colours.control[circuit?.kind ?? 'ac'];
}

/** Every wire of the panel and every core that comes to it, as they are landed now. */
export function wireList(station: Station, { panel, landed }: Wired): Wire[] {
  const ends = new Map<string, { pins: string[]; circuit: string }>();
  const end = (net: string, pin: string, circuit: string) => {
    const known = ends.get(net) ?? { pins: [], circuit };
    if (!known.pins.includes(pin)) known.pins.push(pin);
    ends.set(net, known);
  };
  const circuitOfNet = new Map(panel.terminals.map((t) => [t.net, t.circuit]));
  for (const rung of panel.rungs)
    for (const net of [rung.from, rung.to]) if (!circuitOfNet.has(net)) circuitOfNet.set(net, rung.circuit);
  for (const [pin, net] of Object.entries(panel.pinNets)) end(net, pin, circuitOfNet.get(net) ?? 'control');
  for (const t of panel.terminals) end(t.net, t.id, t.circuit);
  const place = (pin: string) => panel.devices.find((d) => d.tag === pinOf(pin)[0])?.place ?? 'panel';
  const inside = [...ends].flatMap(([net, { pins, circuit }]): Wire[] =>
    pins.slice(1).map((to, i) => {
      const from = pins[i]!;
      const power = panel.circuits.find((c) => c.id === circuit)?.function === 'power';
      const area = power ? station.wiring.motor.area : CONTROL_AREA[station.profile];
      return {
        from,
        to,
        number: net,
        colour: wireColour(station, panel, net, circuit),
        size: sizeName(area, station.profile),
        length: Math.max(INSIDE[place(from)], INSIDE[place(to)]),
        where: 'panel',
      };
    }),
  );
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
      tags: [...(known?.tags ?? []), ...(tag ? [tag] : [])],
      cost,
    });
  };
  for (const d of panel.devices) if (d.cost > 0) add('device', d.description, 1, d.tag, d.cost);
  const strips = new Map<string, number>();
  for (const t of panel.terminals) strips.set(pinOf(t.id)[0], (strips.get(pinOf(t.id)[0]) ?? 0) + 1);
  for (const [strip, count] of strips) add('terminal', 'terminal', count, strip, 1);
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
