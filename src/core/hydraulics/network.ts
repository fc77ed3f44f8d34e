import { brentRoot } from '../numeric';
import type { Result } from '../result';
import { runningFlow, standingFlow, surplusOf, weepOf, type Around, type Branch } from './branch';
import type { SharedLine } from './sharedLine';

/** One pump of those running. */
export interface PumpDuty {
  /** Flow that this pump sends into the line, m³/s; below zero: it is pushed back through it. */
  readonly flow: number;
  /** Flow through its weep hole, back into the vessel, m³/s. */
  readonly weep: number;
  /** Flow through the pump: the two together, m³/s. */
  readonly pumpFlow: number;
  /** Head across the pump, m. */
  readonly head: number;
}

interface Duty extends PumpDuty {
  /** Of its head, what lifts the water from its level to where it goes, m. */
  readonly staticHead: number;
  /** Each pump that runs, in their order; flows above are of all together, the head is of the first. */
  readonly pumps: readonly PumpDuty[];
  /** What of their flow comes back through pumps that stand, and is not delivered, m³/s. */
  readonly shortCircuit: number;
}

export type NoDuty =
  /** No pump can lift the water to the outlet at all: static head m against the best shut-off head m. */
  | { readonly reason: 'below-static-head'; readonly needs: number; readonly has: number }
  /** A pump would run past the last point of its curve: together they deliver at least this, m³/s, and how much more is not known. */
  | { readonly reason: 'run-out'; readonly atLeast: number };

/** Where pumps and pipe agree at one water level, or the reason that they do not. */
export type OperatingPoint = Result<Duty, NoDuty>;

/** Pumps with their own pipes, between the water that they draw from and the line that they share. */
export interface Network {
  readonly branches: readonly Branch[];
  readonly line: SharedLine;
  /** Height of the water that pumps draw from, with that in the vessel at `level`, m. */
  suction(level: number): number;
  around(level: number, branch: Branch): Around;
}

/** Pumps that are alike and do the same, and how many there are. */
interface Group {
  readonly branch: Branch;
  readonly runs: boolean;
  readonly members: readonly number[];
}

const BOTH_WAYS = 1e-12;

const flowOf = (net: Network, { branch, runs }: Group, head: number, level: number): number =>
  (runs ? runningFlow : standingFlow)(branch, head, net.around(level, branch));

/** Pumps by what they are and do; of those that stand only such as may let something through. */
function groupsOf(net: Network, running: readonly number[], level: number): Group[] {
  const { branches, line } = net;
  const made = new Map<string, { branch: Branch; runs: boolean; members: number[] }>();
  for (const [i, branch] of branches.entries()) {
    const runs = running.includes(i);
    if (!runs && !branch.open && line.standing(level) >= net.suction(level)) continue;
    const key = `${runs}${branch.key}`;
    const there = made.get(key);
    if (there) there.members.push(i);
    else made.set(key, { branch, runs, members: [i] });
  }
  return [...made.values()];
}

/** The sum that a lone group of running pumps sends on, by one root; null where more than one group takes part. */
function ofOne({ line, around: aroundOf }: Network, groups: readonly Group[], level: number): number | null {
  const [only] = groups;
  if (groups.length !== 1 || !only?.runs || only.branch.open) return null;
  const n = only.members.length;
  const around = aroundOf(level, only.branch);
  const excess = (total: number) => surplusOf(only.branch, total / n, line.headFor(total, level), around);
  const most = n * only.branch.curve.to;
  return excess(most) > 0 ? most : brentRoot(excess, 0, most, 1e-13);
}

const sumOf = (net: Network, groups: readonly Group[], head: number, level: number): number =>
  groups.reduce((sum, g) => sum + g.members.length * flowOf(net, g, head, level), 0);

