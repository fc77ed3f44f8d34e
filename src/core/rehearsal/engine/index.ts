import { phrase } from '../../units';
import type { CompiledScenario } from '../compile';
import { flowOn, type Flowing } from '../pumping';
import { sendForPerson } from './clocks';
import { type Horizon, lookAhead } from './horizon';
import { stay } from './limits';
import { happenNow } from './moment';
import { hear, type Listener, Passing, type Run } from './run';
import { fallsNow, inflowNow, movingNow, pumpingNow, type State } from './state';
import { settleWater } from './water';

/** Who is asked, and told, while time passes. */
export interface Watch {
  /** Asked now and then: true gives up. */
  stopped?(t: number): boolean;
  /** Told the state between any two events: it may be copied there, and carried on from again. */
  rests?(s: State): void;
}

/** How often it is asked whether to give up: events. */
const ASKED = 4096;

/** Moves the water by its law, until something acts on the way or something is due. */
function move({ s, stretch, listener }: Run, { until, low, high }: Horizon, flowing: Flowing): void {
  flowing.delivery = s.model.delivery(pumpingNow(s));
  flowing.volume = s.v;
  const comes = inflowNow(s);
  const falls = fallsNow(s);
  flowing.inflow = comes + falls;
  flowing.low = low;
  flowing.high = high;
  flowing.most = Math.max(until - s.t, 0);
  const moved = flowOn(flowing);
  stretch.from = s.t;
  stretch.v0 = s.v;
  stretch.inflow = comes;
  stretch.falls = falls;
  stretch.pumped = movingNow(s) === 0 ? 0 : moved.pumped;
  stretch.still = movingNow(s) === 0 ? moved.pumped : 0;
  stretch.overflow = 0;
  stretch.over = false;
  s.v = moved.volume;
  s.t = moved.time >= until - s.t ? until : s.t + moved.time;
  stretch.came = comes * (s.t - stretch.from);
  if (falls > 0) listener.ranBack?.(falls * (s.t - stretch.from));
}

/** The first moment: what is called from the beginning starts, what the water has passed is put where it belongs. */
function begin(run: Run): void {
  const { s, compiled, listener } = run;
  if (s.panel.running !== 0)
    listener.turned?.(0, { ...s.panel, running: 0 }, s.panel, () => phrase`it is called from the beginning`, s.since);
  if (s.panel.alarm) sendForPerson(s, compiled.scenario.responseTime);
  settleWater(run);
  happenNow(run);
}

/**
 * Carries a state on through time. The water moves by its law between events, each of which is located: a float’s trip, a pump that draws
 * air, a timer’s or protector’s end, a step of the inflow, a move of a hand. The panel answers by its solved circuit. Nothing depends on
 * any step of time, nor on who listens.
 * @param end s
 */
export function advance(
  compiled: CompiledScenario,
  s: State,
  end: number,
  listener: Listener,
  watch: Watch = {},
): void {
  const { prepared, way } = compiled;
  const { top, lanes } = prepared;
  const run: Run = { compiled, s, listener, stretch: new Passing(s.panel, way.sense, top, 1 << (lanes.length - 1)) };
  const horizon: Horizon = { until: 0, low: 0, high: top };
  const flowing: Flowing = {
    delivery: s.model.delivery(0),
    volume: s.v,
    inflow: 0,
    sense: way.sense,
    low: 0,
    high: top,
    most: 0,
  };
  if (s.t === 0) begin(run);
  for (let turns = 1; s.t < end && s.ended === null; turns++) {
    if (turns % ASKED === 0 && watch.stopped?.(s.t)) s.ended = phrase`stopped by hand`;
    watch.rests?.(s);
    lookAhead(run, end, horizon);
    move(run, horizon, flowing);
    hear(run);
    if (s.t < horizon.until) {
      const [node, dry, full] = [s.panel, s.dry, s.full];
      settleWater(run);
      if (s.panel !== node || s.dry !== dry || s.full !== full) continue;
      stay(run, horizon.until);
    }
    happenNow(run);
  }
}

export type { Listener, Passed } from './run';
export { beginning, copyOf, inflowNow, type State } from './state';
