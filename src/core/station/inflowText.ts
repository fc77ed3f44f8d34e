import { factorOf, quantity, say, unitOf, type UnitSystem } from '../units';
import { readColumns, type ColumnWanted } from './columns';
import type { InflowSource } from './schema';

type Storm = Extract<InflowSource, { kind: 'storm' }>['rows'];

const STORM: readonly ColumnWanted[] = [
  { name: 'time', heading: /^(time|t|elapsed)\b/, format: 'minutes' },
  { name: 'flow', heading: /^(flow( rate)?|inflow|q)\b/, format: 'flow' },
];

/** The step that most rows of a record keep, s; null where they keep none. */
function commonStep(steps: readonly number[]): number | null {
  const counts = new Map<number, number>();
  for (const s of steps) counts.set(Math.round(s * 1000), (counts.get(Math.round(s * 1000)) ?? 0) + 1);
  const [step, count] = [...counts].sort((a, b) => b[1] - a[1])[0] ?? [0, 0];
  return steps.length >= 3 && count >= steps.length * 0.6 ? step / 1000 : null;
}

/**
 * Reads a storm: time, in minutes unless the heading says otherwise, and flow. A record that keeps a step must keep it throughout: a
 * gap is told by its rows, and so is a time that does not go forward.
 */
export function readStormRows(
  rows: readonly (readonly string[])[],
  system: UnitSystem,
): { ok: true; rows: Storm } | { ok: false; problems: string[] } {
  const read = readColumns(rows, STORM, system);
  if (!read.ok) return read;
  const storm = read.rows.map(([time, flow]) => ({ time: Number(time!.toFixed(6)), flow: flow! }));
  const steps = storm.slice(1).map((r, i) => r.time - storm[i]!.time);
  const step = commonStep(steps);
  const time = (s: number) => say(quantity('time', s), system);
  const problems = steps.flatMap((s, i) => {
    if (s <= 0)
      return [
        `row ${i + 2} of the storm is at ${time(storm[i + 1]!.time)}, not after the ${time(storm[i]!.time)} of the row before: a storm runs forward`,
      ];
    return step !== null && s > step * 1.5
      ? [`between rows ${i + 1} and ${i + 2} the storm has a gap of ${time(s)}, where its rows are ${time(step)} apart`]
      : [];
  });
  return problems.length > 0 ? { ok: false, problems } : { ok: true, rows: storm };
}

const plain = (value: number, factor: number) => String(Number((value / factor).toPrecision(10)));

/** A storm as rows of text with a heading, to be read back by `readStormRows`. */
export const stormRows = (rows: Storm, system: UnitSystem): string[][] => [
  ['time (min)', `flow (${unitOf('flow', system)})`],
  ...rows.map((r) => [plain(r.time, 60), plain(r.flow, factorOf('flow', system))]),
];

const PATTERN: readonly ColumnWanted[] = [
  { name: 'hour', heading: /^hour\b/, format: 'count' },
  { name: 'factor', heading: /^(factor|share)\b/, format: 'factor' },
];

/** Reads a daily pattern: each hour from 0 to 23 once, in any order, with its factor on the mean. */
export function readPatternRows(
  rows: readonly (readonly string[])[],
  system: UnitSystem,
): { ok: true; factors: number[] } | { ok: false; problems: string[] } {
  const read = readColumns(rows, PATTERN, system);
  if (!read.ok) return read;
  const factors = Array.from({ length: 24 }, (_, hour) => read.rows.filter(([h]) => h === hour).map(([, f]) => f!));
  const problems = [
    ...factors.flatMap((f, hour) =>
      f.length === 1
        ? []
        : [
            f.length === 0
              ? `hour ${hour} is missing: a day has the hours 0 to 23`
              : `hour ${hour} stands there ${f.length} times`,
          ],
    ),
    ...read.rows.flatMap(([h], i) =>
      Number.isInteger(h) && h! >= 0 && h! < 24 ? [] : [`row ${i + 1}: ${h} is not an hour of the day`],
    ),
  ];
  return problems.length > 0 ? { ok: false, problems } : { ok: true, factors: factors.map((f) => f[0]!) };
}

/** A daily pattern as rows of text with a heading. */
export const patternRows = (factors: readonly number[]): string[][] => [
  ['hour', 'factor'],
  ...factors.map((f, hour) => [String(hour), String(f)]),
];
