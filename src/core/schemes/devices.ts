import type { Behaviour, Sense } from '../circuit';
import { leaf, type PanelBuilder } from './panelBuilder';
import type { Device, DeviceFunction, Element, Sign, Tree } from './model';

/*
 * The parts that panels are made of. Impedances are those of common ones of their kind, said as power at rated voltage.
 */

/** A closed contact, Ω, and what an open one leaks, S. */
export const CLOSED = 0.01;
export const OPEN_LEAK = 1e-10;

/** Of an alternating-current coil: power factor when held, and shares of its voltage at which it picks up and lets go. */
const COIL = { powerFactor: 0.35, pickUp: 0.8, dropOut: 0.4 };
/** Of a direct-current one. */
const DC_COIL = { pickUp: 0.75, dropOut: 0.1 };

export const contactPart = { kind: 'impedance', r: CLOSED } as const;

/** R and L of a load that takes `va` at `volts` and a power factor. */
export function loadPart(
  volts: number,
  va: number,
  powerFactor: number,
  frequency: number,
): { kind: 'impedance'; r: number; l?: number } {
  const z = (volts * volts) / va;
  const x = z * Math.sqrt(1 - powerFactor * powerFactor);
  return {
    kind: 'impedance',
    r: z * powerFactor,
    ...(x > 0 && frequency > 0 ? { l: x / (2 * Math.PI * frequency) } : {}),
  };
}

export const sense = (
  what: Sense['what'],
  of: Sense['of'],
  components: readonly string[],
  by: Sense['by'] = 'sum',
): Sense => ({ what, of, components, by });

export interface Power {
  readonly volts: number;
  readonly kind: 'ac' | 'dc';
}

const coilPart = (b: PanelBuilder, { volts, kind }: Power, va: number) =>
  kind === 'ac'
    ? loadPart(volts, va, COIL.powerFactor, b.station.supply.frequency)
    : ({ kind: 'impedance', r: (volts * volts) / va } as const);

export const coilLimits = ({ volts, kind }: Power) =>
  kind === 'ac'
    ? { pickUp: COIL.pickUp * volts, dropOut: COIL.dropOut * volts }
    : { pickUp: DC_COIL.pickUp * volts, dropOut: DC_COIL.dropOut * volts };

/** A relay in hand: its coil, and a further contact at each asking. */
export interface Relay {
  readonly coil: Tree;
  /** A main pole, 1-2, 3-4, 5-6: it carries a motor. */
  main(): Tree;
  /** @param states in which it is closed, where that is not the one it pulls in to */
  make(states?: readonly string[]): Tree;
  break(): Tree;
}

interface RelayLook {
  readonly function?: DeviceFunction;
  readonly pump?: number;
  readonly description?: string;
  readonly va?: number;
  readonly cost?: Device['cost'];
  readonly behaviour?: (coil: string) => Behaviour;
  readonly initial?: string;
  readonly sign?: Sign;
  readonly made?: readonly string[];
  readonly broken?: readonly string[];
  readonly contactPart?: Element['part'];
}

/** A relay for pilot duty: what its contacts carry, by utilisation category (IEC 60947-5-1). */
const PILOT = 'control relay, contacts 6 A AC-15, 1 A DC-13';

