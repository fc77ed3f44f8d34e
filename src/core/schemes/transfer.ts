import { OPEN_LEAK, worked } from './devices';
import { coloursOf } from './colours';
import { GROUND_PIN, type Device } from './model';
import type { PanelBuilder } from './panelBuilder';

/*
 * Transfer to a generator: a switch with a middle position between supply and generator, so that the two are never joined. Where the
 * generator’s neutral is tied to earth at the generator, the neutral is switched too (NFPA 70, 250.30; IEC 60364-5-55, 551.7): left solid, it
 * would be earthed twice, and fault currents would go home past the residual-current device.
 */

/** Volts and angles of the generator’s legs, like those of the supply; Ω inside. */
const INSIDE = 0.4;
const BOND = 0.05;

/** The generator at the end of its cable. */
function generator(
  b: PanelBuilder,
  legs: readonly string[],
  volts: number,
  angles: readonly number[],
  earthed: boolean,
): void {
  const { supply, wiring } = b.station;
  const colours = coloursOf(b.station);
  b.device({
    tag: 'G7',
    function: 'generator',
    description: 'generator, by others',
    label: earthed ? 'generator, its neutral earthed at it' : 'generator, its neutral earthed at the board alone',
    place: 'field',
    cost: 0,
    behaviour: { kind: 'worked' },
    initial: 'stopped',
    positions: [
      { state: 'stopped', label: 'stopped' },
      { state: 'running', label: 'running' },
    ],
    rating: supply.feederBreaker,
    elements: Object.fromEntries(
      legs.map((l, i) => [
        l,
        {
          pins: [l, 'N'] as const,
          sign: 'source' as const,
          part: { kind: 'source' as const, volts, phaseDeg: angles[i]!, frequency: supply.frequency, r: INSIDE },
          closed: ['running'],
          leak: OPEN_LEAK,
        },
      ]),
    ),
    inside: [
      ...(earthed ? [{ id: 'bond', a: 'N', b: 'PE', part: { kind: 'impedance', r: BOND } as const }] : []),
      { id: 'rod', a: 'PE', b: GROUND_PIN, part: { kind: 'impedance', r: 20 } },
    ],
    cable: {
      id: 'W-generator',
      label: 'cable from the generator',
      length: wiring.feeder.length,
      area: wiring.feeder.area,
      colours: Object.fromEntries([
        ...legs.map((l, i) => [l, colours.lines[i]!]),
        ['N', colours.neutral],
        ['PE', colours.earth],
      ]),
    },
  } satisfies Device);
}

/** The wires behind the transfer switch for the lines, and for the neutral. */
export interface Transferred {
  readonly line: (leg: string) => string;
  readonly neutral: string;
}

/** Switch and generator between the incoming wires `L1s`… and `Ns` and those that the panel goes on from; those wires themselves without one. */
export function transfer(
  b: PanelBuilder,
  legs: readonly string[],
  volts: number,
  angles: readonly number[],
): Transferred {
  const how = b.station.control.parts.generator;
  if (how === 'none') return { line: (l) => `${l}s`, neutral: 'Ns' };
  const switched = how === 'neutral-switched';
  generator(b, legs, volts, angles, switched);
  const contact = worked(
    b,
    'transfer',
    'Q7',
    `transfer switch, ${legs.length + (switched ? 1 : 0)} poles, middle off`,
    'supply or generator, never both',
    [
      { state: 'supply', label: 'supply' },
      { state: 'off', label: 'off' },
      { state: 'generator', label: 'generator' },
    ],
    'supply',
    { cost: 3 },
  );
  const pole = (from: string, to: string, label: string, state: string) =>
    b.rung(label, 'power', from, [contact('breaker', state)], to);
  for (const l of legs) {
    pole(`${l}s`, `${l}t`, `${l} from the supply`, 'supply');
    b.land(`${l}g`, 'power', 'G7', l);
    pole(`${l}g`, `${l}t`, `${l} from the generator`, 'generator');
  }
  b.land('PE', 'power', 'G7', 'PE', 'X1:PEG');
  if (!switched) {
    b.land('Ns', 'power', 'G7', 'N');
    return { line: (l) => `${l}t`, neutral: 'Ns' };
  }
  pole('Ns', 'Nt', 'neutral from the supply', 'supply');
  b.land('Ng', 'power', 'G7', 'N');
  pole('Ng', 'Nt', 'neutral from the generator', 'generator');
  return { line: (l) => `${l}t`, neutral: 'Nt' };
}
