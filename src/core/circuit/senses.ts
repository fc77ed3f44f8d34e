import { admittance, emf } from './admittance';
import { conducts, type Component, type Sense } from './netlist';
import { plus, size, times, ZERO, type Phasor } from './phasor';
import { across, type Potentials, type Solution } from './solve';
import type { Structure } from './structure';

/** A figure of a solved circuit, and the volts over a part of it. */
type Figure = (solution: Solution) => number;
type Over = (solution: Solution) => Phasor;

/** Volts between the ends of a part at one frequency. */
export function voltsOver(structure: Structure, id: string, of: 'ac' | 'dc'): Over {
  const part = structure.components.get(id);
  if (!part) return () => ZERO;
  const [a, b] = [structure.nodes.get(part.a) ?? -1, structure.nodes.get(part.b) ?? -1];
  const at = (values: Float64Array, n: number) => (n < 0 ? 0 : values[n]!);
  return (solution) => {
    const field: Potentials | null = solution[of];
    if (!field) return ZERO;
    return { re: at(field.re, a) - at(field.re, b), im: at(field.im, a) - at(field.im, b) };
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
  const each = components.map((id): Over => {
    const part = structure.components.get(id);
    if (!part) return () => ZERO;
    return what === 'volts' ? voltsOver(structure, id, of) : ampsThrough(structure, part, of);
  });
  const [only] = each;
  if (each.length === 1) return (solution) => size(only!(solution));
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
