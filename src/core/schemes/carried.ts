import type { Station } from '../station';
import { phrase, type Phrase } from '../units';
import { contactPart, OPEN_LEAK, pushButton, relay, sense, type Power } from './devices';
import type { Control, Feed } from './wires';
import { secondStop } from './secondStop';
import { leaf, parallel, type PanelBuilder } from './panelBuilder';
import type { Device, Element, Tree } from './model';

/*
 * Parts that any panel can carry beside its scheme, and that stop a pump: what watches the oil of a seal, the windings, the phases, and
 * the order in which pumps come back after a power cut. Each is devices and rungs of its own, and a contact before the coil of a pump.
 */

/** What the parts of a panel put before the coil of each pump. */
export interface Carried {
  under(pump: number): Tree[];
}

/** An electrode relay: it puts a low direct voltage on the probe, and pulls in when less than some 14 kΩ of water is between. */
const PROBE = { coil: 10e3, pickUp: 5, dropOut: 3.5 } as const;
/** Of each leg to the star of a phase monitor, Ω; it lets go below this share of the voltage of a leg. */
const MONITOR = { r: 50e3, starts: 0.85, keeps: 0.8 } as const;

const ALARM: Power = { volts: 12, kind: 'dc' };

const contact = (sign: 'make' | 'break', pins: readonly [string, string], closed: readonly string[]): Element => ({
  pins,
  sign,
  part: contactPart,
  closed,
  leak: OPEN_LEAK,
});

/** The relay of the probe in the oil of a pump's seal, once; its rung is laid on the supply of the alarm. */
function sealRelay(b: PanelBuilder, pump: number) {
  const tag = `K4${pump}S`;
  return relay(b, tag, `water in the oil of pump ${pump}`, ALARM, {
    function: 'seal-relay',
    pump,
    description: 'electrode relay for a seal probe',
    va: (ALARM.volts * ALARM.volts) / PROBE.coil,
    cost: 2,
    behaviour: (coil) => ({
      kind: 'relay',
      senses: sense('volts', ALARM.kind, [coil]),
      pickUp: PROBE.pickUp,
      dropOut: PROBE.dropOut,
    }),
  });
}

/** Pumps whose seal is watched: made where no contact of theirs was asked for before, and laid on the alarm’s supply. */
export function sealProbes(b: PanelBuilder, hot: string, back: string, circuit: string): void {
  for (const motor of b.find('motor')) {
    if (!motor.elements.probe) continue;
    const known = b.find('seal-relay').find((d) => d.pump === motor.pump);
    if (!known) sealRelay(b, motor.pump!);
    const tag = known?.tag ?? `K4${motor.pump}S`;
    b.rung(`seal of pump ${motor.pump}`, circuit, hot, [leaf(motor.tag, 'probe'), leaf(tag, 'coil')], back);
  }
}

/** The thermal contact of a motor holds a relay; a core that breaks is a motor too hot. With a hand to reset it where it latches. */
function motorThermal(b: PanelBuilder, { id, hot, back, ...power }: Control, pump: number): Tree {
  const latches = b.station.control.parts.motorThermal === 'latches';
  const k = relay(b, `K5${pump}T`, `the windings of pump ${pump} are cool`, power, {
    function: 'motor-thermal',
    pump,
    description: 'relay for the thermal contact of a motor',
    // Left reset: one that latches drops with the power all the same.
    ...(latches && { initial: 'on' as const }),
  });
  const closed = leaf(`M${pump}`, 'thermal');
  const held = latches
    ? parallel(k.make(), pushButton(b, `S6${pump}`, `resets pump ${pump} when it was too hot`, 'button', 'reset'))
    : null;
  b.rung(`windings of pump ${pump}`, id, hot, [closed, ...(held ? [held] : []), k.coil], back);
  return k.make();
}

/** A relay on all three legs that knows their order and their loss: a motor that moves nothing. */
function phaseMonitor(b: PanelBuilder, { lines, volts }: Feed): void {
  const tag = 'K40';
  const phase = volts / Math.sqrt(3);
  b.device({
    tag,
    function: 'phase-monitor',
    description: 'phase monitor, order and loss',
    label: 'all phases are there, in their order',
    place: 'panel',
    cost: 2,
    behaviour: {
      kind: 'motor',
      windings: lines.map((l) => `${tag}.${l}`),
      starts: MONITOR.starts * phase,
      keeps: MONITOR.keeps * phase,
    },
    initial: 'still',
    positions: [],
    elements: Object.fromEntries(
      lines.map((l) => [
        l,
        { pins: [l, 'star'] as const, sign: 'coil' as const, part: { kind: 'impedance', r: MONITOR.r } as const },
      ]),
    ),
  });
  lines.forEach((line, i) =>
    b.rung(i === 0 ? 'phase monitor' : `phase monitor, ${line}`, 'power', line, [leaf(tag, line)], 'star 40'),
  );
}

