import { goldenMinimum } from '../../numeric';
import type { Station } from '../../station';
import { vesselOf, type Plan, type Vessel } from '../../vessel';
import { armFor, elevationAt, pointOn, type Arm } from './arm';
import { bodiesOf, type Body, type SwingPart } from './bodies';
import { leastOver } from './least';
import { segmentDistance, type Vec } from './vector';

export type { BodyPlan, SwingPart } from './bodies';

/** The least room that a float keeps from something else over its whole swing. */
export interface Clearance {
  readonly float: string;
  readonly other: SwingPart;
  /** What the other is, in words. */
  readonly name: string;
  /** m; negative when they would have to pass through each other. */
  readonly clearance: number;
  /** Where the water stands when they are closest, m above the floor. */
  readonly level: number;
  /** True when it happens with the float hanging, as the water drops: it lands on the other. */
  readonly lands: boolean;
}

export interface Swing {
  readonly arms: readonly Arm[];
  readonly bodies: readonly Body[];
  /** Closest first. */
  readonly clearances: readonly Clearance[];
}

const LEVELS = 19;
const TURNS = 5;

/** The axis of a float's body with the water at `level` and turned by `turn`. */
const axisAt = (a: Arm, level: number, turn: number): [Vec, Vec] => {
  const e = elevationAt(a, level);
  return [pointOn(a, a.near, e, turn), pointOn(a, a.far, e, turn)];
};

const result = (a: Arm, other: SwingPart, name: string, clearance: number, level: number): Clearance => ({ float: a.id, other, name, clearance, level, lands: level <= a.clip.z - a.arm * (1 - 1e-6) });

/** Levels over which an arm moves at all, held between the floor and the highest water. */
const range = ({ clip, arm }: Arm, highest: number): [number, number] => [Math.min(Math.max(clip.z - arm, 0), highest), Math.max(Math.min(clip.z + arm, highest), 0)];

/** Two floats under one water: both stand as its level makes them, each turned to its side by as much as the water likes. */
export function betweenFloats(a: Arm, b: Arm, highest: number): Clearance {
  const [a0, a1] = range(a, highest);
  const [b0, b1] = range(b, highest);
  const gap = (x: readonly number[]) => segmentDistance(...axisAt(a, x[0]!, x[1]!), ...axisAt(b, x[0]!, x[2]!)) - a.radius - b.radius;
  const least = leastOver(gap, [Math.min(a0, b0), -a.side, -b.side], [Math.max(a1, b1), a.side, b.side], [LEVELS, TURNS, TURNS]);
  return result(a, `float:${b.id}`, b.id, least.value, least.x[0]!);
}

/** Least distance of a body from the axis of a float: along a straight line it is convex, so a golden section finds it. */
function fromAxis(body: Body, [p, q]: [Vec, Vec]): number {
  const at = (t: number) => body.distance({ x: p.x + (q.x - p.x) * t, y: p.y + (q.y - p.y) * t, z: p.z + (q.z - p.z) * t });
  if (p.x === q.x && p.y === q.y && p.z === q.z) return at(0);
  return Math.min(at(0), at(1), goldenMinimum(at, 0, 1, 1e-4).value);
}

/** Of all turns an arm may take, the one that leads nearest to an upright axis: towards it, as far as the arm turns. */
function towards(a: Arm, { x, y }: { x: number; y: number }): number {
  const away = Math.atan2(x - a.clip.x, y - a.clip.y) - a.facing;
  const turn = Math.atan2(Math.sin(away), Math.cos(away));
  return Math.min(Math.max(turn, -a.side), a.side);
}

function fromBody(a: Arm, body: Body, highest: number): Clearance {
  const [low, high] = range(a, highest);
  const gap = (level: number, turn: number) => fromAxis(body, axisAt(a, level, turn)) - a.radius;
  const least = body.axis
    ? ((turn) => leastOver((x) => gap(x[0]!, turn), [low], [high], [LEVELS]))(towards(a, body.axis))
    : leastOver((x) => gap(x[0]!, x[1]!), [low, -a.side], [high, a.side], [LEVELS, TURNS]);
  return result(a, body.part, body.name, least.value, least.x[0]!);
}

