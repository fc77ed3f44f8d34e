import { traitsOf } from '../duties';
import { hydraulicsOf, powerOf, type Disorder, type Hydraulics } from '../hydraulics';
import type { Pump, Station } from '../station';
import type { Vessel } from '../vessel';

/** What a set of pumps delivers against the water stored: straight lines between volumes, m³ and m³/s. */
export interface Delivery {
  readonly volumes: Float64Array;
  readonly flows: Float64Array;
  /** Electrical input of a pump of the set, by number from 0, with so much water stored, W. */
  watts(pump: number, volume: number): number;
  /** Somewhere the pumps run past their curves, or cannot lift: there the flow is the least known, or none. */
  readonly unsure: boolean;
}

/** Cells of the table: with straight lines between, flows are true to a few parts in 100 000. */
const CELLS = 160;
/** Cells of the table of power. */
const POWERS = 16;

const NOTHING = (top: number): Delivery => ({
  volumes: Float64Array.of(0, top),
  flows: Float64Array.of(0, 0),
  watts: () => 0,
  unsure: false,
});

/** What flows between the floor and a volume, m³, by itself, with no pump running: through a line that is full, or only where the water stands over its crest. */
function stillOf({ hydraulics, station }: Source, vessel: Vessel, top: number, full: boolean): Delivery {
  if (!hydraulics.flowsStill(vessel.height(top))) return NOTHING(top);
  const { mover } = traitsOf(station);
  const inVessel = mover.kind === 'pump' && mover.stands === 'in-vessel';
  const foot = inVessel ? vessel.volume(Math.max(...station.pumps.map((p) => p.intake))) : 0;
  const flows = (v: number): number => {
    const level = vessel.height(v);
    return full || level > hydraulics.crest || !hydraulics.siphons ? hydraulics.still(level) : 0;
  };
  const volumes = volumesTo(vessel, top);
  // At the intake air comes in: what flowed ends there, within a hair of water.
  const edge = full && hydraulics.siphons ? [] : [foot, foot * (1 + 1e-9)].filter((v) => v > 0 && v < top);
  const all = [...new Set([...volumes, ...edge])].sort((a, b) => a - b);
  return {
    volumes: Float64Array.from(all),
    flows: Float64Array.from(all, (v) => (v <= foot && edge.length > 0 ? 0 : flows(v))),
    watts: () => 0,
    unsure: false,
  };
}

const volumesTo = (vessel: Vessel, top: number): number[] =>
  [
    ...new Set([
      ...Array.from({ length: CELLS + 1 }, (_, i) => (top * i) / CELLS),
      ...vessel.breaks.map((h) => vessel.volume(h)).filter((v) => v > 0 && v < top),
    ]),
  ].sort((a, b) => a - b);

/** A station and its hydraulics. */
interface Source {
  readonly station: Station;
  readonly hydraulics: Hydraulics;
}

/** Delivery of a set of pumps (by number from 0) between the floor and a volume, m³. */
function deliveryOf({ hydraulics, station }: Source, vessel: Vessel, set: readonly number[], top: number): Delivery {
  let unsure = false;
  const at = (level: number): number => {
    const flow = hydraulics.flowAt(level, set);
    if (flow !== null) return flow;
    unsure = true;
    const point = hydraulics.at(level, set);
    return point.ok ? point.flow : point.reason === 'run-out' ? point.atLeast : 0;
  };
  const volumes = volumesTo(vessel, top);
  const flows = volumes.map((v) => at(vessel.height(v)));
  // Power changes little with level: a coarse table of it, made when it is first asked for.
  const powers = new Map<number, readonly number[]>();
  const powersOf = (pump: number): readonly number[] => {
    const there = powers.get(pump);
    if (there) return there;
    const of = powerOf(station.pumps[pump]!, station.supply);
    const made = Array.from({ length: POWERS + 1 }, (_, i) => {
      const point = hydraulics.at(vessel.height((top * i) / POWERS), set);
      const duty = point.ok ? point.pumps[set.indexOf(pump)] : undefined;
      if (duty) return of(duty.pumpFlow);
      return of(!point.ok && point.reason === 'run-out' ? station.pumps[pump]!.curve.at(-1)!.flow : 0);
    });
    powers.set(pump, made);
    return made;
  };
  return {
    volumes: Float64Array.from(volumes),
    flows: Float64Array.from(flows),
    watts(pump, volume) {
      const table = powersOf(pump);
      const place = Math.min(Math.max((volume / top) * POWERS, 0), POWERS);
      const i = Math.min(Math.floor(place), POWERS - 1);
      return table[i]! + (table[i + 1]! - table[i]!) * (place - i);
    },
    unsure,
  };
}

/** In a set of pumps the bits from here on say which of them turn backwards; this one, with no pump in it, that a siphon is full. */
const BACKWARDS = 8;
const FULL = 1 << 16;

/** A set of pumps, as bits, and which of them turn backwards, as one number; with none of them, whether the line stands full. */
export const setOf = (pumps: number, backwards: number, full = false): number =>
  pumps === 0 ? (full ? FULL : 0) : pumps | ((backwards & pumps) << BACKWARDS);

