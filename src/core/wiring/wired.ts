import {
  EARTH,
  initialStates,
  structureOf,
  type Netlist,
  type Component,
  type States,
  type Structure,
} from '../circuit';
import { GROUND_PIN, pinOf, type Device, type Element, type Panel } from '../schemes';
import type { Station } from '../station';
import { coreInductance, coreResistance } from './conductor';

/** A panel as it is wired: its circuit, and where every point of the drawing is in it. */
export interface Wired {
  readonly panel: Panel;
  readonly netlist: Netlist;
  readonly structure: Structure;
  readonly states: States;
  /** Node of the circuit by terminal, pin (`K1:A1`), core end (`S-lead:NO`) and wire. */
  readonly points: ReadonlyMap<string, string>;
  /** Where each core sits: a terminal, or null when it hangs loose. */
  readonly landed: ReadonlyMap<string, string | null>;
  /** Links that are fitted. */
  readonly links: readonly { readonly a: string; readonly b: string }[];
  /** Landings in the document that this panel has no core, terminal or link for: kept, and told. */
  readonly strays: readonly string[];
}

type Landings = Station['landings'];

/** A link between two terminals, Ω. */
const LINK = 0.001;
const COLD = 20;

const linkKey = (a: string, b: string): string => [a, b].sort().join(' – ');

interface Seats {
  readonly landed: Map<string, string | null>;
  readonly links: { a: string; b: string }[];
  readonly strays: string[];
}

/** Where cores and links are, design and document together. */
function seats(panel: Panel, { cores, links }: Landings): Seats {
  const terminals = new Set(panel.terminals.map((t) => t.id));
  const landed = new Map<string, string | null>(panel.cores.map((c) => [c.id, c.terminal]));
  const strays: string[] = [];
  for (const { core, to } of cores) {
    if (!landed.has(core))
      strays.push(`core ${core} ${to === null ? 'hangs loose' : `on ${to}`}: this panel has no such core`);
    else if (to !== null && !terminals.has(to)) strays.push(`core ${core} on ${to}: this panel has no such terminal`);
    else landed.set(core, to);
  }
  const fitted = new Map(panel.links.map(({ a, b }) => [linkKey(a, b), { a, b }]));
  for (const { a, b, fitted: is } of links) {
    const missing = [a, b].find((t) => !terminals.has(t));
    if (missing) strays.push(`link ${linkKey(a, b)}: this panel has no terminal ${missing}`);
    else if (is) fitted.set(linkKey(a, b), { a, b });
    else fitted.delete(linkKey(a, b));
  }
  return { landed, links: [...fitted.values()], strays };
}

const when = (device: Device, { closed, leak, follows }: Pick<Element, 'closed' | 'leak' | 'follows'>) =>
  closed ? { when: { device: follows ?? device.tag, states: closed, ...(leak ? { leak } : {}) } } : {};

/** Every pin of a device, outside and inside. */
const pinsOf = ({ elements, inside = [] }: Device): string[] => [
  ...Object.values(elements).flatMap((e) => e.pins),
  ...inside.flatMap(({ a, b }) => [a, b]).filter((pin) => pin !== GROUND_PIN),
];

/** What a device is in the circuit: its elements, and what is inside beside them. */
function deviceParts(device: Device, node: (pin: string) => string): Component[] {
  const elements = Object.entries(device.elements).flatMap(([name, element]): Component[] => {
    const [a, b] = element.pins.map(node) as [string, string];
    return element.part ? [{ ...element.part, id: `${device.tag}.${name}`, a, b, ...when(device, element) }] : [];
  });
  const inside = (device.inside ?? []).map(({ id, a, b, part, ...gate }): Component => ({
    ...part,
    id: `${device.tag}.${id}`,
    a: node(a),
    b: node(b),
    ...when(device, gate),
  }));
  if (!device.transformer) return [...elements, ...inside];
  const { primary, secondary, ...rest } = device.transformer;
  const [a, b, c, d] = [...primary, ...secondary].map(node) as [string, string, string, string];
  return [...elements, ...inside, { ...rest, kind: 'transformer', id: `${device.tag}.core`, a, b, c, d }];
}

/**
 * Makes the circuit of a panel with its cores and links where they sit. Nothing here knows of any scheme.
 * @example
 * const sump = newStation('Sump', 'Yard', 'metric-230');
 * const wired = wire(sump, panelOf(sump).panel);
 * wired.links.length // → 0
 */
export function wire(station: Station, panel: Panel, landings: Landings = station.landings): Wired {
  const { landed, links, strays } = seats(panel, landings);
  const nets = new Map(panel.terminals.map((t) => [t.id, t.net]));
  const node = (device: Device, pin: string): string => {
    if (pin === GROUND_PIN) return EARTH;
    return device.cable ? `${device.tag}:${pin}` : (panel.pinNets[`${device.tag}:${pin}`] ?? `${device.tag}:${pin}`);
  };
  const components: Component[] = [];
  const points = new Map<string, string>(nets);
  for (const device of panel.devices) {
    const own = (pin: string) => node(device, pin);
    for (const pin of pinsOf(device)) points.set(`${device.tag}:${pin}`, own(pin));
    components.push(...deviceParts(device, own));
    if (device.cable) components.push(...cableParts(device, device.cable, panel, landed, nets, station));
  }
  for (const { a, b } of links)
    components.push({ kind: 'impedance', id: `link ${linkKey(a, b)}`, a: nets.get(a)!, b: nets.get(b)!, r: LINK });
  for (const core of panel.cores) points.set(core.pin, core.pin);
  for (const net of new Set(Object.values(panel.pinNets))) points.set(net, net);
  const netlist: Netlist = {
    frequency: panel.frequency,
    components,
    devices: panel.devices.map(({ tag, initial, behaviour }) => ({ id: tag, initial, behaviour })),
  };
  return {
    panel,
    netlist,
    structure: structureOf(netlist),
    states: initialStates(netlist),
    points,
    landed,
    links,
    strays,
  };
}

/** The cores of one cable, each with its resistance and inductance, and what they are to each other as capacitors, at the far end. */
function cableParts(
  device: Device,
  cable: NonNullable<Device['cable']>,
  panel: Panel,
  landed: Seats['landed'],
  nets: ReadonlyMap<string, string>,
  { wiring }: Station,
): Component[] {
  const cores = panel.cores.filter((c) => c.cable === cable.id && pinOf(c.pin)[0] === device.tag);
  const runs = cores.flatMap((core): Component[] => {
    const terminal = landed.get(core.id) ?? null;
    if (terminal === null) return [];
    return [
      {
        kind: 'impedance',
        id: core.id,
        a: nets.get(terminal)!,
        b: core.pin,
        r: coreResistance(cable.length, cable.area, COLD),
        l: coreInductance(cable.length),
      },
    ];
  });
  const beside = cores.slice(1).map((core, i): Component => ({
    kind: 'capacitor',
    id: `${cable.id} between ${cores[i]!.colour} and ${core.colour}`,
    a: cores[i]!.pin,
    b: core.pin,
    c: wiring.capacitance * cable.length,
  }));
  return [...runs, ...beside];
}
