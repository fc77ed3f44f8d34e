import { read, type Reading } from '../circuit';
import { rungOf, type Panel } from '../schemes';
import type { Station } from '../station';
import type { Wired } from './wired';
import { solveWith, type Inputs } from './inputs';

/** The two terminals at which the contact of a field input comes to the panel, and what is dialled there. */
export interface FieldInput {
  readonly label: string;
  readonly device: string;
  readonly a: string;
  readonly b: string;
  readonly mode: 'ac-volts' | 'dc-volts';
}

/** What a meter reads over one field input with the panel at rest, and with that input worked. */
export interface ExpectedReading extends FieldInput {
  readonly rest: Reading;
  readonly worked: Reading;
}

/** How the floats rest on an ordinary day: the low one lifted by the water over it, all others hanging. */
export const usualInputs = ({ sensors }: Station, { panel }: Wired): Inputs =>
  Object.fromEntries(
    panel.devices.filter((d) => sensors.some((s) => s.id === d.sensor && s.role === 'low')).map((d) => [d.tag, 'up']),
  );

/**
 * Expected readings of all field inputs with given inputs: over the two terminals of each contact that comes in, as it rests and when it is worked.
 * @example
 * const sump = newStation('Sump', 'Yard', 'metric-230');
 * const [pump] = expectedReadings(wire(sump, panelOf(sump).panel));
 * [pump.a, pump.b, pump.rest.value.toFixed(0)] // → ['P:1', 'P:2', '230']
 */
export function expectedReadings(wired: Wired, inputs: Inputs = {}): ExpectedReading[] {
  const rest = solveWith(wired, inputs);
  return fieldInputs(wired.panel).map((input) => {
    const d = wired.panel.devices.find((x) => x.tag === input.device)!;
    const other = d.positions.find((p) => p.state !== (inputs[d.tag] ?? d.initial));
    const [na, nb] = [wired.points.get(input.a)!, wired.points.get(input.b)!];
    const worked = other ? solveWith(wired, { ...inputs, [d.tag]: other.state }).states : rest.states;
    const over = (states: typeof worked) => read(wired.structure, states, na, nb, input.mode);
    return { ...input, rest: over(rest.states), worked: over(worked) };
  });
}

/** Every contact that comes in from the field or is worked where it sits, and that a panel uses. */
export function fieldInputs(panel: Panel): FieldInput[] {
  return panel.devices.flatMap((d): FieldInput[] => {
    if ((!d.cable && d.sensor === undefined) || d.positions.length === 0) return [];
    return Object.entries(d.elements).flatMap(([name, e]): FieldInput[] => {
      if (e.sign === 'source' || !panel.spans[`${d.tag}.${name}`]) return [];
      // A switch that sits in the panel is measured at its own pins.
      const at = (pin: string) =>
        d.cable ? (panel.cores.find((c) => c.pin === `${d.tag}:${pin}`)?.terminal ?? null) : `${d.tag}:${pin}`;
      const [a, b] = e.pins.map(at);
      const rung = rungOf(panel, (leaf) => leaf === `${d.tag}.${name}`);
      const circuit = panel.circuits.find((c) => c.id === rung?.circuit);
      if (!a || !b || !circuit) return [];
      return [{ label: d.label, device: d.tag, a, b, mode: circuit.kind === 'dc' ? 'dc-volts' : 'ac-volts' }];
    });
  });
}
