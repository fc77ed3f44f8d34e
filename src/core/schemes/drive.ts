import { traitsOf } from '../duties';
import { phrase, quantity } from '../units';
import type { Station } from '../station';
import { alarmChain } from './alarmChain';
import { carried, noCarried } from './carried';
import { leaf, net, type PanelBuilder } from './panelBuilder';
import { CLOSED, directSupply, OPEN_LEAK, relay, sense, transformer } from './devices';
import { breaker } from './protection';
import { feed } from './feed';
import type { Feed } from './wires';
import { floatOf } from './floats';
import { cutOff, permissions } from './interlocks';
import { motorCable, motorDevice } from './motor';
import { noValve, onePump } from './reasons';
import { option, type Scheme } from './scheme';
import type { Device, Tree } from './model';

/** One digital input of a drive: its resistance, and the volts at which it is sure to be on or off. */
export const INPUT = { r: 4700, on: 15, off: 5 } as const;

/** Wires of its output, whose star hangs in the drive. */
const OUT = ['T1', 'T2', 'T3'] as const;
/** The wire of that star. */
const STAR = 'star U1';
/** What its own supply gives, V. */
const OWN = 24;
/** What it takes while it waits, W. */
const IDLE = 15;

type Phases = 1 | 3;

const poleOf = (tag: string, i: number) => leaf(tag, `${2 * i + 1}-${2 * i + 2}`);
const poles = (phases: Phases): Device['elements'] =>
  Object.fromEntries(
    Array.from({ length: phases }, (_, i) => [
      `${2 * i + 1}-${2 * i + 2}`,
      {
        pins: [`${2 * i + 1}`, `${2 * i + 2}`] as const,
        sign: 'solid' as const,
        part: { kind: 'impedance' as const, r: CLOSED },
        closed: ['on'],
        leak: OPEN_LEAK,
      },
    ]),
  );

/** The drive: it runs on its first input. */
function driveDevice(b: PanelBuilder, phases: Phases): void {
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
      'A drive keeps a deadly charge after it is isolated: wait as long as its label says, then measure its direct-current link.',
    description: `variable-speed drive, ${phases === 3 ? 'three phases' : 'one phase'} to the motor`,
    label: 'runs the pump',
    place: 'panel',
    cost: 4,
    behaviour: { kind: 'relay', senses: sense('volts', 'dc', ['U1.run']), pickUp: INPUT.on, dropOut: INPUT.off },
    initial: 'off',
    positions: [],
    elements: { run: input('DI1'), fault: input('DI2'), ...poles(phases) },
  });
}

/** Its fault logic: an external fault is held until a hand resets it. */
function driveFault(b: PanelBuilder, phases: Phases): void {
  b.device({
    tag: 'U1F',
    function: 'drive-fault',
    pump: 1,
    description: 'fault logic of the drive',
    label: 'external fault of the drive',
    place: 'panel',
    cost: 0,
    // Twice its own supply less its input: more than one supply only where it has its supply and not its input. Without mains it sees none.
    behaviour: {
      kind: 'trip',
      senses: sense('volts', 'dc', ['U1S.24V', 'U1S.24V', 'U1.fault'], 'sum'),
      above: OWN + INPUT.on - 3,
    },
    initial: 'on',
    positions: [
      { state: 'on', label: 'reset' },
      { state: 'tripped', label: 'in fault' },
    ],
    elements: poles(phases),
  });
}

/**
 * Its power part: mains in, its output and its own 24 V while it has them. The star of its output hangs at the mean of the rectified lines.
 * It is the last to lose the mains, for its link holds it up: it is made after every other supply.
 */
function powerPart(b: PanelBuilder, { lines, volts }: Feed, phases: Phases): void {
  const { supply, wiring, pumps } = b.station;
  const [pump] = pumps;
  const ins = ['L1', 'L2', 'L3'].slice(0, Math.max(lines.length, 2));
  const phase = phases === 3 ? volts / Math.sqrt(3) : volts;
  // Between each two lines what the motor takes, shared; from each line to the star what the drive itself does.
  const watts = (phases === 3 ? Math.sqrt(3) : 1) * volts * pump!.ratedCurrent * pump!.motor.powerFactor;
  const pairs =
    ins.length === 3
      ? [
          ['L1', 'L2'],
          ['L2', 'L3'],
          ['L3', 'L1'],
        ]
      : [['L1', 'L2']];
  const toStar = (ins.length === 3 ? volts ** 2 : volts ** 2 / 2) / IDLE;
  b.device({
    tag: 'U1S',
    function: 'power-supply',
    pump: 1,
    description: 'power part of the drive',
    label: 'mains of the drive, its output and its own 24 V',
    place: 'panel',
    cost: 0,
    behaviour: {
      kind: 'relay',
      senses: sense('volts', 'ac', ['U1S.star L1', 'U1S.star L2']),
      pickUp: 0.7 * volts,
      dropOut: 0.5 * volts,
    },
    initial: 'off',
    positions: [],
    gives: { element: 'U1S.24V', amps: wiring.supplyBudget },
    elements: {
      supply: { pins: ['L1', 'L2'], sign: 'winding', part: null },
      ...(ins.length === 3 && { supply2: { pins: ['L3', 'L1'] as const, sign: 'winding' as const, part: null } }),
      '24V': {
        pins: ['COM', '+24'],
        sign: 'source',
        part: { kind: 'source', volts: -OWN, phaseDeg: 0, frequency: 0, r: 2 },
        closed: ['on'],
        leak: 1e-5,
      },
      ...Object.fromEntries(
        OUT.slice(0, phases).map((t, i) => [
          `out${i + 1}`,
          {
            pins: ['M', t] as const,
            sign: 'source' as const,
            part: { kind: 'source' as const, volts: -phase, phaseDeg: -120 * i, frequency: supply.frequency, r: 0.2 },
            closed: ['on'],
            leak: OPEN_LEAK,
          },
        ]),
      ),
    },
    inside: [
      ...ins.map((l) => ({
        id: `star ${l}`,
        // The first looks to the star and the second from it, so that their sum is the volts between them.
        a: l === 'L2' ? 'M' : l,
        b: l === 'L2' ? l : 'M',
        part: { kind: 'impedance', r: toStar } as const,
      })),
      ...pairs.map(([from, to], i) => ({
        id: `takes ${i + 1}`,
        a: from!,
        b: to!,
        part: { kind: 'impedance', r: (volts * volts * pairs.length) / watts } as const,
        closed: ['running', 'backwards', 'single'],
        follows: 'M1',
      })),
    ],
  });
}