/** The head at the joint, and what leaves through the line, in a full line: below zero it comes back. */
function balance(
  net: Network,
  groups: readonly Group[],
  level: number,
): { readonly head: number; readonly total: number } {
  const { line } = net;
  const lone = ofOne(net, groups, level);
  if (lone !== null) return { head: line.headFor(lone, level), total: lone };
  const rest = line.standing(level);
  const most = sumOf(net, groups, rest, level);
  if (most > BOTH_WAYS) {
    const total = brentRoot((q) => sumOf(net, groups, line.headFor(q, level), level) - q, 0, most, 1e-13);
    return { head: line.headFor(total, level), total };
  }
  const back = line.headBack(0, level);
  if (most < -BOTH_WAYS && back > -Infinity) {
    const total = -brentRoot((q) => -sumOf(net, groups, line.headBack(q, level), level) - q, 0, -most, 1e-13);
    return { head: line.headBack(-total, level), total };
  }
  // Nothing passes the line: what some pump in and pushes goes back through others, at the head where the two agree.
  const low = Math.min(net.suction(level), rest);
  const open = groups.some((g) => g.branch.open);
  const head = open && most < -BOTH_WAYS ? brentRoot((h) => sumOf(net, groups, h, level), low, rest, 1e-12) : rest;
  return { head, total: 0 };
}

/** The operating point of some running pumps, by their numbers from 0, with the water at `level`. */
export function operatingPoint(net: Network, level: number, running: readonly number[]): OperatingPoint {
  const { branches, line } = net;
  const groups = groupsOf(net, running, level);
  const needs = line.climb(level);
  const suction = net.suction(level);
  const active = running.map((i) => branches[i]!);
  const best = Math.max(...active.map((b) => surplusOf(b, 0, needs, net.around(level, b))));
  if (best <= 0) return { ok: false, reason: 'below-static-head', needs: needs - suction, has: needs - suction + best };
  // Before anything flows the water stands at the crest, if the pumps bring it there through whatever short-circuits them.
  const short = groups.length > 1 && sumOf(net, groups, needs, level) <= 0;
  if (short) {
    const { head } = balance(net, groups, level);
    return { ok: false, reason: 'below-static-head', needs: needs - suction, has: head - suction };
  }
  const { head: joint, total } = balance(net, groups, level);
  const duties = running.map((i, k): PumpDuty => {
    const b = active[k]!;
    const around = net.around(level, b);
    const alone = groups.length === 1 ? total / running.length : runningFlow(b, joint, around);
    const weep = alone > 0 ? weepOf(b, alone, joint, around) : 0;
    const through = alone + weep;
    return {
      flow: alone,
      weep,
      pumpFlow: through,
      head: b.curve.at(Math.min(Math.max(through, b.curve.from), b.curve.to)),
    };
  });
  const sum = (of: (d: PumpDuty) => number) => duties.reduce((s, d) => s + of(d), 0);
  const passing = groups
    .filter((g) => !g.runs)
    .reduce((s, g) => s + g.members.length * flowOf(net, g, joint, level), 0);
  // A pump whose end of curve still has head to spare is past it, whether or not its flow was held there.
  if (!duties.every((d, k) => d.pumpFlow < active[k]!.curve.to * (1 - 1e-12)))
    return {
      ok: false,
      reason: 'run-out',
      atLeast: Math.max(
        duties.reduce((s, d, k) => s + Math.min(d.flow, Math.max(active[k]!.curve.to - d.weep, 0)), 0) + passing,
        0,
      ),
    };
  return {
    ok: true,
    flow: total,
    weep: sum((d) => d.weep),
    pumpFlow: sum((d) => d.pumpFlow),
    head: duties[0]!.head,
    staticHead: line.standing(level) - suction,
    pumps: duties,
    shortCircuit: Math.max(-passing, 0),
  };
}

/** What passes the line at `level` with no pump running, once it is full, m³/s: below zero it comes back. */
export function stillFlow(net: Network, level: number): number {
  const groups = groupsOf(net, [], level);
  return groups.length === 0 ? 0 : balance(net, groups, level).total;
}