/** After the power is back each pump waits, the second twice as long. */
function stagger(b: PanelBuilder, { id, hot, back, ...power }: Control, pump: number, wait: number): Tree {
  const seconds = wait * pump;
  const k = relay(b, `K6${pump}D`, `pump ${pump} may come back`, power, {
    function: 'timer',
    pump,
    description: `delay relay, ${Math.round(seconds)} s`,
    sign: 'timer',
    behaviour: (coil) => ({
      kind: 'delay',
      seconds,
      senses: sense('volts', power.kind, [coil]),
      pickUp: 0.75 * power.volts,
      dropOut: 0.3 * power.volts,
    }),
  });
  b.rung(`pump ${pump} waits after a power cut`, id, hot, [k.coil], back);
  return k.make();
}

/** The parts of a panel that stop its pumps, and the second float that stops a filling. */
export function carried(b: PanelBuilder, feed: Feed, control: Control): Carried {
  const { parts } = b.station.control;
  if (parts.phaseMonitor) phaseMonitor(b, feed);
  const second = secondStop(b, control);
  return {
    under: (pump) => [
      ...second(),
      ...(parts.phaseMonitor
        ? [b.addElement('K40', `${pump}3-${pump}4`, contact('make', [`${pump}3`, `${pump}4`], ['running']))]
        : []),
      ...(parts.sealProbe === 'stop' ? [sealRelay(b, pump).break()] : []),
      ...(parts.motorThermal === 'none' ? [] : [motorThermal(b, control, pump)]),
      ...(parts.stagger === null ? [] : [stagger(b, control, pump, parts.stagger)]),
    ],
  };
}

/** What the cord of a pump brings beside its windings. */
export function motorSensors(b: PanelBuilder, pump: number): { elements: Device['elements']; pins: readonly string[] } {
  const { sealProbe, motorThermal: thermal } = b.station.control.parts;
  const hot = `H${pump}`;
  if (thermal !== 'none')
    b.device({
      tag: hot,
      function: 'winding-heat',
      pump,
      description: 'thermal contacts in the windings',
      label: `windings of pump ${pump}`,
      place: 'field',
      cost: 0,
      behaviour: { kind: 'worked' },
      initial: 'cool',
      positions: [
        { state: 'cool', label: 'cool' },
        { state: 'hot', label: 'too hot' },
      ],
      elements: {},
    });
  return {
    elements: {
      ...(sealProbe !== 'none' && {
        probe: { pins: ['SL1', 'SL2'] as const, sign: 'input' as const, part: { kind: 'impedance', r: 10e6 } as const },
      }),
      ...(thermal !== 'none' && {
        thermal: { ...contact('break', ['TH1', 'TH2'], ['cool']), follows: hot },
      }),
    },
    pins: [...(sealProbe === 'none' ? [] : ['SL1', 'SL2']), ...(thermal === 'none' ? [] : ['TH1', 'TH2'])],
  };
}

/** Why parts that the station asks for cannot be had by a scheme. @param coil whether a control circuit of it stops the pump */
export function noCarried({ control: { parts }, supply }: Station, coil: boolean): Phrase[] {
  const stops = [
    ...(parts.sealProbe === 'stop' ? ['a seal probe that stops the pump'] : []),
    ...(parts.motorThermal === 'none' ? [] : ['the thermal contact of a motor']),
    ...(parts.phaseMonitor ? ['a phase monitor'] : []),
    ...(parts.stagger === null ? [] : ['a wait after a power cut']),
    ...(parts.barrier ? ['a barrier for the floats'] : []),
    ...(parts.extraLow === 'no' ? [] : ['control at 24 V']),
  ];
  return [
    ...(coil ? [] : stops.map((s) => phrase`${s} needs a control circuit: no contactor or relay runs the pump here`)),
    ...(coil && parts.phaseMonitor && supply.source !== 'three'
      ? [
          phrase`a phase monitor watches three legs: the supply is ${supply.source === 'single' ? 'one line and neutral' : 'two legs'}`,
        ]
      : []),
  ];
}
