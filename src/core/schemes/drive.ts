import { traitsOf } from '../duties';
import { phrase, quantity } from '../units';
import type { Station } from '../station';
import { alarmChain } from './alarmChain';
import { leaf, type PanelBuilder } from './panelBuilder';
import { CLOSED, directSupply, OPEN_LEAK, relay, sense, transformer } from './devices';
import { breaker } from './protection';
import { type Feed, feed } from './feed';
import { floatOf } from './floats';
import { cutOff, permissions } from './interlocks';
import { motorCable, motorDevice } from './motor';
import { onePump } from './reasons';
import { option, type Scheme } from './scheme';
import type { Tree } from './model';

/** One digital input of a drive: its resistance, and the volts at which it is sure to be on or off. */
export const INPUT = { r: 4700, on: 15, off: 5 } as const;

/** A drive: mains in, motor out, a 24 V supply of its own, two inputs. It runs on the first; the second, once lost, is a fault until it is reset. */
function driveDevice(b: PanelBuilder, { lines, volts }: Feed): void {
  const { supplyBudget } = b.station.wiring;
  const input = (pin: string) => ({
    pins: [pin, 'COM'] as const,
    sign: 'input' as const,
    part: { kind: 'impedance' as const, r: INPUT.r },
  });
  b.device({
    tag: 'U1',
    function: 'drive',
    pump: 1,
    charge:
      'A drive keeps a deadly charge after it is isolated: wait as long as its label label, then measure its direct-current link.',
    description: 'variable-speed drive, one to suit the motor',
    label: 'runs the pump',
    place: 'panel',
    cost: 4,
    behaviour: { kind: 'relay', senses: sense('volts', 'dc', ['U1.run']), pickUp: INPUT.on, dropOut: INPUT.off },
    initial: 'off',
    positions: [],
    gives: { element: 'U1.24V', amps: supplyBudget },
    elements: {
      supply: { pins: ['L', 'N'], sign: 'winding', part: { kind: 'impedance', r: volts ** 2 / 15 } },
      '24V': {
        pins: ['COM', '+24'],
        sign: 'source',
        part: { kind: 'source', volts: -24, phaseDeg: 0, frequency: 0, r: 2 },
      },
      run: input('DI1'),
      fault: input('DI2'),
      ...Object.fromEntries(
        lines.map((l, i) => [
          `out${i + 1}`,
          {
            pins: [`${l}`, `T${i + 1}`] as [string, string],
            sign: 'solid' as const,
            part: { kind: 'impedance' as const, r: 0.05 },
            closed: ['on'],
            leak: OPEN_LEAK,
          },
        ]),
      ),
    },
  });
}

