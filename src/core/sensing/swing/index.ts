import type { Sensor } from '../../sensors';
import type { Station } from '../../station';
import { vesselOf, type Plan, type Vessel } from '../../vessel';
import { armFor, elevationAt, pointOn, type Arm } from './arm';
import { bodiesOf, fixedBodies, standing, type Body, type SwingPart } from './bodies';
import { dipsBelow, leastOver, type Least, type Sweep } from './least';
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
  /** m; what it cannot be below: less than the clearance where the search was cut short, else the same. */
  readonly atLeast: number;
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

/** The axis of a float's body with the water at `level` and turned by `turn`. */
const axisAt = (a: Arm, level: number, turn: number): [Vec, Vec] => {
  const e = elevationAt(a, level);
  return [pointOn(a, a.near, e, turn), pointOn(a, a.far, e, turn)];
};

const result = (a: Arm, other: SwingPart, name: string, { value, atLeast, x: [level = 0] }: Least): Clearance => ({
  float: a.id,
  other,
  name,
  clearance: value,
  atLeast,
  level,
  lands: level <= a.clip.z - a.arm * (1 - 1e-6),
});

/** Levels over which an arm moves at all, held between the floor and the highest water. */
const range = ({ clip, arm }: Arm, highest: number): [number, number] => [
  Math.min(Math.max(clip.z - arm, 0), highest),
  Math.max(Math.min(clip.z + arm, highest), 0),
];

/** How far the tip of an arm can move while the level goes `half[0]` to either side, and while it is turned by `half[1]` anywhere there, m. */
function moves(a: Arm, level: number, half: number, turn: number): [rises: number, turns: number] {
  const at = elevationAt(a, level);
  const [low, high] = [elevationAt(a, level - half), elevationAt(a, level + half)];
  const flattest = low < 0 && high > 0 ? 1 : Math.max(Math.cos(low), Math.cos(high));
  return [a.reach * Math.max(high - at, at - low), a.reach * flattest * turn];
}

/** Two floats under one water: both stand as its level makes them, each turned to its side by as much as the water likes. */
function floatSweep(a: Arm, b: Arm, highest: number): Sweep {
  const [a0, a1] = range(a, highest);
  const [b0, b1] = range(b, highest);
  return {
    from: [Math.min(a0, b0), -a.side, -b.side],
    to: [Math.max(a1, b1), a.side, b.side],
    value: (x) => segmentDistance(...axisAt(a, x[0]!, x[1]!), ...axisAt(b, x[0]!, x[2]!)) - a.radius - b.radius,
    spread(mid, half) {
      const [aRises, aTurns] = moves(a, mid[0]!, half[0]!, half[1]!);
      const [bRises, bTurns] = moves(b, mid[0]!, half[0]!, half[2]!);
      return [aRises + bRises, aTurns, bTurns];
    },
  };
}

/** Of all turns an arm may take, the one that leads nearest to an azimuth: towards it, as far as the arm turns. */
function turnTo(a: Arm, azimuth: number): number {
  const away = azimuth - a.facing;
  return Math.min(Math.max(Math.atan2(Math.sin(away), Math.cos(away)), -a.side), a.side);
}

/** The turn that leads nearest to an upright axis. */
const towards = (a: Arm, { x, y }: { x: number; y: number }): number =>
  turnTo(a, Math.atan2(x - a.clip.x, y - a.clip.y));

/** A float against something that stands: the level, the place along the float's body, and, where the nearest turn is not known, the turn. */
function bodySweep(a: Arm, body: Body, highest: number): Sweep {
  const [low, high] = range(a, highest);
  const known = body.axis ? towards(a, body.axis) : null;
  const at = (level: number, along: number, turn: number) =>
    body.distance(pointOn(a, along, elevationAt(a, level), turn)) - a.radius;
  return {
    from: known === null ? [low, a.near, -a.side] : [low, a.near],
    to: known === null ? [high, a.far, a.side] : [high, a.far],
    value: (x) => at(x[0]!, x[1]!, known ?? x[2]!),
    spread(mid, half) {
      const [rises, turns] = moves(a, mid[0]!, half[0]!, known === null ? half[2]! : 0);
      return known === null ? [rises, half[1]!, turns] : [rises, half[1]!];
    },
  };
}

