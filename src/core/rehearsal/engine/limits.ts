import { phrase, quantity } from '../../units';
import { hear, tell, type Run } from './run';
import { inflowNow, pumpingNow } from './state';

/** Time at the brim: what is too much runs over. */
function atBrim(run: Run, until: number): void {
  const { s, compiled, stretch } = run;
  const inflow = inflowNow(s);
  const flow = s.model.delivery(pumpingNow(s)).flows.at(-1)!;
  const excess = Math.max(compiled.way.sense * (inflow - flow), 0);
  const time = until - s.t;
  if (!s.spill) {
    s.spill = true;
    tell(run, 'overflow', () => phrase`overflow: ${quantity('flow', excess)} more than leaves`);
  }
  stretch.inflow = inflow;
  stretch.pumped = flow * time;
  stretch.came = inflow * time;
  stretch.overflow = excess * time;
  stretch.over = true;
}

/** Time at the floor: pumps can move no more than comes in; from an empty tank no more can be drawn than pumps bring. */
function atFloor({ s, compiled, stretch }: Run, until: number): void {
  const inflow = inflowNow(s);
  const flow = s.model.delivery(pumpingNow(s)).flows[0]!;
  const time = until - s.t;
  const least = Math.min(inflow, flow);
  const fills = compiled.way.direction === 'fill';
  stretch.inflow = inflow;
  stretch.pumped = (fills ? flow : least) * time;
  stretch.came = (fills ? least : inflow) * time;
  stretch.overflow = 0;
  stretch.over = false;
}

/** The water cannot move on: it stays at the overflow, or at the floor, until something else happens. */
export function stay(run: Run, until: number): void {
  const { s, compiled, stretch } = run;
  stretch.from = s.t;
  stretch.v0 = s.v;
  if (s.v >= compiled.prepared.top) atBrim(run, until);
  else atFloor(run, until);
  s.t = until;
  hear(run);
}
