import { leaf, type PanelBuilder } from './panelBuilder';
import { coloursOf } from './colours';
import { contactPart, directSupply, type Power, transformer } from './devices';
import { barrierSupply } from './barrier';
import { keeping } from './keeping';
import { breaker, breakerAt, disconnect, residual } from './protection';
import { transfer } from './transfer';
import type { Control, Feed } from './wires';
import { GROUND_PIN, type Device, type Tree } from './model';

/** Trip of a residual-current or ground-fault device, A, as is common where the profile is at home. */
export const RESIDUAL = { 'metric-230': 0.03, 'us-120': 0.006 } as const;

/** Volts from a leg to neutral. */
export function lineToNeutral({ source, voltage }: { source: string; voltage: number }): number {
  return source === 'single' ? voltage : source === 'split' ? voltage / 2 : voltage / Math.sqrt(3);
}

const ANGLES: Readonly<Record<string, readonly number[]>> = { single: [0], split: [0, 180], three: [0, -120, 120] };

/** A circuit of the board: what it feeds, over how many legs, and what guards it there. */
export interface BoardCircuit {
  readonly what: 'supply' | 'alarm-supply';
  readonly tag: string;
  readonly label: string;
  readonly legs: number;
  readonly cable: NonNullable<Device['cable']>;
  /** A. @see guard */
  readonly breaker: number;
  /** Tag of the breaker at the board; null: the scheme has it among its own. */
  readonly guard: string | null;
}

/** The board as it stands behind the feeder: a source for each leg behind half of the loop's impedance, its breaker, neutral bonded to earth. */
export function boardDevice(
  b: PanelBuilder,
  { what, tag, label, legs, cable, breaker: amps, guard }: BoardCircuit,
): Device {
  const { supply } = b.station;
  const volts = lineToNeutral(supply);
  const names = Array.from({ length: legs }, (_, i) => `L${i + 1}`);
  const behind = (leg: string) => (guard === null ? leg : `${leg} of the board`);
  if (guard !== null)
    breakerAt(
      b,
      guard,
      `at the board: ${label}`,
      amps,
      names.map((leg) => `${tag}.${leg} breaker`),
    );
  return b.device({
    tag,
    function: what,
    description: 'circuit of the board, by others',
    label,
    place: 'field',
    cost: 0,
    behaviour: { kind: 'worked' },
    initial: 'there',
    positions: [
      { state: 'there', label: 'mains there' },
      { state: 'cut', label: 'power cut' },
    ],
    rating: amps,
    elements: Object.fromEntries(
      ANGLES[supply.source]!.slice(0, legs).map(
        (phaseDeg, i) =>
          [
            `L${i + 1}`,
            {
              pins: [behind(`L${i + 1}`), GROUND_PIN],
              sign: 'source',
              part: { kind: 'source', volts, phaseDeg, frequency: supply.frequency, r: supply.loop / 2 },
              closed: ['there'],
            },
          ] as const,
      ),
    ),
    inside: [
      ...(guard === null
        ? []
        : names.map((leg) => ({
            id: `${leg} breaker`,
            a: behind(leg),
            b: leg,
            part: contactPart,
            closed: ['on'],
            follows: guard,
          }))),
      { id: 'bond', a: 'N', b: GROUND_PIN, part: { kind: 'impedance', r: supply.loop / 2 } },
      { id: 'earth', a: 'PE', b: GROUND_PIN, part: { kind: 'impedance', r: supply.loop / 2 } },
    ],
    cable,
  });
}

/** Feeder, disconnect and residual-current protection: from the board to the wires L1, (L2, L3) and N of the panel. */
export function feed(b: PanelBuilder): Feed {
  const { supply, wiring, profile } = b.station;
  const colours = coloursOf(b.station);
  const legs = ANGLES[supply.source]!.length;
  const lines = Array.from({ length: legs }, (_, i) => `L${i + 1}`);
  const volts = supply.voltage;
  const circuit = b.circuit({
    id: 'power',
    label: 'pump power',
    strip: 'X1',
    reference: 'N',
    volts: lineToNeutral(supply),
    kind: 'ac',
    low: false,
    function: 'power',
  });
  boardDevice(b, {
    what: 'supply',
    tag: 'W0',
    label: 'feeds the panel',
    legs,
    breaker: supply.feederBreaker,
    guard: 'QB',
    cable: {
      id: 'W-supply',
      label: 'feeder from the board',
      length: wiring.feeder.length,
      area: wiring.feeder.area,
      colours: Object.fromEntries([
        ...lines.map((l, i) => [l, colours.lines[i]!]),
        ['N', colours.neutral],
        ['PE', colours.earth],
      ]),
    },
  });
  for (const l of lines) b.land(`${l}s`, 'power', 'W0', l);
  const from = transfer(b, lines, lineToNeutral(supply), ANGLES[supply.source]!);
  // A neutral is switched with its line where that is the custom.
  const switched = profile === 'metric-230';
  const poles = disconnect(b, 'Q0', legs + (switched ? 1 : 0));
  const guard = supply.residualCurrent ? residual(b, 'Q9', legs + 1, RESIDUAL[profile]) : null;
  lines.forEach((l, i) => {
    b.rung(
      i === 0 ? 'incoming supply' : `incoming, ${l}`,
      'power',
      from.line(l),
      [poles[i]!, ...(guard ? [guard[i]!] : [])],
      l,
    );
  });
  lines.forEach((l, i) => {
    for (const net of new Set([`${l}s`, from.line(l), l])) b.wire(net, (['line-1', 'line-2', 'line-3'] as const)[i]!);
  });
  for (const net of new Set(['Ns', from.neutral, 'N'])) b.wire(net, 'neutral');
  b.wire('PE', 'earth');
  const neutral: Tree[] = [...(switched ? [poles[legs]!] : []), ...(guard ? [guard[legs]!] : [])];
  if (neutral.length > 0 || from.neutral !== 'Ns') {
    b.land('Ns', 'power', 'W0', 'N');
    b.rung('incoming, neutral', 'power', from.neutral, neutral.length > 0 ? neutral : [bridge(b)], 'N');
  } else b.land('N', 'power', 'W0', 'N');
  b.land('PE', 'power', 'W0', 'PE', 'X1:PE');
  const made: Feed = { lines, pair: supply.source === 'single' ? ['L1', 'N'] : ['L1', 'L2'], volts, circuit };
  keeping(b, made);
  barrierSupply(b, made);
  return made;
}

