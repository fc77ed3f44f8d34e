import { traitsOf } from '../duties';
import type { Pump } from '../station';
import { overloadCurve } from '../circuit';
import { leaf, net, type PanelBuilder } from './panelBuilder';
import { coloursOf } from './colours';
import { motorSensors } from './carried';
import { CLOSED, OPEN_LEAK, sense } from './devices';
import { breaker } from './protection';
import type { Feed } from './wires';
import { GROUND_PIN, type Device, type Tree } from './model';
import { singlePhase, threePhase } from './motorParts';
import { valvePower } from './valve';

/** A winding to its frame: insulation in good order, and its capacitance. */
const INSULATION = 50e6;
const FRAME = 2e-9;

/** What a single-phase motor keeps after it stops. */
export const CAPACITOR_CHARGE = 'A motor with a capacitor keeps a charge after it stops: discharge it before touching.';

const three = (feed: Feed) => feed.lines.length === 3;

/** Share of its voltage that a motor needs to begin to turn, and to go on. */
const BEGINS = 0.7;
const KEEPS = 0.6;

/** Whether capacitor and start switch of a motor sit in a box at the panel, so that three cores go to it. */
const boxed = ({ motor }: Pump, feed: Feed, driven: boolean): boolean =>
  !driven && !three(feed) && motor.gear === 'in-panel';

/** What is between its pins, and how it comes to turn. */
function insideOf(b: PanelBuilder, pump: Pump, feed: Feed, tag: string, driven: boolean) {
  const phase = three(feed) ? feed.volts / Math.sqrt(3) : feed.volts;
  const volts = { starts: BEGINS * phase, keeps: KEEPS * phase };
  if (three(feed)) {
    const parts = threePhase(pump, phase, b.station);
    const pins = ['U', 'V', 'W'];
    const elements: Device['elements'] = Object.fromEntries(
      pins.map((p) => [p, { pins: [p, 'star'], sign: 'motor', part: parts.winding }]),
    );
    return {
      elements,
      // A drive brings it up slowly: no starting current.
      inside: pins.flatMap((p) => parts.inside(p)).filter((i) => !driven || i.id.endsWith('-single')),
      behaviour: { kind: 'motor', windings: pins.map((p) => `${tag}.${p}`), ...volts } as const,
    };
  }
  const parts = singlePhase(pump, phase, b.station);
  const main = { pins: ['U', 'V'], sign: 'motor', part: parts.main } as const;
  const behaviour = { kind: 'motor', windings: [`${tag}.U`], ...volts } as const;
  if (driven) return { elements: { U: main } as Device['elements'], inside: [], behaviour };
  const standing = { id: 'U-standing', a: 'U', b: 'V', ...parts.standing };
  const auxiliary = `${tag}.auxiliary`;
  if (boxed(pump, feed, driven))
    return {
      elements: {
        U: main,
        auxiliary: { pins: ['Z', 'V'], sign: 'motor', part: parts.auxiliary },
      } as Device['elements'],
      inside: [standing],
      behaviour: { ...behaviour, auxiliary },
    };
  return {
    elements: { U: main } as Device['elements'],
    inside: [
      standing,
      { id: 'auxiliary', a: 'Z', b: 'V', part: parts.auxiliary },
      { id: 'capacitor', a: 'U', b: 'Z', part: parts.capacitor, ...(parts.starts && { closed: parts.starts }) },
    ],
    behaviour: { ...behaviour, auxiliary },
  };
}

