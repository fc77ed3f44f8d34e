/** Standard acceleration of gravity, m/s². */
export const GRAVITY = 9.80665;

/**
 * Density of water at atmospheric pressure, kg/m³, for 0–60 °C.
 * Source: G. S. Kell, "Density, thermal expansivity, and compressibility of liquid water from 0 to 150 °C",
 * J. Chem. Eng. Data 20 (1975) 97–105, eq. 16.
 */
export function density(celsius: number): number {
  const t = celsius;
  const above =
    999.83952 + t * (16.945176 + t * (-7.9870401e-3 + t * (-46.170461e-6 + t * (105.56302e-9 - t * 280.54253e-12))));
  return above / (1 + 16.87985e-3 * t);
}

/**
 * Kinematic viscosity of water, m²/s, for 0–60 °C.
 * Source: J. Kestin, M. Sokolov and W. A. Wakeham, "Viscosity of liquid water in the range −8 °C to 150 °C",
 * J. Phys. Chem. Ref. Data 7 (1978) 941–948, eq. 15, with 1.002 mPa·s at 20 °C.
 */
export function kinematicViscosity(celsius: number): number {
  const d = 20 - celsius;
  const log10 = (d / (celsius + 96)) * (1.2364 - 1.37e-3 * d + 5.7e-6 * d * d);
  return (1.002e-3 * 10 ** log10) / density(celsius);
}