/** One wall, or all of a round one: how far a point is from it, and the way in plan (azimuth, radians) that leads straight at it from a clip. */
interface WallSide {
  readonly azimuth: number;
  distance(plan: Plan, p: Vec): number;
}

/** A round wall is nearest straight outwards; of straight walls each is nearest along its own normal. */
function wallSides(a: Arm, plan: Plan): WallSide[] {
  if (plan.kind === 'round') {
    const azimuth = a.clip.x === 0 && a.clip.y === 0 ? a.facing : Math.atan2(a.clip.x, a.clip.y);
    return [
      {
        azimuth,
        distance: (at, p) =>
          (at.kind === 'round' ? at.radius : Math.min(at.length, at.width) / 2) - Math.hypot(p.x, p.y),
      },
    ];
  }
  return [0, 1, 2, 3].map((quarter): WallSide => {
    const [ux, uy] = [Math.round(Math.sin((quarter * Math.PI) / 2)), Math.round(Math.cos((quarter * Math.PI) / 2))];
    return {
      azimuth: (quarter * Math.PI) / 2,
      distance: (at, p) =>
        (at.kind === 'round' ? at.radius : (ux !== 0 ? at.length : at.width) / 2) - ux * p.x - uy * p.y,
    };
  });
}

/** Heights between two breaks of a vessel, a hair inside them: there its plan changes without a step, and narrows towards one end. */
type Stretch = readonly [low: number, high: number];

function stretchAt({ breaks, depth }: Vessel, z: number): Stretch {
  const above = breaks.find((h) => h > z) ?? depth;
  const below = breaks.findLast((h) => h <= z) ?? 0;
  return [below + 1e-9, above - 1e-9];
}

/** Levels at which one end of a body passes a break of the vessel, with the ends of its range. */
function wallLevels(a: Arm, vessel: Vessel, [low, high]: Stretch): number[] {
  if (vessel.straight) return [low, high];
  const passing = vessel.breaks.flatMap((h) =>
    [a.near, a.far].map((along) => a.clip.z + (a.arm * (h - a.clip.z)) / along),
  );
  return [low, ...passing.filter((l) => l > low && l < high).sort((x, y) => x - y), high];
}

/**
 * A float against the wall. Between straight walls the nearest point of a body is one of its ends, at the turn that leads nearest to the wall; where the
 * walls change with height, one sweep for each stretch of levels over which neither end passes a break.
 */
function wallSweeps(a: Arm, vessel: Vessel, highest: number): Sweep[] {
  const levels = wallLevels(a, vessel, range(a, highest));
  return levels.slice(1).flatMap((upper, i): Sweep[] => {
    const lower = levels[i]!;
    const stretches = axisAt(a, (lower + upper) / 2, 0).map((p) => stretchAt(vessel, p.z));
    return wallSides(a, vessel.planAt(stretches[1]![0])).map((side): Sweep => {
      const turn = turnTo(a, side.azimuth);
      const room = (p: Vec, z: number, [from, to]: Stretch) =>
        side.distance(vessel.planAt(vessel.straight ? z : Math.min(Math.max(z, from), to)), p);
      return {
        from: [lower],
        to: [upper],
        value: (x) => Math.min(...axisAt(a, x[0]!, turn).map((p, n) => room(p, p.z, stretches[n]!))) - a.radius,
        spread(mid, half) {
          const [rises] = moves(a, mid[0]!, half[0]!, 0);
          if (vessel.straight) return [rises];
          const narrows = axisAt(a, mid[0]!, turn).map(
            (p, n) =>
              room(p, p.z, stretches[n]!) -
              Math.min(room(p, p.z - rises, stretches[n]!), room(p, p.z + rises, stretches[n]!)),
          );
          return [rises + Math.max(...narrows, 0)];
        },
      };
    });
  });
}

function least(a: Arm, other: SwingPart, name: string, sweeps: readonly Sweep[], care: number): Clearance {
  const found = sweeps.map((s) => leastOver(s, care));
  const closest = found.reduce((l, r) => (r.value < l.value ? r : l));
  return result(a, other, name, { ...closest, atLeast: Math.min(...found.map((f) => f.atLeast)) });
}

/** @param care clearance above which nobody minds, m: the closest is certain below it only */
export const betweenFloats = (a: Arm, b: Arm, highest: number, care: number): Clearance =>
  least(a, `float:${b.id}`, b.id, [floatSweep(a, b, highest)], care);
