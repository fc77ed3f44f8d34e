/** Reynolds number up to which pipe flow is laminar, and from which it is fully turbulent. */
export const LAMINAR_TO = 2300;
export const TURBULENT_FROM = 4000;

/**
 * Darcy friction factor of turbulent flow: the Colebrook–White equation
 * 1/√f = −2·log₁₀(ε/3.7 + 2.51/(Re·√f)), solved for 1/√f by Newton's method to rounding, not approximated: each step leaves the square
 * of the error before it, so that after one of less than 1e-8 nothing is left to correct.
 *
 * Source: C. F. Colebrook, "Turbulent flow in pipes…", J. Inst. Civil Engrs 11 (1939) 133–156. The start is
 * S. E. Haaland's explicit formula, J. Fluids Eng. 105 (1983) 89–90.
 *
 * @param reynolds above zero; meant for 4000 and more
 * @param relativeRoughness ε, roughness over bore, 0 to 0.05
 */
export function colebrook(reynolds: number, relativeRoughness: number): number {
  const a = relativeRoughness / 3.7;
  const b = 2.51 / reynolds;
  let x = -1.8 * Math.log10(a ** 1.11 + 6.9 / reynolds);
  for (let i = 0; i < 20; i++) {
    const inside = a + b * x;
    const step = (x + 2 * Math.log10(inside)) / (1 + (2 / Math.LN10) * (b / inside));
    x -= step;
    if (Math.abs(step) < 1e-8 * x) break;
  }
  return 1 / (x * x);
}

/**
 * Darcy friction factor at any Reynolds number above zero: 64/Re in laminar flow, Colebrook–White in turbulent flow, and
 * between 2300 and 4000, where neither holds, the two joined by a smooth step (3s² − 2s³), so that head loss
 * still rises with flow and has no jump.
 */
export function frictionFactor(reynolds: number, relativeRoughness: number): number {
  if (reynolds <= LAMINAR_TO) return 64 / reynolds;
  const turbulent = colebrook(reynolds, relativeRoughness);
  if (reynolds >= TURBULENT_FROM) return turbulent;
  const s = (reynolds - LAMINAR_TO) / (TURBULENT_FROM - LAMINAR_TO);
  const weight = s * s * (3 - 2 * s);
  return (1 - weight) * (64 / reynolds) + weight * turbulent;
}
