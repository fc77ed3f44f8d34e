import type { NoDuty, Running } from '../hydraulics';
import { goldenMinimum, integrate } from '../numeric';
import type { Cycle, CycleResult } from './cycleResult';
import type { LevelGeometry } from './geometry';
import { timedCycle, timedWorst } from './timedCycle';

/** Pumps in the order in which one turn calls them. */
type Order = readonly number[];

/** Every order in which pumps are called: one where the first always leads; as many as pumps where they take turns. */
export function ordersOf({ station, hydraulics }: Pick<LevelGeometry, 'station' | 'hydraulics'>): readonly Order[] {
  const all = Array.from({ length: hydraulics.count }, (_, i) => i);
  return station.control.alternates ? all.map((first) => all.map((i) => (first + i) % all.length)) : [all];
}

/** Orders that alike pumps make alike: one is worked out for all. */
type Likes = readonly [Order, ...Order[]];

function turnsOf(context: LevelGeometry): readonly Likes[] {
  const { likeness } = context.hydraulics;
  const made = new Map<string, [Order, ...Order[]]>();
  for (const order of ordersOf(context)) {
    const key = order.map((i) => likeness[i]).join();
    const there = made.get(key);
    if (there) there.push(order);
    else made.set(key, [order]);
  }
  return [...made.values()];
}

/** The first so many of an order: as a number where they are the first of the station, so that what is known of them serves again. */
export const firstOf = (order: Order, running: number): Running => (order[0] === 0 ? running : order.slice(0, running));

type Flow = (level: number) => number;

/** Flow of pumps at levels known to have an operating point, m³/s. */
function flowOf({ hydraulics }: Pick<LevelGeometry, 'hydraulics'>, running: Running): Flow {
  const table = hydraulics.table(running);
  return (level) => {
    const flow = table(level);
    if (flow === null) throw new RangeError(`no operating point at ${level} m`);
    return flow;
  };
}

/** ∫ A dh / |q(h) − Qi| between two levels, s, piece by piece between the breaks of the vessel. */
function passTime(
  { vessel }: LevelGeometry,
  a: number,
  b: number,
  inflow: number,
  flow: Flow,
  tolerance: number,
): number {
  const [low, high] = [Math.min(a, b), Math.max(a, b)];
  const pace = (h: number) => vessel.area(h) / Math.abs(flow(h) - inflow);
  const marks = [low, ...vessel.breaks.filter((h) => h > low && h < high), high];
  return marks.slice(1).reduce((time, upper, i) => time + integrate(pace, marks[i]!, upper, tolerance), 0);
}

/** Time for pumps to bring the level from `from` to `to` against an inflow that they overcome, s. */
export const drawTime = (
  context: LevelGeometry,
  from: number,
  to: number,
  inflow: number,
  running: Running = 1,
  tolerance = 1e-9,
): number => passTime(context, from, to, inflow, flowOf(context, running), tolerance);

/** The same where nobody has seen to it that there is an operating point all the way: flow changes one way with level, so the ends tell. */
export function drawBetween(
  context: LevelGeometry,
  from: number,
  to: number,
  inflow: number,
): { readonly ok: true; readonly time: number } | ({ readonly ok: false } & NoDuty) {
  for (const level of [from, to]) {
    const point = context.hydraulics.at(level, 1);
    if (!point.ok) return point;
  }
  return { ok: true, time: drawTime(context, from, to, inflow) };
}

/**
 * Time from the stop to the start with no pump running, s. What falls back comes in beside the inflow; a line whose end is under the water
 * goes on to empty the pit, down to where air breaks it, and one that fills from below empties the tank again. Infinite where the water never
 * comes to call.
 */
function restTime(context: LevelGeometry, inflow: number, ran: Running, tolerance = 1e-9): number {
  const { hydraulics, stop, lead, drawdown, vessel, station } = context;
  if (!hydraulics.flowsStill(Math.max(stop, lead))) {
    const { volume, time } = hydraulics.drainback(ran, stop);
    if (volume === 0) return drawdown / inflow;
    const meanwhile = inflow + volume / time;
    return meanwhile * time >= drawdown ? drawdown / meanwhile : (drawdown - volume) / inflow;
  }
  const still = (h: number) => hydraulics.still(h);
  if (stop > lead) return passTime(context, lead, stop, inflow, still, tolerance);
  if (still(stop) > inflow) {
    const bottom = Math.max(...station.pumps.map((p) => p.intake));
    // It comes to rest above the intake, or a plain line draws on as fast as water comes.
    if (!hydraulics.siphons || stop <= bottom || still(bottom) <= inflow) return Infinity;
    const falls = passTime(context, bottom, stop, inflow, still, tolerance);
    return falls + (vessel.volume(lead) - vessel.volume(bottom)) / inflow;
  }
  return still(lead) >= inflow ? Infinity : passTime(context, stop, lead, inflow, still, tolerance);
}

/** A way in which the station can cycle: `running` pumps at once, at inflows between two ends. */
interface Regime {
  readonly running: number;
  readonly least: number;
  readonly most: number;
}

/** Why there is no operating point somewhere on the way of an order, or null: flow changes one way with level, so the ends tell. */
function noDutyIn({ hydraulics, stop, calls }: LevelGeometry, order: Order): NoDuty | null {
  for (const [i, call] of calls.entries()) {
    const next = calls[i + 1];
    for (const level of [stop, call, ...(next === undefined ? [] : [next])]) {
      const point = hydraulics.at(level, firstOf(order, i + 1));
      if (!point.ok) return point;
    }
  }
  return null;
}

/**
 * Pump k is called only when k − 1 pumps lose ground all the way to its call, and k pumps end a cycle only where they gain all the way
 * to the stop. Between two regimes the pumps run on without a stop.
 */