/** Supply, drive, motor: every conductor of the motor comes from the drive. */
function power(b: PanelBuilder, f: Feed, phases: Phases): void {
  const three = f.lines.length === 3;
  const out: Feed = { lines: OUT.slice(0, phases), pair: ['T1', 'T2'], volts: f.volts, circuit: f.circuit };
  driveDevice(b, phases);
  driveFault(b, phases);
  powerPart(b, f, phases);
  motorDevice(b, 1, b.station.pumps[0]!, out, motorCable(b, 1, out), { driven: true });
  b.circuit({
    id: 'output',
    label: 'output of the drive',
    strip: 'X1',
    // Its star is live itself while the drive has mains.
    reference: 'PE',
    volts: phases === 3 ? f.volts / Math.sqrt(3) : f.volts,
    kind: 'ac',
    low: false,
    function: 'power',
  });
  ['U', 'V', 'W']
    .slice(0, phases)
    .forEach((pin, i) =>
      b.rung(
        i === 0 ? 'drive to pump 1' : `drive to pump 1, ${pin}`,
        'output',
        STAR,
        [leaf('U1S', `out${i + 1}`), poleOf('U1', i), poleOf('U1F', i), net(`T${i + 1}`), leaf('M1', pin)],
        phases === 3 ? 'star 1' : STAR,
      ),
    );
  b.land('PE', 'power', 'M1', 'PE', 'X1:PE1');
  const guards = breaker(b, 'Q1', 'guards the drive', b.station.supply.breaker, f.lines.length, { pump: 1 });
  f.lines.slice(1).forEach((line, i) => b.rung(`to the drive, ${line}`, 'power', line, [guards[i + 1]!], `D${i + 2}`));
  b.rung(
    'drive supply',
    'power',
    f.lines[0]!,
    [guards[0]!, net('D1'), leaf('U1S', 'supply')],
    f.lines.length > 1 ? 'D2' : f.pair[1],
  );
  if (three) b.rung('drive supply, third line', 'power', 'D3', [leaf('U1S', 'supply2')], 'D1');
}

/** Scheme 7: floats to the inputs of a drive. */
export const drive: Scheme = {
  id: 'drive',
  title: 'input of a drive',
  summary:
    'The float closes an input of a variable-speed drive: as run enable it restarts by itself, as external fault a person must look and reset.',
  people:
    'Floats at 24 V direct. The drive’s output is at mains: it keeps a charge after it is isolated; wait as long as its label says.',
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
    option('output', 'motor on', [
      ['three', 'three phases of the drive'],
      ['single', 'one phase: both conductors from the drive'],
    ]),
    option('screen', 'motor cable', [
      ['screened', 'screened, earthed at both ends'],
      ['plain', 'not screened'],
    ]),
    option('supply', 'float supply', [
      ['own', 'the drive’s own 24 V'],
      ['dc', 'a separate 24 V direct'],
      ['ac', 'a separate 24 V alternating, with relays'],
    ]),
  ],
  against: (station, choose) => [
    ...onePump(station),
    ...noValve(station),
    ...noCarried(station, true),
    ...(station.control.parts.extraLow === 'no'
      ? []
      : [phrase`its floats are at 24 V already, by the supply that is chosen for them`]),
    ...(station.sensors.some((s) => s.role === 'pump')
      ? []
      : [phrase`it needs one float that starts and stops the pump by its own range`]),
    ...(choose('supply') === 'own' ? budget(station) : []),
  ],
  build(b, choose) {
    const f = feed(b);
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
    const call = floatOf(b, 'pump')!.used;
    const low = traitsOf(b.station).direction === 'fill' ? null : floatOf(b, 'low');
    const source = choose('supply');
    const others = permissions(b);
    const asFault = choose('input') === 'external-fault';
    const steps = (float: Tree, tag: string): Tree => (source === 'ac' ? interposed(b, f, float, tag) : float);
    if (source === 'dc') separate(b, f);
    const hot = source === 'dc' ? 'P24' : '+24';
    const called = steps(call, 'K11');
    const enough = low ? steps(low.used, 'K12') : null;
    power(b, f, choose('output') === 'single' ? 1 : 3);
    b.rung('24 V of the drive', 'inputs', '0V', [leaf('U1S', '24V')], '+24');
    const control = { volts: 24, kind: 'dc', hot, back: '0V', id: 'inputs' } as const;
    const enable = [called, ...others, ...carried(b, f, control).under(1), ...(enough && !asFault ? [enough] : [])];
    b.rung(asFault ? 'run' : 'run enable', 'inputs', hot, [...enable, leaf('U1', 'run')], '0V');
    b.rung(
      asFault && low ? 'external fault: opens on low water' : 'external fault, not used: bridged',
      'inputs',
      asFault && low ? hot : '+24',
      [...(asFault && enough ? [enough] : []), leaf('U1', 'fault')],
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
