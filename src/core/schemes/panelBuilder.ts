import type { Station } from '../station';
import type {
  Circuit,
  Core,
  Device,
  DeviceFunction,
  Link,
  Outcome,
  Panel,
  Rung,
  Terminal,
  Tree,
  WireFunction,
} from './model';
import { namesOf } from './tree';

/**
 * Where a scheme is put together: devices, rungs and landings in, a panel out. Wires between two elements of a rung are numbered by
 * the rung and their place in it; what stands outside the panel gets terminals where its rung meets it.
 */
export interface PanelBuilder {
  readonly station: Station;
  circuit(circuit: Circuit): Circuit;
  device<D extends Device>(device: D): D;
  /** Devices so far, by what they are for. */
  find(what: DeviceFunction): readonly Device[];
  /** An element more for a device that is there: a further contact. */
  addElement(tag: string, name: string, element: Device['elements'][string]): Tree;
  rung(label: string, circuit: string, from: string, tree: readonly Tree[], to: string): void;
  /** Brings a pin of something outside to a terminal on a wire. @returns the terminal */
  land(net: string, circuit: string, tag: string, pin: string, name?: string): string;
  /** A terminal that waits for a wire from outside. */
  terminal(net: string, circuit: string, name?: string): string;
  link(link: Link): void;
  /** A link that the terminals are made for, and that this design leaves out. */
  linkLeftOut(link: Link): void;
  /** Says what a wire is. */
  wire(net: string, is: WireFunction): void;
  outcome(outcome: Outcome): void;
  done(scheme: string): Panel;
}

export function panelBuilder(station: Station): PanelBuilder {
  const circuits = new Map<string, Circuit>();
  const devices = new Map<string, Device>();
  const rungs: Rung[] = [];
  const terminals: Terminal[] = [];
  const landed = new Map<string, string>();
  const links: Link[] = [];
  const linksLeftOut: Link[] = [];
  const wires: Record<string, WireFunction> = {};
  const outcomes: Outcome[] = [];
  const pinNets: Record<string, string> = {};
  const spans: Record<string, readonly [string, string]> = {};

  const deviceOf = (tag: string): Device => {
    const device = devices.get(tag);
    if (!device) throw new Error(`no device ${tag}`);
    return device;
  };

  function terminal(net: string, circuit: string, name?: string): string {
    const { strip } = circuits.get(circuit)!;
    const count = terminals.filter((t) => t.id.startsWith(`${strip}:`)).length;
    const id = name ?? `${strip}:${count + 1}`;
    if (!terminals.some((t) => t.id === id)) terminals.push({ id, net, circuit });
    return id;
  }

  function land(net: string, circuit: string, tag: string, pin: string, name?: string): string {
    const known = landed.get(`${tag}:${pin}`);
    if (known !== undefined) return known;
    const id = terminal(net, circuit, name);
    landed.set(`${tag}:${pin}`, id);
    return id;
  }

  /** Walks a tree between two wires, giving numbers to those that have none. */
  function lay(tree: Tree, from: string, to: string, circuit: string, next: () => string): void {
    if ('net' in tree) return;
    if ('parallel' in tree) {
      for (const branch of tree.parallel) lay(branch, from, to, circuit, next);
      return;
    }
    if ('series' in tree) {
      const steps = tree.series.filter((s) => !('net' in s));
      let at = from;
      steps.forEach((step, i) => {
        const after = tree.series[tree.series.indexOf(step) + 1];
        const end = i === steps.length - 1 ? to : after && 'net' in after ? after.net : next();
        lay(step, at, end, circuit, next);
        at = end;
      });
      return;
    }
    const [tag, name] = namesOf(tree.leaf);
    const device = deviceOf(tag);
    const element = device.elements[name];
    if (!element) throw new Error(`no element ${tree.leaf}`);
    spans[tree.leaf] = [from, to];
    element.pins.forEach((pin, i) => {
      const net = i === 0 ? from : to;
      if (device.cable) {
        // A pin without a core stays inside, as the star of three windings does.
        if (device.cable.colours[pin] !== undefined) land(net, circuit, tag, pin);
      } else pinNets[`${tag}:${pin}`] ??= net;
    });
  }

  return {
    station,
    circuit(circuit) {
      circuits.set(circuit.id, circuit);
      return circuit;
    },
    device(device) {
      if (devices.has(device.tag)) throw new Error(`two devices are called ${device.tag}`);
      devices.set(device.tag, device);
      return device;
    },
    find: (what) => [...devices.values()].filter((d) => d.function === what),
    addElement(tag, name, element) {
      const device = deviceOf(tag);
      devices.set(tag, { ...device, elements: { ...device.elements, [name]: element } });
      return { leaf: `${tag}.${name}` };
    },
    rung(label, circuit, from, tree, to) {
      const number = rungs.length + 1;
      let place = 0;
      const next = () => String(number * 10 + ++place);
      const whole: Tree = tree.length === 1 ? tree[0]! : { series: tree };
      lay(whole, from, to, circuit, next);
      rungs.push({ number, label, circuit, from, to, tree: whole });
    },
    land,
    terminal,
    link: (l) => void links.push(l),
    linkLeftOut: (l) => void linksLeftOut.push(l),
    wire: (net, is) => void (wires[net] = is),
    outcome: (o) => void outcomes.push(o),
    done(scheme) {
      const list = [...devices.values()];
      const cores = list.flatMap((d): Core[] =>
        d.cable
          ? Object.entries(d.cable.colours).map(([pin, colour]) => ({
              id: `${d.cable!.id}/${colour}`,
              cable: d.cable!.id,
              colour,
              pin: `${d.tag}:${pin}`,
              terminal: landed.get(`${d.tag}:${pin}`) ?? null,
            }))
          : [],
      );
      const byStrip = (a: Terminal, b: Terminal) => a.id.split(':')[0]!.localeCompare(b.id.split(':')[0]!);
      return {
        scheme,
        frequency: station.supply.frequency,
        circuits: [...circuits.values()],
        devices: list,
        rungs,
        terminals: [...terminals].sort(byStrip),
        cores,
        links,
        linksLeftOut,
        outcomes,
        pinNets,
        wires,
        spans,
      };
    },
  };
}

export const series = (...steps: readonly Tree[]): Tree => ({ series: steps });
export const parallel = (...branches: readonly Tree[]): Tree =>
  branches.length === 1 ? branches[0]! : { parallel: branches };
export const leaf = (tag: string, element: string): Tree => ({ leaf: `${tag}.${element}` });
export const net = (name: string): Tree => ({ net: name });
