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
  return { station, surroundings, candidates, prepared: new WeakMap() };
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
  /** Bands that leave room for what is hung beside them, and the water at the lower and the upper of each stop and start, m³. */
  readonly bands: Bands;
  readonly below: Float64Array;
  readonly above: Float64Array;
  /** Whether the screen lets a band pass, by its place in those lists: asked when it is tried, and once for all aims. */
  passes(n: number): boolean;
  readonly chain: Chain;
  /** A band of those lists. */
  band(n: number): Band;
}

/** Calls a pump more. */
const callsMore = ({ role }: Further): boolean => ROLE[role].calls !== null;

/** Rounding never puts a mark of the tape out of its place, m. */
const EASE = 1e-9;

function prepare(field: Field, required: ReadonlySet<RuleId>): Prepared {
  const before = field.prepared.get(required);
  if (before) return before;
  const { station, surroundings } = field;
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
  const { vessel } = surroundings;
  const way = wayOf(station);
  const bands = bandsOf(station, field.candidates, {
    gap: screen.gap,
    highest,
    may: (side, of, i) => (side === 'lead' || screen.stop(of[way.stops][i]!)) && known.stands(of.at(i)),
  });
  const volumes = (of: typeof Math.min) =>
    Float64Array.from({ length: bands.count }, (_, n) => vessel.volume(of(bands.stop[n]!, bands.lead[n]!)));
  const [below, above] = [volumes(Math.min), volumes(Math.max)];
  const band = (n: number): Band => ({ stop: bands.stop[n]!, lead: bands.lead[n]!, drawdown: above[n]! - below[n]! });
  const verdicts = new Int8Array(bands.count);
  const ask = (n: number) => {
    const b = band(n);
    return (callsLast >= 0 || screen.lastCall(b.lead, 1)) && screen.band(b);
  };
  const made: Prepared = {
    ...{ screen, known, further, most, bands, below, above, band, callsLast },
    chain: chainOf({ screen, known, further, most }),
    running: lags + (three ? 2 : 1),
    passes: (n) => (verdicts[n] ||= ask(n) ? 1 : -1) > 0,
  };
  field.prepared.set(required, made);
  return made;
}

/**
 * Whether the sensors over one can each find a place clear of the two below it: without that, no more is tried with these two. Floats that
 * face the same way are often every second one, which is why it looks two back. Asked of two settings once, however many bands share them.
 */
type Chain = (from: number, under: Candidate | null, below: Candidate, level: number) => boolean;

function chainOf({ further, known, most, screen }: Pick<Prepared, 'further' | 'known' | 'most' | 'screen'>): Chain {
  const chains = new Map<Candidate | null, Map<Candidate, boolean>>();
  const chain: Chain = (from: number, under: Candidate | null, below: Candidate, level: number): boolean => {
    const index = further.findIndex((f, i) => f.up && i >= from);
    if (index < 0) return true;
    let row = chains.get(under);
    if (!row) chains.set(under, (row = new Map()));
    let found = row.get(below);
    if (found === undefined) {
      const next = further[index]!;
      const [first, end] = between(next, level + screen.gap, most[index]!);
      found = false;
      for (let at = first; at < end && !found; at++) {
        const c = next.candidates.at(next.order[at]!);
        found =
          known.stands(c) &&
          known.apart(below, c) &&
          (!under || known.apart(under, c)) &&
          chain(index + 1, below, c, next.levels[at]!);
      }
      row.set(below, found);
    }
    return found;
  };
  return chain;
}

/** What an aim wants small, of every band. */
function ranks({ bands: { stop, lead, moved }, below, above }: Prepared, aim: Aim): Float64Array {
  const score = BAND_SCORE[aim];
  return Float64Array.from(below, (b, n) =>
    score({ below: b, above: above[n]!, high: Math.max(stop[n]!, lead[n]!), moved: moved[n]! }),
  );
}