function regimesOf(context: LevelGeometry, order: Order): Regime[] {
  const { stop, calls } = context;
  const flows = calls.map((_, i) => flowOf(context, firstOf(order, i + 1)));
  return calls.map((call, i) => ({
    running: i + 1,
    least: i === 0 ? 0 : Math.max(flows[i - 1]!(call), flows[i - 1]!(calls[i - 1]!)),
    most: Math.min(flows[i]!(stop), flows[i]!(call)),
  }));
}

/** A turn at a steady inflow: its two times, and how many pumps run at once. */
interface Turn {
  readonly likes: Likes;
  readonly fill: number;
  readonly run: number;
  readonly running: number;
}

function turnIn(context: LevelGeometry, likes: Likes, running: number, inflow: number, tolerance = 1e-9): Turn {
  const { calls, stop } = context;
  const [order] = likes;
  let run = drawTime(context, calls[running - 1]!, stop, inflow, firstOf(order, running), tolerance);
  for (let k = 1; k < running; k++)
    run += drawTime(context, calls[k - 1]!, calls[k]!, inflow, firstOf(order, k), tolerance);
  return { likes, fill: restTime(context, inflow, firstOf(order, running), tolerance), run, running };
}

/** Time that all turns take, each in its turn, s. */
const roundOf = (turns: readonly Turn[]): number =>
  turns.reduce((sum, t) => sum + t.likes.length * (t.fill + t.run), 0);

/** Starts in an hour of the pump that starts most. */
function startsOf({ hydraulics }: LevelGeometry, turns: readonly Turn[]): number {
  const starts = Array.from({ length: hydraulics.count }, (_, pump) =>
    turns.reduce((sum, t) => sum + t.likes.filter((o) => o.slice(0, t.running).includes(pump)).length, 0),
  );
  return (3600 * Math.max(...starts)) / roundOf(turns);
}

/** What is told of all turns at an inflow. */
function told(context: LevelGeometry, inflow: number, turns: readonly Turn[]): Cycle {
  const shortest = turns.reduce((a, b) => (b.fill + b.run < a.fill + a.run ? b : a));
  const { fill, run, running, likes } = shortest;
  return {
    inflow,
    fill,
    run,
    cycle: fill + run,
    startsPerHour: startsOf(context, turns),
    keepsUp: true,
    pumps: running,
    lead: likes[0][0]!,
  };
}

/**
 * One fill and one run at a steady inflow. The water that drains back after a stop shortens the fill. Where unlike pumps take turns each leads
 * in its own; they keep up only where each of them does.
 * @param inflow above zero, m³/s
 */
export function cycleOf(context: LevelGeometry, inflow: number): CycleResult {
  const timed = timedCycle(context, inflow);
  if (timed) return timed;
  const turns: Turn[] = [];
  for (const likes of turnsOf(context)) {
    const [order] = likes;
    const none = noDutyIn(context, order);
    if (none) return { ok: false, ...none };
    const regimes = regimesOf(context, order);
    const regime = regimes.find((r) => inflow > r.least && inflow < r.most);
    if (regime) turns.push(turnIn(context, likes, regime.running, inflow));
    else {
      const running = regimes.filter((r) => inflow > r.least).at(-1)?.running ?? 1;
      return {
        ok: true,
        inflow,
        fill: restTime(context, inflow, firstOf(order, running)),
        run: Infinity,
        cycle: Infinity,
        startsPerHour: 0,
        keepsUp: false,
        pumps: running,
        lead: order[0]!,
      };
    }
  }
  return { ok: true, ...told(context, inflow, turns) };
}

/**
 * The inflow at which a pump starts most often, and that cycle. In each regime fill time V/Qi and the times ∫ A dh/|Q(h) − Qi|
 * are convex in Qi, so their sum has one valley between its ends; so has the sum over the turns of unlike pumps, between the ends that
 * they share. With one pump of constant flow this is the classical Qi = Q/2, T = 4·V/Q.
 */
export function worstCycle(context: LevelGeometry): CycleResult {
  const timed = timedWorst(context);
  if (timed) return timed;
  const turns = turnsOf(context);
  for (const [order] of turns) {
    const none = noDutyIn(context, order);
    if (none) return { ok: false, ...none };
  }
  const regimes = turns.map(([order]) => regimesOf(context, order).filter((r) => r.least < r.most));
  const ends = [...new Set([...regimes.flat().flatMap((r) => [r.least, r.most]), ...turningPoints(context)])];
  ends.sort((a, b) => a - b);
  const all = ends.slice(1).flatMap((most, i): Cycle[] => {
    const least = ends[i]!;
    const middle = (least + most) / 2;
    const chosen = regimes.map((list) => list.find((r) => middle > r.least && middle < r.most));
    if (!chosen.every((r) => r !== undefined)) return [];
    const at = (q: number, tolerance?: number) =>
      turns.map((likes, k) => turnIn(context, likes, chosen[k]!.running, q, tolerance));
    if (roundOf(at(middle, 1e-3)) === Infinity) return [];
    const { x } = goldenMinimum((q) => roundOf(at(q, 1e-6)), least, most);
    return [told(context, x, at(x))];
  });
  const worst = all.reduce<Cycle | null>((most, c) => (most && most.startsPerHour >= c.startsPerHour ? most : c), null);
  return worst ? { ok: true, ...worst } : cycleOf(context, context.inflow.design);
}

/** Inflows at which a line that flows by itself begins to take all that comes, at one of the levels. */
const turningPoints = ({ hydraulics, stop, lead, station }: LevelGeometry): number[] =>
  hydraulics.flowsStill(Math.max(stop, lead))
    ? [stop, lead, ...station.pumps.map((p) => p.intake)].map((h) => hydraulics.still(h)).filter((q) => q > 0)
    : [];