const fromBody = (a: Arm, body: Body, { highest, care }: Pit): Clearance =>
  least(a, body.part, body.name, [bodySweep(a, body, highest)], care);
const fromWall = (a: Arm, { vessel, highest, care }: Pit): Clearance =>
  least(a, 'wall', 'the wall', wallSweeps(a, vessel, highest), care);

/** Everything of a station that its floats' swing depends on. */
interface Pit {
  readonly arms: readonly Arm[];
  readonly bodies: readonly Body[];
  readonly vessel: Vessel;
  readonly highest: number;
  readonly care: number;
  /** Whether an arm is fixed to the common pole, and so never touches it. */
  onPole(arm: Arm): boolean;
}

function pitOf(station: Station, vessel: Vessel): Pit {
  const onPole = new Set(station.sensors.filter((s) => s.place.from === 'pole').map((s) => s.id));
  return {
    arms: station.sensors.flatMap((s) => armFor(station, s) ?? []).sort((a, b) => (a.id < b.id ? -1 : 1)),
    bodies: bodiesOf(station, vessel.depth),
    vessel,
    highest: station.vessel.overflow,
    care: station.settings.swingClearance,
    onPole: (a) => onPole.has(a.id),
  };
}

/** What an arm hangs on itself, and so does not swing against: its own weight, its own pole. */
const ownBody = ({ onPole }: Pit, a: Arm, body: Body): boolean =>
  body.part === `float:${a.id}` || (body.part === 'pole' && onPole(a));

/** Clearances of one arm to everything that does not swing. */
const fromStanding = (pit: Pit, a: Arm): Clearance[] => [
  ...pit.bodies.filter((b) => !ownBody(pit, a, b)).map((b) => fromBody(a, b, pit)),
  fromWall(a, pit),
];

const closestFirst = (clearances: Clearance[]): Clearance[] => clearances.sort((a, b) => a.clearance - b.clearance);

/**
 * The swing check: each tilt float over its whole swing, as the water goes from the floor to the overflow and pushes it to either
 * side, against every other float, pump, riser, stream, obstacle and the wall.
 */
export function swingOf(station: Station, vessel: Vessel = vesselOf(station.vessel)): Swing {
  const pit = pitOf(station, vessel);
  const { arms, bodies } = pit;
  const clearances = arms.flatMap((a, i) => [
    ...arms.slice(i + 1).map((b) => betweenFloats(a, b, pit.highest, pit.care)),
    ...fromStanding(pit, a),
  ]);
  return { arms, bodies, clearances: closestFirst(clearances) };
}

/** A pair whose clearance is still to be worked out, with what it cannot be less than: the reach of the arms against the distance of their clips. */
interface Pair {
  readonly atLeast: number;
  find(): Clearance;
}

const apart = (p: Vec, q: Vec) => Math.hypot(p.x - q.x, p.y - q.y, p.z - q.z);

/** The closest of all pairs of the swing check; those that cannot be closer than the closest known are not worked out. Null when nothing swings. */
export function leastClearance(station: Station, vessel: Vessel = vesselOf(station.vessel)): Clearance | null {
  const pit = pitOf(station, vessel);
  const { arms, bodies } = pit;
  const pairs = arms.flatMap((a, i): Pair[] => [
    ...arms.slice(i + 1).map((b) => ({
      atLeast: apart(a.clip, b.clip) - a.reach - b.reach,
      find: () => betweenFloats(a, b, pit.highest, pit.care),
    })),
    ...bodies
      .filter((b) => !ownBody(pit, a, b))
      .map((b) => ({ atLeast: b.distance(a.clip) - a.reach, find: () => fromBody(a, b, pit) })),
    { atLeast: -Infinity, find: () => fromWall(a, pit) },
  ]);
  return pairs
    .sort((p, q) => p.atLeast - q.atLeast)
    .reduce<Clearance | null>((least, pair) => {
      if (least && pair.atLeast >= least.clearance) return least;
      const found = pair.find();
      return least && least.clearance <= found.clearance ? least : found;
    }, null);
}

