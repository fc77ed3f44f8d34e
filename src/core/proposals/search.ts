import { wayOf, type Way } from '../duties';
import { alarmCalls, brokenRules, reachHolds, type Surroundings, type RuleId } from '../levels';
import { touchCheck, surroundsOf, type TouchCheck } from '../sensing';
import { type Sensor, type SensorRole, ROLE } from '../sensors';
import { depthOf, type Station } from '../station';
import { systemOf } from '../units';
import { BAND_SCORE, type Aim } from './aim';
import { bestFirst } from './bestFirst';
import { bandsOf, type Bands } from './bands';
import { candidatesFor, type Candidate, type Candidates } from './candidates';
import { screenFor, type Band, type Screen } from './screen';

/** What a search goes over: every candidate of every sensor, made once for a station and used for all aims. */
export interface Field {
  readonly station: Station;
  readonly surroundings: Surroundings;
  readonly candidates: ReadonlyMap<string, Candidates>;
  readonly bands: Bands;
  /** What the rules that are required let through before anything is hung, by those rules: worked out once for all aims. */
  readonly prepared: WeakMap<ReadonlySet<RuleId>, Prepared>;
}

/** @param from what hangs there now */
export function fieldOf(station: Station, surroundings: Surroundings, from: readonly Sensor[]): Field {
  const depth = depthOf(station.vessel.shape);
  const { vessel } = surroundings;
  const widest = Math.max(...[...vessel.breaks, depth / 2].map((h) => vessel.widthAt(h)));
  const world = surroundsOf(station);
  const system = systemOf(station.profile);
  const candidates = new Map(
    station.sensors.map((s) => [
      s.id,
      candidatesFor(
        s,
        from.find((f) => f.id === s.id),
        depth,
        widest,
        world,
        system,
      ),
    ]),
  );
  return { station, surroundings, candidates, bands: bandsOf(station, candidates), prepared: new WeakMap() };
}

const emptying = (station: Station) => wayOf(station).direction === 'empty';

/** Roles above and below those that stop and start the first pump, nearest to them first. */
function besideBand({ order }: Way): { above: readonly SensorRole[]; below: readonly SensorRole[] } {
  const band = ['stop', 'pump', 'lead'].map((r) => order.indexOf(r as SensorRole));
  return { above: order.slice(Math.max(...band) + 1), below: order.slice(0, Math.min(...band)).toReversed() };
}

/** One further sensor to be set, in the order in which they stand away from the band. */
interface Further {
  readonly role: SensorRole;
  readonly up: boolean;
  readonly candidates: Candidates;
  /** Its settings by the level at which they act, nearest to the band first: indices, and the levels themselves. */
  readonly order: Uint32Array;
  readonly levels: Float64Array;
}

function furtherOf({ station, candidates }: Field): Further[] {
  const list = (roles: readonly SensorRole[], up: boolean) =>
    roles.flatMap((role): Further[] => {
      const sensor = station.sensors.find((s) => s.role === role);
      if (!sensor) return [];
      const all = candidates.get(sensor.id)!;
      const level = up ? all.rise : all.fall;
      const order = Uint32Array.from(level, (_, i) => i).sort((a, b) => (up ? 1 : -1) * (level[a]! - level[b]!));
      return [{ role, up, candidates: all, order, levels: Float64Array.from(order, (i) => level[i]!) }];
    });
  const { above, below } = besideBand(wayOf(station));
  // What calls pumps is set before the alarm, so that a pump that cannot keep up is seen early.
  return [...list(below, false), ...list(above, true)];
}

/** The highest level at which each further sensor may act whatever is below it: under the overflow, what the screen lets pass of an alarm, and the gaps of those above. */
function ceilings(further: readonly Further[], overflow: number, screen: Screen): number[] {
  let most = overflow - screen.gapToOverflow;
  return further
    .toReversed()
    .map((f) => {
      if (!f.up) return Infinity;
      if (f.role === 'alarm') most = Math.min(most, screen.alarmMost);
      const own = most;
      most -= screen.gap;
      return own;
    })
    .toReversed();
}

/** Answers of costly questions kept by the sensors that they were asked of. */
class Known {
  readonly #fixed = new Map<Candidate, boolean>();
  readonly #mutual = new Map<Candidate, Map<Candidate, boolean>>();
  readonly #ask: (c: Candidate) => boolean;
  readonly #touch: TouchCheck | null;

