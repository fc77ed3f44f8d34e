import { integrate } from '../numeric';

/** A round pipe that falls towards the pit. Lengths m. */
export interface InletPipe {
  readonly length: number;
  readonly bore: number;
  /** m a metre */
  readonly fall: number;
}

/** Area of the water in a round pipe that stands `depth` deep in it, m²: r²·acos((r − d)/r) − (r − d)·√(2rd − d²). */
export function filledArea(bore: number, depth: number): number {
  const r = bore / 2;
  const d = Math.min(Math.max(depth, 0), bore);
  return r * r * Math.acos((r - d) / r) - (r - d) * Math.sqrt(Math.max(2 * r * d - d * d, 0));
}

/** Water that stands in the pipe with that of the pit at `level`, its invert there at `invert`, m³: a level surface, the pipe rising away from it. */
export function storedInPipe({ length, bore, fall }: InletPipe, invert: number, level: number): number {
  const depth = level - invert;
  if (depth <= 0) return 0;
  const reach = Math.min(length, depth / fall);
  const full = Math.min(Math.max((depth - bore) / fall, 0), length);
  const part = reach > full ? integrate((x) => filledArea(bore, depth - fall * x), full, reach, 1e-9) : 0;
  return full * (Math.PI / 4) * bore * bore + part;
}
