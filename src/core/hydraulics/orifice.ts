import { GRAVITY } from '../physics';

/** Flow of a small sharp orifice under `head` m, m³/s: Q = Cd·A·√(2gh) (Torricelli, with a discharge coefficient). */
export const orificeFlow = (coefficient: number, diameter: number, head: number): number =>
  head <= 0 ? 0 : coefficient * (Math.PI / 4) * diameter ** 2 * Math.sqrt(2 * GRAVITY * head);
