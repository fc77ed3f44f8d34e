import type { Pump } from '../station';
import { leaf, type PanelBuilder } from './panelBuilder';
import { coloursOf } from './colours';
import { CLOSED, loadPart, OPEN_LEAK, sense } from './devices';
import { breaker } from './protection';
import { type Feed, lineToNeutral } from './feed';
import { GROUND_PIN, type Device, type Tree } from './model';

/** A winding to its frame: insulation in good order, and its capacitance. */
const INSULATION = 50e6;
const FRAME = 2e-9;

/** Share of its rated voltage under which a motor is not said to run. */
const RUNS = 0.7;

/** Above this multiple of its setting an overload relay opens, sooner or later. */
const OVERLOAD = 1.15;

/** What a single-phase motor keeps after it stops. */
export const CAPACITOR_CHARGE = 'A motor with a capacitor keeps a charge after it stops: discharge it before touching.';

const three = (feed: Feed) => feed.lines.length === 3;

/** The motor of a pump at the end of its cable: one winding, or three in star. */
export function motorDevice(
  b: PanelBuilder,
  n: number,
  pump: Pump,
  feed: Feed,
  cable: Device['cable'],
  { driven = false }: { driven?: boolean } = {},
): Device {
  const { supply } = b.station;
  const tag = `M${n}`;
  const phase = three(feed) ? lineToNeutral(supply) : feed.volts;
  const part = loadPart(phase, phase * pump.ratedCurrent, pump.motor.powerFactor, supply.frequency);
  const pins = three(feed) ? ['U', 'V', 'W'] : ['U'];
  const elements = Object.fromEntries(
    pins.map((p) => [p, { pins: [p, three(feed) ? 'star' : 'V'] as const, sign: 'motor' as const, part }]),
  );
  const device: Device = {
    tag,
    function: 'motor',
    pump: n,
    description: pump.name,
    label: `pump ${n}`,
    place: 'field',
    cost: 0,
    behaviour: { kind: 'worked' },
    initial: '',
    positions: [],
    elements: elements as Device['elements'],
    inside: [
      { id: 'insulation', a: 'U', b: 'PE', part: { kind: 'impedance', r: INSULATION } },
      { id: 'frame', a: 'U', b: 'PE', part: { kind: 'capacitor', c: FRAME } },
      // The frame stands in the water, and the water in the ground, if badly.
      { id: 'water', a: 'PE', b: GROUND_PIN, part: { kind: 'impedance', r: 20e3 } },
    ],
    cable,
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
    senses: sense(
      'volts',
      'ac',
      pins.map((p) => `${tag}.${p}`),
      'least',
    ),
    above: RUNS * phase,
    dead: three(feed) ? pins.map((p) => `${tag}:${p}`) : [`${tag}:U`, `${tag}:V`],
  });
  return device;
}

export function motorCable(
  b: PanelBuilder,
  n: number,
  feed: Feed,
  pins = three(feed) ? ['U', 'V', 'W'] : ['U', 'V'],
): NonNullable<Device['cable']> {
  const colours = coloursOf(b.station);
  const second = feed.pair[1] === 'N' ? colours.neutral : colours.lines[1];
  return {
    id: `W-pump${n}`,
    label: `cable to pump ${n}`,
    length: b.station.wiring.motor.length,
    area: b.station.wiring.motor.area,
    colours: Object.fromEntries([
      ...pins.map((p, i) => [p, i === 1 ? (pins.length === 3 ? colours.lines[1] : second) : colours.lines[i]!]),
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
    description: `overload relay, set to ${pump.ratedCurrent} A`,
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
      above: OVERLOAD * pump.ratedCurrent,
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
 * On two legs both are broken: a single pole would leave the motor live.
 */
export function pumpPower(
  b: PanelBuilder,
  feed: Feed,
  n: number,
  pump: Pump,
  contact: () => Tree,
  more: { breaker?: boolean; overload?: boolean } = {},
): PumpPower {
  const live = feed.pair[1] === 'N' ? 1 : feed.lines.length;
  motorDevice(b, n, pump, feed, motorCable(b, n, feed));
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
  } else {
    b.rung(
      `pump ${n}`,
      'power',
      feed.pair[0],
      [...way(0), leaf(`M${n}`, 'U'), ...(live === 2 ? way(1).reverse() : [])],
      feed.pair[1],
    );
  }
  b.land('PE', 'power', `M${n}`, 'PE', `X1:PE${n}`);
  return { healthy: guard ? [guard.healthy] : [] };
}