/**
 * The first setting, in the order of an aim, of which every required rule holds; null when there is none on the tape's marks.
 *
 * Stop and start are tried best first; what the screen or a sensor's own reach refuses is passed over; the further sensors are hung one after
 * the other, each clear of those before it; and at the end the rules themselves are asked. Nothing is passed over for any other reason, so
 * where a setting exists it is found.
 */
export function search(field: Field, aim: Aim, required: ReadonlySet<RuleId>): Station | null {
  const { station, surroundings } = field;
  const prepared = prepare(field, required);
  const { screen, known, further, running, callsLast, most, chain, bands } = prepared;
  const { minimumGap } = station.settings;
  const empties = emptying(station);

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
      if (!fits(next, c, band, screen, minimumGap, required, empties)) continue;
      if (!known.stands(c) || !chosen.every((b) => known.apart(b, c))) continue;
      const hung = [...chosen, c];
      const [bottom, top] = [next.up ? low : level, next.up ? level : high];
      if ((next.up && !chain(index + 1, chosen.at(-1)!, c, level)) || !open(index + 1, hung, band, bottom, top))
        continue;
      const made = hang(index + 1, hung, band, bottom, top);
      if (made) return made;
    }
    return null;
  };

  /** Whether each sensor that is still to be hung has a place by itself beside those that hang: without one, there is no use in hanging the others. */
  const open = (from: number, hung: readonly Candidate[], band: Band, low: number, high: number): boolean => {
    let [above, below] = [0, 0];
    for (let index = from; index < further.length; index++) {
      const next = further[index]!;
      const least = next.up ? high + screen.gap * (above + 1) : -Infinity;
      const greatest = next.up ? most[index]! : low - screen.gap * (below + 1);
      if (!hasPlace(next, hung, band, least, greatest)) return false;
      if (next.up) above++;
      else below++;
    }
    return true;
  };
  const hasPlace = (next: Further, hung: readonly Candidate[], band: Band, from: number, to: number): boolean => {
    const [first, end] = between(next, from, to);
    for (let at = first; at < end; at++) {
      const c = next.candidates.at(next.order[at]!);
      if (
        fits(next, c, band, screen, minimumGap, required, empties) &&
        known.stands(c) &&
        hung.every((b) => known.apart(b, c))
      )
        return true;
    }
    return false;
  };

  for (const n of bestFirst(ranks(prepared, aim))) {
    if (!prepared.passes(n)) continue;
    const band = prepared.band(n);
    const by = bands.by(n);
    if (!by.every((c) => known.stands(c)) || (by.length === 2 && !known.apart(by[0]!, by[1]!))) continue;
    const [low, high] = [Math.min(band.stop, band.lead), Math.max(band.stop, band.lead)];
    const upper = by[by.length > 1 && empties ? 1 : 0]!;
    if (!chain(0, null, upper, high) || !open(0, by, band, low, high)) continue;
    const made = hang(0, by, band, low, high);
    if (made) return made;
  }
  return null;
}

/** The settings of a further sensor that act between two levels, by level, nearest to the band first: from which, and up to which. */
function between({ levels, up }: Further, from: number, to: number): [first: number, end: number] {
  let first = 0;
  for (let last = levels.length; first < last;) {
    const middle = (first + last) >> 1;
    if (up ? levels[middle]! < from - EASE : levels[middle]! > to + EASE) first = middle + 1;
    else last = middle;
  }
  let end = first;
  while (end < levels.length && levels[end]! >= from - EASE && levels[end]! <= to + EASE) end++;
  return [first, end];
}

/** Those settings in the order in which an aim tries them. */
function* within(next: Further, aim: Aim, from: number, to: number): Generator<number> {
  const [first, end] = between(next, from, to);
  if (aim !== 'fewest-changes') {
    for (let i = first; i < end; i++) yield i;
    return;
  }
  const { candidates, order } = next;
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
