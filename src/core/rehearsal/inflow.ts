import { flowsOf, inflowAt } from '../inflow';
import type { Station } from '../station';
import type { Scenario } from './scenario';
import { usesOf, type UsesOfDay } from './uses';

/** An inflow that holds from a time on until another, both s. */
export interface Step {
  readonly flow: number;
  readonly until: number;
}

/** Inflow at a time and how long it holds. */
export type Inflowing = (time: number) => Step;

/** Straight lines of a storm are cut into pieces of at most this, s, each with the mean of its own: its water is kept exactly. */
const PIECE = 30;
const DAY = 86400;

/** Uses of fixtures day by day, a day drawn when it comes. */
function usedFixtures(
  source: Extract<Station['inflow']['source'], { kind: 'fixtures' }>,
  infiltration: number,
): Inflowing {
  let day = -1;
  let drawn: UsesOfDay = { times: Float64Array.of(0), flows: Float64Array.of(0) };
  let at = 0;
  return (t) => {
    const today = Math.floor(t / DAY);
    if (today !== day) [day, drawn, at] = [today, usesOf(source, today), 0];
    const { times, flows } = drawn;
    const local = t - day * DAY;
    if (times[at]! > local) at = 0;
    while (at + 1 < times.length && times[at + 1]! <= local) at++;
    return { flow: flows[at]! + infiltration, until: day * DAY + (times[at + 1] ?? DAY) };
  };
}

function surveyed(station: Station): Inflowing {
  const { inflow } = station;
  const { source } = inflow;
  switch (source.kind) {
    case 'steady':
    case 'appliances': {
      const flow = flowsOf(inflow).design;
      return () => ({ flow, until: Infinity });
    }
    case 'pattern':
      return (t) => ({ flow: inflowAt(inflow, t), until: (Math.floor(t / 3600) + 1) * 3600 });
    case 'fixtures':
      return usedFixtures(source, inflow.infiltration);
    case 'storm': {
      // Every row is an edge of a piece, so that each piece is one straight line and its middle is its mean.
      const edges = source.rows.flatMap((r, i) => {
        const next = source.rows[i + 1];
        if (!next) return [r.time];
        const n = Math.max(1, Math.ceil((next.time - r.time) / PIECE));
        return Array.from({ length: n }, (_, k) => r.time + ((next.time - r.time) * k) / n);
      });
      return (t) => {
        const i = edges.findIndex((e) => e > t);
        const [from, until] = [i > 0 ? edges[i - 1]! : i === 0 ? 0 : edges.at(-1)!, i < 0 ? Infinity : edges[i]!];
        return { flow: inflowAt(inflow, until === Infinity ? from + 1 : (from + until) / 2), until };
      };
    }
  }
}

function steps(rows: readonly { time: number; flow: number }[], every: number | null): Inflowing {
  let at = 0;
  return (t) => {
    const turns = every === null ? 0 : Math.floor(t / every);
    const local = every === null ? t : t - turns * every;
    if (at >= rows.length || rows[at]!.time > local) at = 0;
    while (at + 1 < rows.length && rows[at + 1]!.time <= local) at++;
    const row = rows[at]!;
    if (row.time > local) return { flow: 0, until: turns * (every ?? 0) + row.time };
    const next = rows[at + 1]?.time ?? every ?? Infinity;
    return { flow: row.flow, until: turns * (every ?? 0) + next };
  };
}

/** The inflow (of a tank that is filled: the draw) of a scenario. */
export function inflowing(station: Station, { inflow }: Scenario): Inflowing {
  if (inflow.kind === 'steps') return steps(inflow.rows, inflow.repeatEvery);
  const { scale } = inflow;
  if (inflow.kind === 'level') {
    const flow = flowsOf(station.inflow)[inflow.which] * scale;
    return () => ({ flow, until: Infinity });
  }
  const of = surveyed(station);
  return (t) => {
    const { flow, until } = of(t);
    return { flow: flow * scale, until };
  };
}
