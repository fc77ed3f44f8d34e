import type { Panel } from '../../schemes';
import { phrase, type Phrase, quantity } from '../../units';
import type { PanelState } from '../panelMachine';
import { setOf } from '../pumping';
import { runOnFor, sendForPerson, stopClock, timerOf } from './clocks';
import { tell, type Run } from './run';
import { inflowNow, type State } from './state';

/** More switchings than this within a second of the rehearsal are chatter. */
const CHATTER = 60;

/** Notes that something switched, and gives up where it does so without end. */
export function switched({ s, compiled }: Run): void {
  s.switches.push(s.t);
  if (s.switches.length > CHATTER && s.t - s.switches.shift()! < 1)
    s.ended = phrase`chatter: the panel switches without end at ${quantity('height', compiled.prepared.vessel.height(s.v))}`;
}

const pumpsOf = (mask: number): number[] => Array.from({ length: 8 }, (_, i) => i).filter((i) => mask & (1 << i));

/** What the pumps that ran delivered here, m³/s. */
function capacity(s: State, { running, backwards }: PanelState): number {
  const { volumes, flows } = s.model.delivery(setOf(running & s.model.moves & ~s.dry, backwards));
  const i = Math.max(
    volumes.findIndex((v) => v >= s.v),
    1,
  );
  return flows[i - 1]! + ((flows[i]! - flows[i - 1]!) * (s.v - volumes[i - 1]!)) / (volumes[i]! - volumes[i - 1]!);
}

/** Which timers wait now, and since when. */
function setTimers(s: State, before: PanelState): void {
  const { waiting } = s.panel;
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
function stopPumps({ s, compiled }: Run, before: PanelState, moved: number): void {
  const { prepared, way, runOn } = compiled;
  const { hydraulics, siphons } = s.model;
  const level = prepared.vessel.height(s.v);
  if (s.panel.running !== 0) s.falls = null;
  else if (moved !== 0 && way.direction === 'empty') {
    // A line that goes on by itself stays full; out of any other what stands over the water falls back.
    s.full = siphons && hydraulics.still(level) > 0;
    if (!hydraulics.flowsStill(level)) {
      const { volume, time } = hydraulics.drainback(pumpsOf(moved), level);
      if (volume > 0) s.falls = { flow: volume / time, until: s.t + time };
    }
  }
  const stopped = before.running & ~s.panel.running;
  if (stopped && runOn > 0) for (let i = 0; i < s.since.length; i++) if (stopped & (1 << i)) runOnFor(s, i, runOn);
}

/** Takes the panel to another combination of its states, and tells what that means. */
export function transition(run: Run, to: PanelState, why: () => Phrase): void {
  const { s, compiled, listener } = run;
  const before = s.panel;
  if (to === before) return;
  // Only pumps that moved water leave a column that runs back.
  const moved = before.running & s.model.moves & ~s.dry;
  s.panel = to;
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
    if (before.states[tag] !== 'tripped' && !s.model.held.has(tag))
      tell(run, 'protection', () => phrase`${tag} (${deviceOf(compiled.prepared.panel, tag).label}) opens: ${why()}`);
  for (let i = 0; i < s.since.length; i++)
    if (to.stalled & ~before.stalled & (1 << i))
      tell(run, 'protection', () => phrase`pump ${String(i + 1)} hums and stands under voltage: ${why()}`);
  if (to.alarm && !before.alarm) sendForPerson(s, compiled.scenario.responseTime);
  cut(run);
}

/** What makes the water may run, or the cut-off has just stopped it. */
function cut({ s, compiled: { cutOffs } }: Run): void {
  const makes = cutOffs.length === 0 || cutOffs.some((id) => s.panel.outcomes[id]);
  s.cutAt = makes ? null : (s.cutAt ?? s.t);
}

const deviceOf = ({ devices }: Panel, tag: string) => devices.find((d) => d.tag === tag)!;

/** The state a hand, or what held it, leaves a device in: as it rests. A relay and a float find their own. */
function restOf(panel: Panel, tag: string): string | null {
  const { sensor, behaviour, initial } = deviceOf(panel, tag);
  return sensor === undefined && (behaviour.kind === 'trip' || behaviour.kind === 'worked') ? initial : null;
}

/** Puts the station with the faults that are there now in place of what it was before; open thermal protectors are among them. */
export function applyActiveFaults(run: Run, why: () => Phrase): void {
  const { s, compiled } = run;
  const { prepared, scenario } = compiled;
  const before = s.model;
  const thermal = prepared.protectors.filter((_, i) => s.open & (1 << i));
  const model = prepared.withFaults([...[...s.active].map((i) => scenario.faults[i]!.id), ...thermal]);
  if (model === before) return;
  const released = [...before.held]
    .filter((tag) => !model.held.has(tag))
    .flatMap((tag) => {
      const rest = s.puts[tag] ?? restOf(prepared.panel, tag);
      return rest === null ? [] : [[tag, rest] as const];
    });
  s.model = model;
  transition(run, model.machine.at({ ...s.panel.states, ...Object.fromEntries(released), ...model.puts }), why);
}