  constructor(ask: (c: Candidate) => boolean, touch: TouchCheck | null) {
    this.#ask = ask;
    this.#touch = touch;
  }

  /** A sensor can act where it hangs and touches nothing that is fixed. */
  stands(c: Candidate): boolean {
    let known = this.#fixed.get(c);
    if (known === undefined) this.#fixed.set(c, (known = this.#ask(c) && !(this.#touch?.fixed(c.sensor) ?? false)));
    return known;
  }

  apart(a: Candidate, b: Candidate): boolean {
    if (!this.#touch) return true;
    let row = this.#mutual.get(a);
    if (!row) this.#mutual.set(a, (row = new Map()));
    let known = row.get(b);
    if (known === undefined) row.set(b, (known = !this.#touch.mutual(a.sensor, b.sensor)));
    return known;
  }
}

/** All that a search needs beside its aim. */
interface Prepared {
  readonly screen: Screen;
  readonly known: Known;
  readonly further: readonly Further[];
  /** How many pumps run when the last is called, and which further sensor calls it: −1 for the start itself. */
  readonly running: number;
  readonly callsLast: number;
  readonly most: readonly number[];
  /** Bands that the screen lets pass, and the water at the lower and the upper of each stop and start, m³. */
  readonly passed: readonly { readonly index: number; readonly below: number; readonly above: number }[];
}

/** Calls a pump more. */
const callsMore = ({ role }: Further): boolean => ROLE[role].calls !== null;

/** Rounding never puts a mark of the tape out of its place, m. */
const EASE = 1e-9;

function prepare(field: Field, required: ReadonlySet<RuleId>): Prepared {
  const before = field.prepared.get(required);
  if (before) return before;
  const { station, surroundings, bands } = field;
  const screen = screenFor(station, surroundings, required);
  const touch = required.has('swing')
    ? touchCheck(station, surroundings.vessel, required.has('gap') ? station.settings.swingClearance : 0)
    : null;
  const known = new Known((c) => !required.has('reach') || reachHolds(station, surroundings.vessel, c.sensor), touch);
  const further = furtherOf(field);
  const lags = further.filter(callsMore).length;
  const three = alarmCalls(station, lags) && further.some((f) => f.role === 'alarm');
  const callsLast = further.findLastIndex((f) => callsMore(f) || (three && f.role === 'alarm'));
  const most = ceilings(further, station.vessel.overflow, screen);
  const firstUp = further.findIndex((f) => f.up);
  const highest = firstUp < 0 ? station.vessel.overflow - screen.gapToOverflow : most[firstUp]! - screen.gap;
  const passed: { index: number; below: number; above: number }[] = [];
  const { vessel } = surroundings;
  for (let index = 0; index < bands.count; index++) {
    const [stop, lead] = [bands.stop[index]!, bands.lead[index]!];
    const [low, high] = [Math.min(stop, lead), Math.max(stop, lead)];
    if (
      high - low < screen.gap - EASE ||
      high > highest + EASE ||
      !screen.stop(stop) ||
      (callsLast < 0 && !screen.lastCall(lead, 1))
    )
      continue;
    const [below, above] = [vessel.volume(low), vessel.volume(high)];
    if (screen.band({ stop, lead, drawdown: above - below })) passed.push({ index, below, above });
  }
  const made = { screen, known, further, running: lags + (three ? 2 : 1), callsLast, most, passed };
  field.prepared.set(required, made);
  return made;
}

/**
 * The first setting, in the order of an aim, of which every required rule holds; null when there is none on the tape's marks.
 *
 * Stop and start are tried best first; what the screen or a sensor's own reach refuses is passed over; the further sensors are hung one after
 * the other, each clear of those before it; and at the end the rules themselves are asked. Nothing is passed over for any other reason, so
 * where a setting exists it is found.
 */
export function search(field: Field, aim: Aim, required: ReadonlySet<RuleId>): Station | null {
  const { station, surroundings, bands } = field;
  const { screen, known, further, running, callsLast, most, passed } = prepare(field, required);
  const { minimumGap } = station.settings;

  const complete = (chosen: readonly Candidate[]): Station | null => {
    const made: Station = {
      ...station,
      sensors: station.sensors.map((s) => chosen.find((c) => c.sensor.id === s.id)?.sensor ?? s),
    };
    return brokenRules(made, required, surroundings) ? null : made;
  };

  const hang = (index: number, chosen: readonly Candidate[], band: Band, low: number, high: number): Station | null => {
    const next = further[index];
    if (!next) return complete(chosen);
    for (const at of within(
      next,
      aim,
      next.up ? high + screen.gap : -Infinity,
      next.up ? most[index]! : low - screen.gap,
    )) {
      const level = next.levels[at]!;
      if (index === callsLast && !screen.lastCall(level, running)) continue;
      const c = next.candidates.at(next.order[at]!);
      if (!fits(next, c, band, screen, minimumGap, required, emptying(station))) continue;
      if (!known.stands(c) || !chosen.every((b) => known.apart(b, c))) continue;
      const made = hang(index + 1, [...chosen, c], band, next.up ? low : level, next.up ? level : high);
      if (made) return made;
    }
    return null;
  };

  /** Whether each further sensor by itself has a place beside the band: without one, there is no use in hanging the others. */
  const open = (by: readonly Candidate[], band: Band, low: number, high: number) =>
    further.every((next, index) => {
      const above = further.filter((f, i) => f.up && i < index).length;
      const below = further.filter((f, i) => !f.up && i < index).length;
      for (const at of within(
        next,
        'least-stored',
        next.up ? high + screen.gap * (above + 1) : -Infinity,
        next.up ? most[index]! : low - screen.gap * (below + 1),
      )) {
        const c = next.candidates.at(next.order[at]!);
        if (
          fits(next, c, band, screen, minimumGap, required, emptying(station)) &&
          known.stands(c) &&
          by.every((b) => known.apart(b, c))
        )
          return true;
      }
      return false;
    });

  const score = BAND_SCORE[aim];
  const scores = new Float64Array(passed.length);
  passed.forEach(
    ({ index, below, above }, n) =>
      (scores[n] = score({
        below,
        above,
        high: Math.max(bands.stop[index]!, bands.lead[index]!),
        moved: bands.moved[index]!,
      })),
  );
  for (const n of bestFirst(scores)) {
    const { index, below, above } = passed[n]!;
    const by = bands.by(index);
    if (!by.every((c) => known.stands(c)) || (by.length === 2 && !known.apart(by[0]!, by[1]!))) continue;
    const [stop, lead] = [bands.stop[index]!, bands.lead[index]!];
    const band: Band = { stop, lead, drawdown: above - below };
    const [low, high] = [Math.min(stop, lead), Math.max(stop, lead)];
    if (!open(by, band, low, high)) continue;
    const made = hang(0, by, band, low, high);
    if (made) return made;
  }
  return null;
}

/** The settings of a further sensor that act between two levels, in the order in which an aim tries them. */
function* within({ candidates, order, levels, up }: Further, aim: Aim, from: number, to: number): Generator<number> {
  // By level, nearest to the band first: the first that is not short of it, and on while it is not beyond.
  const inside = (i: number) => levels[i]! >= from - EASE && levels[i]! <= to + EASE;
  let first = 0;
  for (let last = levels.length; first < last;) {
    const middle = (first + last) >> 1;
    if (up ? levels[middle]! < from - EASE : levels[middle]! > to + EASE) first = middle + 1;
    else last = middle;
  }
  let end = first;
  while (end < levels.length && inside(end)) end++;
  if (aim !== 'fewest-changes') {
    for (let i = first; i < end; i++) yield i;
    return;
  }
  for (const i of bestFirst(Float64Array.from({ length: end - first }, (_, n) => candidates.moved[order[first + n]!]!)))
    yield first + i;
}

/** What a further sensor is asked before it is hung: only what would fail a rule whatever comes after. */
function fits(
  next: Further,
  c: Candidate,
  band: Band,
  screen: Screen,
  gap: number,
  required: ReadonlySet<RuleId>,
  empties: boolean,
): boolean {
  if (required.has('gap') && empties) {
    if (next.up && c.fall - band.stop < gap - 1e-9) return false;
    if (next.role === 'low' && band.lead - c.rise < gap - 1e-9) return false;
  }
  if (next.role === 'alarm') return screen.alarm(c.rise, band);
  return next.role !== 'cutoff' || screen.cutoff(c.rise);
}
