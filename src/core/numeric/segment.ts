/**
 * Area of the segment of a circle of this diameter that lies below height h, m²: r²/2·(θ − sin θ) with θ = 4·asin√(h/d). Below a ten-thousandth
 * of the diameter, where that difference loses its digits, its series 4/3·h·√(dh)·(1 − 3/10·u − 3/56·u²), u = h/d, stands for it.
 * @param h from 0 to the diameter, m; beyond it is held to these ends
 */
export function segmentArea(diameter: number, h: number): number {
  const u = Math.min(Math.max(h / diameter, 0), 1);
  if (u < 1e-4) return (4 / 3) * u * diameter * Math.sqrt(diameter * u * diameter) * (1 - 0.3 * u - (3 / 56) * u * u);
  const angle = 4 * Math.asin(Math.sqrt(u));
  return ((diameter / 2) ** 2 * (angle - Math.sin(angle))) / 2;
}