/** A relay, contactor, timer or alternator: a coil, and contacts that follow its states. */
export function relay(b: PanelBuilder, tag: string, label: string, power: Power, look: RelayLook = {}): Relay {
  const coil = `${tag}.coil`;
  const words = `${Math.round(power.volts)} V ${power.kind.toUpperCase()}`;
  b.device({
    tag,
    function: look.function ?? 'relay',
    pump: look.pump,
    description: `${look.description ?? PILOT}, coil ${words}`,
    label,
    place: 'panel',
    cost: look.cost ?? 1,
    behaviour: look.behaviour?.(coil) ?? {
      kind: 'relay',
      senses: sense('volts', power.kind, [coil]),
      ...coilLimits(power),
    },
    initial: look.initial ?? 'off',
    positions: [],
    elements: { coil: { pins: ['A1', 'A2'], sign: look.sign ?? 'coil', part: coilPart(b, power, look.va ?? 1.2) } },
  });
  let [mains, auxiliaries] = [0, 0];
  // Numbers of poles as on the parts themselves (EN 50011): main poles by ones, auxiliaries by their place and what they do.
  const contact = (sign: 'make' | 'break', closed: readonly string[], main = false): Tree => {
    const p = main ? ++mains : ++auxiliaries;
    const pins: [string, string] = main
      ? [`${2 * p - 1}`, `${2 * p}`]
      : sign === 'make'
        ? [`${p}3`, `${p}4`]
        : [`${p}1`, `${p}2`];
    return b.addElement(tag, pins.join('-'), {
      pins,
      sign,
      part: look.contactPart ?? contactPart,
      closed,
      leak: OPEN_LEAK,
    });
  };
  return {
    coil: leaf(tag, 'coil'),
    main: () => contact('make', look.made ?? ['on'], true),
    make: (states = look.made ?? ['on']) => contact('make', states),
    break: () => contact('break', look.broken ?? ['off']),
  };
}

/** Sizes in which contactors are made, A in utilisation category AC-3 (motors started direct; IEC 60947-4-1). */
const CONTACTORS = [9, 12, 18, 25, 32, 40, 50, 65, 80, 95] as const;

/** The size of a contactor or power relay for a motor of so many amperes, A. */
export const motorSize = (amps: number): number => CONTACTORS.find((a) => a >= amps) ?? CONTACTORS.at(-1)!;

/** A contactor for a motor of so many amperes. */
export function contactor(
  b: PanelBuilder,
  tag: string,
  label: string,
  power: Power,
  pump: number,
  amps: number,
): Relay {
  return relay(b, tag, label, power, {
    function: 'contactor',
    pump,
    description: `contactor, ${motorSize(amps)} A AC-3`,
    va: 7,
    cost: 2,
  });
}

/** Something worked by hand, with a contact for each thing it closes. */
export function worked(
  b: PanelBuilder,
  what: DeviceFunction,
  tag: string,
  description: string,
  label: string,
  positions: Device['positions'],
  initial: string,
  more: Partial<Device> = {},
) {
  b.device({
    tag,
    function: what,
    description,
    label,
    place: 'door',
    cost: 1,
    behaviour: { kind: 'worked' },
    initial,
    positions,
    elements: {},
    ...more,
  });
  let poles = 0;
  return (sign: Sign, ...closed: readonly string[]): Tree => {
    const p = ++poles;
    const pins: [string, string] = [`${p}`, `${p}a`];
    return b.addElement(tag, pins.join('-'), { pins, sign, part: contactPart, closed, leak: OPEN_LEAK });
  };
}

/** @param what `reset` for one that lets go what has latched */
export function pushButton(
  b: PanelBuilder,
  tag: string,
  label: string,
  sign: 'button' | 'button-break',
  what: 'button' | 'reset' = 'button',
): Tree {
  const contact = worked(
    b,
    what,
    tag,
    'push button',
    label,
    [
      { state: 'out', label: 'let go' },
      { state: 'pressed', label: 'pressed' },
    ],
    'out',
    { springs: 'out' },
  );
  return contact(sign, sign === 'button' ? 'pressed' : 'out');
}

export function handOffAuto(b: PanelBuilder, tag: string, label: string, pump: number) {
  return worked(
    b,
    'selector',
    tag,
    'selector, three positions',
    label,
    [
      { state: 'hand', label: 'Hand' },
      { state: 'off', label: 'Off' },
      { state: 'auto', label: 'Auto' },
    ],
    'auto',
    { pump },
  );
}

