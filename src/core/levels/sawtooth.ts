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
 * One cycle at a steady inflow as points in time: the water that drains back, the fill, the run down to the stop.
 * Empty when there is no such cycle: no operating point, or an inflow that the pump does not keep up with.
 */
export function sawtooth(context: LevelContext, inflow: number): LevelAt[] {
  const cycle = cycleOf(context, inflow);
  if (!cycle.ok || !cycle.keepsUp) return [];
  const { vessel, stop, lead } = context;
  const base = vessel.volume(lead) - cycle.fill * inflow;
  const fill = Array.from({ length: STEPS + 1 }, (_, i): LevelAt => {
    const time = (cycle.fill * i) / STEPS;
    return { time, level: vessel.height(base + inflow * time) };
  });
  const run: LevelAt[] = [];
  let time = cycle.fill;
  let from = lead;
  for (let i = 1; i <= STEPS; i++) {
    const to = lead + ((stop - lead) * i) / STEPS;
    time += drawTime(context, from, to, inflow, 1e-7);
    run.push({ time, level: to });
    from = to;
  }
  return [...fill, ...run];
}
