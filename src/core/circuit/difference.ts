import { conducts, type Component, type Netlist, type States } from './netlist';

/** Two parts of one name between the same nodes. */
interface Pair {
  readonly is: Component;
  readonly was: Component;
  /** Whether they are the same but for when they conduct. */
  readonly alike: boolean;
}

/** In what a circuit differs from another that is made of the same parts between the same nodes. */
export interface Difference {
  readonly parts: readonly Pair[];
  /** Devices that nothing moves in it, and that may move in the other. */
  readonly held: ReadonlySet<string>;
}

/** Where a part is, and what it is but for when it conducts. */
function apart(part: Component): { ends: string; rest: string } {
  const { a, b, when: _, ...rest } = part;
  const { c, d } = part.kind === 'transformer' ? part : { c: '', d: '' };
  return { ends: JSON.stringify([a, b, c, d]), rest: JSON.stringify(rest) };
}

/** The pair, or null where nothing is different; undefined where they are not the same part between the same nodes. */
function paired(is: Component, was: Component): Pair | null | undefined {
  if (is === was) return null;
  const [one, other] = [apart(is), apart(was)];
  if (is.id !== was.id || one.ends !== other.ends) return undefined;
  const alike = one.rest === other.rest;
  return alike && JSON.stringify(is.when) === JSON.stringify(was.when) ? null : { is, was, alike };
}

/**
 * In what a circuit differs from another.
 * @returns null: it is made of other parts, or joins other nodes, or a device moves by other rules in it
 */
export function differenceOf(is: Netlist, was: Netlist): Difference | null {
  if (is.frequency !== was.frequency) return null;
  if (is.components.length !== was.components.length || is.devices.length !== was.devices.length) return null;
  const parts: Pair[] = [];
  for (const [i, part] of is.components.entries()) {
    const pair = paired(part, was.components[i]!);
    if (pair === undefined) return null;
    if (pair) parts.push(pair);
  }
  const held = new Set<string>();
  for (const [i, { id, behaviour }] of is.devices.entries()) {
    const other = was.devices[i]!;
    if (other.id !== id) return null;
    if (behaviour === other.behaviour || JSON.stringify(behaviour) === JSON.stringify(other.behaviour)) continue;
    if (behaviour.kind !== 'worked') return null;
    held.add(id);
  }
  return { parts, held };
}

/** Whether two circuits conduct the same in given states: what is different of them is open in both, or closed and alike. */
export const sameIn = ({ parts }: Difference, states: States): boolean =>
  parts.every(({ is, was, alike }) => {
    const closed = conducts(is, states);
    if (closed !== conducts(was, states)) return false;
    return closed ? alike : (is.when?.leak ?? 0) === (was.when?.leak ?? 0);
  });
