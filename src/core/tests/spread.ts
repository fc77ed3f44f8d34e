import type { LevelGeometry } from '../levels';

/** How far what is measured may lie from what the model says, by where it comes from. Shares, m and s. */
export const SPREAD = {
  /** A trip found with a tape against moving water, m. */
  trip: 0.03,
  /** A clip set with a tape, and still water read with one, m. */
  clip: 0.01,
  tape: 0.005,
  /** The area of the vessel, as surveyed. */
  area: 0.05,
  /** Water counted by bucket or meter; a hose’s flow as it was once measured. */
  bucket: 0.05,
  hose: 0.1,
  /** The pump’s curve and the pipe’s friction together. */
  curve: 0.1,
  /** A watch in the hand, s. */
  watch: 1,
  /** Supply voltage against nominal. */
  supply: 0.1,
  /** Motor current over its nameplate; at a flow, by its maker’s power curve, and by one that is assumed. */
  plate: 0.05,
  power: 0.1,
  assumedPower: 0.25,
} as const;

/** A share, and what of it is the greatest part. */
export interface Spread {
  readonly share: number;
  readonly mostly: string;
}

/** Independent errors together, as the root of the sum of their squares. (JCGM 100:2008, 5.1.2) */
function together(parts: Readonly<Record<string, number>>): Spread {
  const all = Object.entries(parts);
  const greatest = all.reduce((a, b) => (b[1] > a[1] ? b : a));
  return { share: Math.hypot(...all.map(([, s]) => s)), mostly: greatest[0] };
}

/** How sharply a trip is found here, m: a reservoir of a hand's depth is read to millimetres, a pit with moving water is not. */
export const tripSpread = ({ vessel }: LevelGeometry): number =>
  Math.max(SPREAD.tape, Math.min(SPREAD.trip, vessel.depth / 20));

/** Where the water was at both ends, as a share of the way between. */
const ends = (levels: LevelGeometry, rise: number) => (Math.SQRT2 * tripSpread(levels)) / Math.abs(rise);

/** Of a volume, a time by hose, a time of the pump’s, and its flow, over a way of so many m in so many s. */
export const spreadOf = {
  volume: (levels: LevelGeometry, rise: number): Spread =>
    together({
      'where the floats trip': ends(levels, rise),
      'area as surveyed': SPREAD.area,
      'counting the water': SPREAD.bucket,
    }),
  hose: (levels: LevelGeometry, rise: number, time: number): Spread =>
    together({
      'where the floats trip': ends(levels, rise),
      'area as surveyed': SPREAD.area,
      'flow of the hose': SPREAD.hose,
      'the watch': SPREAD.watch / time,
    }),
  run: (levels: LevelGeometry, rise: number, time: number): Spread =>
    together({
      'where the floats trip': ends(levels, rise),
      'area as surveyed': SPREAD.area,
      'pump curve and pipe': SPREAD.curve,
      'the watch': SPREAD.watch / time,
    }),
  /** Of a volume by the tape, before and after. */
  tape: (rise: number): Spread =>
    together({ 'the tape': (Math.SQRT2 * SPREAD.tape) / Math.abs(rise), 'area as surveyed': SPREAD.area }),
  /** By tape and watch over the same way. */
  fallRate: (rise: number, time: number): Spread =>
    together({
      'the tape': (Math.SQRT2 * SPREAD.tape) / Math.abs(rise),
      'area as surveyed': SPREAD.area,
      'pump curve and pipe': SPREAD.curve,
      'the watch': SPREAD.watch / time,
    }),
} as const;

/** Amps of a pump at a flow, by what is known of its power. */
export const powerSpread = ({ station }: LevelGeometry, pump: number): Spread =>
  station.pumps[pump - 1]!.power === null
    ? { share: SPREAD.assumedPower, mostly: 'an assumed power curve' }
    : { share: SPREAD.power, mostly: 'the maker’s power curve' };