const toWall = (plan: Plan, p: Vec): number => (plan.kind === 'round' ? plan.radius - Math.hypot(p.x, p.y) : Math.min(plan.length / 2 - Math.abs(p.x), plan.width / 2 - Math.abs(p.y)));

/** Between straight walls the nearest point of a body is one of its ends. */
function fromWall(a: Arm, vessel: Vessel, highest: number): Clearance {
  const [low, high] = range(a, highest);
  const gap = (x: readonly number[]) => Math.min(...axisAt(a, x[0]!, x[1]!).map((p) => toWall(vessel.planAt(p.z), p))) - a.radius;
  const least = leastOver(gap, [low, -a.side], [high, a.side], [LEVELS, TURNS]);
  return result(a, 'wall', 'the wall', least.value, least.x[0]!);
}

/** Everything of a station that its floats' swing depends on. */
interface Pit {
  readonly arms: readonly Arm[];
  readonly bodies: readonly Body[];
  readonly vessel: Vessel;
  readonly highest: number;
  /** Whether an arm is fixed to the common pole, and so never touches it. */
  onPole(arm: Arm): boolean;
}

function pitOf(station: Station, vessel: Vessel): Pit {
  const onPole = new Set(station.sensors.filter((s) => s.place.from === 'pole').map((s) => s.id));
  return {
    arms: station.sensors.flatMap((s) => (s.kind === 'tilt' ? [armFor(station, s)] : [])).sort((a, b) => (a.id < b.id ? -1 : 1)),
    bodies: bodiesOf(station, vessel.depth),
    vessel,
    highest: station.vessel.overflow,
    onPole: (a) => onPole.has(a.id),
  };
}

/** Clearances of one arm to everything that does not swing. */
function fromStanding({ bodies, vessel, highest, onPole }: Pit, a: Arm): Clearance[] {
  const own = (body: Body) => body.part === `float:${a.id}` || (body.part === 'pole' && onPole(a));
  return [...bodies.filter((b) => !own(b)).map((b) => fromBody(a, b, highest)), fromWall(a, vessel, highest)];
}

const closestFirst = (clearances: Clearance[]): Clearance[] => clearances.sort((a, b) => a.clearance - b.clearance);

/**
 * The swing check: each tilt float over its whole swing, as the water goes from the floor to the overflow and pushes it to either
 * side, against every other float, pump, riser, stream, obstacle and the wall.
 */
export function swingOf(station: Station, vessel: Vessel = vesselOf(station.vessel)): Swing {
  const pit = pitOf(station, vessel);
  const { arms, bodies, highest } = pit;
  const clearances = arms.flatMap((a, i) => [...arms.slice(i + 1).map((b) => betweenFloats(a, b, highest)), ...fromStanding(pit, a)]);
  return { arms, bodies, clearances: closestFirst(clearances) };
}

/** The clearances that one float has to everything else, closest first; none for what does not swing. */
export function clearancesOf(station: Station, id: string, vessel: Vessel = vesselOf(station.vessel)): Clearance[] {
  const pit = pitOf(station, vessel);
  const own = pit.arms.find((a) => a.id === id);
  if (!own) return [];
  return closestFirst([...pit.arms.filter((a) => a !== own).map((b) => betweenFloats(own, b, pit.highest)), ...fromStanding(pit, own)]);
}

const FACINGS = 24;

/** The way that gives a float most room, of 24 evenly round, all else left as it is; and that room, m. */
export function bestFacing(station: Station, id: string, vessel: Vessel = vesselOf(station.vessel)): { facing: number; clearance: number } {
  const facings = Array.from({ length: FACINGS }, (_, i) => (360 / FACINGS) * i);
  const room = facings.map((facing) => {
    const sensors = station.sensors.map((s) => (s.id === id ? { ...s, place: s.place.from === 'pole' ? { ...s.place, bearing: facing } : { ...s.place, facing } } : s));
    return { facing, clearance: clearancesOf({ ...station, sensors }, id, vessel)[0]?.clearance ?? Infinity };
  });
  return room.reduce((best, r) => (r.clearance > best.clearance ? r : best));
}
