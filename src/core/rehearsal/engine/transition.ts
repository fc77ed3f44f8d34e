import type { Panel } from '../../schemes';
import { phrase, type Phrase, quantity } from '../../units';
import type { Node } from '../logic';
import { runOnFor, sendForPerson, stopClock, timerOf } from './clocks';
import { tell, type Run } from './run';
import { inflowNow, type State } from './state';

/** More switchings than this within a second of the rehearsal are chatter. */
const CHATTER = 60;

/** Notes that something switched, and gives up where it does so without end. */
export function switched({ s, course }: Run): void {
  s.switches.push(s.t);
  if (s.switches.length > CHATTER && s.t - s.switches.shift()! < 1)
    s.ended = phrase`chatter: the panel switches without end at ${quantity('height', course.prepared.vessel.height(s.v))}`;
}

const bitsOf = (mask: number): number => {
  let n = 0;
  for (let m = mask; m > 0; m >>= 1) n += m & 1;
  return n;
};

/** What the pumps that ran delivered here, m³/s. */
function capacity(s: State, { running }: Node): number {
  const { volumes, flows } = s.world.delivery(running & s.world.moves & ~s.dry);
  const i = Math.max(
    volumes.findIndex((v) => v >= s.v),
    1,
  );
  return flows[i - 1]! + ((flows[i]! - flows[i - 1]!) * (s.v - volumes[i - 1]!)) / (volumes[i]! - volumes[i - 1]!);
}

/** Which timers wait now, and since when. */
function setTimers(s: State, before: Node): void {
  const { waiting } = s.node;
  for (let i = s.clocks.length - 1; i >= 0; i--) {
    const clock = s.clocks[i]!;
    if (
      clock.kind === 'timer' &&
      !waiting.some((w) => w.device === clock.device && before.states[clock.device] === w.from)
    )
      stopClock(s, clock);
  }
  for (const w of waiting)
    if (!timerOf(s, w.device)) s.clocks.push({ kind: 'timer', at: s.t + w.after, device: w.device, to: w.to });
}

/** Pumps that stopped: what stood in their line runs back, or what they fill still runs in. */
function stopPumps({ s, course, listener }: Run, before: Node, moved: number): void {
  const { prepared, way, runOn } = course;
  if (moved !== 0 && s.node.running === 0 && way.direction === 'empty') {
    const back = Math.min(s.world.drainback(bitsOf(moved)), prepared.top - s.v);
    listener.ranBack?.(back);
    s.v += back;
  }
  const stopped = before.running & ~s.node.running;
  if (stopped && runOn > 0) for (let i = 0; i < s.since.length; i++) if (stopped & (1 << i)) runOnFor(s, i, runOn);
}

/** Takes the panel to another combination of its states, and tells what that means. */
export function transition(run: Run, to: Node, why: () => Phrase): void {
  const { s, course, listener } = run;
  const before = s.node;
  if (to === before) return;
  // Only pumps that moved water leave a column that runs back.
  const moved = before.running & s.world.moves & ~s.dry;
  s.node = to;
  switched(run);
  if (to.chatter.length > 0) s.ended = phrase`chatter: ${to.chatter.join(', ')} never come to rest`;
  setTimers(s, before);
  const started = to.running & ~before.running;
  const reason = () =>
    started && before.running
      ? phrase`${why()}; the pumps that ran could not keep up: inflow ${quantity('flow', inflowNow(s))} of ${quantity('flow', capacity(s, before))}`
      : started
        ? phrase`${why()}; inflow ${quantity('flow', inflowNow(s))}`
        : why();
  listener.turned?.(s.t, before, to, reason, s.since);
  for (let i = 0; i < s.since.length; i++) if ((before.running ^ to.running) & (1 << i)) s.since[i] = s.t;
  s.dry &= to.running;
  stopPumps(run, before, moved);
  for (const tag of to.tripped)
    if (before.states[tag] !== 'tripped' && !s.world.held.has(tag))
      tell(run, 'protection', () => phrase`${tag} (${deviceOf(course.prepared.panel, tag).says}) opens: ${why()}`);
  if (to.rings && !before.rings) sendForPerson(s, course.scenario.answers);
  const makes = course.cutOffs.length === 0 || course.cutOffs.some((id) => to.outcomes[id]);
  s.shedUntil = makes ? Infinity : Math.min(s.shedUntil, s.t + course.sheds);
}

const deviceOf = ({ devices }: Panel, tag: string) => devices.find((d) => d.tag === tag)!;

/** The state a hand, or what held it, leaves a device in: as it rests. A relay and a float find their own. */
function restOf(panel: Panel, tag: string): string | null {
  const { sensor, behaviour, initial } = deviceOf(panel, tag);
  return sensor === undefined && (behaviour.kind === 'trip' || behaviour.kind === 'worked') ? initial : null;
}

/** Puts the station with the faults that are there now in place of what it was before; open thermal protectors are among them. */
export function applyActiveFaults(run: Run, why: () => Phrase): void {
  const { s, course } = run;
  const { prepared, scenario } = course;
  const before = s.world;
  const thermal = prepared.protectors.filter((_, i) => s.open & (1 << i));
  const world = prepared.world([...[...s.active].map((i) => scenario.faults[i]!.id), ...thermal]);
  if (world === before) return;
  const released = [...before.held]
    .filter((tag) => !world.held.has(tag))
    .flatMap((tag) => {
      const rest = s.puts[tag] ?? restOf(prepared.panel, tag);
      return rest === null ? [] : [[tag, rest] as const];
    });
  s.world = world;
  transition(run, world.logic.at({ ...s.node.states, ...Object.fromEntries(released), ...world.puts }), why);
}
