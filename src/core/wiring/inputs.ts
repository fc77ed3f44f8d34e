import { sensed, settle, waitingOf, type Settled, type States } from '../circuit';
import type { Device, Outcome } from '../schemes';
import { hasRisen } from '../sensing';
import { type Trips } from '../sensors';
import type { Wired } from './wired';

/** How a panel stands: which position each thing that a hand or the water works is in. What is not named is as it rests. */
export type Inputs = Readonly<Record<string, string>>;

/** Positions of the floats with the water at a level, m above the floor; between its trips a float keeps the position it has. */
export function floatsAt(
  sensors: readonly (Trips & { readonly sensor: { readonly id: string } })[],
  devices: readonly Device[],
  level: number,
  before: Inputs,
): Inputs {
  return Object.fromEntries(
    devices.flatMap(({ tag, sensor }) => {
      const found = sensors.find((s) => s.sensor.id === sensor);
      return found ? [[tag, hasRisen(found, level, before[tag] === 'up') ? 'up' : 'down']] : [];
    }),
  );
}

/** What is wrong with inputs: devices that are not there, and positions that they do not have. */
export function inputProblems({ panel }: Wired, inputs: Inputs): string[] {
  return Object.entries(inputs).flatMap(([tag, state]) => {
    const device = panel.devices.find((d) => d.tag === tag);
    if (!device) return [`${tag}: there is no such device in this panel`];
    if (device.positions.length === 0) return [`${tag}: ${device.label} is not worked by hand`];
    return device.positions.some((p) => p.state === state)
      ? []
      : [`${tag}: “${state}” is not one of ${device.positions.map((p) => p.state).join(', ')}`];
  });
}

/** What has tripped and waits for a hand, by the position that resets it. */
export const resets = (devices: readonly Device[], states: States): Inputs =>
  Object.fromEntries(
    devices.flatMap(({ tag, behaviour, initial, positions }) =>
      behaviour.kind === 'trip' && states[tag] !== initial && positions.some((p) => p.state === initial)
        ? [[tag, initial]]
        : [],
    ),
  );

/** Everything that a hand does to reset a panel, one after the other: what has tripped, and each reset button pressed and let go. */
export const resetting = (devices: readonly Device[], states: States): (readonly [device: string, state: string])[] => [
  ...Object.entries(resets(devices, states)),
  ...devices.flatMap((d) => {
    const way = d.function === 'reset' ? d.positions.find((p) => p.state !== d.initial) : undefined;
    return way ? [[d.tag, way.state] as const, [d.tag, d.initial] as const] : [];
  }),
];

/**
 * The circuit settled with these inputs, from the states it was in before; from rest where none are given.
 * @example
 * const sump = newStation('Sump', 'Yard', 'metric-230');
 * const { panel } = panelOf(sump);
 * const [pump] = panel.outcomes;
 * const wired = wire(sump, panel);
 * [{}, { 'S-pump': 'up' }].map((inputs) => happens(solveWith(wired, inputs), pump)) // → [false, true]
 */
export const solveWith = (wired: Wired, inputs: Inputs, before: States = wired.states): Settled =>
  settle(wired.structure, { ...before, ...inputs });

/** More protection than this does not open one after the other. */
const PROTECTIONS = 12;

/** Of two that open within this share of one another’s time the one nearer to the load is taken: that is what they are graded for. */
const GRADED = 1.25;

/** What a settled circuit comes to when all protection that warms has opened, the quickest first: as it stands in the end. */
export function inTheEnd({ structure }: Wired, first: Settled): Settled {
  let now = first;
  for (let i = 0; i < PROTECTIONS; i++) {
    const warms = waitingOf(now).filter((w) => w.to === 'tripped');
    if (warms.length === 0) return now;
    const least = Math.min(...warms.map((w) => w.after));
    const quickest = warms.filter((w) => w.after <= GRADED * least).at(-1)!;
    const then = settle(structure, { ...now.states, [quickest.device]: quickest.to });
    now = {
      ...then,
      moves: [...now.moves, { device: quickest.device, from: quickest.from, to: quickest.to }, ...then.moves],
    };
  }
  return now;
}

/** A cache in front of `solveWith`: the same inputs from the same states is answered from memory. */
export function panelSolver(wired: Wired): (inputs: Inputs, before?: States) => Settled {
  const known = new WeakMap<States, Map<string, Settled>>();
  return (inputs, before = wired.states) => {
    let from = known.get(before);
    if (!from) known.set(before, (from = new Map()));
    let key = '';
    for (const tag in inputs) key += `${tag}=${inputs[tag]}|`;
    const found = from.get(key);
    if (found) return found;
    const made = solveWith(wired, inputs, before);
    from.set(key, made);
    return made;
  };
}

export const happens = ({ solution, states }: Settled, o: Outcome): boolean =>
  (o.states === undefined || o.states.includes(states[o.device]!)) && sensed(solution, o.senses) >= o.above;

/** Which of a panel's outcomes happen, by id. */
export const outcomesOf = (wired: Wired, settled: Settled): Readonly<Record<string, boolean>> =>
  Object.fromEntries(wired.panel.outcomes.map((o) => [o.id, happens(settled, o)]));
