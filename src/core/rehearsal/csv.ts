import { sayPhrase, type UnitSystem } from '../units';
import type { Station } from '../station';
import { vesselOf } from '../vessel';
import type { Rehearsal } from './engine';

const figure = (value: number, digits: number) => String(Number(value.toFixed(digits)));

/** Every event as a row: seconds, level in m, what kind, what. */
export const eventRows = ({ events }: Rehearsal, system: UnitSystem): string[][] => [['time (s)', 'level (m)', 'kind', 'what'], ...events.map((e) => [figure(e.at, 3), figure(e.level, 4), e.kind, sayPhrase(e.says, system)])];

/** The trace as rows, one a bucket: levels in m, shares of the bucket, mean inflow in m³/s. */
export function traceRows(station: Station, { trace }: Rehearsal): string[][] {
  const vessel = vesselOf(station.vessel);
  const head = ['time (s)', 'lowest (m)', 'highest (m)', ...trace.running.map((_, i) => `pump ${i + 1} on`), 'bell', 'overflowing', 'inflow (m3/s)'];
  const rows = Array.from(trace.least, (least, i) => ({ least, i })).filter(({ least }) => least !== Infinity);
  return [head, ...rows.map(({ least, i }) => [figure(i * trace.step, 1), figure(vessel.height(least), 4), figure(vessel.height(trace.greatest[i]!), 4), ...trace.running.map((r) => figure(r[i]!, 4)), figure(trace.bell[i]!, 4), figure(trace.overflowing[i]!, 4), trace.inflow[i]!.toPrecision(5)])];
}
