import type { QuantityKind, UnitSystem } from './quantity';

/** SI value of one of each unit a person may write. Gallons are US liquid gallons (231 in³ exactly), inches 25.4 mm exactly. */
export const INCH = 0.0254;
export const FOOT = 0.3048;
export const GALLON = 231 * INCH ** 3;

const LENGTHS = {
  mm: 0.001,
  cm: 0.01,
  m: 1,
  in: INCH,
  inch: INCH,
  inches: INCH,
  ft: FOOT,
  feet: FOOT,
  foot: FOOT,
} as const;

const FLOWS = {
  'l/s': 1e-3,
  'l/min': 1e-3 / 60,
  lpm: 1e-3 / 60,
  'l/h': 1e-3 / 3600,
  'm3/h': 1 / 3600,
  'm³/h': 1 / 3600,
  'm3/s': 1,
  gpm: GALLON / 60,
  'gal/min': GALLON / 60,
  gph: GALLON / 3600,
  'gal/h': GALLON / 3600,
} as const;

const TIMES = { s: 1, sec: 1, min: 60, h: 3600, hr: 3600, hours: 3600, d: 86400 } as const;

interface KindRow {
  /** Every unit that is understood when typed, in lower case, with its SI value. */
  readonly units: Readonly<Record<string, number>>;
  /** The unit meant when none is typed, and printed. */
  readonly metric: string;
  readonly us: string;
  /** Decimals printed; `sig` significant digits where a fixed number of decimals would mislead. */
  readonly digits: { readonly metric: number; readonly us: number } | { readonly sig: number };
}

const same = (unit: string, units: Record<string, number>, digits: KindRow['digits']): KindRow => ({
  units,
  metric: unit,
  us: unit,
  digits,
});

export const UNIT_TABLE: Readonly<Record<QuantityKind, KindRow>> = {
  height: { units: LENGTHS, metric: 'mm', us: 'in', digits: { metric: 0, us: 2 } },
  distance: { units: LENGTHS, metric: 'm', us: 'ft', digits: { metric: 2, us: 1 } },
  bore: { units: LENGTHS, metric: 'mm', us: 'in', digits: { metric: 1, us: 3 } },
  roughness: { units: LENGTHS, metric: 'mm', us: 'in', digits: { sig: 2 } },
  head: { units: LENGTHS, metric: 'm', us: 'ft', digits: { metric: 2, us: 1 } },
  flow: { units: FLOWS, metric: 'L/s', us: 'gpm', digits: { sig: 3 } },
  drip: { units: FLOWS, metric: 'L/h', us: 'gph', digits: { sig: 3 } },
  volume: {
    units: {
      l: 1e-3,
      litre: 1e-3,
      litres: 1e-3,
      ml: 1e-6,
      m3: 1,
      'm³': 1,
      gal: GALLON,
      gallon: GALLON,
      gallons: GALLON,
    },
    metric: 'L',
    us: 'gal',
    digits: { sig: 3 },
  },
  area: {
    units: { 'm²': 1, m2: 1, 'sq m': 1, 'ft²': FOOT ** 2, ft2: FOOT ** 2, 'sq ft': FOOT ** 2 },
    metric: 'm²',
    us: 'ft²',
    digits: { sig: 3 },
  },
  time: same('s', TIMES, { sig: 3 }),
  duration: same('min', TIMES, { sig: 3 }),
  minutes: same('min', TIMES, { sig: 3 }),
  span: same('min', TIMES, { sig: 3 }),
  velocity: { units: { 'm/s': 1, 'ft/s': FOOT, fps: FOOT }, metric: 'm/s', us: 'ft/s', digits: { metric: 2, us: 1 } },
  levelRate: {
    units: { 'mm/min': 0.001 / 60, 'in/min': INCH / 60, 'm/min': 1 / 60 },
    metric: 'mm/min',
    us: 'in/min',
    digits: { metric: 0, us: 1 },
  },
  rate: same('/h', { '/h': 1, 'per hour': 1 }, { metric: 1, us: 1 }),
  current: same('A', { a: 1, ma: 1e-3 }, { metric: 1, us: 1 }),
  leak: { units: { a: 1, ma: 1e-3 }, metric: 'mA', us: 'mA', digits: { sig: 2 } },
  drop: same('%', { '%': 0.01 }, { metric: 1, us: 1 }),
  resistance: {
    units: { ohm: 1, ohms: 1, ω: 1, kohm: 1e3, kω: 1e3, mohm: 1e6 },
    metric: 'Ω',
    us: 'Ω',
    digits: { sig: 3 },
  },
  voltage: same('V', { v: 1, kv: 1e3 }, { metric: 0, us: 0 }),
  temperature: same('°C', { '°c': 1, c: 1 }, { metric: 0, us: 0 }),
  angle: same('°', { '°': 1, deg: 1 }, { metric: 0, us: 0 }),
  share: same('%', { '%': 0.01 }, { metric: 0, us: 0 }),
  factor: same('', {}, { metric: 2, us: 2 }),
  count: same('', {}, { metric: 0, us: 0 }),
  mass: {
    units: { kg: 1, g: 1e-3, lb: 0.45359237, lbs: 0.45359237, oz: 0.45359237 / 16 },
    metric: 'kg',
    us: 'lb',
    digits: { sig: 3 },
  },
  pressure: {
    units: { pa: 1, hpa: 100, mbar: 100, kpa: 1000, bar: 1e5, psi: 6894.757, 'in h2o': 249.089, inwc: 249.089 },
    metric: 'kPa',
    us: 'psi',
    digits: { sig: 3 },
  },
};

export const unitOf = (kind: QuantityKind, system: UnitSystem): string => UNIT_TABLE[kind][system];

/** SI value of one printed unit. */
export function factorOf(kind: QuantityKind, system: UnitSystem): number {
  const row = UNIT_TABLE[kind];
  return row.units[row[system].toLowerCase()] ?? 1;
}