/** Scheme 7: floats to the inputs of a drive. */
export const drive: Scheme = {
  id: 'drive',
  title: 'input of a drive',
  summary:
    'The float closes an input of a variable-speed drive: as run enable it restarts by itself, as external fault a person must look and reset.',
  people:
    'Floats at 24 V direct. The drive’s output is at mains: it keeps a charge after it is isolated; wait as long as its label label.',
  fails: [
    'A float stuck open stops the pump, or faults the drive.',
    'A short in a long float run takes the 24 V supply down with it.',
    'A drive in fault waits for a person: the alarm must tell.',
  ],
  together: 'one',
  asks: ['wiring.supplyBudget'],
  options: [
    option('input', 'protection by', [
      ['run-enable', 'run enable: restarts by itself'],
      ['external-fault', 'external fault: reset by hand'],
    ]),
    option('supply', 'float supply', [
      ['own', 'the drive’s own 24 V'],
      ['dc', 'a separate 24 V direct'],
      ['ac', 'a separate 24 V alternating, with relays'],
    ]),
  ],
  against: (station, choose) => [
    ...onePump(station),
    ...(station.sensors.some((s) => s.role === 'pump')
      ? []
      : [phrase`it needs one float that starts and stops the pump by its own range`]),
    ...(choose('supply') === 'own' ? budget(station) : []),
  ],
  build(b, choose) {
    const f = feed(b);
    const { pair } = f;
    const pump = b.station.pumps[0]!;
    driveDevice(b, f);
    b.device({
      tag: 'U1F',
      function: 'drive-fault',
      pump: 1,
      description: 'fault logic of the drive',
      label: 'external fault of the drive',
      place: 'panel',
      cost: 0,
      // The supply is there and the input is not: their difference tells, so that a drive without mains is no fault.
      behaviour: { kind: 'trip', senses: sense('volts', 'dc', ['U1.24V', 'U1.fault'], 'sum'), above: INPUT.on - 3 },
      initial: 'on',
      positions: [
        { state: 'on', label: 'reset' },
        { state: 'tripped', label: 'in fault' },
      ],
      elements: Object.fromEntries(
        f.lines.map((l, i) => [
          `${i + 1}`,
          {
            pins: [`${l}a`, `${l}b`] as [string, string],
            sign: 'solid' as const,
            part: { kind: 'impedance' as const, r: CLOSED },
            closed: ['on'],
            leak: OPEN_LEAK,
          },
        ]),
      ),
    });
    motorDevice(b, 1, pump, f, motorCable(b, 1, f), { driven: true });
    const poles = breaker(b, 'Q1', 'guards the drive', b.station.supply.breaker, f.lines.length, { pump: 1 });
    const pins = f.lines.length === 3 ? ['U', 'V', 'W'] : ['U', 'V'];
    const way = (i: number): Tree[] => [
      poles[i]!,
      { net: `D${i + 1}` },
      leaf('U1', `out${i + 1}`),
      leaf('U1F', `${i + 1}`),
    ];
    if (f.lines.length === 3)
      f.lines.forEach((line, i) =>
        b.rung(
          i === 0 ? 'drive to pump 1' : `drive to pump 1, ${line}`,
          'power',
          line,
          [...way(i), leaf('M1', pins[i]!)],
          'star 1',
        ),
      );
    else
      b.rung(
        'drive to pump 1',
        'power',
        pair[0],
        [...way(0), leaf('M1', 'U'), ...(pair[1] === 'N' ? [] : way(1).reverse())],
        pair[1],
      );
    b.land('PE', 'power', 'M1', 'PE', 'X1:PE1');
    b.rung('drive supply', 'power', 'D1', [leaf('U1', 'supply')], f.lines.length > 1 ? 'D2' : pair[1]);

    b.circuit({
      id: 'inputs',
      label: 'inputs of the drive',
      strip: 'X2',
      reference: '0V',
      volts: 24,
      kind: 'dc',
      low: true,
      function: 'control',
    });
    b.rung('24 V of the drive', 'inputs', '0V', [leaf('U1', '24V')], '+24');
    const call = floatOf(b, 'pump')!.used;
    const low = traitsOf(b.station).direction === 'fill' ? null : floatOf(b, 'low');
    const source = choose('supply');
    const others = permissions(b);
    const asFault = choose('input') === 'external-fault';
    const steps = (float: Tree, tag: string): Tree => (source === 'ac' ? interposed(b, f, float, tag) : float);
    if (source === 'dc') separate(b, f);
    const hot = source === 'dc' ? 'P24' : '+24';
    const enable = [steps(call, 'K11'), ...others, ...(low && !asFault ? [steps(low.used, 'K12')] : [])];
    b.rung(asFault ? 'run' : 'run enable', 'inputs', hot, [...enable, leaf('U1', 'run')], '0V');
    b.rung(
      asFault && low ? 'external fault: opens on low water' : 'external fault, not used: bridged',
      'inputs',
      asFault && low ? hot : '+24',
      [...(asFault && low ? [steps(low.used, 'K12')] : []), leaf('U1', 'fault')],
      '0V',
    );
    const cut = cutOff(b);
    cut.finish(alarmChain(b, f, { also: cut.also }));
  },
};

/** A separate 24 V direct supply whose minus is joined to the drive's common. */
function separate(b: PanelBuilder, { pair, volts }: Feed): void {
  const g = directSupply(b, 'G1', 'feeds the floats', { volts, kind: 'ac' }, 24, 15);
  b.rung('separate 24 V supply', 'power', pair[0], [g.input], pair[1]);
  const [out] = breaker(b, 'F2', 'guards the float supply', 1, 1, { direct: true });
  b.rung('separate 24 V, its minus joined to the drive’s common', 'inputs', '0V', [g.output, out!], 'P24');
}

/** A float at 24 V alternating works a relay, whose dry contact goes to the input. */
function interposed(b: PanelBuilder, { pair, volts }: Feed, float: Tree, tag: string): Tree {
  const ac = { volts: 24, kind: 'ac' } as const;
  if (tag === 'K11') {
    b.circuit({
      id: 'floats',
      label: 'floats, 24 V alternating',
      strip: 'X2',
      reference: 'B0',
      volts: 24,
      kind: 'ac',
      low: true,
      function: 'control',
    });
    const t = transformer(b, 'T1', 'feeds the floats', volts, 24, 40);
    b.rung('separate 24 V transformer', 'power', pair[0], [t.input], pair[1]);
    const [out] = breaker(b, 'F2', 'guards the float supply', 1, 1);
    b.rung('separate 24 V', 'floats', 'B0', [t.output, out!], 'B');
  }
  const k = relay(b, tag, tag === 'K11' ? 'the pump float calls' : 'water over the low float', ac);
  b.rung(tag === 'K11' ? 'the pump float calls' : 'water over the low float', 'floats', 'B', [float, k.coil], 'B0');
  return k.make();
}

/** What the drive's own supply must give: its inputs, and every interposed load; against what it can. */
function budget({ wiring, interlocks }: Station) {
  const inputs = 2 * (24 / INPUT.r);
  const need = inputs + interlocks.length * 0.01;
  return need <= wiring.supplyBudget
    ? []
    : [
        phrase`the drive’s own 24 V supply gives ${quantity('current', wiring.supplyBudget)}, and its inputs take ${quantity('current', need)}: use a separate supply`,
      ];
}
