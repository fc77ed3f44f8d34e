import { sayPhrase, type UnitSystem } from '../units';
import type { Station } from '../station';
import { vesselOf } from '../vessel';
import type { Rehearsal } from './rehearse';

const figure = (value: number, digits: number) => String(Number(value.toFixed(digits)));

/** Every event as a row: seconds, level in m, what kind, what. */
export const eventRows = ({ events }: Pick<Rehearsal, 'events'>, system: UnitSystem): string[][] => [
  ['time (s)', 'level (m)', 'kind', 'what'],
  ...events.map((e) => [figure(e.at, 3), figure(e.level, 4), e.kind, sayPhrase(e.sentence, system)]),
];

/** The trace as rows, one a bucket: levels in m, mean inflow in m³/s, shares of the bucket in which each lane was on. */
export function traceRows(station: Station, { trace }: Pick<Rehearsal, 'trace'>): string[][] {
  const vessel = vesselOf(station.vessel);
  const head = ['time (s)', 'lowest (m)', 'highest (m)', 'inflow (m3/s)', ...trace.lanes.map((l) => l.label)];
  const rows = Array.from(trace.least, (least, i) => ({ least, i })).filter(({ least }) => least !== Infinity);
  return [
    head,
    ...rows.map(({ least, i }) => [
      figure(trace.from + i * trace.step, 1),
      figure(vessel.height(least), 4),
      figure(vessel.height(trace.greatest[i]!), 4),
      trace.inflow[i]!.toPrecision(5),
      ...trace.lanes.map((l) => figure(l.share[i]!, 4)),
    ]),
  ];
}