/** Neutral that is not switched on its way. */
export function bridge(b: PanelBuilder): Tree {
  b.device({
    tag: 'E2',
    function: 'bar',
    description: 'neutral bar',
    label: 'the neutral is not switched',
    place: 'board',
    cost: 0,
    behaviour: { kind: 'worked' },
    initial: '',
    positions: [],
    elements: { bar: { pins: ['1', '2'], sign: 'fuse', part: { kind: 'impedance', r: 0.002 } } },
  });
  return leaf('E2', 'bar');
}

/** What control is fed at where the profile is at home, V. */
const MAINS_CONTROL = { 'metric-230': 230, 'us-120': 120 } as const;

/** Control at 24 V where that is asked for; else at the mains, behind its own fuse; through a transformer where no leg to neutral gives the common voltage, or where it is asked for. */
export function mainsControl(b: PanelBuilder, feed: Feed, isolate = false): Control {
  const { extraLow } = b.station.control.parts;
  if (extraLow !== 'no') return lowControl(b, feed, extraLow);
  const { lines, pair, volts } = feed;
  const usual = MAINS_CONTROL[b.station.profile];
  const toNeutral = lineToNeutral(b.station.supply);
  const direct = !isolate && Math.abs(toNeutral / usual - 1) < 0.08;
  const power: Power = { volts: direct ? toNeutral : usual, kind: 'ac' };
  b.circuit({
    id: 'control',
    label: 'control',
    strip: 'X2',
    reference: direct ? 'N' : 'C0',
    volts: power.volts,
    kind: 'ac',
    low: false,
    function: 'control',
  });
  if (direct) {
    const [fuse] = breaker(b, 'F1', 'guards the control circuit', 4, 1, { fuse: true });
    b.rung('control fuse', 'control', lines[0]!, [fuse!], 'C');
    return { ...power, hot: 'C', back: 'N', id: 'control' };
  }
  const t = transformer(b, 'T1', 'feeds the control circuit', volts, usual, 100);
  const [fuse1, fuse2] = breaker(b, 'F1', 'guards the control transformer', 2, 2, { fuse: true });
  b.rung('control transformer', 'power', pair[0], [fuse1!, t.input, fuse2!], pair[1]);
  const [out] = breaker(b, 'F2', 'guards the control circuit', 2, 1, { fuse: true });
  b.rung('control fuse', 'control', 'C0', [t.output, out!], 'C');
  earthed(b, 'C0');
  return { ...power, hot: 'C', back: 'C0', id: 'control' };
}

/** Control at extra-low voltage, apart from the mains. */
export function lowControl(b: PanelBuilder, { pair, volts }: Feed, kind: 'ac' | 'dc'): Control {
  const power: Power = { volts: 24, kind };
  b.circuit({
    id: 'control',
    label: 'low-voltage control',
    strip: 'X2',
    reference: 'C0',
    volts: 24,
    kind,
    low: true,
    function: 'control',
  });
  const [fuse, second] = breaker(b, 'F1', 'guards the control supply', 2, pair[1] === 'N' ? 1 : 2, { fuse: true });
  const t =
    kind === 'ac'
      ? transformer(b, 'T1', 'float circuit, apart from the mains', volts, 24, 40)
      : directSupply(b, 'G1', 'float circuit, apart from the mains', { volts, kind: 'ac' }, 24, 15);
  b.rung('low-voltage supply', 'power', pair[0], [fuse!, t.input, ...(second ? [second] : [])], pair[1]);
  const [out] = breaker(b, 'F2', 'guards the float circuit', 1, 1, { direct: kind === 'dc' });
  b.rung('low-voltage breaker', 'control', 'C0', [t.output, out!], 'C');
  return { ...power, hot: 'C', back: 'C0', id: 'control' };
}

/** One side of a transformer's secondary is tied to earth, so that a fault to earth blows its fuse. */
function earthed(b: PanelBuilder, net: string): void {
  b.device({
    tag: 'E1',
    function: 'bar',
    description: 'earth bridge',
    label: 'ties one side of the control to earth',
    place: 'panel',
    cost: 0,
    behaviour: { kind: 'worked' },
    initial: '',
    positions: [],
    elements: { bridge: { pins: ['1', '2'], sign: 'fuse', part: { kind: 'impedance', r: 0.01 } } },
  });
  b.rung('control earthed on one side', 'control', net, [leaf('E1', 'bridge')], 'PE');
}