/** Asks of pairs whether they touch, where floats are tried at many settings: what is fixed is made once. */
export interface TouchCheck {
  /** True when a sensor touches the wall, a pump, a pipe or anything else that is not a sensor. */
  fixed(sensor: Sensor): boolean;
  /** True when two sensors touch each other. */
  mutual(a: Sensor, b: Sensor): boolean;
}

/** @param room what must stay between, m: none for touching alone */
export function touchCheck(station: Station, vessel: Vessel, room: number): TouchCheck {
  const highest = station.vessel.overflow;
  const bodies = fixedBodies(station, vessel.depth);
  const arms = new WeakMap<Sensor, Arm | null>();
  const arm = (s: Sensor): Arm | null => {
    let known = arms.get(s);
    if (known === undefined) arms.set(s, (known = armFor(station, s)));
    return known;
  };
  // Two floats whose whole swing lies between the floor and the highest water touch or not by how they are hung to each other, wherever.
  const whole = ({ clip, arm: length }: Arm) => clip.z - length >= 0 && clip.z + length <= highest;
  const known = new Map<string, boolean>();
  const touch = (a: Arm, b: Arm): boolean => {
    if (apart(a.clip, b.clip) - a.reach - b.reach >= room) return false;
    if (!whole(a) || !whole(b)) return dipsBelow(floatSweep(a, b, highest), room);
    const key = `${a.id} ${a.reach} ${b.id} ${b.reach} ${Math.round((a.clip.z - b.clip.z) * 1e7)}`;
    let found = known.get(key);
    if (found === undefined) known.set(key, (found = dipsBelow(floatSweep(a, b, highest), room)));
    return found;
  };
  const near = (a: Arm, body: Body) =>
    body.distance(a.clip) - a.reach < room && dipsBelow(bodySweep(a, body, highest), room);
  /** A float against what another sensor puts in its way, likewise. */
  const nearOther = (a: Arm, body: Body): boolean => {
    if (body.distance(a.clip) - a.reach >= room) return false;
    if (!whole(a)) return dipsBelow(bodySweep(a, body, highest), room);
    const [from, to] = [body.from, body.to].map((z) => Math.round((z - a.clip.z) * 1e7));
    const key = `${a.id} ${a.reach} ${body.part} ${body.name} ${from} ${to}`;
    let found = known.get(key);
    if (found === undefined) known.set(key, (found = dipsBelow(bodySweep(a, body, highest), room)));
    return found;
  };
  return {
    fixed(sensor) {
      const a = arm(sensor);
      if (!a) return false;
      const own = (b: Body) => b.part === 'pole' && sensor.place.from === 'pole';
      return (
        bodies.some((b) => !own(b) && near(a, b)) || wallSweeps(a, vessel, highest).some((s) => dipsBelow(s, room))
      );
    },
    mutual(first, second) {
      const [a, b] = [arm(first), arm(second)];
      if (a && b && touch(a, b)) return true;
      return (
        (a !== null && standing(station, second).some((body) => nearOther(a, body))) ||
        (b !== null && standing(station, first).some((body) => nearOther(b, body)))
      );
    },
  };
}

/** The clearances that one float has to everything else, closest first; none for what does not swing. */
export function clearancesOf(station: Station, id: string, vessel: Vessel = vesselOf(station.vessel)): Clearance[] {
  const pit = pitOf(station, vessel);
  const own = pit.arms.find((a) => a.id === id);
  if (!own) return [];
  return closestFirst([
    ...pit.arms.filter((a) => a !== own).map((b) => betweenFloats(own, b, pit.highest, pit.care)),
    ...fromStanding(pit, own),
  ]);
}

const FACINGS = 24;

/** The way that gives a float most room, of 24 evenly round, all else left as it is; and that room, m. */
export function bestFacing(
  station: Station,
  id: string,
  vessel: Vessel = vesselOf(station.vessel),
): { facing: number; clearance: number } {
  const facings = Array.from({ length: FACINGS }, (_, i) => (360 / FACINGS) * i);
  const room = facings.map((facing) => {
    const sensors = station.sensors.map((s) =>
      s.id === id
        ? { ...s, place: s.place.from === 'pole' ? { ...s.place, bearing: facing } : { ...s.place, facing } }
        : s,
    );
    return { facing, clearance: clearancesOf({ ...station, sensors }, id, vessel)[0]?.clearance ?? Infinity };
  });
  return room.reduce((best, r) => (r.clearance > best.clearance ? r : best));
}
