/**
 * Copper: resistivity at 20 °C and its temperature coefficient as in IEC 60228 (annealed copper, 1.7241e-8 Ω·m, 0.00393 per K).
 */
const RESISTIVITY = 1.7241e-8;
const COEFFICIENT = 0.00393;

/** Inductive reactance of cores that lie side by side in a cable, Ω/m at 50 Hz; a usual figure for small cables. */
const REACTANCE_50 = 0.09e-3;

/** Resistance of one core, Ω. @param length m @param area m² @param temperature °C */
export const coreResistance = (length: number, area: number, temperature: number): number =>
  ((RESISTIVITY * length) / area) * (1 + COEFFICIENT * (temperature - 20));

/** Inductance of one core, H. @param length m */
export const coreInductance = (length: number): number => (REACTANCE_50 / (2 * Math.PI * 50)) * length;

/** Area of an AWG size, m²: the diameter is 0.005 in · 92^((36 − n)/39) (ASTM B258). 1/0 is 0, 2/0 is −1. */
export function awgArea(gauge: number): number {
  const diameter = 0.127e-3 * 92 ** ((36 - gauge) / 39);
  return (Math.PI / 4) * diameter * diameter;
}

/** Sizes that are sold, smallest first, m². */
const METRIC = [0.5, 0.75, 1, 1.5, 2.5, 4, 6, 10, 16, 25, 35, 50, 70, 95, 120].map((mm2) => mm2 * 1e-6);
const GAUGES = [20, 18, 16, 14, 12, 10, 8, 6, 4, 2, 1, 0, -1, -2, -3];

/** Gauges are matched to this share, so that an area typed in mm² finds its gauge. */
const NEAR = 0.04;

const gaugeName = (gauge: number): string => (gauge > 0 ? String(gauge) : `${1 - gauge}/0`);

/** `1.5 mm²` or `AWG 14`: how a size is asked for where the profile is at home. */
export function sizeName(area: number, profile: 'metric-230' | 'us-120'): string {
  if (profile === 'us-120') {
    const gauge = GAUGES.find((g) => Math.abs(awgArea(g) / area - 1) < NEAR);
    if (gauge !== undefined) return `AWG ${gaugeName(gauge)}`;
  }
  return `${Number((area * 1e6).toPrecision(3))} mm²`;
}

export const soldSizes = (profile: 'metric-230' | 'us-120'): readonly number[] =>
  profile === 'us-120' ? GAUGES.map(awgArea) : METRIC;
