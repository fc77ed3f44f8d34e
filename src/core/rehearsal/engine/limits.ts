import { phrase, quantity } from '../../units';
import { hear, tell, type Run } from './run';
import { fallsNow, inflowNow, movingNow, pumpingNow } from './state';

/** Water that passed the line: moved by pumps, or by itself. */
function pass({ s, stretch }: Run, volume: number): void {
  stretch.pumped = movingNow(s) === 0 ? 0 : volume;
  stretch.still = movingNow(s) === 0 ? volume : 0;
}

function backFor({ stretch, listener }: Run, falls: number, time: number): void {
  stretch.falls = falls;
  if (falls > 0) listener.ranBack?.(falls * time);
}

/** Time at the brim: what is too much runs over. */
function atBrim(run: Run, until: number): void {
  const { s, compiled, stretch } = run;
  const inflow = inflowNow(s);
  const falls = fallsNow(s);
  const flow = s.model.delivery(pumpingNow(s)).flows.at(-1)!;
  const excess = Math.max(compiled.way.sense * (inflow + falls - flow), 0);
  const time = until - s.t;
  if (!s.spill) {
    s.spill = true;
    tell(run, 'overflow', () => phrase`overflow: ${quantity('flow', excess)} more than leaves`);
  }
  stretch.inflow = inflow;
  pass(run, flow * time);
  stretch.came = inflow * time;
  backFor(run, falls, time);
  stretch.overflow = excess * time;
  stretch.over = true;
}

/** Time at the floor: pumps can move no more than comes in; from an empty tank no more can be drawn than pumps bring. */
function atFloor(run: Run, until: number): void {
  const { s, compiled, stretch } = run;
  const inflow = inflowNow(s);
  const falls = fallsNow(s);
  const flow = s.model.delivery(pumpingNow(s)).flows[0]!;
  const time = until - s.t;
  const least = Math.min(inflow + falls, flow);
  const fills = compiled.way.direction === 'fill';
  stretch.inflow = inflow;
  pass(run, (fills ? flow : least) * time);
  stretch.came = (fills ? least : inflow) * time;
  backFor(run, falls, time);
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
