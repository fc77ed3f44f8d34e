import type { LevelContext } from './context';
import { cycleOf, drawTime } from './cycle';

export interface LevelAt {
  /** s */
  readonly time: number;
  /** m above the floor */
  readonly level: number;
}

const STEPS = 10;

/**
 * One cycle at a steady inflow as points in time: the water that drains back, the rest with no pump running, the run to the stop, pump
 * after pump being called where one is not enough. Empty when there is no such cycle.
 */
export function sawtooth(context: LevelContext, inflow: number): LevelAt[] {
  const cycle = cycleOf(context, inflow);
  if (!cycle.ok || !cycle.keepsUp) return [];
  const { vessel, stop, lead, calls } = context;
  const way = lead > stop ? 1 : -1;
  const base = vessel.volume(lead) - way * cycle.fill * inflow;
  const points = Array.from({ length: STEPS + 1 }, (_, i): LevelAt => {
    const time = (cycle.fill * i) / STEPS;
    return { time, level: vessel.height(base + way * inflow * time) };
  });
  let time = cycle.fill;
  const pass = (from: number, to: number, running: number) => {
    let at = from;
    for (let i = 1; i <= STEPS; i++) {
      const next = from + ((to - from) * i) / STEPS;
      time += drawTime(context, at, next, inflow, running, 1e-7);
      points.push({ time, level: next });
      at = next;
    }
  };
  for (let k = 1; k < cycle.pumps; k++) pass(calls[k - 1]!, calls[k]!, k);
  pass(calls[cycle.pumps - 1]!, stop, cycle.pumps);
  return points;
}