/** The motor of a pump at the end of its cable: three windings in star, or a main and an auxiliary one. */
export function motorDevice(
  b: PanelBuilder,
  n: number,
  pump: Pump,
  feed: Feed,
  cable: Device['cable'],
  { driven = false }: { driven?: boolean } = {},
): Device {
  const tag = `M${n}`;
  const { elements, inside, behaviour } = insideOf(b, pump, feed, tag, driven);
  const sensors = motorSensors(b, n);
  const device: Device = {
    tag,
    function: 'motor',
    pump: n,
    description: pump.name,
    label: `pump ${n}`,
    place: 'field',
    cost: 0,
    behaviour,
    initial: 'still',
    positions: [],
    elements: { ...elements, ...sensors.elements },
    inside: [
      ...inside,
      { id: 'insulation', a: 'U', b: 'PE', part: { kind: 'impedance', r: INSULATION } },
      { id: 'frame', a: 'U', b: 'PE', part: { kind: 'capacitor', c: FRAME } },
      // The frame stands in the water, and the water in the ground, if badly.
      { id: 'water', a: 'PE', b: GROUND_PIN, part: { kind: 'impedance', r: 20e3 } },
    ],
    cable: cable && withSensors(b, cable, sensors.pins),
    // Single-phase motors start by a capacitor, unless a drive starts them.
    ...(!driven &&
      !three(feed) && {
        charge: CAPACITOR_CHARGE,
      }),
  };
  b.device(device);
  b.outcome({
    id: tag,
    label: `pump ${n} runs`,
    not: `pump ${n} stands`,
    never: `pump ${n} never runs`,
    always: `pump ${n} never stops`,
    kind: 'pump',
    device: tag,
    pump: n,
    senses: sense('volts', 'ac', behaviour.windings, 'most'),
    above: 0,
    states: ['running', 'backwards', 'single'],
    dead: Object.keys(cable?.colours ?? {})
      .filter((p) => p !== 'PE')
      .map((p) => `${tag}:${p}`),
  });
  return device;
}

/** A cable of a pump with a core for each pin of what watches it. */
function withSensors(
  b: PanelBuilder,
  cable: NonNullable<Device['cable']>,
  pins: readonly string[],
): NonNullable<Device['cable']> {
  const colours = coloursOf(b.station).sensors;
  return {
    ...cable,
    colours: {
      ...cable.colours,
      ...Object.fromEntries(pins.map((p, i) => [p, colours[p.startsWith('TH') && i < 2 ? i + 2 : i]!])),
    },
  };
}

/** Capacitor and start switch of a single-phase motor in a box at the panel, between its main wire and the core to its auxiliary winding. */
function startGear(b: PanelBuilder, n: number, pump: Pump, feed: Feed): Tree {
  const tag = `C1${n}`;
  const { capacitor, starts } = singlePhase(pump, feed.volts, b.station);
  b.device({
    tag,
    function: 'start-gear',
    pump: n,
    description: `start box, ${(capacitor.c * 1e6).toPrecision(3)} µF`,
    label: `starts pump ${n}`,
    place: 'panel',
    cost: 2,
    behaviour: { kind: 'worked' },
    initial: '',
    positions: [],
    elements: {
      capacitor: {
        pins: ['1', '2'],
        sign: 'capacitor',
        part: capacitor,
        ...(starts && { closed: starts, follows: `M${n}`, leak: OPEN_LEAK }),
      },
    },
    charge: CAPACITOR_CHARGE,
  });
  return leaf(tag, 'capacitor');
}

export function motorCable(b: PanelBuilder, n: number, feed: Feed, pump?: Pump): NonNullable<Device['cable']> {
  const colours = coloursOf(b.station);
  const second = feed.pair[1] === 'N' ? colours.neutral : colours.lines[1];
  const pins = three(feed) ? ['U', 'V', 'W'] : ['U', 'V'];
  return {
    id: `W-pump${n}`,
    label: `cable to pump ${n}`,
    length: b.station.wiring.motor.length,
    area: b.station.wiring.motor.area,
    colours: Object.fromEntries([
      ...pins.map((p, i) => [p, i === 1 ? (pins.length === 3 ? colours.lines[1] : second) : colours.lines[i]!]),
      ...(pump && boxed(pump, feed, false) ? [['Z', colours.others]] : []),
      ['PE', colours.earth],
    ]),
  };
}

