/** One bucket of the drawn trace: the least and greatest in it, shares of its time. Volumes m³, flows m³/s. */
export interface Trace {
  /** s a bucket */
  readonly step: number;
  readonly least: Float64Array;
  readonly greatest: Float64Array;
  /** Share of each bucket in which each pump ran, the bell rang, water overflowed. */
  readonly running: readonly Float64Array[];
  readonly bell: Float64Array;
  readonly overflowing: Float64Array;
  /** Mean inflow. */
  readonly inflow: Float64Array;
}

/** Buckets of a trace: as many as are ever drawn, however long the rehearsal. */
export const BUCKETS = 1440;

export function traceFor(length: number, pumps: number): Trace {
  const field = () => new Float64Array(BUCKETS);
  return { step: length / BUCKETS, least: field().fill(Infinity), greatest: field().fill(-Infinity), running: Array.from({ length: pumps }, field), bell: field(), overflowing: field(), inflow: field() };
}

/** Adds a stretch in which the volume went one way, evenly enough to be drawn so. */
export function addStretch(trace: Trace, from: number, to: number, v0: number, v1: number, running: number, bell: boolean, overflow: boolean, inflow: number): void {
  const { step } = trace;
  const first = Math.min(Math.floor(from / step), BUCKETS - 1);
  const last = Math.min(Math.floor(to / step), BUCKETS - 1);
  const at = (t: number) => (to > from ? v0 + ((v1 - v0) * (t - from)) / (to - from) : v1);
  for (let i = first; i <= last; i++) {
    const [a, b] = [Math.max(from, i * step), Math.min(to, (i + 1) * step)];
    const [x, y] = [at(a), at(b)];
    if (Math.min(x, y) < trace.least[i]!) trace.least[i] = Math.min(x, y);
    if (Math.max(x, y) > trace.greatest[i]!) trace.greatest[i] = Math.max(x, y);
    const share = Math.max(b - a, 0) / step;
    trace.inflow[i]! += inflow * share;
    if (bell) trace.bell[i]! += share;
    if (overflow) trace.overflowing[i]! += share;
    for (let p = 0; p < trace.running.length; p++) if (running & (1 << p)) trace.running[p]![i]! += share;
  }
}
