import { read, type Reading } from '../circuit';
import { rungOf } from '../schemes';
import type { Station } from '../station';
import type { Wired } from './wired';
import { solveWith, type Inputs } from './inputs';

/** What a meter reads over one field input with the panel at rest, and with that input worked. */
export interface ExpectedReading {
  readonly label: string;
  readonly device: string;
  readonly a: string;
  readonly b: string;
  readonly mode: 'ac-volts' | 'dc-volts';
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
  const { panel } = wired;
  const rest = solveWith(wired, inputs);
  return panel.devices.flatMap((d): ExpectedReading[] => {
    if ((!d.cable && d.sensor === undefined) || d.positions.length === 0) return [];
    const other = d.positions.find((p) => p.state !== (inputs[d.tag] ?? d.initial));
    return Object.entries(d.elements).flatMap(([name, e]): ExpectedReading[] => {
      if (e.sign === 'source' || !panel.spans[`${d.tag}.${name}`]) return [];
      // A switch that sits in the panel is measured at its own pins.
      const at = (pin: string) =>
        d.cable ? (panel.cores.find((c) => c.pin === `${d.tag}:${pin}`)?.terminal ?? null) : `${d.tag}:${pin}`;
      const [a, b] = e.pins.map(at);
      const rung = rungOf(panel, (leaf) => leaf === `${d.tag}.${name}`);
      const circuit = panel.circuits.find((c) => c.id === rung?.circuit);
      if (!a || !b || !circuit) return [];
      const [na, nb] = [wired.points.get(a)!, wired.points.get(b)!];
      const mode = circuit.kind === 'dc' ? 'dc-volts' : 'ac-volts';
      const worked = other ? solveWith(wired, { ...inputs, [d.tag]: other.state }).states : rest.states;
      return [
        {
          label: d.label,
          device: d.tag,
          a,
          b,
          mode,
          rest: read(wired.structure, rest.states, na, nb, mode),
          worked: read(wired.structure, worked, na, nb, mode),
        },
      ];
    });
  });
}
