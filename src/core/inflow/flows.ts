import type { Inflow, InflowSource } from '../station';

/** The three inflows that the rules ask about, m³/s. */
export interface Flows {
  readonly low: number;
  readonly design: number;
  readonly peak: number;
}

const sum = (values: readonly number[]) => values.reduce((a, b) => a + b, 0);

type Storm = Extract<InflowSource, { kind: 'storm' }>;

/** Flow of a storm at a time, with straight lines between its rows, m³/s; before and after it the flow of dry weather. */
function stormAt({ rows, base }: Storm, time: number): number {
  const i = rows.findIndex((r) => r.time >= time);
  if (i === 0) return rows[0]!.time === time ? Math.max(rows[0]!.flow, base) : base;
  if (i < 0) return base;
  const [a, b] = [rows[i - 1]!, rows[i]!];
  return Math.max(a.flow + ((b.flow - a.flow) * (time - a.time)) / (b.time - a.time), base);
}

/** Mean flow of a storm from its first row to its last: trapezoids, m³/s. */
function stormMean({ rows, base }: Storm): number {
  const volume = sum(
    rows
      .slice(1)
      .map((r, i) => ((Math.max(r.flow, base) + Math.max(rows[i]!.flow, base)) / 2) * (r.time - rows[i]!.time)),
  );
  return volume / (rows[rows.length - 1]!.time - rows[0]!.time);
}

/** Least inflow that is used where a source gives none at all: a rule cannot divide by no water, m³/s. */
const TRICKLE = 1e-9;

/** Whether a flow, m³/s, stands for none: not four millilitres an hour. */
export const noneOf = (flow: number): boolean => flow <= TRICKLE;

function sourceFlows(source: InflowSource): Flows {
  switch (source.kind) {
    case 'steady':
      return source;
    case 'pattern':
      return {
        low: source.mean * Math.min(...source.factors),
        design: source.mean * (sum(source.factors) / 24),
        peak: source.mean * Math.max(...source.factors),
      };
    case 'fixtures': {
      const daily = sum(source.uses.map((u) => u.volume * u.perDay));
      const peak = sum(source.uses.map((u) => u.flow * u.atOnce));
      const design = daily / (source.hours * 3600);
      return { low: daily / 86400, design, peak: Math.max(peak, design) };
    }
    case 'storm':
      return {
        low: source.base,
        design: stormMean(source),
        peak: Math.max(...source.rows.map((r) => r.flow), source.base),
      };
    case 'appliances': {
      const all = sum(source.list.map((a) => a.rate));
      return { low: Math.min(...source.list.map((a) => a.rate)), design: all, peak: all };
    }
  }
}

/**
 * Low, design and peak inflow of a station.
 * Steady: as surveyed. Pattern: its least, mean and greatest hour. Fixtures: the day's water over 24 hours, over the hours of use, and
 * all that may run at once. Storm: dry weather, the mean of the storm, its greatest flow. Appliances: the least of them
 * alone, all together, all together. Infiltration after rain is added to design and peak: a wet day.
 */
export function flowsOf({ source, infiltration }: Inflow): Flows {
  const { low, design, peak } = sourceFlows(source);
  return {
    low: Math.max(low, TRICKLE),
    design: Math.max(design + infiltration, TRICKLE),
    peak: Math.max(peak + infiltration, TRICKLE),
  };
}

/** Inflow at a time of day or of a storm, s from its beginning, m³/s; a wet day has its infiltration throughout. */
export function inflowAt({ source, infiltration }: Inflow, time: number): number {
  switch (source.kind) {
    case 'pattern':
      return source.mean * source.factors[Math.floor(time / 3600) % 24]! + infiltration;
    case 'storm':
      return stormAt(source, time) + infiltration;
    case 'fixtures': {
      const { design } = sourceFlows(source);
      const start = 12 - source.hours / 2;
      const hour = (time / 3600) % 24;
      return (hour >= start && hour < start + source.hours ? design : 0) + infiltration;
    }
    case 'steady':
    case 'appliances':
      return sourceFlows(source).design + infiltration;
  }
}