/** A load with two pins: lamp, horn, hour meter, counter. */
export function load(
  b: PanelBuilder,
  what: DeviceFunction,
  tag: string,
  description: string,
  label: string,
  sign: Sign,
  { volts, kind }: Power,
  va: number,
  place: Device['place'] = 'door',
): Tree {
  b.device({
    tag,
    function: what,
    description: `${description}, ${Math.round(volts)} V ${kind.toUpperCase()}`,
    label,
    place,
    cost: 1,
    behaviour: { kind: 'worked' },
    initial: '',
    positions: [],
    elements: { load: { pins: ['1', '2'], sign, part: { kind: 'impedance', r: (volts * volts) / va } } },
  });
  return leaf(tag, 'load');
}

/** A power supply to a low direct voltage: gives it while its input is there. Input and output are elements of two rungs. */
export function directSupply(
  b: PanelBuilder,
  tag: string,
  label: string,
  input: Power,
  volts: number,
  watts: number,
): { input: Tree; output: Tree } {
  const element = `${tag}.in`;
  b.device({
    tag,
    function: 'power-supply',
    description: `power supply, ${Math.round(input.volts)} V to ${volts} V DC, ${watts} W`,
    label,
    place: 'panel',
    cost: 2,
    behaviour: {
      kind: 'relay',
      senses: sense('volts', 'ac', [element]),
      pickUp: 0.7 * input.volts,
      dropOut: 0.5 * input.volts,
    },
    initial: 'off',
    positions: [],
    elements: {
      in: { pins: ['L', 'N'], sign: 'winding', part: { kind: 'impedance', r: input.volts ** 2 / 5 } },
      out: {
        pins: ['-', '+'],
        sign: 'source',
        part: { kind: 'source', volts: -volts, phaseDeg: 0, frequency: 0, r: 0.3 },
        closed: ['on'],
        leak: 1e-5,
      },
    },
    gives: { element: `${tag}.out`, amps: watts / volts },
  });
  return { input: leaf(tag, 'in'), output: leaf(tag, 'out') };
}

/** A transformer: primary and secondary are elements of two rungs. */
export function transformer(
  b: PanelBuilder,
  tag: string,
  label: string,
  primary: number,
  secondary: number,
  va: number,
): { input: Tree; output: Tree } {
  b.device({
    tag,
    function: 'transformer',
    description: `transformer, ${Math.round(primary)} V to ${secondary} V, ${va} VA`,
    label,
    place: 'panel',
    cost: 2,
    behaviour: { kind: 'worked' },
    initial: '',
    positions: [],
    elements: {
      // What it takes to be magnetised; its copper is told with the core.
      in: {
        pins: ['P1', 'P2'],
        sign: 'winding',
        part: { ...loadPart(primary, 0.1 * va, 0.3, b.station.supply.frequency), dc: Infinity },
      },
      out: { pins: ['S2', 'S1'], sign: 'winding', part: null },
    },
    gives: { element: `${tag}.core`, amps: va / secondary },
    // Windings that lose a twentieth of the voltage at full load.
    transformer: {
      primary: ['P1', 'P2'],
      secondary: ['S1', 'S2'],
      ratio: secondary / primary,
      r: (0.05 * secondary ** 2) / va,
      // Half of it is the copper of each winding, seen at its own side.
      dc: [(0.025 * primary ** 2) / va, (0.025 * secondary ** 2) / va],
    },
  });
  return { input: leaf(tag, 'in'), output: leaf(tag, 'out') };
}

/** A loop outside that a contact of ours closes: its own source, and what follows when current flows. */
export function loop(
  b: PanelBuilder,
  what: DeviceFunction,
  tag: string,
  label: string,
  cable: Device['cable'],
  { volts, kind }: Power,
  amps: number,
): Tree {
  const r = volts / amps;
  b.device({
    tag,
    function: what,
    description: 'outside equipment, by others',
    label,
    place: 'field',
    cost: 0,
    behaviour: { kind: 'worked' },
    initial: '',
    positions: [],
    elements: {
      load: {
        pins: ['1', '2'],
        sign: 'input',
        part: { kind: 'source', volts, phaseDeg: 0, frequency: kind === 'ac' ? b.station.supply.frequency : 0, r },
      },
    },
    cable,
  });
  return leaf(tag, 'load');
}
