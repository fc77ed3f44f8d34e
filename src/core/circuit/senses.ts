import { admittance, emf } from './admittance';
import { conducts, type Component, type Sense } from './netlist';
import { ZERO, type Phasor } from './phasor';
import { across, type Solution } from './solve';
import type { Structure } from './structure';

/** A figure of a solved circuit. */
type Figure = (solution: Solution) => number;
/** A complex one, written where it is wanted: it is asked too often to be made anew each time. */
interface Written {
  re: number;
  im: number;
}
type Writes = (solution: Solution, to: Written) => void;

const at = (values: Float64Array, n: number): number => (n < 0 ? 0 : values[n]!);

/** Volts between the ends of a part at one frequency. */
function writesVolts({ nodes }: Structure, part: Component, of: 'ac' | 'dc'): Writes {
  const [a, b] = [nodes.get(part.a) ?? -1, nodes.get(part.b) ?? -1];
  return (solution, to) => {
    const field = solution[of];
    to.re = field ? at(field.re, a) - at(field.re, b) : 0;
    to.im = field ? at(field.im, a) - at(field.im, b) : 0;
  };
}

/** Amps through a part, from `a` to `b`. */
function writesAmps(structure: Structure, part: Component, of: 'ac' | 'dc'): Writes {
  if (part.kind === 'transformer')
    return (solution, to) => {
      const { amps } = across(solution, part, of);
      [to.re, to.im] = [amps.re, amps.im];
    };
  const frequency = of === 'ac' ? structure.netlist.frequency : 0;
  const [y, e] = [admittance(part, frequency), emf(part, frequency)];
  const leak = part.when?.leak ?? 0;
  const volts = writesVolts(structure, part, of);
  return (solution, to) => {
    volts(solution, to);
    const closed = conducts(part, solution.states);
    const re = closed ? to.re - e.re : to.re;
    const im = closed ? to.im - e.im : to.im;
    to.re = closed ? y.re * re - y.im * im : leak * re;
    to.im = closed ? y.re * im + y.im * re : leak * im;
  };
}

/** Volts over a part, by its name. */
export function voltsOver(structure: Structure, id: string): (solution: Solution) => Phasor {
  const part = structure.components.get(id);
  if (!part) return () => ZERO;
  const volts = writesVolts(structure, part, 'ac');
  return (solution) => {
    const to = { re: 0, im: 0 };
    volts(solution, to);
    return to;
  };
}

function figureOf(structure: Structure, { what, of, by, components }: Sense): Figure {
  const parts = components.flatMap((id) => structure.components.get(id) ?? []);
  const writes = parts.map((part) => (what === 'volts' ? writesVolts : writesAmps)(structure, part, of));
  const now: Written = { re: 0, im: 0 };
  if (by === 'sum')
    return (solution) => {
      let [re, im] = [0, 0];
      for (const write of writes) {
        write(solution, now);
        re += now.re;
        im += now.im;
      }
      return Math.sqrt(re * re + im * im);
    };
  // What is not there has none.
  const [first, worst] = [parts.length < components.length ? 0 : null, by === 'least' ? Math.min : Math.max];
  return (solution) => {
    let found = first;
    for (const write of writes) {
      write(solution, now);
      const is = Math.sqrt(now.re * now.re + now.im * now.im);
      found = found === null ? is : worst(found, is);
    }
    return found ?? (by === 'least' ? Infinity : -Infinity);
  };
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