/** What a centrifugal pump still gives when it turns backwards, by flow and by head: assumed, it differs much by the impeller. */
const REVERSED = { flow: 0.5, head: 0.6 } as const;

const reversed = (pump: Pump): Pump => ({
  ...pump,
  curve: pump.curve.map((c) => ({ flow: c.flow * REVERSED.flow, head: c.head * REVERSED.head })),
});

/** Deliveries of every set of pumps, each made when it is first asked for. `set` is made by `setOf`, the first pump the lowest bit. */
export function deliveries(
  station: Station,
  vessel: Vessel,
  top: number,
  disorder: Disorder = {},
  hydraulics: Hydraulics = hydraulicsOf(station, disorder),
): (set: number) => Delivery {
  const made = new Map<number, Delivery>();
  const sources = new Map<number, Source>([[0, { station, hydraulics }]]);
  const sourceOf = (back: number): Source => {
    const there = sources.get(back);
    if (there) return there;
    const turned = { ...station, pumps: station.pumps.map((p, i) => (back & (1 << i) ? reversed(p) : p)) };
    const source = { station: turned, hydraulics: hydraulicsOf(turned, disorder) };
    sources.set(back, source);
    return source;
  };
  return (set) => {
    const known = made.get(set);
    if (known) return known;
    const pumps = station.pumps.map((_, i) => i).filter((i) => set & (1 << i));
    const delivery =
      pumps.length === 0
        ? stillOf({ station, hydraulics }, vessel, top, set === FULL)
        : deliveryOf(sourceOf(set >> BACKWARDS), vessel, pumps, top);
    made.set(set, delivery);
    return delivery;
  };
}

/** Water that moves between two volumes under a steady inflow. Volumes m³, flows m³/s. */
export interface Flowing {
  delivery: Pick<Delivery, 'volumes' | 'flows'>;
  volume: number;
  inflow: number;
  /** 1 where inflow fills and pumps empty, −1 where pumps fill. */
  sense: 1 | -1;
  low: number;
  high: number;
  /** s at most */
  most: number;
}

export interface Moved {
  /** s that passed */
  readonly time: number;
  readonly volume: number;
  /** What the pumps moved, m³. */
  readonly pumped: number;
}

/** A rest that is nearer than this share of the way is taken for reached: it would be reached only at the end of all time. */
const NEAR = 1e-12;

/**
 * Water stored under a steady inflow and a delivery: dV/dt = s·(I − q(V)), q a straight line over each cell, so that
 * V(t) = V* + (V − V*)·e^(−sβt) there, exactly. Goes on until V meets `low` or `high`, or `most` seconds have passed.
 */
export function flowOn({ delivery, volume, inflow, sense, low, high, most }: Flowing): Moved {
  const { volumes, flows } = delivery;
  let [v, time, pumped] = [volume, 0, 0];
  const last = volumes.length - 2;
  const guess = volumes[1]! > 0 ? Math.floor((v / volumes.at(-1)!) * (last + 1)) : 0;
  let cell = Math.min(Math.max(guess, 0), last);
  while (cell < last && volumes[cell + 1]! < v) cell++;
  while (cell > 0 && volumes[cell]! > v) cell--;
  for (;;) {
    const [v0, v1] = [volumes[cell]!, volumes[cell + 1]!];
    const beta = (flows[cell + 1]! - flows[cell]!) / (v1 - v0);
    const q = flows[cell]! + beta * (v - v0);
    const rate = sense * (inflow - q);
    if (rate === 0) return { time: most, volume: v, pumped: pumped + q * (most - time) };
    const up = rate > 0;
    // At an edge of two cells the way leads into the next.
    if (up && v >= v1 && cell < last) {
      cell++;
      continue;
    }
    if (!up && v <= v0 && cell > 0) {
      cell--;
      continue;
    }
    const end = up ? Math.min(high, cell < last ? v1 : Infinity) : Math.max(low, cell > 0 ? v0 : -Infinity);
    const decay = sense * beta;
    const left = most - time;
    // Time to the end of this cell: −ln((end − V*)/(v − V*))/β, as log1p of the share of the way to rest; infinite where the rest is before it.
    const share = (decay * (end - v)) / rate;
    const reach =
      Math.abs(share) < 1e-9
        ? ((end - v) / rate) * (1 + share / 2)
        : share >= 1 - NEAR
          ? Infinity
          : -Math.log1p(-share) / decay;
    const step = Math.min(reach, left);
    const gone = decay * step;
    // ∫e^(−sβt) dt over the step, s.
    const fading = Math.abs(gone) < 1e-9 ? step * (1 - gone / 2) : -Math.expm1(-gone) / decay;
    const gets = v + rate * fading;
    const next = reach <= left ? end : up ? Math.min(gets, end) : Math.max(gets, end);
    // ∫q dt, from the law of the cell and not from the water’s balance: the balance is then a check.
    pumped += inflow * step - (inflow - q) * fading;
    v = next;
    time += step;
    if (reach > left || v === low || v === high) return { time: reach > left ? most : time, volume: v, pumped };
  }
}
