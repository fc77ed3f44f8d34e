import { phrase, type Phrase } from '../../units';
import type { ScheduledEvent } from '../compile';
import { attend } from './attendance';
import { stopClock } from './clocks';
import { tell, type Run } from './run';
import type { Clock } from './state';
import { protect, recover } from './thermal';
import { applyActiveFaults, transition } from './transition';
import { settleWater } from './water';

/** Why a protection that takes its time has opened. */
function warmed({ s, compiled }: Run, tag: string): () => Phrase {
  const pump = compiled.prepared.panel.devices.find((d) => d.tag === tag)?.pump;
  return pump !== undefined && s.panel.stalled & (1 << (pump - 1))
    ? () => phrase`pump ${String(pump)} stood under voltage`
    : () => phrase`more current flowed than it carries`;
}

function ring(run: Run, clock: Clock): void {
  const { s } = run;
  switch (clock.kind) {
    case 'timer': {
      const { device, to } = clock;
      if (to === 'tripped') return transition(run, s.model.machine.after(s.panel, device, to), warmed(run, device));
      tell(run, 'timer', () => phrase`${device}: ${to}`);
      return transition(run, s.model.machine.after(s.panel, device, to), () => phrase`${device} has run its time`);
    }
    case 'heats':
      return protect(run, clock.pump);
    case 'cools':
      return recover(run, clock.pump);
    case 'runs-on':
      s.runsOn &= ~(1 << clock.pump);
      return;
    case 'person':
      return attend(run);
  }
}

/** Something of the scenario: a fault comes or goes, power and hands put devices. */
function meet(run: Run, { kind, sentence, put = {}, fault }: ScheduledEvent): void {
  const { s } = run;
  if (fault && fault.on === s.active.has(fault.place)) return;
  tell(run, kind, () => sentence);
  if (fault) {
    s.active = fault.on ? new Set([...s.active, fault.place]) : new Set([...s.active].filter((x) => x !== fault.place));
    applyActiveFaults(run, () => sentence);
  }
  s.puts = { ...s.puts, ...put };
  for (const [tag, state] of Object.entries(put))
    if (!s.model.held.has(tag)) transition(run, s.model.machine.after(s.panel, tag, state), () => sentence);
}

/** Everything that is due at this moment: the inflow’s next step, clocks, the scenario, and what the water then passes. */
export function happenNow(run: Run): void {
  const { s, compiled } = run;
  const { schedule, inflowOf } = compiled;
  if (s.t >= s.now.until) s.now = inflowOf(s.t);
  if (s.falls && s.t >= s.falls.until) s.falls = null;
  for (const clock of [...s.clocks]) {
    // One that rang before may have stopped this one.
    if (clock.at > s.t || !s.clocks.includes(clock)) continue;
    stopClock(s, clock);
    ring(run, clock);
  }
  while (s.nextScheduled < schedule.length && schedule[s.nextScheduled]!.at <= s.t)
    meet(run, schedule[s.nextScheduled++]!);
  settleWater(run);
}
