import { admittance, emf } from './admittance';
import { conducts, type Component, type Sense } from './netlist';
import { plus, size, times, ZERO, type Phasor } from './phasor';
import { across, type Solution } from './solve';
import type { Structure } from './structure';

/** A figure of a solved circuit, and the volts over a part of it. */
type Figure = (solution: Solution) => number;
type Over = (solution: Solution) => Phasor;

const at = (values: Float64Array, n: number): number => (n < 0 ? 0 : values[n]!);

/** Volts between the ends of a part at one frequency. */
export function voltsOver(structure: Structure, id: string, of: 'ac' | 'dc'): Over {
  const part = structure.components.get(id);
  if (!part) return () => ZERO;
  const [a, b] = endsIn(structure, part);
  return (solution) => {
    const field = solution[of];
    return field ? { re: at(field.re, a) - at(field.re, b), im: at(field.im, a) - at(field.im, b) } : ZERO;
  };
}

const endsIn = ({ nodes }: Structure, { a, b }: Component): [number, number] => [
  nodes.get(a) ?? -1,
  nodes.get(b) ?? -1,
];

/** How many volts that are. Most devices are coils: this is asked most. */
function sizeOver(structure: Structure, part: Component, of: 'ac' | 'dc'): Figure {
  const [a, b] = endsIn(structure, part);
  return (solution) => {
    const field = solution[of];
    if (!field) return 0;
    const re = at(field.re, a) - at(field.re, b);
    const im = at(field.im, a) - at(field.im, b);
    return Math.sqrt(re * re + im * im);
  };
}

/** Amps through a part, from `a` to `b`. */
function ampsThrough(structure: Structure, part: Component, of: 'ac' | 'dc'): Over {
  if (part.kind === 'transformer') return (solution) => across(solution, part, of).amps;
  const frequency = of === 'ac' ? structure.netlist.frequency : 0;
  const [y, e] = [admittance(part, frequency), emf(part, frequency)];
  const leak = part.when?.leak ?? 0;
  const volts = voltsOver(structure, part.id, of);
  return (solution) => {
    const { re, im } = volts(solution);
    if (!conducts(part, solution.states)) return { re: leak * re, im: leak * im };
    return times(y, { re: re - e.re, im: im - e.im });
  };
}

function figureOf(structure: Structure, { what, of, by, components }: Sense): Figure {
  const first = components.length === 1 ? structure.components.get(components[0]!) : undefined;
  if (first && what === 'volts') return sizeOver(structure, first, of);
  const each = components.map((id): Over => {
    const part = structure.components.get(id);
    if (!part) return () => ZERO;
    return what === 'volts' ? voltsOver(structure, id, of) : ampsThrough(structure, part, of);
  });
  if (by === 'sum') return (solution) => size(each.reduce((sum, over) => plus(sum, over(solution)), ZERO));
  const worst = by === 'least' ? Math.min : Math.max;
  return (solution) => worst(...each.map((over) => size(over(solution))));
}

const FIGURES = new WeakMap<Structure, Map<Sense, Figure>>();

/** What a device attends to, V or A. It is looked up once for a circuit: it is asked after every move of every device. */
export function sensed(solution: Solution, sense: Sense): number {
  const { structure } = solution;
  let known = FIGURES.get(structure);
  if (!known) FIGURES.set(structure, (known = new Map()));
  let figure = known.get(sense);
  if (!figure) known.set(sense, (figure = figureOf(structure, sense)));
  return figure(solution);
}
