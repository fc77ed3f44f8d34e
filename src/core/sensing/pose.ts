import type { TiltFloat } from '../station';
import { armOf } from './kinds/tilt';

/**
 * How a tilt float stands with the water at `level`: the angle of its arm above level, radians. Its middle lies at the
 * surface while the arm can reach it; below that it hangs straight down, above it stands straight up.
 */
export function leanOf(float: TiltFloat, level: number): number {
  const share = (level - float.clip) / armOf(float);
  return Math.asin(Math.min(Math.max(share, -1), 1));
}
