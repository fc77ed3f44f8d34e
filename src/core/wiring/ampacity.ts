import type { CopperTable, Station } from '../station';
import { awgArea } from './conductor';

/*
 * What copper typically carries, from the common tables. Each code has its own way of laying and its own notes: these are typical, and the local
 * code governs. The document’s own figure of each run is what is judged; it can be typed over.
 */

/** How conductors are laid, as far as the tables ask. */
export type Laid = Pick<Station, 'profile'> & {
  readonly settings: Pick<Station['settings'], 'ampacity' | 'wiringAmbient' | 'grouped'>;
  readonly wiring: Pick<Station['wiring'], 'copper'>;
};

/** A of a size, in the two columns. */
type Row = readonly [area: number, cautious: number, full: number];

const MM2 = 1e-6;

/**
 * IEC 60364-5-52, table B.52.4, copper, PVC, three loaded conductors at 30 °C: method B2 (a cable in conduit) and C (clipped to a wall).
 * Below 1.5 mm²: flexible cords, IEC 60245-1 and HD 516.
 */
const METRIC: readonly Row[] = (
  [
    [0.5, 3, 3],
    [0.75, 6, 6],
    [1, 10, 10],
    [1.5, 15, 17.5],
    [2.5, 20, 24],
    [4, 27, 32],
    [6, 34, 41],
    [10, 46, 57],
    [16, 62, 76],
    [25, 80, 96],
    [35, 99, 119],
    [50, 118, 144],
    [70, 149, 184],
    [95, 179, 223],
    [120, 206, 259],
  ] as const
).map(([area, b2, c]) => [area * MM2, b2, c]);

/** NFPA 70, table 310.16, copper, three current-carrying conductors at 30 °C: 60 °C and 75 °C. Below 14: 402.5 and 725.43 (control). */
const AWG: readonly Row[] = (
  [
    [20, 5, 5],
    [18, 7, 7],
    [16, 10, 10],
    [14, 15, 20],
    [12, 20, 25],
    [10, 30, 35],
    [8, 40, 50],
    [6, 55, 65],
    [4, 70, 85],
    [2, 95, 115],
    [1, 110, 130],
    [0, 125, 150],
    [-1, 145, 175],
    [-2, 165, 200],
    [-3, 195, 230],
  ] as const
).map(([gauge, at60, at75]) => [awgArea(gauge), at60, at75]);

/** NFPA 70, 240.4(D): 18, 16, 14, 12 and 10 AWG are guarded by no more than this, whatever they would carry, A. */
const SMALL: readonly (readonly [gauge: number, amps: number])[] = [
  [18, 7],
  [16, 10],
  [14, 15],
  [12, 20],
  [10, 30],
];

/** Conductor temperature of the column, °C: the firm’s own as it says; IEC PVC 70; NFPA 60 or 75. Correction √((Tc − Ta)/(Tc − 30)) (IEC 60364-5-52, B.52.14 is this, rounded; NFPA 70, equation 310.15(B)). */
const hottest = ({ profile, settings, wiring }: Laid): number =>
  wiring.copper?.hottest ?? (profile === 'metric-230' ? 70 : settings.ampacity === 'full' ? 75 : 60);

export function ambientFactor(laid: Laid): number {
  const limit = hottest(laid);
  return Math.sqrt(Math.max(limit - laid.settings.wiringAmbient, 0) / (limit - 30));
}

/** Circuits bunched together: IEC 60364-5-52, table B.52.17, first row, 1 to 9. */
const BUNCHED = [1, 0.8, 0.7, 0.65, 0.6, 0.57, 0.54, 0.52, 0.5];
/** Current-carrying conductors in one raceway, three to a circuit: NFPA 70, table 310.15(C)(1). */
const RACEWAY = [1, 0.8, 0.7, 0.5, 0.5, 0.5, 0.45, 0.45, 0.45];

export function groupFactor({ profile, settings }: Laid): number {
  const table = profile === 'metric-230' ? BUNCHED : RACEWAY;
  return table[Math.min(Math.max(Math.round(settings.grouped), 1), table.length) - 1]!;
}

/** A typed area counts as the size that it is within this share of. */
const NEAR = 1.04;

/** A of each size before air and company: of the firm’s own table, or of the column of the common one. */
function columnOf({ profile, settings, wiring }: Laid): readonly (readonly [area: number, amps: number])[] {
  if (wiring.copper) return wiring.copper.rows.map((r) => [r.area, r.carries]);
  const table = profile === 'metric-230' ? METRIC : AWG;
  return table.map(([area, cautious, full]) => [area, settings.ampacity === 'full' ? full : cautious]);
}

/** The common table of a station as a firm’s own to begin with: typed over, size by size. */
export const ownTable = (laid: Laid): CopperTable => ({
  source: 'the firm’s own',
  hottest: hottest(laid),
  rows: columnOf(laid).map(([area, carries]) => ({ area, carries })),
});

/**
 * Current that copper of a size typically carries as it is laid, A; what lies between two sizes carries what the smaller does.
 * @param area m²; 0 for less than the smallest size of the tables
 */
export function typicalAmpacity(area: number, laid: Laid): number {
  const amps =
    columnOf(laid)
      .filter(([a]) => a <= area * NEAR)
      .at(-1)?.[1] ?? 0;
  return Math.floor(amps * ambientFactor(laid) * groupFactor(laid) * 10 + 1e-6) / 10;
}

/** The most that may guard a size, A: what it carries, and for small sizes no more than their limit. */
export function guardedAt(area: number, laid: Laid): number {
  const small = laid.profile === 'us-120' ? SMALL.find(([gauge]) => area <= awgArea(gauge) * NEAR) : undefined;
  return Math.min(typicalAmpacity(area, laid), small?.[1] ?? Infinity);
}

/** The least sizes that common codes take: power circuits (IEC 60364-5-52, table 52.2; NFPA 70, 310.3 and 210.19), control (the same; 725.49). */
export const LEAST_SIZE = {
  power: { 'metric-230': 1.5 * MM2, 'us-120': awgArea(14) },
  control: { 'metric-230': 0.5 * MM2, 'us-120': awgArea(18) },
} as const;

/** Where the figures come from, as they are said. */
export const sourceOf = ({ profile, settings, wiring }: Laid): string =>
  wiring.copper
    ? `${wiring.copper.source}, ${wiring.copper.hottest} °C`
    : profile === 'metric-230'
      ? `IEC 60364-5-52, method ${settings.ampacity === 'full' ? 'C' : 'B2'}, PVC`
      : `NFPA 70 table 310.16, ${settings.ampacity === 'full' ? 75 : 60} °C`;
