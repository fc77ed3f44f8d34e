import type { Lane } from './faultedModel';

/** What is drawn of a stretch of time, in buckets: the least and greatest of each, shares of its time. Volumes m³, flows m³/s. */
export interface Trace {
  /** s from the beginning of the rehearsal */
  readonly from: number;
  /** s a bucket */
  readonly step: number;
  readonly least: Float64Array;
  readonly greatest: Float64Array;
  /** Mean inflow. */
  readonly inflow: Float64Array;
  /** Share of each bucket in which each was on. */
  readonly lanes: readonly (Lane & { readonly share: Float64Array })[];
}

/** Buckets of a trace: as many as are ever drawn, however long the rehearsal. */
export const BUCKETS = 1440;

export function traceFor(from: number, to: number, lanes: readonly Lane[]): Trace {
  const field = () => new Float64Array(BUCKETS);
  return {
    from,
    step: (to - from) / BUCKETS,
    least: field().fill(Infinity),
    greatest: field().fill(-Infinity),
    inflow: field(),
    lanes: lanes.map((lane) => ({ ...lane, share: field() })),
  };
}

/** A stretch of time in which the water went one way. Times s, volumes m³. */
export interface Stretch {
  from: number;
  to: number;
  v0: number;
  v1: number;
  /** Which lanes were on, bits in their order. */
  on: number;
  inflow: number;
  /** The volume at a time between its ends. */
  at(time: number): number;
}

/** Adds a stretch. What lies outside the trace is left out. */
export function addStretch(trace: Trace, { from, to, v0, v1, on, inflow, at }: Stretch): void {
  const { step, least, greatest, lanes } = trace;
  const [t0, t1] = [from - trace.from, to - trace.from];
  if (t1 < 0 || t0 > step * BUCKETS) return;
  const first = Math.max(Math.floor(t0 / step), 0);
  const last = Math.min(Math.floor(t1 / step), BUCKETS - 1);
  let x = t0 < 0 ? at(trace.from) : v0;
  for (let i = first; i <= last; i++) {
    const end = (i + 1) * step;
    const y = end < t1 ? at(trace.from + end) : v1;
    if (x < least[i]!) least[i] = x;
    if (y < least[i]!) least[i] = y;
    if (x > greatest[i]!) greatest[i] = x;
    if (y > greatest[i]!) greatest[i] = y;
    const share = Math.max(Math.min(t1, end) - Math.max(t0, i * step), 0) / step;
    trace.inflow[i]! += inflow * share;
    for (let n = 0, bits = on; bits > 0; n++, bits >>= 1) if (bits & 1) lanes[n]!.share[i]! += share;
    x = y;
  }
}
