/** Latent heat of freezing, J/kg; density, kg/m³, and conductivity, W/(m·K), of ice near 0 °C. */
const LATENT = 333_600;
const ICE_DENSITY = 917;
const ICE_CONDUCTIVITY = 2.22;
/** Heat taken from a bare pipe by air that hardly moves, W/(m²·K). */
const SURFACE = 15;

/**
 * Time for water that stands in a bare pipe to freeze through, s: Plank's equation for a long cylinder,
 * t = ρ·L/ΔT·(d/(4·h) + d²/(16·k)), from water already at 0 °C, so that the answer is on the safe side.
 * Source: R. P. Singh and D. R. Heldman, "Introduction to Food Engineering", 4th ed., eq. 7.5, with P = 1/4 and R = 1/16.
 *
 * @param bore m
 * @param air °C; Infinity comes back at 0 °C and over
 */
export function freezingTime(bore: number, air: number): number {
  if (air >= 0) return Infinity;
  return ((ICE_DENSITY * LATENT) / -air) * (bore / (4 * SURFACE) + (bore * bore) / (16 * ICE_CONDUCTIVITY));
}
