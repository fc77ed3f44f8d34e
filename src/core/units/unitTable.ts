import type { Dimension, Format, UnitSystem } from './quantity';

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

const SHARES = { '%': 0.01 } as const;
const CURRENTS = { a: 1, ma: 1e-3 } as const;

interface DimensionRow {
  /** Unit of its values, as other programs are told it. */
  readonly si: string;
  /** Every unit that is understood when typed, in lower case, with its SI value. */
  readonly units: Readonly<Record<string, number>>;
}

/** What each dimension is kept in, and which units may be typed for it. */
export const DIMENSIONS: Readonly<Record<Dimension, DimensionRow>> = {
  length: { si: 'm', units: LENGTHS },
  area: {
    si: 'm2',
    units: { 'm²': 1, m2: 1, 'sq m': 1, 'ft²': FOOT ** 2, ft2: FOOT ** 2, 'sq ft': FOOT ** 2 },
  },
  volume: {
    si: 'm3',
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
  },
  flow: { si: 'm3/s', units: FLOWS },
  time: { si: 's', units: TIMES },
  velocity: {
    si: 'm/s',
    units: {
      'm/s': 1,
      'ft/s': FOOT,
      fps: FOOT,
      'mm/min': 0.001 / 60,
      'in/min': INCH / 60,
      'm/min': 1 / 60,
    },
  },
  frequency: { si: '1/h', units: { '/h': 1, 'per hour': 1 } },
  current: { si: 'A', units: CURRENTS },
  voltage: { si: 'V', units: { v: 1, kv: 1e3 } },
  resistance: {
    si: 'ohm',
    units: {
      ohm: 1,
      ohms: 1,
      ω: 1,
      kohm: 1e3,
      kω: 1e3,
      megaω: 1e6,
      megaohm: 1e6,
      milliω: 1e-3,
      milliohm: 1e-3,
      gω: 1e9,
      gohm: 1e9,
    },
  },
  temperature: { si: 'degC', units: { '°c': 1, c: 1 } },
  angle: { si: 'deg', units: { '°': 1, deg: 1 } },
  ratio: { si: '1', units: {} },
  share: { si: '1', units: SHARES },
  mass: { si: 'kg', units: { kg: 1, g: 1e-3, lb: 0.45359237, lbs: 0.45359237, oz: 0.45359237 / 16 } },
  pressure: {
    si: 'Pa',
    units: {
      pa: 1,
      hpa: 100,
      mbar: 100,
      kpa: 1000,
      bar: 1e5,
      psi: 6894.757,
      'in h2o': 249.089,
      inwc: 249.089,
    },
  },
  capacitance: { si: 'F', units: { f: 1, mf: 1e-3, µf: 1e-6, μf: 1e-6, uf: 1e-6, nf: 1e-9, pf: 1e-12 } },
  inductance: { si: 'H', units: { h: 1, mh: 1e-3, µh: 1e-6, μh: 1e-6, uh: 1e-6 } },
  power: { si: 'W', units: { w: 1, va: 1, kw: 1e3, kva: 1e3, hp: 745.7 } },
  energy: { si: 'J', units: { j: 1, kj: 1e3, mj: 1e6, wh: 3600, kwh: 3.6e6 } },
  specificEnergy: {
    si: 'J/m3',
    units: { 'j/m³': 1, 'kwh/m³': 3.6e6, 'kwh/m3': 3.6e6, 'kwh/kgal': 3.6e6 / 3.785411784 },
  },
};

interface FormatRow {
  readonly dimension: Dimension;
  /** The unit meant when none is typed, and printed. */
  readonly metric: string;
  readonly us: string;
  /** Decimals printed; `sig` significant digits where a fixed number of decimals would mislead. */
  readonly digits: { readonly metric: number; readonly us: number } | { readonly sig: number };
}

const row = (
  dimension: Dimension,
  metric: string,
  us: string,
  digits: FormatRow['digits'] | readonly [metric: number, us: number],
): FormatRow => ({
  dimension,
  metric,
  us,
  digits: 'length' in digits ? { metric: digits[0], us: digits[1] } : digits,
});

/** How each format is written where the metric system, and where US units, are at home. */
export const FORMATS: Readonly<Record<Format, FormatRow>> = {
  height: row('length', 'mm', 'in', [0, 2]),
  distance: row('length', 'm', 'ft', [2, 1]),
  bore: row('length', 'mm', 'in', [1, 3]),
  roughness: row('length', 'mm', 'in', { sig: 2 }),
  head: row('length', 'm', 'ft', [2, 1]),
  flow: row('flow', 'L/s', 'gpm', { sig: 3 }),
  drip: row('flow', 'L/h', 'gph', { sig: 3 }),
  volume: row('volume', 'L', 'gal', { sig: 3 }),
  area: row('area', 'm²', 'ft²', { sig: 3 }),
  time: row('time', 's', 's', { sig: 3 }),
  duration: row('time', 'min', 'min', { sig: 3 }),
  minutes: row('time', 'min', 'min', { sig: 3 }),
  span: row('time', 'min', 'min', { sig: 3 }),
  velocity: row('velocity', 'm/s', 'ft/s', [2, 1]),
  levelRate: row('velocity', 'mm/min', 'in/min', [0, 1]),
  rate: row('frequency', '/h', '/h', [1, 1]),
  current: row('current', 'A', 'A', [1, 1]),
  leak: row('current', 'mA', 'mA', { sig: 2 }),
  voltage: row('voltage', 'V', 'V', [0, 0]),
  resistance: row('resistance', 'Ω', 'Ω', { sig: 3 }),
  temperature: row('temperature', '°C', '°C', [0, 0]),
  angle: row('angle', '°', '°', [0, 0]),
  share: row('share', '%', '%', [0, 0]),
  drop: row('share', '%', '%', [1, 1]),
  factor: row('ratio', '', '', [2, 2]),
  count: row('ratio', '', '', [0, 0]),
  mass: row('mass', 'kg', 'lb', { sig: 3 }),
  pressure: row('pressure', 'kPa', 'psi', { sig: 3 }),
  capacitance: row('capacitance', 'µF', 'µF', { sig: 3 }),
  inductance: row('inductance', 'mH', 'mH', { sig: 3 }),
  power: row('power', 'W', 'W', { sig: 3 }),
  energy: row('energy', 'kWh', 'kWh', { sig: 3 }),
  specificEnergy: row('specificEnergy', 'kWh/m³', 'kWh/kgal', { sig: 3 }),
};

export const dimensionOf = (format: Format): Dimension => FORMATS[format].dimension;

/** The SI unit in which values of a format are kept, as other programs are told it: `m3/s`. */
export const siUnitOf = (format: Format): string => DIMENSIONS[dimensionOf(format)].si;

/** Every unit that may be typed for a format, in lower case, with its SI value. */
export const unitsOf = (format: Format): Readonly<Record<string, number>> => DIMENSIONS[dimensionOf(format)].units;

export const unitOf = (format: Format, system: UnitSystem): string => FORMATS[format][system];

/** SI value of one printed unit. */
export const factorOf = (format: Format, system: UnitSystem): number =>
  unitsOf(format)[unitOf(format, system).toLowerCase()] ?? 1;