/** The overload relay of a pump: a heater in each live wire, a contact that opens with it, one that closes. */
function overload(b: PanelBuilder, n: number, pump: Pump, poles: number) {
  const tag = `F1${n}`;
  const names = Array.from({ length: poles }, (_, i) => `${2 * i + 1}-${2 * i + 2}`);
  b.device({
    tag,
    function: 'overload',
    pump: n,
    description: `overload relay, class ${pump.motor.overloadClass}, set to ${pump.ratedCurrent} A`,
    label: `guards pump ${n}`,
    place: 'panel',
    cost: 2,
    behaviour: {
      kind: 'trip',
      senses: sense(
        'amps',
        'ac',
        names.map((x) => `${tag}.${x}`),
        'most',
      ),
      ...overloadCurve(pump.ratedCurrent, pump.motor.overloadClass),
    },
    initial: 'on',
    positions: [
      { state: 'on', label: 'set' },
      { state: 'tripped', label: 'tripped' },
    ],
    elements: {
      ...Object.fromEntries(
        names.map((x) => [
          x,
          {
            pins: x.split('-') as [string, string],
            sign: 'overload' as const,
            part: { kind: 'impedance' as const, r: 0.02 },
          },
        ]),
      ),
      '95-96': {
        pins: ['95', '96'],
        sign: 'break',
        part: { kind: 'impedance', r: CLOSED },
        closed: ['on'],
        leak: OPEN_LEAK,
      },
    },
  });
  return { heaters: names.map((x) => leaf(tag, x)), healthy: leaf(tag, '95-96') };
}

export interface PumpPower {
  /** Breaks when the overload has tripped: to sit before the coil. Empty without one. */
  readonly healthy: readonly Tree[];
}

/**
 * Breaker, contacts and overload of one pump to its motor: a contact in every live wire. `contact` gives a main contact at each asking.
 * On two legs both are broken: a single pole would leave the motor live. A tank that is filled through a valve has that instead; `opens` gives a
 * contact that opens on the call, for one that opens without power.
 */
export function pumpPower(
  b: PanelBuilder,
  feed: Feed,
  n: number,
  pump: Pump,
  contact: () => Tree,
  more: { breaker?: boolean; overload?: boolean; opens?: () => Tree } = {},
): PumpPower {
  const { mover } = traitsOf(b.station);
  if (mover.kind === 'valve') {
    valvePower(b, mover.valve, feed, { closes: contact, opens: more.opens ?? null }, more.breaker ?? true);
    return { healthy: [] };
  }
  const live = feed.pair[1] === 'N' ? 1 : feed.lines.length;
  motorDevice(b, n, pump, feed, motorCable(b, n, feed, pump));
  const poles =
    (more.breaker ?? true) ? breaker(b, `Q${n}`, `guards pump ${n}`, b.station.supply.breaker, live, { pump: n }) : [];
  const guard = (more.overload ?? true) ? overload(b, n, pump, live) : null;
  const way = (i: number): Tree[] => [
    ...(poles[i] ? [poles[i]] : []),
    contact(),
    ...(guard ? [guard.heaters[i]!] : []),
  ];
  if (three(feed)) {
    feed.lines.forEach((line, i) =>
      b.rung(
        i === 0 ? `pump ${n}` : `pump ${n}, ${line}`,
        'power',
        line,
        [...way(i), leaf(`M${n}`, ['U', 'V', 'W'][i]!)],
        `star ${n}`,
      ),
    );
  } else onePhase(b, feed, n, pump, way);
  b.land('PE', 'power', `M${n}`, 'PE', `X1:PE${n}`);
  return { healthy: guard ? [guard.healthy] : [] };
}

/** The rungs of a single-phase motor: its own, and of the box that starts it where it has one. */
function onePhase(b: PanelBuilder, feed: Feed, n: number, pump: Pump, way: (i: number) => Tree[]): void {
  const two = feed.pair[1] !== 'N';
  const box = boxed(pump, feed, false);
  b.rung(
    `pump ${n}`,
    'power',
    feed.pair[0],
    // Where a start box hangs on them the wires have names; else numbers, as they always had.
    [
      ...way(0),
      ...(box ? [net(`R${n}`)] : []),
      leaf(`M${n}`, 'U'),
      ...(two ? [...(box ? [net(`C${n}`)] : []), ...way(1).reverse()] : []),
    ],
    feed.pair[1],
  );
  if (box)
    b.rung(
      `pump ${n}, start gear`,
      'power',
      `R${n}`,
      [startGear(b, n, pump, feed), leaf(`M${n}`, 'auxiliary')],
      two ? `C${n}` : feed.pair[1],
    );
}
